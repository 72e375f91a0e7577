import { describe, expect, it } from 'vitest';
import { CARRY_PAST_M, GLIDE, LEAST_ROLL_SPEED, RAMP_CARRY_M, ageFactor } from '../motion/assumed';
import { GRAVITY } from '../motion/flight';
import { groundErrors, rollingResistance, speedFor, stopGaps } from '../motion/ground';
import { IMPLEMENTS, shapeOf, type AimedId, type ImplementId } from '../objects/catalogue';
import { drawUnit, PURPOSE } from '../random/draw';
import type { Course, PlacedTarget, Spot, Task } from '../rules/format/game';
import { starter } from '../../../tests/examples/starters';
import { successAt } from './success';

const MILLION = 1_000_000;
const FROM: Spot = { xM: 0, yM: 0 };
const AGE = 8;

/** Two independent draws of the standard normal distribution (Box and Muller). */
function normals(n: number): readonly [number, number] {
  const radius = Math.sqrt(-2 * Math.log(1 - drawUnit(23, n, 0, PURPOSE.outcome)));
  const turn = 2 * Math.PI * drawUnit(23, n, 1, PURPOSE.outcome);
  return [radius * Math.cos(turn), radius * Math.sin(turn)];
}

const placed = (object: AimedId, xM: number, yM = 0): PlacedTarget => ({ object, xM, yM, turnRad: 0, standM: 0 });
const courseOf = (target: PlacedTarget, obstacles: readonly PlacedTarget[] = []): Course => ({
  floor: { widthM: 9, depthM: 4, surface: 'hard' },
  furniture: [],
  places: {},
  targets: { aim: [target] },
  obstacles,
});
const two = [
  { id: 'inside', label: 'inside', as: 'success' as const },
  { id: 'touching', label: 'touching', as: 'success' as const },
  { id: 'miss', label: 'miss', as: 'failure' as const },
];
const success = (implement: ImplementId, target: PlacedTarget, task: Omit<Task, 'id' | 'see'>, obstacles: readonly PlacedTarget[] = []) =>
  successAt({ kit: { implement, marker: 'sock' }, course: courseOf(target, obstacles) }, { id: 'try', see: 'end', ...task }, FROM, target, {
    ageYears: AGE,
  });

/** A million balls rolled or kicked one by one: where each passes or stops, by the model's definition. */
function rolledOut(
  technique: 'roll' | 'kick',
  implement: ImplementId,
  lengthM: number,
  hit: (turn: number, meant: number, share: number) => boolean,
) {
  const ball = IMPLEMENTS[implement];
  const mu = rollingResistance(ball, 'hard');
  const errors = groundErrors(technique, { ageYears: AGE });
  const meant = Math.max(LEAST_ROLL_SPEED, speedFor(lengthM + CARRY_PAST_M, mu));
  let hits = 0;
  for (let n = 0; n < MILLION; n += 1) {
    const [direction, speed] = normals(n);
    if (hit(direction * errors.azimuthSd, meant * (1 + speed * errors.speedShareSd), 1 + speed * errors.speedShareSd)) hits += 1;
  }
  return hits / MILLION;
}

