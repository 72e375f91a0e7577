/**
 * Balls that roll: how far, how straight, and where they stop. v² = 2µgs on level ground; directions and speeds have normal errors.
 * Every spread and every rolling resistance is assumed (memory or judgement) until the class's own reports replace it.
 */
import { statureM } from '../measure/stature';
import { IMPLEMENTS, type Implement } from '../objects/catalogue';
import type { Game, Surface } from '../rules/format/game';
import { GRAVITY } from './flight';
import { normalCdf, normalPdf, withinChance } from './normal';
import {
  ageFactor,
  CARRY_PAST_M,
  GROUND_SPREAD,
  LEAST_ROLL_SPEED,
  OTHER_HAND_FACTOR,
  RAMP_CARRY_M,
  ROLL_FORMS,
  ROLLING,
  SEATED_ROLL_SPEED,
  SOFT_ROLL_BELOW,
  type GroundTechnique,
} from './assumed';
import type { Thrower } from './release';

const DEGREE = Math.PI / 180;

export interface GroundShot {
  readonly technique: GroundTechnique;
  readonly thrower: Thrower;
  readonly ball: Implement;
  readonly surface: Surface;
  readonly distanceM: number;
  /** Rolling resistance where it was measured; without it that of the surface. */
  readonly mu?: number;
}

/** A ball that was let roll off a book: how high the book was, and how far the ball rolled on the floor, metres. */
export interface RolledOff {
  readonly heightM: number;
  readonly lengthM: number;
}

/**
 * Rolling resistance µ of a floor (v² = 2µgs) from a ball let down from a height: g·h = (1 + k)·v²/2, where k is 2/5 for a solid ball and 2/3 for a
 * hollow one, so µ = h / ((1 + k)·s).
 */
export function rolledMu({ heightM, lengthM }: RolledOff, { hollow }: Pick<Implement, 'hollow'>): number {
  return heightM / ((1 + (hollow ? 2 / 3 : 2 / 5)) * lengthM);
}

/** Rolling resistance of a shot. */
const muOf = ({ mu, ball, surface }: Pick<GroundShot, 'mu' | 'ball' | 'surface'>): number => mu ?? rollingResistance(ball, surface);

export function rollingResistance(ball: Implement, surface: Surface): number {
  const row = ROLLING[surface];
  return ball.restitution < SOFT_ROLL_BELOW ? row.soft : row.firm;
}

/** Ball and floor of a roll: the floor as it was measured with this ball, or as is assumed for its surface. */
export function rollsOn({ kit, course: { floor } }: Pick<Game, 'kit' | 'course'>): Pick<GroundShot, 'ball' | 'surface' | 'mu'> {
  const ball = IMPLEMENTS[kit.implement];
  const { rolled, surface } = floor;
  return { ball, surface, ...(rolled?.implement === kit.implement && { mu: rolledMu(rolled, ball) }) };
}

export interface GroundErrors {
  readonly azimuthSd: number;
  readonly speedShareSd: number;
}

/** Spread of direction (radians) and of speed (a share) of this child. */
export function groundErrors(technique: GroundTechnique, thrower: Thrower): GroundErrors {
  const form = thrower.form ?? 'standing';
  const spread = GROUND_SPREAD[technique === 'roll' ? ROLL_FORMS[form] : technique];
  const factor = ageFactor(thrower.ageYears) * (thrower.skill ?? 1) * (thrower.otherHand ? OTHER_HAND_FACTOR : 1);
  return { azimuthSd: spread.azimuthDeg * DEGREE * factor, speedShareSd: spread.speedShare * factor };
}

/** Speed that carries the ball so far, m/s. */
export function speedFor(lengthM: number, mu: number): number {
  return Math.sqrt(2 * mu * GRAVITY * Math.max(0, lengthM));
}

/** Fastest roll or kick of a child in m/s. Assumed: 3.5 at four years and 0.5 more a year. */
function topGroundSpeed(ageYears: number): number {
  return ageYears >= 18 ? 12 : 3.5 + 0.5 * (ageYears - 4) * Math.min(1.2, statureM(ageYears));
}

