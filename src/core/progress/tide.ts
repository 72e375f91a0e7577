/** How the reports of a week come in, day by day, and what is usual for a class by that day. */

/** Children who had reported by the end of each day since the week was sent, the day of sending first; `firstDays` of each child who reported. */
export function byDay(firstDays: readonly number[], days: number): readonly number[] {
  return Array.from({ length: Math.max(1, days) }, (_, day) => firstDays.filter((first) => first <= day).length);
}

export interface EarlierWeek {
  /** Of each child who reported, how many days after it was sent; before its end. */
  readonly firstDays: readonly number[];
  readonly sentTo: number;
}

/** Fewer earlier weeks make no custom. Assumed. */
const FEW_WEEKS = 2;

/** The share of a class, 0 to 1, that has usually reported by the end of each day: the median of its earlier weeks. Null for too few of them. */
export function usualByDay(earlier: readonly EarlierWeek[], days: number): readonly number[] | null {
  const weeks = earlier.filter(({ sentTo }) => sentTo > 0);
  if (weeks.length < FEW_WEEKS) return null;
  return Array.from({ length: Math.max(1, days) }, (_, day) =>
    median(weeks.map(({ firstDays, sentTo }) => firstDays.filter((first) => first <= day).length / sentTo)),
  );
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
