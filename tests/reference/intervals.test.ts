/** The interval that stands beside a chance is that of the class mean which the chance is: by classes that are drawn here, child by child. */
import { describe, expect, it } from 'vitest';
import { chanceOf } from '@/core/forecast/chances';
import { forecastSetUp } from '@/core/forecast/forecast-level';
import { fitClass, type Observed } from '@/core/progress/fit';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../examples/starters';
import { LONG } from '../long';

const AGE = 8;
const [CHILDREN, TRIES] = [24, 6];
/** Between classes and between children of one, in ln of the spread: what the product assumes. */
const [CLASS_SD, CHILD_SD] = [0.25, 0.3];
const DISTANCES = [1.2, 1.8, 2.6, 3.6] as const;

let seed = 4_242;
const uniform = () => (seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32 + 2 ** -33;
const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());

/** The chance by ln of the spread, read from a fine grid: what is drawn is many children, what is asked of the product few. */
function chanceBySkill(distanceM: number): (skill: number) => number {
  const at = (node: number) =>
    chanceOf({ technique: 'underarm', implement: 'sock-ball', target: 'bucket', distanceM, ageYears: AGE, skill: Math.exp(-1.6 + node / 50) });
  const nodes = Array.from({ length: 161 }, (_, node) => at(node));
  return (skill) => {
    const place = Math.min(159.999, Math.max(0, 50 * (Math.log(skill) + 1.6)));
    const below = Math.floor(place);
    return nodes[below]! + (place - below) * (nodes[below + 1]! - nodes[below]!);
  };
}

/** Harbour Lamps with one mark at this distance. */
function oneMark(distanceM: number): Game {
  const game = resolveLevel(starter('harbour-lamps'), 0);
  const aim = game.course.targets['aim']![0]!;
  const [part] = game.parts;
  return {
    ...game,
    course: { ...game.course, places: { mark: [{ xM: aim.xM - distanceM, yM: aim.yM }] } },
    parts: [
      {
        ...part!,
        groups: { ...part!.groups, mark: { kind: 'place', n: 1, order: 'fixed', end: 'stay' } },
        rows: [{ if: [], validity: 'counts', do: [] }],
      },
    ],
  };
}

describe('the interval of a chance', () => {
  it('holds in about 80 of 100 classes the mean of a class that is drawn from what the product assumes, near and far', { timeout: 180_000 }, () => {
    const chances = DISTANCES.map(chanceBySkill);
    const held = DISTANCES.map(() => 0);
    const CLASSES = LONG ? 1000 : 60;
    for (let n = 0; n < CLASSES; n += 1) {
      const ofClass = CLASS_SD * normal();
      const children = Array.from({ length: CHILDREN }, () => Math.exp(ofClass + CHILD_SD * normal()));
      // Six tries each at 1.5 m, tapped.
      const tried = chanceBySkillKept(1.5);
      const observed = children.map((skill, child): Observed => ({
        child: `${child}`,
        attempts: TRIES,
        hits: Array.from({ length: TRIES }, () => uniform() < tried(skill)).filter(Boolean).length,
        chance: tried,
      }));
      const { group } = fitClass(observed);
      DISTANCES.forEach((distanceM, index) => {
        const truth = children.reduce((sum, skill) => sum + chances[index]!(skill), 0) / CHILDREN;
        const [place] = forecastSetUp(oneMark(distanceM), { ageYears: AGE, plays: 9, seed: 1, fitted: group }).places;
        expect(place!.low).toBeLessThanOrEqual(place!.chance + 0.01);
        expect(place!.high).toBeGreaterThanOrEqual(place!.chance - 0.01);
        if (place!.low <= truth && truth <= place!.high) held[index]! += 1;
      });
    }
    const shares = held.map((one) => one / CLASSES);
    if (LONG)
      process.stdout.write(`${DISTANCES.map((distanceM, index) => `${distanceM} m: ${shares[index]}`).join(', ')}
`);
    for (const [index, share] of shares.entries()) {
      expect(share, `${DISTANCES[index]} m`).toBeGreaterThanOrEqual(LONG ? 0.75 : 0.65);
      expect(share, `${DISTANCES[index]} m`).toBeLessThanOrEqual(LONG ? 0.85 : 0.93);
    }
  });
});

it('is a point where a class is surely as steady as it is', () => {
  const sure = { skill: 1.1, low: 1.1, high: 1.1, attempts: 9_999 };
  const [place] = forecastSetUp(oneMark(2), { ageYears: AGE, plays: 9, seed: 1, fitted: sure }).places;
  expect(place!.low).toBeCloseTo(place!.chance, 9);
  expect(place!.high).toBeCloseTo(place!.chance, 9);
});

const kept = new Map<number, (skill: number) => number>();
function chanceBySkillKept(distanceM: number): (skill: number) => number {
  const known = kept.get(distanceM) ?? chanceBySkill(distanceM);
  kept.set(distanceM, known);
  return known;
}
