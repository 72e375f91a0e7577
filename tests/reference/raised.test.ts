/** Raised baskets and buckets: against throws that are flown one by one, by formulas written here and not in the product. */
import { describe, expect, it } from 'vitest';
import { hitChance, openingShares, type Shot } from '@/core/motion/chance';
import { releaseOf } from '@/core/motion/release';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import { resolveLevel } from '@/core/rules/format/level';
import { solveLevel } from '@/core/levels/solve';
import { starter } from '../examples/starters';

type Technique = 'underarm' | 'overarm' | 'set-shot';
/** Degrees at which a body throws at an opening, as the product's table says them: what is checked is what follows from them. */
const BODY: Readonly<Record<Technique, readonly [number, number]>> = { underarm: [25, 60], overarm: [10, 50], 'set-shot': [45, 60] };
const G = 9.80665;

const shotOf = (technique: Technique, object: 'laundry-basket' | 'bucket', standM: number, distanceM: number, ageYears = 8): Shot => ({
  technique,
  release: releaseOf(technique, { ageYears }),
  ball: IMPLEMENTS['sock-ball'],
  target: AIMED[object].shape as Shot['target'],
  distanceM,
  standM,
  turnRad: 0,
});

/** Share of n throws whose ball comes down through the rim, its middle a quarter of its radius in from the edge. */
function flown({ technique, release, ball, target, distanceM, standM }: Shot, n: number): number {
  if (target.kind !== 'opening') throw new Error('an opening');
  let seed = 77;
  const uniform = () => (seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32 + 2 ** -33;
  const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  const rise = standM + target.rimM - release.heightM;
  const easiest = Math.atan((rise + Math.sqrt(distanceM ** 2 + rise ** 2)) / distanceM);
  const [low, high] = BODY[technique].map((degrees) => (degrees * Math.PI) / 180) as [number, number];
  const angle = Math.max(low, Math.min(high, easiest));
  const over = distanceM * Math.tan(angle) - rise;
  const speed = Math.min(release.topSpeed, Math.sqrt((G * distanceM ** 2) / (2 * Math.cos(angle) ** 2 * over)));
  let hits = 0;
  for (let i = 0; i < n; i += 1) {
    const elevation = angle + release.elevationSd * normal();
    const v = speed * (1 + release.speedShareSd * normal());
    const aside = distanceM * release.azimuthSd * normal();
    const up = v * Math.sin(elevation);
    const under = up * up - 2 * G * rise;
    if (under < 0) continue;
    // On the way down through the plane of the rim; the front edge must have been cleared.
    const length = v * Math.cos(elevation) * ((up + Math.sqrt(under)) / G) - distanceM;
    const edge = 0.25 * ball.radiusM;
    const round = target.outline === 'round';
    const inside = round
      ? length ** 2 + aside ** 2 < (target.diameterM / 2 - edge) ** 2
      : Math.abs(length) < target.depthM / 2 - edge && Math.abs(aside) < target.widthM / 2 - edge;
    if (inside) hits += 1;
  }
  return hits / n;
}

const CASES = [
  ['underarm', 'laundry-basket', 0.5],
  ['underarm', 'bucket', 0.4],
  ['set-shot', 'laundry-basket', 0.75],
  ['set-shot', 'bucket', 1.2],
  ['overarm', 'laundry-basket', 0.8],
] as const;

describe('a raised opening', () => {
  it.each(CASES)('%s into a %s that stands at %f m is hit as often as throws flown one by one', (technique, object, standM) => {
    for (const distanceM of [1.3, 1.8, 2.6]) {
      const shot = shotOf(technique, object, standM, distanceM);
      expect(Math.abs(hitChance(shot) - flown(shot, 60_000)), `${distanceM} m`).toBeLessThan(0.025);
    }
  });
  it.each(CASES)('%s into a %s that stands at %f m is never harder from nearer', (technique, object, standM) => {
    for (const ageYears of [5, 8, 11]) {
      const chances = Array.from({ length: 40 }, (_, index) => hitChance(shotOf(technique, object, standM, 0.25 + 0.1 * index, ageYears)));
      chances.forEach((chance, index) => {
        expect(chance).toBeGreaterThanOrEqual(0);
        if (index > 0) expect(chance, `${ageYears} years, ${(0.25 + 0.1 * index).toFixed(2)} m`).toBeLessThanOrEqual(chances[index - 1]! + 0.021);
      });
      // Near it is a fair chance at least, and far it is not sure.
      expect(chances[0]).toBeGreaterThan(0.35);
      expect(chances.at(-1)).toBeLessThan(0.6);
    }
  });
  it('shares all throws out: stays, bounces out, meets the rim, misses', () => {
    for (const [technique, object, standM] of CASES)
      for (const distanceM of [0.3, 0.6, 1.5]) {
        const { stays, bouncesOut, rim, misses } = openingShares(shotOf(technique, object, standM, distanceM))!;
        for (const share of [stays, bouncesOut, rim, misses]) expect(share).toBeGreaterThanOrEqual(0);
        expect(stays + bouncesOut + rim + misses).toBeCloseTo(1, 6);
        expect(stays).toBeCloseTo(hitChance(shotOf(technique, object, standM, distanceM)), 10);
      }
  });
  it('has its marks solved on the far side, and says when a chance cannot be had', () => {
    const game = starter('ferry-fares');
    const raised = {
      ...game,
      course: { ...game.course, targets: { aim: game.course.targets['aim']!.map((target) => ({ ...target, standM: 0.75 })) } },
    };
    for (const wanted of [0.85, 0.6, 0.35]) {
      const { places, chance, reached } = solveLevel(raised, 1, wanted, 8);
      expect(reached).toBe(true);
      expect(Math.abs(chance - wanted)).toBeLessThanOrEqual(0.02);
      const [aim] = resolveLevel(raised, 1).course.targets['aim']!;
      for (const { xM, yM } of places['mark']!) expect(Math.hypot(xM - aim!.xM, yM - aim!.yM)).toBeGreaterThan(0.5);
    }
    expect(solveLevel(raised, 1, 0.001, 12).reached).toBe(false);
  });
});
