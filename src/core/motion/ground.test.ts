import { shippedRacks } from '../forecast/shipped-racks';
import type { BodyForm } from './assumed';
import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { fallTable, PIN_NODES, quantile } from '../forecast/pins';
import { chanceOf } from '../forecast/chances';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '../objects/catalogue';
import { drawUnit, PURPOSE } from '../random/draw';
import { popCount } from '../rules/playing/effects';
import type { PlacedTarget } from '../rules/format/game';
import { GRAVITY } from './flight';
import { groundErrors, passChance, rollingResistance, speedFor, stopChance, stopGaps, type GroundShot } from './ground';
import { normalCdf } from './normal';

const { jStat } = createRequire(import.meta.url)('jstat') as { jStat: { normal: { inv: (p: number, mean: number, sd: number) => number } } };

const MILLION = 1_000_000;
const shot = (change: Partial<GroundShot> = {}): GroundShot => ({
  technique: 'roll',
  thrower: { ageYears: 8 },
  ball: IMPLEMENTS['tennis-ball'],
  surface: 'hard',
  distanceM: 2,
  ...change,
});

/** A pair of independent standard normal draws by Box and Muller. */
function normals(n: number): [number, number] {
  const radius = Math.sqrt(-2 * Math.log(1 - drawUnit(5, n, 0, PURPOSE.outcome)));
  const turn = 2 * Math.PI * drawUnit(5, n, 1, PURPOSE.outcome);
  return [radius * Math.cos(turn), radius * Math.sin(turn)];
}

describe('balls that roll', () => {
  it('the quantile of the normal distribution agrees with jstat', () => {
    for (let p = 0.002; p < 1; p += 0.0173) expect(quantile(p)).toBeCloseTo(jStat.normal.inv(p, 0, 1), 5);
    expect([quantile(0), quantile(1)]).toEqual([-8, 8]);
  });
  it('v² = 2µgs: a ball of 1.5 m/s on µ = 0.2 rolls 0.57 m', () => {
    expect(speedFor(0.5736, 0.2)).toBeCloseTo(1.5, 3);
    expect(rollingResistance(IMPLEMENTS['sock-ball'], 'carpet')).toBeGreaterThan(5 * rollingResistance(IMPLEMENTS['tennis-ball'], 'carpet'));
  });
  it.each([
    ['a gate of 0.5 m at 2 m, rolled at eight', shot(), 0.25 - 0.0335],
    ['a bottle at 3 m, kicked at ten', shot({ technique: 'kick', thrower: { ageYears: 10 }, distanceM: 3 }), 0.0785],
    ['a box on its side at 2.5 m, a sock ball at six', shot({ ball: IMPLEMENTS['sock-ball'], thrower: { ageYears: 6 }, distanceM: 2.5 }), 0.2],
  ] as const)('the chance to pass agrees with a million rolls played out: %s', (_name, of, half) => {
    const mu = rollingResistance(of.ball, of.surface);
    const errors = groundErrors(of.technique, of.thrower);
    const meant = Math.min(3.5 + 0.5 * (of.thrower.ageYears - 4) * 1.2, Math.max(1.6, speedFor(of.distanceM + 1.2, mu)));
    let passed = 0;
    for (let n = 0; n < MILLION; n += 1) {
      const [direction, speed] = normals(n);
      const aside = of.distanceM * Math.tan(direction * errors.azimuthSd);
      const v = meant * (1 + speed * errors.speedShareSd);
      if (Math.abs(aside) <= half && (v * v) / (2 * mu * GRAVITY) >= of.distanceM) passed += 1;
    }
    expect(Math.abs(passChance(of, half) - passed / MILLION)).toBeLessThan(0.01);
  });
  it('the chance to stop within 30 cm agrees with a million rolls played out, within two points', () => {
    const of = shot({ technique: 'kick', distanceM: 2.4 });
    const errors = groundErrors('kick', of.thrower);
    let within = 0;
    for (let n = 0; n < MILLION; n += 1) {
      const [direction, speed] = normals(n);
      const rolled = of.distanceM * (1 + speed * errors.speedShareSd) ** 2;
      const turn = direction * errors.azimuthSd;
      if (Math.hypot(rolled * Math.cos(turn) - of.distanceM, rolled * Math.sin(turn)) <= 0.3) within += 1;
    }
    expect(Math.abs(stopChance(of, 0.3) - within / MILLION)).toBeLessThan(0.02);
  });
  it('a stroke twice as long leaves gaps twice as wide', () => {
    const one = stopGaps(shot({ distanceM: 1 }));
    const two = stopGaps(shot({ distanceM: 2 }));
    for (let node = 0; node < one.length; node += 17) expect(two[node]!).toBeCloseTo(2 * one[node]!, 9);
  });
  it('a gate worked by hand: 0.6 m wide at 2 m, a tennis ball, eight years: half width 26.65 cm against a spread of 11.3 cm', () => {
    // σ = 1.7° × (1 + 2.2 e^(−4/4.5)) = 3.238°; tan × 2 m = 11.32 cm; Φ(2.355) both sides = 0.9815; it never stops short.
    expect(chanceOf({ technique: 'roll', implement: 'tennis-ball', target: 'shoe-gate', distanceM: 2, ageYears: 8 })).toBeCloseTo(
      2 * normalCdf(0.2665 / 0.11315) - 1,
      2,
    );
  });
});

