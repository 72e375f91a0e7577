/** Standard deviations of the middle 80% of a normal distribution. */
export const Z_80 = 1.2815515655446004;

/** Wilson's score interval for a share of k in n (Wilson 1927; Newcombe 1998, method 3, without correction for continuity). `z` is in standard deviations. */
export function wilson(k: number, n: number, z: number): { readonly low: number; readonly high: number } {
  if (n === 0) return { low: 0, high: 1 };
  const p = k / n;
  const scale = 1 / (1 + z ** 2 / n);
  const centre = scale * (p + z ** 2 / (2 * n));
  const half = scale * z * Math.sqrt((p * (1 - p)) / n + z ** 2 / (4 * n ** 2));
  return { low: Math.max(0, centre - half), high: Math.min(1, centre + half) };
}

/** An interval of a share in tenths: "3 to 5", or "4" where both ends round to it. */
export function inTenWords(low: number, high: number): string {
  const [least, most] = [Math.round(10 * low), Math.round(10 * high)];
  return least === most ? `${least}` : `${least} to ${most}`;
}
