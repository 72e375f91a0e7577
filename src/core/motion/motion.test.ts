import { createRequire } from 'node:module';
import { LONG } from '../../../tests/long';
import { describe, expect, it } from 'vitest';
import { drawUnit, PURPOSE } from '../random/draw';
import { AIMED, IMPLEMENTS, type AimedId, type AimedShape, type ImplementId, type ThrownShape } from '../objects/catalogue';
import { aimFor, hitChance, openingShares, type Shot } from './chance';
import { easiestAngle, flatAngle, flightSeconds, GRAVITY, levelRange, speedToReach } from './flight';
import { normalCdf, withinChance } from './normal';
import { ageFactor, type Technique } from './assumed';
import { pinOf } from './chain';
import { passChance } from './ground';
import { tippingWind } from './wind';
import { releaseOf, type Thrower } from './release';

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
  // The error of so many throws is a fifth of what is allowed.
  it.each(cases)('agrees with a quarter of a million throws played out: %s', (_, of) => {
    expect(Math.abs(hitChance(of) - playedOut(of, LONG ? 1_000_000 : 250_000))).toBeLessThan(of.target.kind === 'opening' ? 0.005 : 0.01);
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
  it('less power is more accurate, up to the point where the ball falls short of a pot on a table', () => {
    const pot: AimedShape = { kind: 'upright', widthM: 0.3, heightM: 0.28 };
    const thrown = (age: number, distance: number, power: number) =>
      hitChance({ ...shot(pot, distance, { ageYears: age }, 'overarm', 'sock-ball', { standM: 0.7 }), power });
    each((age, distance) => {
      expect(thrown(age, distance, 1.3)).toBeGreaterThan(thrown(age, distance, 1.9) + clearly);
      expect(thrown(age, distance, 1.3)).toBeGreaterThan(thrown(age, distance, 0.8) + clearly);
      // Thrown as hard as usual, and not told, is the same throw.
      expect(hitChance(shot(pot, distance, { ageYears: age }, 'overarm', 'sock-ball', { standM: 0.7 }))).toBeCloseTo(thrown(age, distance, 1.3), 12);
    });
  });
  it('throws scatter less as children grow: 1 + 2.2·exp(−(age − 4)/4.5), assumed', () => {
    expect(ageFactor(4)).toBeCloseTo(3.2, 10);
    expect(ageFactor(8)).toBeCloseTo(1.9, 1);
    expect(ageFactor(30)).toBe(1);
  });
});

describe('chances worked by hand', () => {
  /** A throw by nobody in particular: the errors are given. */
  const plain = (target: AimedShape, distanceM: number, release: Partial<Shot['release']>): Shot => ({
    ...shot(target, distanceM, { ageYears: 8 }),
    release: { azimuthSd: 0.04, elevationSd: 0, speedShareSd: 0.02, heightM: 0.3, topSpeed: 20, ...release },
  });
  const dead = 0.25 * IMPLEMENTS['sock-ball'].radiusM;

  it('sideways only: a basket 0.60 m wide and endlessly deep at 2 m, 0.08 rad: half 28.9 cm against 16 cm is 0.929', () => {
    // (0.30 − 0.25 × 0.045) / (2 × 0.08) = 1.805; 2Φ(1.805) − 1 = 0.929 (normal table).
    const wide: AimedShape = { kind: 'opening', outline: 'rectangle', widthM: 0.6, depthM: 3, rimM: 0.3 };
    expect(dead).toBeCloseTo(0.01125, 5);
    expect(hitChance(plain(wide, 2, { azimuthSd: 0.08, speedShareSd: 0.0001 }))).toBeCloseTo(0.929, 3);
  });
  it('lengthways only: a rim as high as the hand, 45°, R grows as v²: 0.40 m at 2 m with 3% is 0.884', () => {
    // dR = 2 × 0.03 × 2 m = 0.12 m; (0.20 − 0.01125) / 0.12 = 1.573; 2Φ(1.573) − 1 = 0.884.
    const deep: AimedShape = { kind: 'opening', outline: 'rectangle', widthM: 9, depthM: 0.4, rimM: 0.3 };
    expect(hitChance(plain(deep, 2, { azimuthSd: 0.0001, speedShareSd: 0.03 }))).toBeCloseTo(0.884, 2);
  });
  it('the Rayleigh law: equal errors both ways into a round opening, 1 − exp(−r²/2σ²)', () => {
    // Sideways 2 m × 0.06 = 0.12 m; lengthways 2 × 0.03 × 2 m = 0.12 m.
    for (const radius of [0.1, 0.1413, 0.2]) {
      const bowl: AimedShape = { kind: 'opening', outline: 'round', diameterM: 2 * (radius + dead), rimM: 0.3 };
      const share = hitChance(plain(bowl, 2, { azimuthSd: 0.06, speedShareSd: 0.03 }));
      expect(share).toBeCloseTo(1 - Math.exp(-(radius * radius) / (2 * 0.12 * 0.12)), 1);
      expect(Math.abs(share - (1 - Math.exp(-(radius * radius) / (2 * 0.12 * 0.12))))).toBeLessThan(0.012);
    }
    // The median radius is 1.1774 σ = 0.1413 m: half of the throws.
  });
  it('a post struck: 0.10 m wide at 3 m, 0.05 rad, tall: half width 6.6 cm against 15 cm is 0.339', () => {
    // (0.05 + 0.35 × 0.045) / 0.15 = 0.4383; 2Φ(0.4383) − 1 = 0.339.
    const post: AimedShape = { kind: 'upright', widthM: 0.1, heightM: 3 };
    expect(hitChance(plain(post, 3, { azimuthSd: 0.05 }))).toBeCloseTo(0.339, 2);
  });
  it('a gate rolled through: 0.40 m between posts at 3 m, a tennis ball, ten years: 0.755', () => {
    // σ = 1.7° × 1.58 = 2.686°; tan × 3 m = 14.07 cm; (20 − 3.35) / 14.07 = 1.183; 2Φ(1.183) − 1 = 0.763.
    // It needs √(2 × 0.022 × 9.80665 × 3) = 1.138 m/s and has 1.6 ± 0.202: Φ(−2.29) = 0.011 stop short; 0.763 × 0.989 = 0.755.
    const rolled = passChance(
      { technique: 'roll', thrower: { ageYears: 10 }, ball: IMPLEMENTS['tennis-ball'], surface: 'hard', distanceM: 3 },
      0.2 - IMPLEMENTS['tennis-ball'].radiusM,
    );
    expect(rolled).toBeCloseTo(0.755, 2);
  });
});

