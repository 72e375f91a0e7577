/** Was a level too easy or too hard for a class? By how many children reached par, which half of them are to reach. */
import { wilson, Z_80 } from './wilson';

export type LevelFit = 'too-easy' | 'right' | 'too-hard' | 'too-few';

export interface AgainstPar {
  /** Of one go: a child's first. */
  readonly score: number;
  readonly par: number;
}

export interface JudgedFit {
  readonly fit: LevelFit;
  readonly reached: number;
  readonly of: number;
  /** The middle 80% for the share of such a class that reaches par (Wilson). */
  readonly low: number;
  readonly high: number;
}

/** Fewer children say nothing of a class. Assumed. */
const FEW = 6;
/** As long as the share may well lie between these, the level is as it should be. Assumed. */
const EASY_ABOVE = 0.6;
const HARD_BELOW = 0.4;
export function levelFit(children: readonly AgainstPar[], better: 'high' | 'low'): JudgedFit {
  const reached = children.filter(({ score, par }) => (better === 'high' ? score >= par : score <= par)).length;
  const of = children.length;
  const { low, high } = wilson(reached, of, Z_80);
  const fit = of < FEW ? 'too-few' : low > EASY_ABOVE ? 'too-easy' : high < HARD_BELOW ? 'too-hard' : 'right';
  return { fit, reached, of, low, high };
}
