/**
 * Balls that roll: how far, how straight, and where they stop. v² = 2µgs on level ground; directions and speeds have normal errors.
 * Every spread and every rolling resistance is assumed (memory or judgement) until the class's own reports replace it.
 */
import { statureM } from '../measure/stature';
import type { Implement } from '../objects/catalogue';
import type { Surface } from '../rules/format/game';
import { GRAVITY } from './flight';
import { normalCdf, withinChance } from './normal';
import {
  ageFactor,
  CARRY_PAST_M,
  GROUND_SPREAD,
  LEAST_ROLL_SPEED,
  OTHER_HAND_FACTOR,
  RAMP_CARRY_M,
  ROLLING,
  SOFT_ROLL_BELOW,
  type BodyForm,
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
}

export function rollingResistance(ball: Implement, surface: Surface): number {
  const row = ROLLING[surface];
  return ball.restitution < SOFT_ROLL_BELOW ? row.soft : row.firm;
}

/** Kneeling lies between standing and two hands from a seat. */
const ROLL_FORMS: Readonly<Record<BodyForm, keyof typeof GROUND_SPREAD>> = {
  standing: 'roll',
  kneeling: 'roll-kneeling',
  seated: 'roll-two-hands',
  'two-hands': 'roll-two-hands',
};

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

function meantSpeed(shot: GroundShot, mu: number): number {
  return Math.min(topGroundSpeed(shot.thrower.ageYears), Math.max(LEAST_ROLL_SPEED, speedFor(shot.distanceM + CARRY_PAST_M, mu)));
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
  const mu = rollingResistance(shot.ball, shot.surface);
  const errors = groundErrors(shot.technique, shot.thrower);
  const speed = meantSpeed(shot, mu);
  const spread = Math.tan(errors.azimuthSd);
  const wide = halfWidthM / shot.distanceM;
  const short = normalCdf((speedFor(shot.distanceM, mu) - speed) / (speed * errors.speedShareSd));
  return (withinChance(wide, spread) - barredShare(wide, barred, spread)) * (1 - short);
}

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
  const mu = rollingResistance(shot.ball, shot.surface);
  const speed = meantSpeed(shot, mu) * (1 + deviations * groundErrors(shot.technique, shot.thrower).speedShareSd);
  return (speed * speed) / (2 * mu * GRAVITY);
}

/** Speed with which a ball meant for it arrives, m/s; 0 when it stops short. */
export function arrivalSpeed(shot: GroundShot): number {
  const mu = rollingResistance(shot.ball, shot.surface);
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
  const speed = meantSpeed(shot, rollingResistance(shot.ball, shot.surface));
  return shot.distanceM / Math.max(0.4, (speed + arrivalSpeed(shot)) / 2);
}

/** Midpoints of sixteen equal shares of the standard normal distribution. */
const SIXTEENTHS = [
  -1.8627, -1.318, -1.01, -0.7764, -0.5791, -0.4023, -0.2372, -0.0784, 0.0784, 0.2372, 0.4023, 0.5791, 0.7764, 1.01, 1.318, 1.8627,
] as const;

export const GAP_NODES = SIXTEENTHS.length * SIXTEENTHS.length;

/**
 * Distances from the mark at which a ball meant to stop on it comes to rest, metres: 256 equally likely ones, smallest first, from a
 * quadrature over direction and speed (s = v²/2µg grows with the square of the speed).
 */
export function stopGaps(shot: GroundShot): Float64Array {
  const errors = groundErrors(shot.technique, shot.thrower);
  const gaps = new Float64Array(GAP_NODES);
  let at = 0;
  for (const direction of SIXTEENTHS) {
    const azimuth = Math.max(-1.2, Math.min(1.2, direction * errors.azimuthSd));
    for (const speed of SIXTEENTHS) {
      const share = Math.max(0, 1 + speed * errors.speedShareSd);
      const rolled = shot.distanceM * share * share;
      gaps[at] = Math.hypot(rolled * Math.cos(azimuth) - shot.distanceM, rolled * Math.sin(azimuth));
      at += 1;
    }
  }
  return gaps.sort();
}

/** Chance that it stops within a radius of the mark. */
export function stopChance(shot: GroundShot, radiusM: number): number {
  const gaps = stopGaps(shot);
  let within = 0;
  while (within < gaps.length && gaps[within]! <= radiusM) within += 1;
  return within / gaps.length;
}
