/** Points are fair: held against every set that there is, and against goes that are played always choosing the same. */
import { describe, expect, it } from 'vitest';
import { alwaysScores, chosenRates, fairPoints, unevenness, withFairPoints, worthsOf } from '@/core/levels/fair-points';
import { resolveLevel } from '@/core/rules/format/level';
import { STARTERS } from '../examples/starters';

/** The least unevenness of all sets whose first value is 1 to 10 and whose others are 1 to 20, by trying each. */
function bruteForce(rates: readonly [number, number, number]): number {
  let best = Infinity;
  for (let a = 1; a <= 10; a += 1)
    for (let b = 1; b <= 20; b += 1)
      for (let c = 1; c <= 20; c += 1) {
        const [x, y, z] = [a * rates[0], b * rates[1], c * rates[2]];
        best = Math.min(best, Math.max(x, y, z) / Math.min(x, y, z) - 1);
      }
  return best;
}

const worth = (rates: readonly number[]) => unevenness(fairPoints(rates).map((point, index) => point * rates[index]!));

describe('fair points', () => {
  it('are such that no set is better by more than a hundredth', () => {
    let seed = 9;
    const draw = () => (seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
    for (let n = 0; n < 12; n += 1) {
      const near = 0.3 + 0.6 * draw();
      const rates = [near, near * (0.45 + 0.5 * draw()), near * (0.2 + 0.4 * draw())] as const;
      expect(worth(rates), rates.join(', ')).toBeLessThanOrEqual(bruteForce([...rates]) + 0.01 + 1e-9);
    }
  });
  it('are the smallest among those that are nearly as fair', () => {
    expect(fairPoints([0.6, 0.3, 0.2])).toEqual([1, 2, 3]);
    expect(fairPoints([0.5, 0.5])).toEqual([1, 1]);
    expect(fairPoints([])).toEqual([]);
  });
  it('pay the same in goes that are played always choosing one: far from even before, nearly even after', () => {
    const chosen = STARTERS.map(({ id, game }) => ({ id, game, level: resolveLevel(game, 1 % game.levels.length) })).filter(
      ({ game, level }) => alwaysScores(level, game.ageYears ?? 8, 1) !== null,
    );
    expect(chosen.length).toBeGreaterThanOrEqual(3);
    for (const { id, game, level } of chosen) {
      const ageYears = game.ageYears ?? 8;
      const fair = resolveLevel(withFairPoints(game, 1 % game.levels.length, ageYears)!, 1 % game.levels.length);
      const [before, after] = [level, fair].map((one) => unevenness(alwaysScores(one, ageYears, 2_000)!));
      // Played goes and rates a second agree but for the last try that the whistle cuts.
      const [rates] = chosenRates(fair, ageYears);
      expect(Math.abs(after! - unevenness(worthsOf(fair, rates!))), id).toBeLessThan(0.08);
      expect(after!, `${id}: ${before!.toFixed(2)} before`).toBeLessThan(Math.max(0.16, before!));
    }
  });
});
