import { describe, expect, it } from 'vitest';
import { successAt } from '../forecast/attempts';
import { drawUnit, PURPOSE } from '../random/draw';
import type { AimedId, ImplementId } from '../objects/catalogue';
import { GRAVITY } from './flight';
import { releaseOf } from './release';
import { staysShare } from './stays-in';
import { wallChance, type WallShot } from './wall';

describe('staying in', () => {
  it('a sock stays, foil and foam nearly always, a tennis ball less the steeper it comes into a low basket', () => {
    const of = (e: number, depthM: number, degrees: number) => staysShare(e, depthM, (degrees * Math.PI) / 180, 0.8, 0.035);
    expect(of(0.15, 0.3, 50)).toBe(1);
    expect(staysShare(0.3, 0.3, 0.9, 5, 0.035)).toBeCloseTo(0.92, 2);
    // From low above the rim it cannot bounce out at all: e²(H + d − r) < d − r.
    expect(of(0.3, 0.3, 50)).toBe(1);
    expect(of(0.5, 0.3, 50)).toBeCloseTo(0.87, 2);
    expect([35, 50, 65].map((entry) => Math.round(100 * of(0.73, 0.3, entry)))).toEqual([62, 9, 7]);
    expect(of(0.73, 0.6, 50)).toBeGreaterThan(of(0.73, 0.3, 50) + 0.5);
  });
});

describe('off a wall into a basket', () => {
  const shotOf = (change: Partial<WallShot> = {}): WallShot => ({
    release: releaseOf('overarm', { ageYears: 8 }),
    restitution: 0.5,
    radiusM: 0.035,
    wallM: 2.2,
    backM: 0.6,
    rimM: 0.3,
    halfAlongM: 0.225,
    halfAcrossM: 0.3,
    ...change,
  });
  it('agrees with a million throws played out, within two points', () => {
    const shot = shotOf();
    // The meant speed is the one that the sums use: found here by the same search.
    const lands = (speed: number, angle: number): number | null => {
      const vx = speed * Math.cos(angle);
      const t = shot.wallM / vx;
      const drop = shot.release.heightM + speed * Math.sin(angle) * t - 0.5 * GRAVITY * t * t - shot.rimM;
      if (drop <= 0) return null;
      const vy = speed * Math.sin(angle) - GRAVITY * t;
      return (shot.restitution * vx * (vy + Math.sqrt(vy * vy + 2 * GRAVITY * drop))) / GRAVITY;
    };
    const meant = (32 * Math.PI) / 180;
    let slow = 1;
    let fast = shot.release.topSpeed;
    for (let i = 0; i < 40; i += 1) {
      const middle = (slow + fast) / 2;
      if ((lands(middle, meant) ?? 0) < shot.backM) slow = middle;
      else fast = middle;
    }
    let hits = 0;
    const throws = 1_000_000;
    for (let n = 0; n < throws; n += 1) {
      const pair = (salt: number) => {
        const radius = Math.sqrt(-2 * Math.log(1 - drawUnit(9, n, salt, PURPOSE.outcome)));
        const turn = 2 * Math.PI * drawUnit(9, n, salt + 1, PURPOSE.outcome);
        return [radius * Math.cos(turn), radius * Math.sin(turn)] as const;
      };
      const [a, b] = pair(0);
      const [c] = pair(2);
      const at = lands(slow * (1 + a * shot.release.speedShareSd), meant + b * shot.release.elevationSd);
      const aside = (shot.wallM + shot.backM) * c * shot.release.azimuthSd;
      if (at !== null && Math.abs(at - shot.backM) <= shot.halfAlongM && Math.abs(aside) <= shot.halfAcrossM) hits += 1;
    }
    expect(Math.abs(wallChance(shot) - hits / throws)).toBeLessThan(0.02);
  });
  it('rolled socks stay in a basket off a wall more often than tennis balls, by five points at three distances for ages 6, 8 and 10 (common practice, no published source)', () => {
    const chance = (implement: ImplementId, target: AimedId, distanceM: number, ageYears: number) => {
      const thing = { xM: distanceM, yM: 0, object: target, turnRad: 0, standM: 0 };
      const course = {
        floor: { widthM: 9, depthM: 3, surface: 'hard' as const },
        furniture: [],
        places: {},
        targets: { aim: [thing] },
        obstacles: [{ xM: distanceM + 0.5, yM: 0, object: 'wall' as const, turnRad: 0, standM: 0 }],
      };
      return successAt({ kit: { implement, marker: 'sock' }, course }, { id: 'try', technique: 'overarm', see: 'end' }, { xM: 0, yM: 0 }, thing, {
        ageYears,
      }).chance;
    };
    for (const age of [6, 8, 10])
      for (const distance of [1, 1.5, 2])
        expect(
          chance('sock-ball', 'laundry-basket', distance, age) - chance('tennis-ball', 'laundry-basket', distance, age),
          `${age} ${distance}`,
        ).toBeGreaterThan(0.05);
  });
});
