/** What was measured with a game: sums of many children, and what those of others say beside the model. */
import { CLASS_DOUBT } from '../forecast/forecast-level';
import { LEAST_CHILDREN, LEAST_TRIES, type EvidenceRow } from '../rules/format/evidence-file';
import type { Tries } from './evidence';
import type { Fitted } from './fit';
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
/** However many they were, they weigh no more than so many tries: they are not this class. Assumed. */
const OTHERS_MOST = 300;

/** Tries of others at one distance, and the model's chance there. */
export interface OthersTries extends Pick<EvidenceRow, 'tries' | 'hits'> {
  readonly chance: number;
}

/** What stands for the fit of a class that has not reported enough: its age, with the chances of the game bent as others' tries say. Null without any. */
export function fitByOthers(others: readonly OthersTries[]): Fitted | null {
  if (others.length === 0) return null;
  const sum = (of: 'tries' | 'hits') => others.reduce((all, row) => all + row[of], 0);
  const weight = Math.min(OTHERS_WEIGH, OTHERS_MOST / Math.max(1, sum('tries')));
  const told = others.map(({ chance, hits, tries }) => ({ chance, hits: weight * hits, misses: weight * (tries - hits) }));
  return {
    skill: 1,
    low: 1 / CLASS_DOUBT,
    high: CLASS_DOUBT,
    attempts: 0,
    bend: fitBend(told),
    others: { tries: sum('tries'), hits: sum('hits') },
  };
}