describe('facts of the trade (common practice, no published source), by five points of chance at three distances for ages 6, 8 and 10', () => {
  const AGES = [6, 8, 10];
  const chance = (
    technique: 'roll' | 'kick' | 'overarm' | 'underarm',
    implement: ImplementId,
    target: AimedId,
    distanceM: number,
    ageYears: number,
    skill = 1,
  ) => chanceOf({ technique, implement, target, distanceM, ageYears, skill });
  it('a wide gate is easier than a narrow one', () => {
    for (const age of AGES)
      for (const distance of [3, 4, 5])
        expect(
          chance('kick', 'big-sock-ball', 'shoe-gate', distance, age) - chance('kick', 'big-sock-ball', 'chair-legs', distance, age),
        ).toBeGreaterThan(0.05);
  });
  it('nearer is easier, for a roll and a kick', () => {
    for (const age of AGES)
      for (const distance of [2, 3, 4]) {
        expect(chance('roll', 'tennis-ball', 'bottle', distance, age) - chance('roll', 'tennis-ball', 'bottle', distance + 1, age)).toBeGreaterThan(
          0.05,
        );
        expect(
          chance('kick', 'big-sock-ball', 'chair-legs', distance, age) - chance('kick', 'big-sock-ball', 'chair-legs', distance + 1, age),
        ).toBeGreaterThan(0.05);
      }
  });
  it('the other hand and the other foot are much worse', () => {
    for (const ageYears of AGES)
      for (const distanceM of [1.5, 2, 3])
        for (const technique of ['roll', 'kick'] as const) {
          const of = (otherHand: boolean) => passChance(shot({ technique, thrower: { ageYears, otherHand }, distanceM }), 0.12);
          expect(of(false) - of(true), `${technique} ${ageYears} ${distanceM}`).toBeGreaterThan(0.05);
        }
  });
  it('two hands from a seat are the easy form close by: easier than standing to a metre and a half, and short far off, where kneeling lies between', () => {
    const of = (form: BodyForm, ageYears: number, distanceM: number, ball: ImplementId) =>
      passChance(shot({ thrower: { ageYears, form }, distanceM, ball: IMPLEMENTS[ball] }), 0.08);
    for (const age of AGES) {
      for (const distance of [0.8, 1, 1.5]) {
        expect(of('seated', age, distance, 'tennis-ball')).toBeGreaterThanOrEqual(of('kneeling', age, distance, 'tennis-ball'));
        expect(of('seated', age, distance, 'tennis-ball')).toBeGreaterThan(of('standing', age, distance, 'tennis-ball'));
      }
      // A sock ball hardly rolls: from a seat it stops on the way.
      for (const distance of [1.5, 2, 3]) {
        expect(of('standing', age, distance, 'sock-ball') - of('seated', age, distance, 'sock-ball'), `${age} ${distance}`).toBeGreaterThan(0.05);
        expect(of('kneeling', age, distance, 'sock-ball')).toBeGreaterThan(of('seated', age, distance, 'sock-ball'));
      }
    }
  });
  it('packed pins fall more than spread pins, of every throw that reaches them', () => {
    for (const ageYears of AGES)
      for (const distanceM of [1, 1.5, 2]) {
        const share = (gap: number) => {
          const pins = [0, 1, 2].flatMap((row) =>
            Array.from({ length: row + 1 }, (_, k) => ({
              xM: distanceM + (row * gap * Math.sqrt(3)) / 2,
              yM: (k - row / 2) * gap,
              object: 'small-bottle' as const,
              turnRad: 0,
              standM: 0,
            })),
          );
          const table = fallTable(
            pins,
            { xM: 0, yM: 0 },
            { technique: 'roll', thrower: { ageYears }, ball: IMPLEMENTS['playground-ball'], surface: 'hard' },
            shippedRacks,
          );
          return table(63).reduce((sum, mask) => sum + popCount(mask), 0) / PIN_NODES / 6;
        };
        expect(share(0.16) - share(0.25), `${ageYears} ${distanceM}`).toBeGreaterThan(0.05);
      }
  });
  it('seated two hands close by is the easy form: a ball rolled from one metre nearly always hits a bottle', () => {
    for (const ageYears of AGES) {
      const of = shot({ thrower: { ageYears, form: 'seated' }, distanceM: 1 });
      const far = shot({ thrower: { ageYears }, distanceM: 3 });
      expect(passChance(of, 0.045 + 0.0335) - passChance(far, 0.045 + 0.0335)).toBeGreaterThan(0.05);
    }
  });
});

