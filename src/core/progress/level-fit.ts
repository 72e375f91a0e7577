/**
 * Was a level too easy or too hard for a class? Where par is what is assumed for the age: by how many children reached it, which half of them
 * are to. Where par rests on the class's own reports it moves with the class, and about half reach it whatever the level: then by the hits.
 */
import { wilson, Z_80 } from './wilson';

export type LevelFit = 'too-easy' | 'right' | 'too-hard' | 'too-few';

export interface AgainstPar {
  /** Of one go: a child's first. */
  readonly score: number;
  readonly par: number;
}

export interface JudgedFit {
  /** Whether children who reached par are told, or tries that hit. */
  readonly by: 'par' | 'hits';
  readonly fit: LevelFit;
  readonly reached: number;
  readonly of: number;
  /** The middle 80% for the share (Wilson). */
  readonly low: number;
  readonly high: number;
}

/** "71 of 92 tries hit", "9 of 12 reached par". */
export const judgedWords = ({ by, reached, of }: Pick<JudgedFit, 'by' | 'reached' | 'of'>): string =>
  by === 'par' ? `${reached} of ${of} reached par` : `${reached} of ${of} tries hit`;

/** Fewer children say nothing of a class. Assumed. */
const FEW = 6;
/** As long as the share may well lie between these, the level is as it should be. Assumed. */
const EASY_ABOVE = 0.6;
const HARD_BELOW = 0.4;
/** Fewer tries say nothing of a level. Assumed. */
const FEW_TRIES = 40;
/** The same of the share of tries that hit: a first level may well be hit three times in four. Assumed. */
const HITS_EASY_ABOVE = 0.8;
const HITS_HARD_BELOW = 0.3;
export function levelFit(children: readonly AgainstPar[], better: 'high' | 'low'): JudgedFit {
  const reached = children.filter(({ score, par }) => (better === 'high' ? score >= par : score <= par)).length;
  const of = children.length;
  const { low, high } = wilson(reached, of, Z_80);
  const fit = of < FEW ? 'too-few' : low > EASY_ABOVE ? 'too-easy' : high < HARD_BELOW ? 'too-hard' : 'right';
  return { by: 'par', fit, reached, of, low, high };
}

/** By the tries of a whole class from the marks as they were asked. */
export function hitsFit(hits: number, tries: number): JudgedFit {
  const { low, high } = wilson(hits, tries, Z_80);
  const fit = tries < FEW_TRIES ? 'too-few' : low > HITS_EASY_ABOVE ? 'too-easy' : high < HITS_HARD_BELOW ? 'too-hard' : 'right';
  return { by: 'hits', fit, reached: hits, of: tries, low, high };
}
