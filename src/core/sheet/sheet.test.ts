import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distancesOf, placedMarks } from '../course/geometry';
import { setOut } from '../course/set-out';
import { sensibleStart } from '../course/sensible-start';
import { SHEET_PACE, stepPace, toParts, TOWEL_PACE } from '../measure/lengths';
import { AIMED, AIMED_IDS, IMPLEMENTS } from '../objects/catalogue';
import { resolveLevel } from '../rules/format/level';
import type { Game } from '../rules/format/game';
import { starters } from '@/server/starters';
import { starter } from '../../../tests/examples/starters';
import { exerciseIn } from './exercise-words';
import { EXERCISES } from './exercises';
import { jointsOf, MOVEMENTS } from './movements';
import { cautionsFor, pacedGame, setUpFor } from './set-up';
import { isHanded, lookForsOf, SKILLS, skillsOf, teachingPoints } from './teaching-points';
import { WARM_UPS } from './warm-ups';

const STEP_M = 0.52;
const start = (target: Parameters<typeof sensibleStart>[0]['target'] = 'box') =>
  resolveLevel(sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target, ageYears: 8 }), 0);
const every = starters().flatMap(({ id, game }) => game.levels.map((_, index) => [id, resolveLevel(game, index)] as const));

describe('a length in paces', () => {
  it('is the nearest half step, at least one', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 14, noNaN: true }), fc.double({ min: 0.25, max: 0.9, noNaN: true }), (lengthM, stepM) => {
        const parts = toParts(lengthM, stepPace(stepM));
        expect(parts.parts).toBe(Math.max(1, Math.round((2 * lengthM) / stepM)));
        expect(parts.lengthM).toBeCloseTo((parts.parts * stepM) / 2, 9);
      }),
    );
  });

  it('is told in words: half steps, sheets of A4, quarters of a towel', () => {
    expect(toParts(1.82, stepPace(0.52)).words).toBe('3½ steps');
    expect(toParts(0.52, stepPace(0.52)).words).toBe('1 step');
    expect(toParts(0.2, stepPace(0.52)).words).toBe('½ step');
    // ISO 216: A4 is 297 mm long.
    expect(toParts(0.297 * 5, SHEET_PACE).words).toBe('5 sheets of paper');
    expect(toParts(1.3 * 1.75, TOWEL_PACE).words).toBe('1¾ towels');
    expect(toParts(0.1, TOWEL_PACE).words).toBe('¼ towel');
  });

  it('is never off by more than half of the smallest part, and never nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 14, noNaN: true }), fc.constantFrom(stepPace(0.5), SHEET_PACE, TOWEL_PACE), (lengthM, pace) => {
        const { parts, lengthM: paced } = toParts(lengthM, pace);
        expect(parts).toBeGreaterThanOrEqual(1);
        if (parts > 1) expect(Math.abs(paced - lengthM)).toBeLessThanOrEqual(pace.lengthM / pace.parts / 2 + 1e-9);
      }),
    );
  });
});

