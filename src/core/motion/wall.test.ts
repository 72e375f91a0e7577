import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { successAt } from '../forecast/success';
import { drawUnit, PURPOSE } from '../random/draw';
import type { AimedId, ImplementId } from '../objects/catalogue';
import { GRAVITY } from './flight';
import { releaseOf } from './release';
import { GIVE } from './assumed';
import { staysShare, type InsideBall } from './stays-in';
import { wallChance, type WallShot } from './wall';

describe('staying in', () => {
  const DEGREE = Math.PI / 180;
  const ball = (change: Partial<InsideBall> = {}): InsideBall => ({
    give: 'plastic',
    restitution: 0.74,
    radiusM: 0.0335,
    depthM: 0.3,
    entryRad: 50 * DEGREE,
    apexM: 1,
    ...change,
  });
  it('a sock stays; a tennis ball leaves a shallow bowl, and stays in a deep bin', () => {
    expect(staysShare(ball({ restitution: 0.15, depthM: 0.1 }))).toBe(1);
    expect(staysShare(ball({ depthM: 0.1 }))).toBeLessThan(0.3);
    expect(staysShare(ball({ depthM: 0.6 }))).toBeGreaterThan(0.9);
  });
  it('none leaves when e²(H + d − r) < d − r, whatever the ball and whatever the basket is made of', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('plastic', 'pail', 'cardboard', 'wicker'),
        fc.record({ restitution: fc.double({ min: 0.1, max: 0.9, noNaN: true }), depthM: fc.double({ min: 0.12, max: 0.7, noNaN: true }) }),
        fc.record({ apexM: fc.double({ min: 0.05, max: 3, noNaN: true }), entryRad: fc.double({ min: 0.3, max: 1.5, noNaN: true }) }),
        (give, of, from) => {
          const one = ball({ give, ...of, ...from });
          const kept = one.restitution * GIVE[give].floor;
          const clear = one.depthM - one.radiusM;
          if (kept * kept * (one.apexM + clear) < clear) expect(staysShare(one)).toBe(1);
          else expect(staysShare(one)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it('what gives more keeps more: wicker, cardboard, then plastic and pails', () => {
    const [wicker, cardboard, plastic] = (['wicker', 'cardboard', 'plastic'] as const).map((give) => staysShare(ball({ give })));
    expect(wicker).toBeGreaterThanOrEqual(cardboard!);
    expect(cardboard).toBeGreaterThan(plastic!);
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
      // Sideways the wall keeps 65 in 100 of the speed, in the line of the throw as much as it bounces.
      const aside = (shot.wallM + (shot.backM * 0.65) / shot.restitution) * c * shot.release.azimuthSd;
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
