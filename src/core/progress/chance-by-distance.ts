/** How often something was hit from how far, and the curve of the fitted skill beside it: one for each thing that was tried. */
import { chanceOf } from '../forecast/chances';
import { movementOf } from '../motion/families';
import { toldBy } from '../motion/release';
import { forFamily } from './by-family';
import type { AimedTry, Tries } from './evidence';
import type { Fitted } from './fit';
import { wilson, Z_80 } from './wilson';

/** Tries from about one distance. */
export interface TriedFrom {
  /** Mean over the tries, metres. */
  readonly distanceM: number;
  readonly tries: number;
  readonly hits: number;
  /** The middle 80% for the chance (Wilson). */
  readonly low: number;
  readonly high: number;
}

export interface ChanceAt {
  readonly distanceM: number;
  readonly chance: number;
  /** For the ends of the 80% interval of the skill. */
  readonly low: number;
  readonly high: number;
}

export interface AimCurve {
  readonly aim: AimedTry;
  readonly tries: number;
  readonly from: readonly TriedFrom[];
  readonly curve: readonly ChanceAt[];
}

const BIN_M = 0.25;
const CURVE_STEP_M = 0.1;
const CURVE_FROM_M = 0.5;
/** The curve goes on a little past the farthest mark. */
const BEYOND_M = 0.8;

/** The chance at a distance for a fitted skill, with its interval: a steadier child hits more often. */
export function chanceWith(aim: AimedTry, distanceM: number, fitted: Fitted): ChanceAt {
  const { skill, low, high } = forFamily(fitted, movementOf(aim.technique));
  const at = (one: number) => toldBy(fitted, chanceOf({ ...aim, distanceM, skill: one }));
  return { distanceM, chance: at(skill), low: at(high), high: at(low) };
}

/** What was tried most comes first. */
export function chanceByDistance(tries: readonly Tries[], fitted: Fitted): readonly AimCurve[] {
  const byAim = new Map<string, { aim: AimedTry; tries: Tries[] }>();
  for (const one of tries) {
    if (!one.aim) continue;
    const { ageYears: _ageYears, ...like } = one.aim;
    const key = JSON.stringify(like);
    const found = byAim.get(key) ?? { aim: one.aim, tries: [] };
    found.tries.push(one);
    byAim.set(key, found);
  }
  return [...byAim.values()]
    .map(({ aim, tries: mine }): AimCurve => {
      const ages = mine.flatMap((one) => (one.aim ? [one.aim.ageYears] : [])).sort((a, b) => a - b);
      const of = { ...aim, ageYears: ages[Math.floor(ages.length / 2)]! };
      const farthest = Math.max(...mine.map((one) => one.distanceM)) + BEYOND_M;
      const steps = Math.ceil((farthest - CURVE_FROM_M) / CURVE_STEP_M);
      return {
        aim: of,
        tries: mine.reduce((sum, one) => sum + one.tries, 0),
        from: triedFrom(mine),
        curve: Array.from({ length: steps + 1 }, (_, step) => chanceWith(of, Math.round(10 * (CURVE_FROM_M + step * CURVE_STEP_M)) / 10, fitted)),
      };
    })
    .sort((a, b) => b.tries - a.tries);
}

/** Tries in bins of a quarter of a metre, the nearest first. */
function triedFrom(tries: readonly Tries[]): TriedFrom[] {
  const bins = new Map<number, { metres: number; tries: number; hits: number }>();
  for (const one of tries) {
    const bin = Math.round(one.distanceM / BIN_M);
    const found = bins.get(bin) ?? { metres: 0, tries: 0, hits: 0 };
    bins.set(bin, { metres: found.metres + one.distanceM * one.tries, tries: found.tries + one.tries, hits: found.hits + one.hits });
  }
  return [...bins]
    .sort(([a], [b]) => a - b)
    .map(([, { metres, tries: n, hits }]) => ({ distanceM: metres / n, tries: n, hits, ...wilson(hits, n, Z_80) }));
}
