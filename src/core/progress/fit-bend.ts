/** How the chances of the model are bent for one class, found from what was told of its tries and what came of them. */
import { logistic, logit, type Bend } from '../motion/bend';

/** Priors: no bend, give or take. Assumed. */
const PRIOR = { a: { mean: 0, sd: 0.4 }, b: { mean: 1, sd: 0.25 } } as const;

export interface ToldTries {
  /** Chance that the model gave to each of the tries. */
  readonly chance: number;
  readonly hits: number;
  readonly misses: number;
}

/** The bend that fits these tries best, drawn to none (logistic regression with a normal prior, by Newton's method). */
export function fitBend(tries: readonly ToldTries[]): Bend {
  let [a, b] = [PRIOR.a.mean as number, PRIOR.b.mean as number];
  for (let round = 0; round < 25; round += 1) {
    let [downA, downB] = [-(a - PRIOR.a.mean) / PRIOR.a.sd ** 2, -(b - PRIOR.b.mean) / PRIOR.b.sd ** 2];
    let [aa, ab, bb] = [1 / PRIOR.a.sd ** 2, 0, 1 / PRIOR.b.sd ** 2];
    for (const { chance, hits, misses } of tries) {
      if (chance <= 0 || chance >= 1) continue;
      const x = logit(chance);
      const p = logistic(a + b * x);
      const left = hits - (hits + misses) * p;
      const weight = (hits + misses) * p * (1 - p);
      downA += left;
      downB += left * x;
      aa += weight;
      ab += weight * x;
      bb += weight * x * x;
    }
    const determinant = aa * bb - ab * ab;
    const [stepA, stepB] = [(bb * downA - ab * downB) / determinant, (aa * downB - ab * downA) / determinant];
    [a, b] = [a + Math.min(0.5, Math.max(-0.5, stepA)), b + Math.min(0.5, Math.max(-0.5, stepB))];
    if (Math.abs(stepA) + Math.abs(stepB) < 1e-9) break;
  }
  return { a, b: Math.max(0.2, b) };
}