/** With two hands from a seat nobody rolls hard. */
export function topSpeedOf({ technique, thrower }: Pick<GroundShot, 'technique' | 'thrower'>): number {
  const top = topGroundSpeed(thrower.ageYears);
  return technique === 'roll' && ROLL_FORMS[thrower.form ?? 'standing'] === 'roll-two-hands' ? Math.min(top, SEATED_ROLL_SPEED) : top;
}

function meantSpeed(shot: GroundShot, mu: number): number {
  return Math.min(topSpeedOf(shot), Math.max(LEAST_ROLL_SPEED, speedFor(shot.distanceM + CARRY_PAST_M, mu)));
}

/** Directions that are barred by something on the way: from and to, as the tangent of the angle to the line of the roll. */
export interface Barred {
  readonly from: number;
  readonly to: number;
}

/**
 * Chance that a ball meant to pass (or strike) what lies `distanceM` off does so: within ± halfWidthM sideways, in no barred direction, and
 * not stopped short. Lateral Φ × [1 − Φ((√(2µgD) − v̄)/σv)].
 */
export function passChance(shot: GroundShot, halfWidthM: number, barred: readonly Barred[] = []): number {
  if (shot.distanceM <= 0) return 1;
  const mu = muOf(shot);
  const errors = groundErrors(shot.technique, shot.thrower);
  const speed = meantSpeed(shot, mu);
  const spread = Math.tan(errors.azimuthSd);
  const wide = halfWidthM / shot.distanceM;
  const short = normalCdf((speedFor(shot.distanceM, mu) - speed) / (speed * errors.speedShareSd));
  return (withinChance(wide, spread) - barredShare(wide, barred, spread)) * (1 - short);
}

/** Share of all directions of this spread that are barred. */
export const barredChance = (barred: readonly Barred[], azimuthSd: number): number => barredShare(Infinity, barred, Math.tan(azimuthSd));

/** Share of the directions within ± wide that are barred; what is barred twice counts once. */
function barredShare(wide: number, barred: readonly Barred[], spread: number): number {
  let share = 0;
  let done = -wide;
  for (const { from, to } of barred.toSorted((one, other) => one.from - other.from)) {
    const start = Math.max(done, from);
    const end = Math.min(wide, to);
    if (end <= start) continue;
    share += normalCdf(end / spread) - normalCdf(start / spread);
    done = end;
  }
  return share;
}

/** How far a ball meant for it rolls when its speed is so many standard deviations more than meant, metres (s = v²/2µg). */
export function rollsM(shot: GroundShot, deviations: number): number {
  const mu = muOf(shot);
  const speed = meantSpeed(shot, mu) * (1 + deviations * groundErrors(shot.technique, shot.thrower).speedShareSd);
  return (speed * speed) / (2 * mu * GRAVITY);
}

/** Speed with which a ball meant for it arrives, m/s; 0 when it stops short. */
export function arrivalSpeed(shot: GroundShot): number {
  const mu = muOf(shot);
  const speed = meantSpeed(shot, mu);
  return Math.sqrt(Math.max(0, speed * speed - 2 * mu * GRAVITY * shot.distanceM));
}

/**
 * Chance that a ball rolled up a ramp comes down in a box behind it: sideways into its width, and with a speed between too slow and too
 * fast. From the lip it flies as far as its speed squared, so that the spread of the flight is twice that of the speed.
 */
export function rampChance(shot: GroundShot, halfWidthM: number, halfDepthM: number): number {
  const errors = groundErrors(shot.technique, shot.thrower);
  const across = withinChance(halfWidthM, shot.distanceM * Math.tan(errors.azimuthSd));
  return across * withinChance(halfDepthM, 2 * RAMP_CARRY_M * errors.speedShareSd);
}

/** Seconds that the ball rolls to what it is meant for, by its mean speed on the way. */
export function rollSeconds(shot: GroundShot): number {
  const speed = meantSpeed(shot, muOf(shot));
  return shot.distanceM / Math.max(0.4, (speed + arrivalSpeed(shot)) / 2);
}

/** How many equally likely gaps stand for all. */
export const GAP_NODES = 256;