describe('what happens at an opening', () => {
  it('its shares add up to one; what stays is the chance; a rim is met a little, and more by a large ball', () => {
    for (const distance of [1, 2, 3])
      for (const ball of ['sock-ball', 'tennis-ball', 'playground-ball'] as const) {
        const of = shot('laundry-basket', distance, { ageYears: 8 }, 'underarm', ball);
        const shares = openingShares(of)!;
        expect(shares.stays + shares.bouncesOut + shares.rim + shares.misses).toBeCloseTo(1, 6);
        expect(shares.stays).toBeCloseTo(hitChance(of), 12);
        for (const share of Object.values(shares)) expect(share).toBeGreaterThanOrEqual(0);
      }
    const rim = (ball: ImplementId) => openingShares(shot('laundry-basket', 2, { ageYears: 8 }, 'underarm', ball))!.rim;
    expect(rim('playground-ball')).toBeGreaterThan(rim('sock-ball') + 0.02);
  });
  it('a tennis ball comes out again where socks stay; nothing of the kind for a post', () => {
    const out = (ball: ImplementId) => openingShares(shot('laundry-basket', 2, { ageYears: 8 }, 'underarm', ball))!.bouncesOut;
    expect(out('tennis-ball')).toBeGreaterThan(0.1);
    expect(out('sock-ball')).toBeLessThan(0.01);
    expect(openingShares(shot('bottle', 2, { ageYears: 8 }))).toBeNull();
  });
});

describe('wind at a pin', () => {
  const pin = (object: AimedId) => pinOf(AIMED[object], { xM: 0, yM: 0 })!;
  it('tips an empty bottle at about 3 m/s, as a forecast about 5 (derived: v = √(2mg/(ρ·Cd·h²)))', () => {
    // 20 g, 0.21 m: √(2 × 0.02 × 9.80665 / (1.225 × 1.1 × 0.0441)) = 2.57 and with 0.7 3.22 m/s.
    const bottle = tippingWind({ massKg: 0.02, heightM: 0.21 });
    expect(bottle.leastMs).toBeCloseTo(2.57, 2);
    expect(bottle.mostMs).toBeCloseTo(3.22, 2);
    expect(bottle.forecastMs).toBeGreaterThan(4);
    expect(bottle.forecastMs).toBeLessThan(5.5);
  });
  it('needs far more for a can and for a bottle with water in it', () => {
    const empty = tippingWind(pin('small-bottle')).forecastMs;
    expect(tippingWind(pin('food-can')).leastMs).toBeGreaterThan(1.5 * empty);
    expect(tippingWind(pin('weighted-bottle')).forecastMs).toBeGreaterThan(2 * empty);
  });
});
