/** A made-up term of any size: skills, ways, things, what is lent and chances drawn from a seed. For tests, measurements and to warm the solver up. */
import { drawU32, drawUnit, PURPOSE } from '../random/draw';
import { SKILLS } from '../sheet/teaching-points';
import { WEIGHTS, type Must, type PlanOffer, type Term, type Weights } from './term';

/** Numbers that are the same each time, from a seed and a place. */
const drawn = (seed: number) => {
  let at = 0;
  return {
    unit: () => drawUnit(seed, (at += 1), 0, PURPOSE.demo),
    below: (n: number) => drawU32(seed, (at += 1), 0, PURPOSE.demo) % n,
  };
};

export interface Size {
  readonly classes: number;
  readonly weeks: number;
  readonly games: number;
  readonly levels: number;
}

/** The same for the same seed. */
export function madeUp(seed: number, { classes, weeks, games, levels }: Size, musts: readonly Must[] = [], weights: Weights = WEIGHTS): Term {
  const { unit, below } = drawn(seed);
  const offers = Array.from({ length: games }, (_, index): PlanOffer => ({
    id: `g${index}`,
    title: `Game ${index}`,
    kind: 'game',
    skills: [SKILLS[below(4)]!],
    way: ['clock', 'throws', 'frames'][below(3)]!,
    levels: Array.from({ length: levels }, (_level, level) => ({ id: `l${level}`, name: `Level ${level}` })),
    things: ['bucket', 'sock ball', 'chairs'].slice(0, below(4)),
    lends: below(3) === 0 ? { hoops: 1 + below(3) } : {},
    floorM: 2 + below(3),
  }));
  return {
    classes: Array.from({ length: classes }, (_, index) => ({ id: `c${index}`, name: `Class ${index}`, borrowers: 1 })),
    weeks: Array.from({ length: weeks }, () => ({ holiday: false })),
    offers,
    expected: Array.from({ length: classes }, () =>
      offers.map(() =>
        Array.from({ length: levels }, (_, level) => ({ chance: Math.max(0.05, 0.9 * unit() - 0.1 * level), minutes: 4 + below(10) })),
      ),
    ),
    wanted: Array.from({ length: classes }, () => Array.from({ length: weeks }, (_, week) => 0.8 - (0.4 * week) / weeks)),
    musts,
    weights,
  };
}

/** What is usually asked. */
export const USUAL: readonly Must[] = [
  { id: 'often', kind: 'often', most: 3 },
  { id: 'twice', kind: 'twice', within: 3 },
  { id: 'run', kind: 'run', most: 3 },
  { id: 'minutes', kind: 'minutes', most: 12 },
  { id: 'order', kind: 'order', first: 'underarm', then: 'set-shot' },
  { id: 'rolling', kind: 'skill-weeks', skill: 'roll', least: 0, most: 2 },
];
