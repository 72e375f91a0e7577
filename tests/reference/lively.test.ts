/**
 * Balls that bounce in a basket: the shipped table of rigid bodies against a bouncing point written here, which shares no code with it: no
 * engine, no steps in time, from bounce to bounce by the quadratic formula, in the plane of the throw, with the friction of a solid ball by Coulomb's law.
 */
import { describe, expect, it } from 'vitest';
import { hitChance, type Shot } from '@/core/motion/chance';
import { releaseOf } from '@/core/motion/release';
import { staysShare } from '@/core/motion/stays-in';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { chanceOf } from '@/core/forecast/chances';

const G = 9.80665;
const FRICTION = 0.4;

interface Box {
  readonly e: number;
  readonly wall: number;
  readonly floor: number;
  readonly widthM: number;
  readonly clearM: number;
}

/** Whether a point that comes in over the rim at x (the middle is 0) stays below it. */
function stays({ e, wall, floor, widthM, clearM }: Box, x0: number, vx0: number, vy0: number): boolean {
  const half = widthM / 2;
  let [x, y, vx, vy] = [x0, clearM, vx0, vy0];
  // Speed of the skin of the ball by its spin; positive turns it so that its lowest point moves to the right.
  let skin = 0;
  /** What friction gives: as much as stops the slip of a solid ball (2/7 of it), and no more than µ times the push. */
  const rub = (slip: number, push: number) => -Math.sign(slip) * Math.min(FRICTION * push, (2 / 7) * Math.abs(slip));
  for (let bounce = 0; bounce < 60; bounce += 1) {
    // When it meets the floor, the next wall, or the height of the rim again from below.
    const down = (vy + Math.sqrt(vy * vy + 2 * G * y)) / G;
    const side = vx > 0 ? (half - x) / vx : vx < 0 ? (-half - x) / vx : Infinity;
    const next = Math.min(down, side);
    const top = y + (vy > 0 ? (vy * vy) / (2 * G) : 0);
    if (y < clearM - 1e-9 && top > clearM && vy > 0) {
      const rises = (vy - Math.sqrt(vy * vy - 2 * G * (clearM - y))) / G;
      if (rises < next) {
        // Over the rim: it falls back in, or it has gone.
        const back = (vy + Math.sqrt(vy * vy - 2 * G * (clearM - y))) / G;
        const there = x + vx * back;
        if (Math.abs(there) > half) return false;
        [x, y, vy] = [there, clearM, vy - G * back];
        continue;
      }
    }
    [x, y, vy] = [x + vx * next, Math.max(0, y + vy * next - (G * next * next) / 2), vy - G * next];
    if (next === side) {
      const toRight = vx > 0 ? 1 : -1;
      const given = rub(vy + toRight * skin, (1 + e * wall) * Math.abs(vx));
      vy += given;
      skin += toRight * 2.5 * given;
      vx *= -e * wall;
    } else {
      const given = rub(vx + skin, (1 + e * floor) * Math.abs(vy));
      vx += given;
      skin += 2.5 * given;
      vy *= -e * floor;
    }
    if (y + (vy * vy) / (2 * G) < clearM && next === down) return true;
  }
  return true;
}

const R = 0.034;
const bounced = (box: Omit<Box, 'widthM'>, entryDeg: number, apexM: number): number => {
  let [kept, all] = [0, 0];
  for (const widthM of [0.28, 0.34, 0.4, 0.45, 0.52])
    for (const steeper of [-5, 0, 5])
      for (const higher of [0.85, 1, 1.15])
        for (let i = 0; i < 24; i += 1) {
          const room = widthM - 2 * R;
          const vy = -Math.sqrt(2 * G * apexM * higher);
          const vx = -vy / Math.tan(((entryDeg + steeper) * Math.PI) / 180);
          if (stays({ ...box, widthM: room }, (room * (2 * i + 1)) / 48 - room / 2, vx, vy)) kept += 1;
          all += 1;
        }
  return kept / all;
};

describe('what stays in', () => {
  // Shares of the ball's bounce that walls and floor keep, as the table of assumed figures says them.
  const made = {
    plastic: { wall: 0.57, floor: 0.85 },
    pail: { wall: 0.54, floor: 0.85 },
    cardboard: { wall: 0.34, floor: 0.6 },
    wicker: { wall: 0.27, floor: 0.5 },
  } as const;
  it('agrees with a ball that bounces in a plane: in the mean within 5 points for each kind of basket, in two thirds within 20', () => {
    for (const [give, shares] of Object.entries(made) as [keyof typeof made, (typeof made)[keyof typeof made]][]) {
      let [sum, near, n] = [0, 0, 0];
      for (const e of [0.45, 0.6, 0.75])
        for (const clearM of [0.06, 0.15, 0.27, 0.57])
          for (const entryDeg of [30, 45, 60])
            for (const apexM of [0.4, 0.7, 1.1]) {
              const ours = staysShare({ give, restitution: e, radiusM: R, depthM: clearM + R, entryRad: (entryDeg * Math.PI) / 180, apexM });
              const theirs = bounced({ e, clearM, ...shares }, entryDeg, apexM);
              sum += ours - theirs;
              n += 1;
              if (Math.abs(ours - theirs) < 0.2) near += 1;
            }
      expect(Math.abs(sum / n), give).toBeLessThan(0.05);
      expect(near / n, give).toBeGreaterThan(0.66);
    }
  });
});

describe('facts of the trade for balls that bounce (common practice, no published source)', () => {
  const shot = (ball: ImplementId, target: AimedId, distanceM: number, ageYears: number): Shot => ({
    technique: 'underarm',
    release: releaseOf('underarm', { ageYears }),
    ball: IMPLEMENTS[ball],
    target: AIMED[target].shape as Shot['target'],
    give: AIMED[target].give!,
    distanceM,
    standM: 0,
    turnRad: 0,
  });
  it('nearer is easier for a tennis ball, into a basket, a box and a bucket, from half a metre to four', () => {
    for (const target of ['laundry-basket', 'box', 'bucket'] as const)
      for (const age of [5, 7, 9, 11])
        for (let distance = 0.5; distance <= 3.5; distance += 0.5)
          expect(hitChance(shot('tennis-ball', target, distance, age)), `${target} ${age} ${distance}`).toBeGreaterThan(
            hitChance(shot('tennis-ball', target, distance + 0.5, age)),
          );
  });
  it('nine in ten can be had with a foam ball into a laundry basket: from 0.8 m at six, 1 m at eight, 1.2 m at ten', () => {
    const foam = (distanceM: number, ageYears: number) =>
      chanceOf({ technique: 'underarm', implement: 'foam-ball', target: 'laundry-basket', distanceM, ageYears });
    expect(foam(0.8, 6)).toBeGreaterThan(0.9);
    expect(foam(1, 8)).toBeGreaterThan(0.9);
    expect(foam(1.2, 10)).toBeGreaterThan(0.9);
  });
});