describe('what a family is told to set out', () => {
  it('names the thing, the steps to each mark and what marks it', () => {
    const { directions, things, places } = setUpFor(start(), STEP_M);
    expect(directions[0]).toBe('Put the cardboard box on the floor with clear space all round.');
    // A fan: each mark is farther to one side than the one before it.
    expect(directions.slice(1)).toEqual([
      ...places.map(({ name, steps }, at) => `Walk ${steps} away from it${at > 0 ? ', more to the right' : ''}. Put a sock there: the ${name} mark.`),
      'Left and right are meant as you stand there and look at it.',
    ]);
    expect(things.map((thing) => thing.name)).toEqual(['1 sock ball', '1 cardboard box', '3 socks']);
  });

  it('tells marks at one distance as one, apart by their sides; of several things alike it is the nearest', () => {
    const told = (id: string) => setUpFor(resolveLevel(starter(id), 1), 0.55).directions;
    expect(told('drop-anchor')[1]).toBe('Walk 4½ steps away from it, 3 ways. Put a sock at the end of each: left berth, middle berth, right berth.');
    expect(told('clear-the-jetty')[1]).toMatch(/away from the nearest small plastic bottle\. /);
    // Two groups of marks are told apart by their names.
    const burn = told('up-the-burn').join(' ');
    for (const name of ['pool 1', 'pool 5', 'bank 1', 'bank 4']) expect(burn).toContain(name);
    expect(burn).toMatch(/, 4 ways\. .*: bank 1, bank 2 \(more to the /);
  });

  it('is measured instead of walked where it is not the child that paces', () => {
    const { directions } = setUpFor(start(), SHEET_PACE);
    expect(directions[1]).toMatch(/^Measure \d+½? sheets of paper away from it\./);
  });

  it('puts every mark of every starter on its own line, where the paces put it', () => {
    for (const [id, level] of every) {
      const { places } = setUpFor(level, STEP_M);
      const paced = placedMarks(pacedGame(level, STEP_M));
      placedMarks(level).forEach((mark, index) => {
        if (!mark.towards || mark.lengthM === 0) return;
        const there = paced[index]!;
        // A mark on a route looks towards the next place, which was moved as well.
        const length = Math.hypot(there.spot.xM - mark.towards.xM, there.spot.yM - mark.towards.yM);
        expect(length, `${id} ${mark.group} ${index}`).toBeCloseTo(places[index]!.lengthM, 6);
        const before = Math.atan2(mark.spot.yM - mark.towards.yM, mark.spot.xM - mark.towards.xM);
        const after = Math.atan2(there.spot.yM - mark.towards.yM, there.spot.xM - mark.towards.xM);
        expect(Math.abs(Math.sin(before - after)), `${id} ${mark.group} ${index}`).toBeLessThan(1e-6);
      });
    }
  });

  it('a level set out with its own lengths stays as it is; with another thing only the thing changes', () => {
    for (const target of ['box', 'bucket', 'bottle'] as const) {
      const level = start(target);
      expect(setOut(level, null, distancesOf(level))).toEqual(level);
      const other = setOut(level, 'laundry-basket', distancesOf(level));
      expect(distancesOf(other)).toEqual(distancesOf(level));
      expect(
        Object.values(other.course.targets)
          .flat()
          .map((one) => one.object),
      ).toEqual(['laundry-basket']);
    }
  });
});

describe('cautions', () => {
  it('go with every starter at every level: an adult first, the school and the guidance last', () => {
    for (const [id, level] of every) {
      const cautions = cautionsFor(level);
      expect(cautions[0], id).toBe('An adult agrees to the place and the things first.');
      expect(cautions.at(-1), id).toContain("Follow your school's and your national guidance");
      expect(
        cautions.some((caution) => /Clear the floor/.test(caution)),
        id,
      ).toBe(true);
      expect(
        cautions.some((caution) => /Stop if it hurts/.test(caution)),
        id,
      ).toBe(true);
      expect(new Set(cautions).size, id).toBe(cautions.length);
    }
  });

  it('of things with a danger of their own are told whenever the thing is there', () => {
    for (const object of AIMED_IDS.filter((one) => AIMED[one].caution !== undefined)) {
      const level = start();
      const there: Game = { ...level, course: { ...level.course, targets: { aim: [{ ...level.course.targets['aim']![0]!, object }] } } };
      expect(cautionsFor(there)).toContain(AIMED[object].caution);
    }
  });

  it('of the ball are told as well, and what the teacher adds comes before the last ones', () => {
    const level = start();
    const hard: Game = { ...level, kit: { ...level.kit, implement: 'tennis-ball' }, teaching: { cautions: ['Mind the dog.'] } };
    expect(cautionsFor(hard)).toContain(IMPLEMENTS['tennis-ball'].caution);
    expect(cautionsFor(hard)).toContain('Mind the dog.');
  });
});

describe('teaching points', () => {
  it('tell every skill for both sides, mirrored: what is right for one is left for the other', () => {
    const level = start();
    const swap = (words: string) => words.replace(/right|left/g, (side) => (side === 'right' ? 'left' : 'right'));
    for (const skill of SKILLS) {
      const right = teachingPoints(level, skill, 'right');
      const left = teachingPoints(level, skill, 'left');
      expect(right.length, skill).toBeGreaterThanOrEqual(2);
      expect(left.map((point) => point.point)).toEqual(right.map((point) => swap(point.point)));
      right.forEach((point, index) => {
        if (point.frontFoot === 'right' || point.frontFoot === 'left') expect(left[index]!.frontFoot).not.toBe(point.frontFoot);
      });
      for (const point of right) expect(point.point + point.fault + point.look).not.toMatch(/same side|[{}]/);
    }
  });

  it('put the opposite foot in front in a throw, a roll and a kick (common practice, no published source)', () => {
    const level = start();
    for (const skill of ['underarm', 'overarm', 'roll'] as const)
      expect(teachingPoints(level, skill, 'right').find((point) => point.frontFoot !== null)?.frontFoot, skill).toBe('left');
  });

  it('give at most four things to look for, each once', () => {
    for (const [id, level] of every) {
      const looks = lookForsOf(level);
      expect(looks.length, id).toBeLessThanOrEqual(4);
      expect(new Set(looks).size, id).toBe(looks.length);
    }
  });

  it('speak of hands where a hand is used', () => {
    const level = start();
    expect(skillsOf(level)).toEqual(['underarm']);
    expect(isHanded(level, 'underarm')).toBe(true);
    expect(isHanded(level, 'move')).toBe(false);
  });
});

describe('drawn figures', () => {
  it('stand on the floor: the lower foot of every pose of every movement and exercise is at 0', () => {
    for (const frames of [...Object.values(MOVEMENTS), ...Object.values(EXERCISES)])
      for (const frame of frames) {
        const joints = jointsOf(frame);
        expect(Math.min(joints.foot[1], joints.otherFoot[1])).toBeCloseTo(0, 9);
        expect(joints.head[1]).toBeGreaterThan(0);
      }
  });

  it('show every move of our warm-ups, and most of the exercises of the starters', () => {
    for (const { name, words } of WARM_UPS) {
      const moves = words
        .slice(words.indexOf(':') + 1)
        .split(/[,.]/)
        .filter((move) => move.trim() !== '');
      expect(
        moves.filter((move) => exerciseIn(move) === undefined),
        name,
      ).toEqual([]);
    }
    const exercises = every
      .flatMap(([, level]) => level.parts.flatMap((part) => Object.values(part.gates)))
      .filter((gate) => gate.kind === 'exercise');
    expect(exercises.length).toBeGreaterThan(0);
    expect(exercises.filter((gate) => exerciseIn(gate.what) !== undefined).length / exercises.length).toBeGreaterThanOrEqual(0.8);
  });

  it('are found by the words that a teacher writes, and not where none is meant', () => {
    expect(exerciseIn('tap your heels')).toBe('heels');
    expect(exerciseIn('10 star jumps')).toBe('jump');
    expect(exerciseIn('March on the spot')).toBe('march');
    expect(exerciseIn('read a poem')).toBeUndefined();
  });
});
