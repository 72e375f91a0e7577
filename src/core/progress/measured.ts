/** What was measured with a game: sums of many children, and what those of others say beside the model. */
import { bentChance } from '../motion/bend';
import { LEAST_CHILDREN, LEAST_TRIES, type EvidenceRow } from '../rules/format/evidence-file';
import type { Tries } from './evidence';
import { fitBend } from './fit-bend';

export interface MeasuredGo {
  readonly child: string;
  readonly week: number;
  readonly level: string;
  readonly tries: readonly Tries[];
}

/** Sums by level, distance, things and age; rows of too few children or tries are not written. */
export function measuredRows(goes: readonly MeasuredGo[]): EvidenceRow[] {
  const sums = new Map<string, EvidenceRow & { readonly of: Set<string>; readonly in: Set<number> }>();
  for (const { child, week, level, tries } of goes)
    for (const { aim, distanceM, tries: n, hits } of tries) {
      // A body in another form, or the other hand, is another thing to measure.
      if (!aim || aim.form !== 'standing' || aim.otherHand) continue;
      const row = { level, distanceM: Math.round(10 * distanceM) / 10, object: aim.target, implement: aim.implement, ageYears: aim.ageYears };
      const key = JSON.stringify(row);
      const sum = sums.get(key) ?? { ...row, children: 0, tries: 0, hits: 0, weeks: 0, of: new Set<string>(), in: new Set<number>() };
      sum.of.add(child);
      sum.in.add(week);
      sums.set(key, { ...sum, tries: sum.tries + n, hits: sum.hits + hits });
    }
  return [...sums.values()]
    .map(({ of, in: weeks, ...row }) => ({ ...row, children: of.size, weeks: weeks.size }))
    .filter(({ children, tries }) => children >= LEAST_CHILDREN && tries >= LEAST_TRIES)
    .sort((a, b) => (a.level === b.level ? a.distanceM - b.distanceM || a.ageYears - b.ageYears : a.level < b.level ? -1 : 1));
}

/** What others measured weighs a third of what it would be worth here: other halls, other rules of thumb. */
const OTHERS_WEIGH = 1 / 3;

/** The model's chance with what others measured at it weighed in; `chance` is the model's for each row. */
export function withOthers(chance: number, others: readonly (Pick<EvidenceRow, 'tries' | 'hits'> & { readonly chance: number })[]): number {
  if (others.length === 0) return chance;
  const told = others.map((row) => ({ chance: row.chance, hits: OTHERS_WEIGH * row.hits, misses: OTHERS_WEIGH * (row.tries - row.hits) }));
  return bentChance(chance, fitBend(told));
}
