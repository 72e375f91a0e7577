import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { drawUnit, PURPOSE } from '../random/draw';
import { AIMED, IMPLEMENTS, type AimedId, type AimedShape, type ImplementId, type ThrownShape } from '../objects/catalogue';
import { aimFor, hitChance, type Shot } from './chance';
import { easiestAngle, flatAngle, flightSeconds, GRAVITY, levelRange, speedToReach } from './flight';
import { normalCdf, withinChance } from './normal';
import { ageFactor, releaseOf, type Technique, type Thrower } from './release';

const { jStat } = createRequire(import.meta.url)('jstat') as { jStat: { normal: { cdf: (x: number, mean: number, sd: number) => number } } };

const shot = (
  target: AimedId | AimedShape,
  distanceM: number,
  thrower: Thrower,
  technique: Technique = 'underarm',
  ball: ImplementId = 'sock-ball',
  extra: Partial<Shot> = {},
): Shot => ({
  technique,
  release: releaseOf(technique, thrower),
  ball: IMPLEMENTS[ball],
  target: (typeof target === 'string' ? AIMED[target].shape : target) as ThrownShape,
  distanceM,
  standM: 0,
  turnRad: 0,
  ...extra,
});
const chance = (...args: Parameters<typeof shot>) => hitChance(shot(...args));

describe('the normal distribution', () => {
  it('agrees with jstat over the whole line', () => {
    for (let z = -6; z <= 6; z += 0.25) expect(Math.abs(normalCdf(z) - jStat.normal.cdf(z, 0, 1))).toBeLessThan(1.5e-7);
  });
  it('gives the published shares within one, two and three standard deviations (68–95–99.7 rule)', () => {
    expect(withinChance(1, 1)).toBeCloseTo(0.6827, 4);
    expect(withinChance(2, 1)).toBeCloseTo(0.9545, 4);
    expect(withinChance(3, 1)).toBeCloseTo(0.9973, 4);
  });
});

describe('a ball in flight', () => {
  it('has the textbook range v² sin 2θ / g with standard gravity', () => {
    expect(GRAVITY).toBe(9.80665);
    expect(levelRange(10, Math.PI / 4)).toBeCloseTo(100 / 9.80665, 10);
    expect(speedToReach(levelRange(7, 0.6), 0, 0.6)).toBeCloseTo(7, 10);
  });
  it('needs the least speed at the easiest angle, 45° on the level', () => {
    expect(easiestAngle(3, 0)).toBeCloseTo(Math.PI / 4, 10);
    const angle = easiestAngle(2, -0.4);
    const least = speedToReach(2, -0.4, angle);
    for (const other of [angle - 0.1, angle + 0.1]) expect(speedToReach(2, -0.4, other)).toBeGreaterThan(least);
  });
  it('has a flatter and faster way to the same point', () => {
    const speed = 1.3 * speedToReach(3, -1, easiestAngle(3, -1));
    const angle = flatAngle(3, -1, speed);
    expect(angle).toBeLessThan(easiestAngle(3, -1));
    expect(speedToReach(3, -1, angle)).toBeCloseTo(speed, 8);
  });
  it('cannot be thrown along a line that ends below the point', () => {
    expect(speedToReach(2, 1, 0.1)).toBe(Infinity);
  });
  it('takes longer to come down than to pass by', () => {
    expect(flightSeconds(3, 5, 0.8)).toBeGreaterThan(flightSeconds(3, 5, 0.1));
  });
});

/** The same throw with random errors drawn one by one: the model's definition, played out. */
function playedOut(of: Shot, throws: number): number {
  const aim = aimFor(of);
  const normal = (n: number, k: number) =>
    Math.sqrt(-2 * Math.log(1 - drawUnit(n, k, 0, PURPOSE.outcome))) * Math.cos(2 * Math.PI * drawUnit(n, k, 1, PURPOSE.outcome));
  const { release, target, distanceM, ball, standM } = of;
  const soft = 0.25 * ball.radiusM;
  let hits = 0;
  for (let n = 0; n < throws; n += 1) {
    const across = distanceM * normal(n, 0) * release.azimuthSd;
    const angle = aim.angleRad + normal(n, 1) * release.elevationSd;
    const speed = aim.speed * (1 + normal(n, 2) * release.speedShareSd);
    const cos = Math.cos(angle);
    if (cos <= 0 || speed <= 0) continue;
    const heightAt = (x: number) => release.heightM + x * Math.tan(angle) - (GRAVITY * x * x) / (2 * speed * speed * cos * cos);
    if (target.kind === 'upright') {
      const grow = 0.35 * ball.radiusM;
      if (Math.abs(across) <= target.widthM / 2 + grow && heightAt(distanceM + target.widthM / 2) <= standM + target.heightM + grow) hits += 1;
      continue;
    }
    const rise = standM + target.rimM - release.heightM;
    const b = speed * Math.sin(angle);
    const root = b * b - 2 * GRAVITY * rise;
    if (root < 0) continue;
    const along = speed * cos * ((b + Math.sqrt(root)) / GRAVITY) - distanceM;
    const inside =
      target.outline === 'rectangle'
        ? Math.abs(across) <= target.widthM / 2 - soft && Math.abs(along) <= target.depthM / 2 - soft
        : Math.hypot(across, along) <= target.diameterM / 2 - soft;
    if (inside) hits += 1;
  }
  return hits / throws;
}

