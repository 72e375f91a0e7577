import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { IMPLEMENTS } from '../objects/catalogue';
import { passChance, rampChance, stopChance, type GroundShot } from './ground';
import { hitChance, type Shot } from './chance';
import { normalCdf, withinChance } from './normal';
import { releaseOf } from './release';

const shot = (ageYears: number, distanceM: number): GroundShot => ({
  technique: 'roll',
  thrower: { ageYears },
  ball: IMPLEMENTS['tennis-ball'],
  surface: 'hard',
  distanceM,
});
const age = fc.integer({ min: 4, max: 12 });
const distance = fc.double({ min: 0.5, max: 6, noNaN: true });
const half = fc.double({ min: 0.02, max: 1, noNaN: true });
const direction = fc.double({ min: -0.6, max: 0.6, noNaN: true });

describe('laws of the chances', () => {
  it('Φ grows, is its own mirror, and stays between 0 and 1', () => {
    fc.assert(
      fc.property(fc.double({ min: -9, max: 9, noNaN: true }), fc.double({ min: 0, max: 3, noNaN: true }), (z, more) => {
        expect(normalCdf(z)).toBeGreaterThanOrEqual(0);
        expect(normalCdf(z)).toBeLessThanOrEqual(1);
        expect(normalCdf(z + more)).toBeGreaterThanOrEqual(normalCdf(z) - 1e-9);
        expect(normalCdf(z) + normalCdf(-z)).toBeCloseTo(1, 6);
      }),
    );
    expect(normalCdf(NaN)).toBe(0);
    expect(withinChance(-1, 1)).toBe(0);
    expect(withinChance(1, 0)).toBe(1);
  });
  it('a wider gate is passed more often, and a nearer one', () => {
    fc.assert(
      fc.property(age, distance, half, fc.double({ min: 0.01, max: 0.5, noNaN: true }), (years, metres, width, more) => {
        expect(passChance(shot(years, metres), width + more)).toBeGreaterThanOrEqual(passChance(shot(years, metres), width) - 1e-9);
        expect(passChance(shot(years, metres), width)).toBeGreaterThanOrEqual(passChance(shot(years, metres + more), width) - 1e-9);
      }),
    );
  });
  it('what stands in the way takes chance away, twice the same thing no more than once, and all of it everything', () => {
    fc.assert(
      fc.property(age, distance, half, direction, direction, (years, metres, width, one, other) => {
        const barred = { from: Math.min(one, other), to: Math.max(one, other) };
        const open = passChance(shot(years, metres), width);
        const narrowed = passChance(shot(years, metres), width, [barred]);
        expect(narrowed).toBeLessThanOrEqual(open + 1e-9);
        expect(narrowed).toBeGreaterThanOrEqual(-1e-9);
        expect(passChance(shot(years, metres), width, [barred, barred])).toBeCloseTo(narrowed, 9);
        const middle = (barred.from + barred.to) / 2;
        const halves = [
          { from: middle, to: barred.to },
          { from: barred.from, to: middle },
        ];
        expect(passChance(shot(years, metres), width, halves)).toBeCloseTo(narrowed, 9);
        expect(passChance(shot(years, metres), width, [{ from: -9, to: 9 }])).toBeCloseTo(0, 9);
      }),
    );
  });
  it('a ball stops in a larger ring at least as often, and a deeper box behind a ramp is found at least as often', () => {
    fc.assert(
      fc.property(age, distance, half, fc.double({ min: 0.01, max: 0.5, noNaN: true }), (years, metres, width, more) => {
        // Both are sums over a few nodes.
        expect(stopChance(shot(years, metres), width + more)).toBeGreaterThanOrEqual(stopChance(shot(years, metres), width) - 1e-4);
        expect(rampChance(shot(years, metres), width, width + more)).toBeGreaterThanOrEqual(rampChance(shot(years, metres), width, width) - 1e-9);
      }),
    );
  });
  it('a chance of a throw is a chance, for every age, distance, turn and power', () => {
    fc.assert(
      fc.property(
        age,
        distance,
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (years, metres, turnRad, power) => {
          for (const technique of ['underarm', 'overarm', 'set-shot'] as const) {
            const thrown: Shot = {
              technique,
              release: releaseOf(technique, { ageYears: years }),
              ball: IMPLEMENTS['sock-ball'],
              target: { kind: 'opening', outline: 'rectangle', widthM: 0.6, depthM: 0.4, rimM: 0.3 },
              distanceM: metres,
              standM: 0,
              turnRad,
            };
            for (const one of [thrown, { ...thrown, power }, { ...thrown, target: { kind: 'upright', widthM: 0.1, heightM: 0.3 } as const, power }]) {
              const chance = hitChance(one);
              expect(chance).toBeGreaterThanOrEqual(0);
              expect(chance).toBeLessThanOrEqual(1);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
