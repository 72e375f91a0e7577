/**
 * What a child should try next at a game, and why: evidence first. A level is right while the child's chance may well lie between a third and
 * two thirds.
 *
 * The order in which the cases win: too few tries (the same again), seldom hit (the level before, or nearer at the first), often hit but felt
 * to be hard (the same again), often hit (the next level, or farther at the last), else the same again.
 */
import type { Report } from '../reports/report';
import { inTenWords, wilson, Z_80 } from './wilson';

export type NextKind = 'more' | 'easier-level' | 'nearer' | 'same' | 'harder-level' | 'farther';

export interface NextAsk {
  /** Tries and hits at the level that was played last, with the child's own set-up. */
  readonly tries: number;
  readonly hits: number;
  /** Nearest and farthest mark, metres. */
  readonly fromM: readonly [number, number];
  readonly level: string;
  /** How it felt the last time. */
  readonly felt: Report['felt'] | null;
  readonly before: NextLevel | null;
  readonly after: NextLevel | null;
}

export interface NextLevel {
  readonly name: string;
  /** The chance of a hit there, by the child's own fitted skill, with its 80% interval; null where it is not forecast. */
  readonly chance: { readonly chance: number; readonly low: number; readonly high: number } | null;
}

export interface Next {
  readonly kind: NextKind;
  /** "9 of 20 at Wade, from 1.5 to 2.5 m: a chance of 3 to 6 in 10." */
  readonly evidence: string;
  readonly advice: string;
}

/** Fewer tries say too little. Assumed. */
const FEW_TRIES = 8;
/** A level is too hard when the chance is surely below, too easy when it is surely above. Assumed: a third and two thirds. */
const HARD_BELOW = 1 / 3;
const EASY_ABOVE = 2 / 3;

export function whatNext(ask: NextAsk): Next {
  const { tries, hits, level, before, after, felt } = ask;
  const { low, high } = wilson(hits, tries, Z_80);
  const found = (kind: NextKind, advice: string): Next => ({ kind, evidence: evidenceWords(ask, low, high), advice });
  if (tries < FEW_TRIES) return found('more', `${level} again: ${tries === 1 ? 'one try says' : `${tries} tries say`} too little.`);
  if (high < HARD_BELOW)
    return before
      ? found('easier-level', `${before.name}${chanceWords(before)}: it succeeds too seldom at ${level}.`)
      : found('nearer', `${level} from nearer, nothing else changed: it succeeds too seldom.`);
  if (low > EASY_ABOVE && felt === 'hard') return found('same', `${level} again: it mostly succeeds, but felt hard the last time.`);
  if (low > EASY_ABOVE)
    return after
      ? found('harder-level', `${after.name}${chanceWords(after)}: ${level} has become easy.`)
      : found('farther', `${level} from farther away, nothing else changed: it has become easy.`);
  return found('same', `${level} again: it is neither too easy nor too hard.`);
}

/** "2.5 m", "1.5 to 2.5 m" */
export const fromWords = ([near, far]: NextAsk['fromM']): string =>
  far - near < 0.05 ? `${far.toFixed(1)} m` : `${near.toFixed(1)} to ${far.toFixed(1)} m`;

function evidenceWords({ hits, tries, level, fromM }: NextAsk, low: number, high: number): string {
  return `${hits} of ${tries} at ${level}, from ${fromWords(fromM)}: a chance of about ${inTenWords(low, high)} in 10.`;
}

function chanceWords({ chance }: NextLevel): string {
  return chance ? `, where about ${inTenWords(chance.low, chance.high)} in 10 is likely` : '';
}