describe('chances against a million tries played out one by one', () => {
  const far = (ball: ImplementId, speed: number) => (speed * speed) / (2 * rollingResistance(IMPLEMENTS[ball], 'hard') * GRAVITY);

  it('a kick at a basket on its side, with a small pillow before it: within a point; past one that leaves no room for the ball none gets in', () => {
    const goal = placed('tipped-basket', 2.5);
    const shape = shapeOf(goal);
    const width = 'widthM' in shape ? shape.widthM : 0;
    const { radiusM } = IMPLEMENTS['big-sock-ball'];
    // A pillow as deep as it is wide in proportion: its near edge is the one that bars.
    const keeper = { ...placed('pillow', 2.4), widthM: 0.25 };
    const near = 2.4 - (0.15 * 0.25) / 0.5 / 2;
    for (const [barred, obstacles] of [
      [-1, []],
      [(0.125 + radiusM) / near, [keeper]],
    ] as const) {
      const out = rolledOut(
        'kick',
        'big-sock-ball',
        2.5,
        (turn, speed) =>
          Math.abs(2.5 * Math.tan(turn)) <= width / 2 - 0.5 * radiusM && Math.abs(Math.tan(turn)) > barred && far('big-sock-ball', speed) >= 2.5,
      );
      expect(Math.abs(success('big-sock-ball', goal, { technique: 'kick' }, [...obstacles]).chance - out)).toBeLessThan(0.01);
    }
    expect(success('big-sock-ball', goal, { technique: 'kick' }, [placed('pillow', 2.4)]).chance).toBeLessThan(1e-9);
  });
  it('a roll at a bottle with a chair on the way beside the line: within a point', () => {
    const target = placed('bottle', 3);
    const chair = placed('chair', 1.5, 0.3);
    const ball = IMPLEMENTS['tennis-ball'];
    const chairShape = shapeOf(chair);
    const chairHalf = ('widthM' in chairShape ? chairShape.widthM : 0) / 2 + ball.radiusM;
    const out = rolledOut('roll', 'tennis-ball', 3, (turn, speed) => {
      if (Math.abs(1.5 * Math.tan(turn) - 0.3) <= chairHalf) return false;
      return Math.abs(3 * Math.tan(turn)) <= 0.045 + ball.radiusM && far('tennis-ball', speed) >= 3;
    });
    expect(Math.abs(success('tennis-ball', target, { technique: 'roll' }, [chair]).chance - out)).toBeLessThan(0.01);
    expect(success('tennis-ball', target, { technique: 'roll' }, [chair]).chance).toBeLessThanOrEqual(
      success('tennis-ball', target, { technique: 'roll' }).chance,
    );
  });
  it('a ball rolled up a ramp into a shoe box: within a point', () => {
    const box = placed('shoe-box', 2);
    const shape = shapeOf(box);
    if (shape.kind !== 'opening' || shape.outline !== 'rectangle') throw new Error('a shoe box has corners');
    const out = rolledOut('roll', 'tennis-ball', 2, (turn, _, share) => {
      const flight = RAMP_CARRY_M * (1 + 2 * (share - 1));
      return Math.abs(2 * Math.tan(turn)) <= shape.widthM / 2 && Math.abs(flight - RAMP_CARRY_M) <= shape.depthM / 2;
    });
    expect(Math.abs(success('tennis-ball', box, { technique: 'roll' }, [placed('ramp', 1.6)]).chance - out)).toBeLessThan(0.01);
  });
  it('a ball that stops in or touching a loop on the floor: within two points each', () => {
    const loop = placed('string-loop', 2.2);
    const shape = shapeOf(loop);
    const radius = 'diameterM' in shape ? shape.diameterM / 2 : 0;
    const ball = IMPLEMENTS['tennis-ball'].radiusM;
    const stops = (within: number) =>
      rolledOut('roll', 'tennis-ball', 2.2, (turn, _, share) => {
        const rolled = 2.2 * share * share;
        return Math.hypot(rolled * Math.cos(turn) - 2.2, rolled * Math.sin(turn)) <= within;
      });
    const found = success('tennis-ball', loop, { technique: 'roll', ends: two });
    expect(Math.abs(found.chance - stops(radius + ball))).toBeLessThan(0.02);
    expect(Math.abs(found.chance * found.firstShare - stops(radius - ball / 2))).toBeLessThan(0.02);
  });
  it('how near a ball stops to a mark, on the mean: within two centimetres', () => {
    const shot = { technique: 'kick', thrower: { ageYears: AGE }, ball: IMPLEMENTS['tennis-ball'], surface: 'grass', distanceM: 2.5 } as const;
    const gaps = stopGaps(shot);
    const errors = groundErrors('kick', { ageYears: AGE });
    let sum = 0;
    for (let n = 0; n < MILLION; n += 1) {
      const [direction, speed] = normals(n);
      const rolled = 2.5 * Math.max(0, 1 + speed * errors.speedShareSd) ** 2;
      const turn = direction * errors.azimuthSd;
      sum += Math.hypot(rolled * Math.cos(turn) - 2.5, rolled * Math.sin(turn));
    }
    expect(Math.abs(gaps.reduce((total, gap) => total + gap, 0) / gaps.length - sum / MILLION)).toBeLessThan(0.02);
  });
  it('a paper plane at a loop of string: within three points', () => {
    const loop = placed('string-loop', 2.5);
    const shape = shapeOf(loop);
    const radius = 'diameterM' in shape ? shape.diameterM / 2 : 0;
    const wild = 0.7 + 0.3 * ageFactor(AGE);
    let inside = 0;
    for (let n = 0; n < MILLION; n += 1) {
      const [range, direction] = normals(n);
      const flown = 2.5 * Math.max(0, 1 + range * GLIDE.rangeShare * wild);
      const turn = direction * GLIDE.azimuthDeg * (Math.PI / 180) * wild;
      if (Math.hypot(flown * Math.cos(turn) - 2.5, flown * Math.sin(turn)) <= radius) inside += 1;
    }
    const found = success('paper-plane', loop, { technique: 'other', ends: two });
    expect(Math.abs(found.chance * found.firstShare - inside / MILLION)).toBeLessThan(0.03);
  });
});

describe('what is aimed at when several things are in reach', () => {
  it('a ball finds more boxes behind a ramp as children grow, and fewer from farther off', () => {
    const from = (distanceM: number, ageYears: number) => {
      const box = placed('shoe-box', distanceM);
      return successAt(
        { kit: { implement: 'tennis-ball', marker: 'sock' }, course: courseOf(box, [placed('ramp', 1)]) },
        { id: 'try', technique: 'roll', see: 'end' },
        FROM,
        box,
        { ageYears },
      ).chance;
    };
    for (const age of [6, 8]) {
      expect(from(2, age + 2)).toBeGreaterThan(from(2, age) + 0.05);
      expect(from(1.5, age)).toBeGreaterThan(from(2.5, age) + 0.05);
    }
  });
});

describe('a bucket', () => {
  it('that is only to be hit is an upright as wide and as high, and far easier than one to land in', () => {
    const game = starter('heron-strike');
    const [id, [thing]] = Object.entries(game.course.targets)[0] as [string, PlacedTarget[]];
    const stage = game.parts[0]!.stages[0]!;
    const spot = { xM: thing!.xM - 3, yM: thing!.yM };
    const child = { ageYears: 9 };
    const chance = (aim: 'in' | 'hit') => successAt(game, stage, spot, { ...thing!, object: 'bucket', aim }, child).chance;
    expect(id).toBe(stage.at);
    expect(chance('hit')).toBeGreaterThan(1.5 * chance('in'));
    const upright = { ...thing!, object: 'bucket' as const, own: { name: 'post', shape: { kind: 'upright' as const, widthM: 0.3, heightM: 0.28 } } };
    expect(chance('hit')).toBeCloseTo(successAt(game, stage, spot, upright, child).chance, 9);
  });
});
