/**
 * Two numbers that bend the chances of the model for one class: logit p' = a + b · logit p. Tries with heavier tails than the model's make far marks
 * easier, and near ones harder, than it says.
 */

export interface Bend {
  readonly a: number;
  readonly b: number;
}

/** Nothing that can be is taken for less likely than this when it is bent. */
const LEAST_TOLD = 1e-6;

/** Log odds of a chance, which is held off nothing and all by `least`. */
export function logit(p: number, least = LEAST_TOLD): number {
  const held = Math.min(1 - least, Math.max(least, p));
  return Math.log(held / (1 - held));
}
export const logistic = (x: number) => 1 / (1 + Math.exp(-x));

/** A chance 0–1 as this class's reports bend it; what cannot be, and what is sure, stays so. */
export function bentChance(p: number, { a, b }: Bend): number {
  if (p <= 0 || p >= 1) return p;
  return logistic(a + b * logit(p));
}
