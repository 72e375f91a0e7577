/**
 * The standard normal distribution function Φ, used in the inner loop of every chance.
 * Complementary error function by the Chebyshev fit of W. H. Press et al., Numerical Recipes (3rd ed., §6.2.2), relative
 * error below 1.2e-7 in its short form; checked against jstat in the tests.
 */
export function normalCdf(z: number): number {
  if (z > 8) return 1;
  if (z < -8) return 0;
  const x = Math.abs(z) * Math.SQRT1_2;
  const t = 1 / (1 + 0.5 * x);
  const tail =
    0.5 *
    t *
    Math.exp(
      -x * x -
        1.26551223 +
        t *
          (1.00002368 +
            t *
              (0.37409196 +
                t * (0.09678418 + t * (-0.18628806 + t * (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277)))))))),
    );
  return z >= 0 ? 1 - tail : tail;
}

/** Density of the standard normal distribution. */
export function normalPdf(z: number): number {
  return Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
}

/** Chance that a normal error of this spread stays within ± half a width. */
export function withinChance(halfWidth: number, spread: number): number {
  if (halfWidth <= 0) return 0;
  if (spread <= 0) return 1;
  return 2 * normalCdf(halfWidth / spread) - 1;
}
