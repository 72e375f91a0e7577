/**
 * A class test of five minutes in a lesson: six tries each from two marks, at a thing of the movement. What it tells stands beside the reports of
 * the class, and calibrates it before the first week is sent. The marks are those that tell most, of the spread and of the bend of its chances
 * together (D-optimal: the largest determinant of what is learned of both), for a class that is only known by its age.
 */
import { chanceOf } from '../forecast/chances';
import { SKILL_SPREAD_LN } from '../motion/assumed';
import { logit } from '../motion/bend';
import { curveOf } from './evidence';
import { CLASS_SPREAD_LN, type ObservedHits } from './fit';
import type { RolledOff } from '../motion/ground';
import { TESTED, type TestedFamily } from './tested';

/** Marks are looked for on tenths of a metre between these; where fewer or more than these shares hit, a try tells little and children lose heart. */
const [NEAREST_M, FARTHEST_M, STEP_M] = [0.8, 6, 0.1] as const;
const [LEAST, MOST] = [0.3, 0.9] as const;
/** Apart by at least so much: marks closer than that are one. */
const APART_M = 0.4;
const NODES = [-1.5, -0.75, 0, 0.75, 1.5] as const;

/** Two marks, metres, the nearer first. */
export type TestMarks = readonly [number, number];

interface Told {
  readonly distanceM: number;
  readonly p: number;
  /** What a try tells of the spread, of the bend, and of both together, in the mean over classes that may be. */
  readonly spread: number;
  readonly both: number;
  readonly bend: number;
}

const DELTA = 0.02;

function toldAt(family: TestedFamily, distanceM: number, ageYears: number): Told {
  const of = (ln: number) => chanceOf({ ...TESTED[family], distanceM, ageYears, skill: Math.exp(ln) });
  const sd = Math.hypot(CLASS_SPREAD_LN, SKILL_SPREAD_LN);
  let [spread, both, bend, total] = [0, 0, 0, 0];
  for (const z of NODES) {
    const weight = Math.exp((-z * z) / 2);
    const p = Math.min(0.999, Math.max(0.001, of(z * sd)));
    const slope = (of(z * sd + DELTA) - of(z * sd - DELTA)) / (2 * DELTA);
    const bends = p * (1 - p) * logit(p);
    spread += (weight * slope * slope) / (p * (1 - p));
    both += (weight * slope * bends) / (p * (1 - p));
    bend += (weight * bends * bends) / (p * (1 - p));
    total += weight;
  }
  return { distanceM, p: of(0), spread: spread / total, both: both / total, bend: bend / total };
}

/** The two marks that tell most of a class of this age. */
export function testMarks(family: TestedFamily, ageYears: number): TestMarks {
  const all: Told[] = [];
  for (let tenth = Math.round(NEAREST_M / STEP_M); tenth <= FARTHEST_M / STEP_M; tenth += 1) {
    const told = toldAt(family, tenth * STEP_M, ageYears);
    if (told.p >= LEAST && told.p <= MOST) all.push(told);
  }
  let best: { marks: TestMarks; told: number } = { marks: [NEAREST_M, NEAREST_M + APART_M], told: -1 };
  for (const near of all)
    for (const far of all) {
      if (far.distanceM < near.distanceM + APART_M - 1e-9) continue;
      const [spread, both, bend] = [near.spread + far.spread, near.both + far.both, near.bend + far.bend];
      const told = spread * bend - both * both;
      if (told > best.told) best = { marks: [Math.round(10 * near.distanceM) / 10, Math.round(10 * far.distanceM) / 10], told };
    }
  return best.marks;
}

/** What was seen of one child from one mark. */
export interface TestedTries {
  readonly child: string;
  readonly ageYears: number;
  readonly mark: number;
  readonly tries: number;
  readonly hits: number;
}

export interface ClassTest {
  readonly family: TestedFamily;
  readonly marksM: readonly number[];
  /** The week in which it was held, as a number that grows by one a week. */
  readonly week: number;
  /** What a ball off a book said of the floor, if anybody tried. */
  readonly rolled: RolledOff | null;
  readonly tries: readonly TestedTries[];
}

/** Evidence of a class test for the fit of its class. */
export function evidenceOfTest({ family, marksM, week, rolled, tries }: ClassTest): readonly ObservedHits[] {
  const curves = new Map<string, ReturnType<typeof curveOf>>();
  return tries
    .filter((one) => one.tries > 0 && marksM[one.mark] !== undefined)
    .map(({ child, ageYears, mark, tries: attempts, hits }) => {
      const key = `${mark} ${ageYears}`;
      const distanceM = marksM[mark]!;
      const known = curves.get(key) ?? curveOf((skill) => chanceOf({ ...TESTED[family], distanceM, ageYears, skill, ...(rolled && { rolled }) }));
      curves.set(key, known);
      return { child, family, week, attempts, hits, distanceM, ...known };
    });
}
