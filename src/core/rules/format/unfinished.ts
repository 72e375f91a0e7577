/** What a go counts that ends before its end, and the most that one bad hole may cost. */
import { allRows } from './rows';
import type { FinishReason, Measure, Part } from './game';

export type Unfinished = NonNullable<Part['unfinished']>;

/** What ends a go, or a part of it, before its end. */
export const CUT_SHORT: ReadonlySet<FinishReason> = new Set(['stopped', 'given-up']);

/** Balls carry bonuses on to the next. */
export const carries = (part: Part): boolean => allRows(part).some((row) => row.do.some((effect) => effect.do === 'carry'));
const isLength = (part: Part): boolean => part.stages.some((task) => task.see === 'length');

/**
 * What the rules say of a go that is stopped before its end, or where they say nothing: strokes, a time, frames and "first to so many" are not
 * finished and have no score; hits, taps, words, the farthest and the nearest count so far.
 */
export function unfinishedRule(part: Part): Unfinished {
  if (part.measure.of === 'clock' || part.measure.of === 'done') return 'not-finished';
  if (part.unfinished) return part.unfinished;
  if (typeof part.measure.of === 'string') return 'as-it-stands';
  const strokes = part.measure.better === 'low' && !isLength(part);
  const race = part.clock.kind !== 'down' && part.stop.some((stop) => stop.why === 'target-score');
  return strokes || race || carries(part) ? 'not-finished' : 'as-it-stands';
}

/** The most that a hole may cost, penalties included: a cap on what is counted as less is better. Undefined where there is none. */
export function capOf({ measure, stop }: { readonly measure: Measure; readonly stop: Part['stop'] }): number | undefined {
  const { of, better } = measure;
  if (typeof of === 'string' || better !== 'low') return undefined;
  for (const { why, if: conds } of stop) {
    const [[operand, op, value] = [], ...more] = conds;
    if (why === 'cap' && more.length === 0 && op === '>=' && operand?.startsWith('n.') && operand.slice(2) in of.sum) return Number(value);
  }
  return undefined;
}
