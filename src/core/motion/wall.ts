/**
 * Off a wall into an opening before it: the ball meets the wall, comes back with the horizontal speed times its restitution, and falls.
 * Two sums, over elevation and speed; sideways a normal error that grows with the way, of which the wall keeps an assumed part.
 */
import { GRAVITY } from './flight';
import { SIDEWAYS_KEPT } from './assumed';
import { normalPdf, withinChance } from './normal';
import type { Release } from './release';

export interface WallShot {
  readonly release: Release;
  /** Restitution of ball on wall, and radius, metres. */
  readonly restitution: number;
  readonly radiusM: number;
  /** From the child to the wall, and from the wall to the middle of the opening, metres. */
  readonly wallM: number;
  readonly backM: number;
  readonly rimM: number;
  readonly halfAlongM: number;
  readonly halfAcrossM: number;
}

const NODES = 25;
const CLIP = 3.5;
const WEIGHTS = Array.from({ length: NODES }, (_, node) => {
  const z = CLIP * ((2 * node) / (NODES - 1) - 1);
  return { z, weight: normalPdf(z) };
});
const TOTAL = WEIGHTS.reduce((sum, { weight }) => sum + weight, 0);
/** The child throws upwards at the wall at about this angle. Assumed. */
const MEANT_RAD = (32 * Math.PI) / 180;

/** How far from the wall the ball comes down at rim height; null when it never meets the wall above it. */
function landsAt(shot: WallShot, speed: number, angle: number): number | null {
  const vx = speed * Math.cos(angle);
  const t = shot.wallM / vx;
  const rise = speed * Math.sin(angle) * t - 0.5 * GRAVITY * t * t;
  const drop = shot.release.heightM + rise - shot.rimM;
  if (drop <= 0) return null;
  const vy = speed * Math.sin(angle) - GRAVITY * t;
  const fall = (vy + Math.sqrt(vy * vy + 2 * GRAVITY * drop)) / GRAVITY;
  return shot.restitution * vx * fall;
}

/** The speed that brings the ball back to the middle of the opening; the fastest there is when none does. */
function meantSpeed(shot: WallShot): number {
  let slow = 1;
  let fast = shot.release.topSpeed;
  for (let i = 0; i < 24; i += 1) {
    const middle = (slow + fast) / 2;
    if ((landsAt(shot, middle, MEANT_RAD) ?? 0) < shot.backM) slow = middle;
    else fast = middle;
  }
  return (slow + fast) / 2;
}

/** Chance that the ball comes down in the opening (whether it stays there is another matter). */
export function wallChance(shot: WallShot): number {
  const speed = meantSpeed(shot);
  // Back from the wall the ball is slower in its line than sideways, and goes aside so much longer.
  const asideM = shot.wallM + (shot.backM * SIDEWAYS_KEPT) / shot.restitution;
  const across = withinChance(shot.halfAcrossM, asideM * shot.release.azimuthSd);
  let sum = 0;
  for (const elevation of WEIGHTS) {
    for (const share of WEIGHTS) {
      const lands = landsAt(
        shot,
        Math.max(0.5, speed * (1 + share.z * shot.release.speedShareSd)),
        MEANT_RAD + elevation.z * shot.release.elevationSd,
      );
      if (lands !== null && Math.abs(lands - shot.backM) <= shot.halfAlongM) sum += elevation.weight * share.weight;
    }
  }
  return (across * sum) / (TOTAL * TOTAL);
}
