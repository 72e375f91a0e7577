/**
 * What par would be for a class that is wilder or steadier as a whole, from the plays of the nine children of the forecast: each child's plays
 * count as often as such a child is met in that class (the ratio of two normal densities of ln skill), and the median is read again.
 */

/** Scores of each child, smallest first. */
export type ScoresByChild = readonly Float64Array[];

/** How many of a sorted list are not above a value. */
function notAbove(sorted: Float64Array, value: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! <= value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * Median score of a class whose children lie `shiftSd` standard deviations wilder than those that played. `all` are the same scores together,
 * smallest first; `deviations` says how many standard deviations each child is wilder than the middle of its own class.
 */
export function parOfShifted(all: Float64Array, byChild: ScoresByChild, deviations: readonly number[], shiftSd: number): number {
  const weights = deviations.map((z, child) => (byChild[child]!.length === 0 ? 0 : Math.exp(z * shiftSd - (shiftSd * shiftSd) / 2)));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  let low = 0;
  let high = all.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    const below = byChild.reduce(
      (sum, scores, child) => (weights[child] === 0 ? sum : sum + (weights[child]! * notAbove(scores, all[middle]!)) / scores.length),
      0,
    );
    if (below > total / 2) high = middle;
    else low = middle + 1;
  }
  return all[low] ?? 0;
}
