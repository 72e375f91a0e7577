import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compile } from '../rules/playing/compile';
import { readGame } from '../rules/format/read-game';
import { plainText, sentencesOf } from '../rules/telling/sentences';
import {
  emptyPlan,
  gameFromPlan,
  INVENT_BALLS,
  INVENT_FLOOR,
  INVENT_OBSTACLES,
  INVENT_TARGETS,
  MOST_MARKS,
  MOST_OBSTACLES,
  planGaps,
  type InventedPlan,
} from './plan';
import { planSchema } from './plan-schema';

const spot = {
  xM: fc.double({ min: 0.15, max: INVENT_FLOOR.widthM - 0.15, noNaN: true }),
  yM: fc.double({ min: 0.15, max: INVENT_FLOOR.depthM - 0.15, noNaN: true }),
};
const plans: fc.Arbitrary<InventedPlan> = fc.record({
  title: fc.constantFrom('Puddle Post', 'A', 'Ö & <b>'),
  technique: fc.constantFrom('underarm' as const, 'overarm' as const),
  ball: fc.constantFrom(...INVENT_BALLS),
  target: fc.record({ ...spot, object: fc.constantFrom(...INVENT_TARGETS) }),
  marks: fc.array(fc.record({ ...spot, points: fc.integer({ min: 1, max: 20 }) }), { minLength: 1, maxLength: MOST_MARKS }),
  obstacles: fc.array(fc.record({ ...spot, object: fc.constantFrom(...INVENT_OBSTACLES) }), { maxLength: MOST_OBSTACLES }),
  stop: fc.oneof(
    fc.record({ kind: fc.constant('seconds' as const), s: fc.integer({ min: 20, max: 180 }) }),
    fc.record({ kind: fc.constant('attempts' as const), n: fc.integer({ min: 3, max: 30 }) }),
  ),
  afterMiss: fc.constantFrom('again' as const, 'exercise' as const),
});

describe('a game that a child made', () => {
  it('is a whole game, whatever was put down: admitted, played by the engine, told in sentences', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        expect(planSchema.validate(plan, { convert: false }).error).toBeUndefined();
        const game = gameFromPlan(plan);
        const read = readGame(game);
        expect(read.ok ? [] : read.problems).toEqual([]);
        expect(compile(game).ok).toBe(true);
        expect(sentencesOf(game, 'child').map(plainText).join(' ')).not.toBe('');
      }),
      { numRuns: 150 },
    );
  });

  it('gives the points of each mark, from the nearest to the farthest', () => {
    const game = gameFromPlan({
      ...emptyPlan,
      title: 'Puddle Post',
      marks: [
        { xM: 0.5, yM: 1.5, points: 5 },
        { xM: 2.2, yM: 1.5, points: 2 },
      ],
    });
    expect(game.parts[0]!.groups['mark']!.value).toEqual([2, 5]);
    expect(game.course.places['mark']!.map((mark) => mark.xM)).toEqual([2.2, 0.5]);
  });

  it('says what is missing: a name, a mark, room between mark and target', () => {
    expect(planGaps(emptyPlan)).toEqual(['Give it a name.']);
    expect(planGaps({ ...emptyPlan, title: 'x', marks: [] })).toEqual(['Put down a mark to throw from.']);
    expect(planGaps({ ...emptyPlan, title: 'x', marks: [{ xM: 3, yM: 1.5, points: 1 }] })).toEqual(['A mark is too near the target: move it back.']);
  });

  it('is refused with things that are not on the list, too many of them, or off the floor', () => {
    const wrong = [
      { ...emptyPlan, title: 'x', target: { ...emptyPlan.target, object: 'wall' } },
      { ...emptyPlan, title: 'x', marks: Array.from({ length: MOST_MARKS + 1 }, () => emptyPlan.marks[0]) },
      { ...emptyPlan, title: 'x', marks: [{ xM: 40, yM: 1, points: 1 }] },
      { ...emptyPlan, title: '' },
    ];
    for (const plan of wrong) expect(planSchema.validate(plan, { convert: false }).error).toBeDefined();
  });
});