describe('the chance of a hit, by quadrature', () => {
  const cases: ReadonlyArray<[string, Shot]> = [
    ['a basket at 2 m, eight years', shot('laundry-basket', 2, { ageYears: 8 })],
    ['a basket at 3.5 m, ten years', shot('laundry-basket', 3.5, { ageYears: 10 })],
    ['a bucket at 1.5 m, six years', shot('bucket', 1.5, { ageYears: 6 })],
    ['a bucket at 2.5 m, ten years', shot('bucket', 2.5, { ageYears: 10 })],
    ['a kitchen roll overarm at 3 m, eight years', shot('kitchen-roll', 3, { ageYears: 8 }, 'overarm')],
    ['a bottle underarm at 2 m, six years', shot('bottle', 2, { ageYears: 6 })],
  ];
  it.each(cases)('agrees with a million throws played out: %s', (_, of) => {
    expect(Math.abs(hitChance(of) - playedOut(of, 1_000_000))).toBeLessThan(of.target.kind === 'opening' ? 0.005 : 0.01);
  });
  it('agrees with the table of our own prototype within 5 points (assumed figures, no published source)', () => {
    const table: ReadonlyArray<[number, readonly number[]]> = [
      [4, [0.79, 0.54, 0.37, 0.19]],
      [6.5, [0.95, 0.76, 0.58, 0.34]],
      [8, [0.98, 0.85, 0.69, 0.44]],
      [10, [1, 0.93, 0.8, 0.56]],
    ];
    for (const [age, expected] of table) {
      [1, 1.5, 2, 3].forEach((distance, index) =>
        expect(Math.abs(chance('laundry-basket', distance, { ageYears: age }) - expected[index]!)).toBeLessThan(0.05),
      );
    }
  });
  it('is the same for a rectangle turned by half a turn, and for a square one by a quarter', () => {
    const square: AimedShape = { kind: 'opening', outline: 'rectangle', widthM: 0.4, depthM: 0.4, rimM: 0.3 };
    const at = (turnRad: number) => chance(square, 2, { ageYears: 8 }, 'underarm', 'sock-ball', { turnRad });
    expect(at(Math.PI)).toBeCloseTo(at(0), 6);
    expect(at(Math.PI / 2)).toBeCloseTo(at(0), 6);
    expect(at(Math.PI / 4)).toBeCloseTo(at(0), 1);
    expect(at(0.001)).toBeCloseTo(at(0), 2);
  });
});

describe('facts of the trade (common practice, no published source)', () => {
  const ages = [6, 8, 10];
  const distances = [1.5, 2, 2.5];
  const clearly = 0.05;
  const each = (test: (age: number, distance: number) => void) => ages.forEach((age) => distances.forEach((distance) => test(age, distance)));

  it('nearer is easier', () =>
    each((age, distance) =>
      expect(chance('box', distance - 0.5, { ageYears: age })).toBeGreaterThan(chance('box', distance, { ageYears: age }) + clearly),
    ));
  it('bigger is easier', () =>
    each((age, distance) =>
      expect(chance('laundry-basket', distance, { ageYears: age })).toBeGreaterThan(chance('mixing-bowl', distance, { ageYears: age }) + clearly),
    ));
  it('older children hit more', () =>
    distances.forEach((distance) =>
      expect(chance('box', distance, { ageYears: 10 })).toBeGreaterThan(chance('box', distance, { ageYears: 6 }) + clearly),
    ));
  it('the other hand is much worse', () =>
    each((age, distance) =>
      expect(chance('box', distance, { ageYears: age })).toBeGreaterThan(chance('box', distance, { ageYears: age, otherHand: true }) + 2 * clearly),
    ));
  it('a bucket, a kitchen roll, a tin, a broom handle: from easy to hard', () => {
    const bucket: AimedShape = { kind: 'upright', widthM: 0.3, heightM: 0.28 };
    each((age, distance) => {
      const of = (target: AimedId | AimedShape) => chance(target, distance, { ageYears: age }, 'overarm');
      expect(of(bucket)).toBeGreaterThan(of('kitchen-roll') + clearly);
      expect(of('kitchen-roll')).toBeGreaterThan(of('biscuit-tin') + clearly);
      expect(of('biscuit-tin')).toBeGreaterThan(of('broom-handle') + clearly);
    });
  });
  it('rolled socks stay in where a tennis ball bounces out', () =>
    each((age, distance) =>
      expect(chance('laundry-basket', distance, { ageYears: age })).toBeGreaterThan(
        chance('laundry-basket', distance, { ageYears: age }, 'underarm', 'tennis-ball') + clearly,
      ),
    ));
  it('throws scatter less as children grow: 1 + 2.2·exp(−(age − 4)/4.5), assumed', () => {
    expect(ageFactor(4)).toBeCloseTo(3.2, 10);
    expect(ageFactor(8)).toBeCloseTo(1.9, 1);
    expect(ageFactor(30)).toBe(1);
  });
});