/** Nodes and weights of Gauss and Legendre on −1 to 1, ten of them on one side (Abramowitz and Stegun, table 25.4, n = 20; from memory). */
const LEGENDRE: readonly (readonly [node: number, weight: number])[] = [
  [0.0765265211334973, 0.1527533871307258],
  [0.2277858511416451, 0.1491729864726037],
  [0.37370608871541955, 0.14209610931838204],
  [0.5108670019508271, 0.13168863844917664],
  [0.636053680726515, 0.11819453196151841],
  [0.7463319064601508, 0.10193011981724044],
  [0.8391169718222188, 0.08327674157670475],
  [0.912234428251326, 0.06267204833410907],
  [0.9639719272779138, 0.04060142980038694],
  [0.9931285991850949, 0.017614007139152118],
];
const FARTHEST_SD = 6;

/**
 * Chance that a ball meant to stop on a mark comes to rest within a radius of it. A ball that rolls a length s ends within the radius when its
 * direction is within arccos((s² + D² − ρ²) / 2sD); summed over the speed (s = v²/2µg), which is not meant higher than a child's fastest.
 */
export function stopChance(shot: GroundShot, radiusM: number): number {
  const { distanceM } = shot;
  if (radiusM <= 0) return 0;
  if (distanceM <= 0) return 1;
  const { azimuthSd, speedShareSd } = groundErrors(shot.technique, shot.thrower);
  const fastest = topSpeedOf(shot) / speedFor(1, muOf(shot));
  const meantM = Math.min(distanceM, fastest * fastest);
  const deviation = (lengthM: number) => (Math.sqrt(Math.max(0, lengthM) / meantM) - 1) / speedShareSd;
  const near = Math.max(-FARTHEST_SD, -1 / speedShareSd, deviation(distanceM - radiusM));
  const far = Math.min(FARTHEST_SD, deviation(distanceM + radiusM));
  if (far <= near) return 0;
  const at = (z: number): number => {
    const rolled = meantM * (1 + z * speedShareSd) ** 2;
    const cos = (rolled * rolled + distanceM * distanceM - radiusM * radiusM) / (2 * rolled * distanceM);
    if (cos >= 1) return 0;
    return normalPdf(z) * (cos <= -1 ? 1 : withinChance(Math.acos(cos), azimuthSd));
  };
  // Where the ring holds the child too, short rolls are all in it: the sum is cut there. The arc closes as a root does: sines smooth its ends.
  const cuts = [near, Math.min(far, Math.max(near, deviation(radiusM - distanceM))), far];
  let sum = 0;
  for (let part = 0; part < 2; part += 1) {
    const [from, to] = [cuts[part]!, cuts[part + 1]!];
    const half = (to - from) / 2;
    if (half <= 0) continue;
    for (const [node, weight] of LEGENDRE) {
      const turn = (Math.PI / 2) * node;
      const step = half * Math.sin(turn);
      sum += weight * (Math.PI / 2) * Math.cos(turn) * half * (at(from + half - step) + at(from + half + step));
    }
  }
  return Math.min(1, sum);
}

/** Radii at which the chance is worked out, as shares of the farthest that is looked at; close to the mark they lie closer. */
const RADII = 48;

/**
 * Distances from the mark at which a ball meant to stop on it comes to rest, metres: GAP_NODES equally likely ones, smallest first, read from
 * `stopChance` at the middle of each share.
 */
export function stopGaps(shot: GroundShot): Float64Array {
  const errors = groundErrors(shot.technique, shot.thrower);
  const farthest = shot.distanceM * Math.max(0.2, (1 + 3.2 * errors.speedShareSd) ** 2 - 1 + 2 * errors.azimuthSd);
  const gaps = new Float64Array(GAP_NODES);
  let node = 0;
  let [radius, chance] = [0, 0];
  for (let step = 1; step <= RADII && node < GAP_NODES; step += 1) {
    const nextRadius = farthest * (step / RADII) ** 2;
    const nextChance = step === RADII ? 1 : stopChance(shot, nextRadius);
    // The chance grows about as the square of the radius close by, and as the radius farther off: between two radii on a straight line.
    for (; node < GAP_NODES && (node + 0.5) / GAP_NODES <= nextChance; node += 1)
      gaps[node] = radius + ((nextRadius - radius) * ((node + 0.5) / GAP_NODES - chance)) / Math.max(1e-9, nextChance - chance);
    [radius, chance] = [nextRadius, nextChance];
  }
  return gaps;
}
