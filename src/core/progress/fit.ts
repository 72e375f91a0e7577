/**
 * How steady a class and its children are, from hits and attempts: maximum likelihood with a prior, on a grid. Skill is the spread of a
 * child's errors as a multiple of the age's; its logarithm has a normal prior. The class is fitted first, then each child is drawn to it.
 */
import { SKILL_SPREAD_LN } from '../motion/assumed';

/** Attempts of one child at one set-up. */
export interface ObservedHits {
  readonly child: string;
  readonly attempts: number;
  readonly hits: number;
  /** Chance of a hit of a child whose spread is `skill` times the age's. */
  readonly chance: (skill: number) => number;
}

/** A total of one child at one set-up, where nobody knows the misses. */
export interface ObservedTotal {
  readonly child: string;
  /** About so many attempts go into it. */
  readonly attempts: number;
  /** Chance of just this total of a child whose spread is `skill` times the age's. */
  readonly likelihood: (skill: number) => number;
}

export type Observed = ObservedHits | ObservedTotal;

export interface Fitted {
  readonly skill: number;
  /** 80% interval. */
  readonly low: number;
  readonly high: number;
  readonly attempts: number;
}

export interface FittedClass {
  readonly group: Fitted;
  readonly children: ReadonlyMap<string, Fitted>;
}

/** A class with fewer attempts is not calibrated: its forecast stays that of its age, and nothing is called rare. Assumed. */
export const CALIBRATED_FROM = 36;

/** How far the mean of a class may lie from what is assumed for its age. Assumed. */
const CLASS_SPREAD_LN = 0.25;
/** Nothing is taken for less likely than this: one odd report must not outweigh all others. Assumed. */
const LEAST = 0.0001;
const GRID = 121;
const REACH_LN = 1.2;
const GRID_LN = Array.from({ length: GRID }, (_, node) => REACH_LN * ((2 * node) / (GRID - 1) - 1));

/** Log likelihood of one child's observations at each node of the grid. */
function likelihood(observed: readonly Observed[]): Float64Array {
  const logs = new Float64Array(GRID);
  for (const one of observed) {
    for (let node = 0; node < GRID; node += 1) {
      const skill = Math.exp(GRID_LN[node]!);
      if ('likelihood' in one) logs[node]! += Math.log(Math.max(LEAST, one.likelihood(skill)));
      else {
        const p = Math.min(1 - LEAST, Math.max(LEAST, one.chance(skill)));
        logs[node]! += one.hits * Math.log(p) + (one.attempts - one.hits) * Math.log(1 - p);
      }
    }
  }
  return logs;
}

const normalLog = (x: number, mean: number, sd: number) => -0.5 * ((x - mean) / sd) ** 2;

/** Mean and the middle 80% of a density over the grid, given by its logarithms. */
function summed(logs: Float64Array, attempts: number): Fitted {
  const top = Math.max(...logs);
  const weights = Array.from(logs, (one) => Math.exp(one - top));
  const total = weights.reduce((sum, one) => sum + one, 0);
  let mean = 0;
  let running = 0;
  let low = GRID_LN[0]!;
  let high = GRID_LN.at(-1)!;
  let lowFound = false;
  let highFound = false;
  weights.forEach((weight, node) => {
    mean += (weight / total) * GRID_LN[node]!;
    const before = running;
    running += weight / total;
    // Between two nodes the share is read on a straight line.
    const at = (share: number) => GRID_LN[node]! + ((share - before) / Math.max(1e-12, running - before) - 0.5) * (GRID_LN[1]! - GRID_LN[0]!);
    if (!lowFound && running >= 0.1) {
      low = at(0.1);
      lowFound = true;
    }
    if (!highFound && running >= 0.9) {
      high = at(0.9);
      highFound = true;
    }
  });
  return { skill: Math.exp(mean), low: Math.exp(low), high: Math.exp(high), attempts };
}

/** Fits the class, then each child of it. Without attempts the prior is given back. */
export function fitClass(observed: readonly Observed[]): FittedClass {
  const byChild = new Map<string, Observed[]>();
  for (const one of observed) byChild.set(one.child, [...(byChild.get(one.child) ?? []), one]);
  const likelihoods = new Map([...byChild].map(([child, list]) => [child, likelihood(list)]));
  // The chance of each child's attempts under every mean of the class: the child's own skill summed over.
  const group = new Float64Array(GRID);
  for (let mean = 0; mean < GRID; mean += 1) {
    group[mean] = normalLog(GRID_LN[mean]!, 0, CLASS_SPREAD_LN);
    for (const logs of likelihoods.values()) {
      let top = -Infinity;
      for (let node = 0; node < GRID; node += 1) top = Math.max(top, logs[node]! + normalLog(GRID_LN[node]!, GRID_LN[mean]!, SKILL_SPREAD_LN));
      let sum = 0;
      for (let node = 0; node < GRID; node += 1) sum += Math.exp(logs[node]! + normalLog(GRID_LN[node]!, GRID_LN[mean]!, SKILL_SPREAD_LN) - top);
      group[mean]! += top + Math.log(sum);
    }
  }
  const attempts = (list: readonly Observed[]) => list.reduce((sum, one) => sum + one.attempts, 0);
  const fitted = summed(group, attempts(observed));
  const children = new Map(
    [...likelihoods].map(([child, logs]) => {
      const own = logs.map((one, node) => one + normalLog(GRID_LN[node]!, Math.log(fitted.skill), SKILL_SPREAD_LN));
      return [child, summed(own, attempts(byChild.get(child)!))] as const;
    }),
  );
  return { group: fitted, children };
}