describe('pins, by the rough model', () => {
  const triangle = (gap: number, object: AimedId): PlacedTarget[] =>
    [0, 1, 2].flatMap((row) =>
      Array.from({ length: row + 1 }, (_, k) => ({ xM: 4 + row * gap * 0.87, yM: 1.6 + (k - row / 2) * gap, object, turnRad: 0, standM: 0 })),
    );
  const felled = (ball: ImplementId, object: AimedId, gap: number, ageYears = 9) => {
    const table = fallTable(
      triangle(gap, object),
      { xM: 1.5, yM: 1.6 },
      { technique: 'roll', thrower: { ageYears }, ball: IMPLEMENTS[ball], surface: 'hard' },
    )(63);
    return { mean: table.reduce((sum, mask) => sum + popCount(mask), 0) / PIN_NODES, all: table.filter((mask) => mask === 63).length / PIN_NODES };
  };
  it('a wider spread lowers the mean felled', () => {
    for (const ball of ['sock-ball', 'playground-ball'] as const) {
      const [packed, spread, wide] = [0.12, 0.25, 0.4].map((gap) => felled(ball, 'small-bottle', gap).mean);
      expect(packed).toBeGreaterThan(spread!);
      expect(spread).toBeGreaterThan(wide!);
    }
  });
  it('a light empty bottle can be felled by a sock ball, one with water in it stands', () => {
    expect(felled('sock-ball', 'small-bottle', 0.16).mean).toBeGreaterThan(0.5);
    expect(felled('sock-ball', 'weighted-bottle', 0.16).mean).toBe(0);
  });
  it('a heavier ball fells more, and what has fallen cannot fall again', () => {
    expect(felled('playground-ball', 'small-bottle', 0.16).mean).toBeGreaterThan(felled('sock-ball', 'small-bottle', 0.16).mean + 0.5);
    const table = fallTable(
      triangle(0.2, 'tube'),
      { xM: 2, yM: 1.6 },
      { technique: 'roll', thrower: { ageYears: 8 }, ball: IMPLEMENTS['tennis-ball'], surface: 'hard' },
    );
    for (const standing of [1, 6, 42, 63]) for (const mask of table(standing)) expect(mask & ~standing).toBe(0);
    expect(Math.max(...table(0))).toBe(0);
  });
  it('every pin has a mass and a balance', () => {
    for (const thing of Object.values(AIMED)) if (thing.pin) expect(thing.balance, thing.id).toBeGreaterThan(0);
  });
});
