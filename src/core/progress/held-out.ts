/**
 * The fit held against weeks that it had not seen: each of the last weeks is forecast, child by child, from the weeks before it, and what was then
 * reported is scored: by the mean log score of a try, and by the Brier score. What is used for a class is what did better there.
 */
import { SKILL_SPREAD_LN } from '../motion/assumed';
import { bentChance } from '../motion/bend';
import { forFamily } from './by-family';
import { fitBend, type ToldTries } from './fit-bend';
import { fitClass, inWeek, withFactors, type Fitted, type FittedClass, type Observed, type ObservedHits } from './fit';

import { Z_80 } from './wilson';

/** Three nodes and weights of Gauss and Hermite for a standard normal (±√3, 0). */
const NODES = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const;
/** So many of the last weeks are held out, one after the other. */
const HELD_WEEKS = 4;
/** Fewer tries than this in the weeks held out say nothing of a bend. Assumed. */
const FROM_TRIES = 100;
/** A bend must be worth more than this, in log score over all tries held out, before it is used: else chance would choose. Assumed. */
const WORTH = 0.8;
const BEND_ROUNDS = 3;
const SURE = 1e-4;

export const isHits = (one: Observed): one is ObservedHits => !('likelihood' in one);

export interface Scores {
  /** Mean natural log of the chance that was given to what happened, and mean square of what it was off, of one try. */
  readonly log: number;
  readonly brier: number;
}

/** One set-up of one child in a week that was held out. */
interface HeldTries {
  readonly observed: ObservedHits;
  /** Chance that was forecast for the child by the weeks before. */
  readonly fit: number;
  /** Without any report: that of the age. */
  readonly age: number;
}

export interface HeldOut {
  readonly tries: number;
  readonly fit: Scores;
  readonly age: Scores;
}

/** The chance for one child, over what its skill may be. */
export function chanceFor(observed: ObservedHits, fitted: Fitted): number {
  const { skill, low, high } = forFamily(fitted, observed.family ?? 'throw');
  const sd = Math.log(high / low) / 2 / Z_80;
  const chance = NODES.reduce((sum, [z, weight]) => sum + weight * observed.chance(skill * Math.exp(z * sd)), 0);
  return fitted.bend ? bentChance(chance, fitted.bend) : chance;
}

/** A child of whom nothing is known: somebody of the class. */
function anyOf(fitted: Fitted): Fitted {
  const half = Z_80 * SKILL_SPREAD_LN;
  return withFactors(fitted, (one) => ({ ...one, low: one.skill * Math.exp(-half), high: one.skill * Math.exp(half) }));
}

const OF_AGE: Fitted = { skill: 1, low: 1, high: 1, attempts: 0 };

function scoresOf(held: readonly HeldTries[], of: (one: HeldTries) => number): Scores {
  let [log, brier, tries] = [0, 0, 0];
  for (const one of held) {
    const p = Math.min(1 - SURE, Math.max(SURE, of(one)));
    const { hits, attempts } = one.observed;
    log += hits * Math.log(p) + (attempts - hits) * Math.log(1 - p);
    brier += hits * (1 - p) ** 2 + (attempts - hits) * p ** 2;
    tries += attempts;
  }
  return { log: log / Math.max(1, tries), brier: brier / Math.max(1, tries) };
}

/** The fit with the bend that goes with it, each found with the other. */
function fitBent(observed: readonly Observed[], plain = fitClass(observed)): FittedClass {
  let fitted = plain;
  for (let round = 0; round < BEND_ROUNDS; round += 1) {
    const told = observed.filter(isHits).map((one): ToldTries => {
      const { bend: _bend, ...plain } = inPast(fitted.children.get(one.child)!, one.week);
      return { chance: chanceFor(one, plain), hits: one.hits, misses: one.attempts - one.hits };
    });
    fitted = fitClass(observed, fitBend(told));
  }
  return fitted;
}

/** The fit as it was in an earlier week: the trend taken back. */
export function inPast(fitted: Fitted, week: number | undefined): Fitted {
  const { trend } = fitted;
  if (!trend || week === undefined || week >= trend.week) return fitted;
  const back = Math.exp((week - trend.week) * trend.aWeek);
  return withFactors(fitted, (one) => ({ ...one, skill: one.skill * back, low: one.low * back, high: one.high * back }));
}

/** Forecasts of the last weeks, each from the weeks before it; null where all reports are of one week. */
function heldOut(observed: readonly Observed[], fit: (before: readonly Observed[]) => FittedClass = fitClass): HeldOut | null {
  const weeks = [...new Set(observed.map(({ week = 0 }) => week))].sort((a, b) => a - b).slice(1);
  if (weeks.length === 0) return null;
  const held = weeks.slice(-HELD_WEEKS).flatMap((week) => {
    const { group, children } = fit(observed.filter((one) => (one.week ?? 0) < week));
    return observed.filter(isHits).flatMap((one): HeldTries[] => {
      if ((one.week ?? 0) !== week) return [];
      const child = children.get(one.child) ?? anyOf(group);
      return [{ observed: one, fit: chanceFor(one, inWeek(child, week)), age: chanceFor(one, anyOf(OF_AGE)) }];
    });
  });
  const tries = held.reduce((sum, one) => sum + one.observed.attempts, 0);
  return tries === 0 ? null : { tries, fit: scoresOf(held, (one) => one.fit), age: scoresOf(held, (one) => one.age) };
}

export interface ChosenFit extends FittedClass {
  readonly heldOut: HeldOut | null;
  /** The same without a bend. */
  readonly plain: FittedClass;
}

/** The fit of a class, bent where weeks that it had not seen were forecast better so. */
export function chosenFit(observed: readonly Observed[]): ChosenFit {
  const plain = fitClass(observed);
  const seen = heldOut(observed);
  if (!seen || seen.tries < FROM_TRIES) return { ...plain, heldOut: seen, plain };
  const bent = heldOut(observed, (before) => fitBent(before));
  const better = bent && (bent.fit.log - seen.fit.log) * seen.tries > WORTH;
  return better ? { ...fitBent(observed, plain), heldOut: bent, plain } : { ...plain, heldOut: seen, plain };
}
