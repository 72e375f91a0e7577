import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import type { Spot } from '../rules/format/game';
import { distanceM } from './geometry';
import { countsOf, laidOutPattern, patternOf, patternSpots, PATTERNS } from './patterns';

const apart = (spots: readonly Spot[]) => spots.flatMap((one, index) => spots.slice(index + 1).map((other) => distanceM(one, other)));

describe('patterns', () => {
  it('pins of a triangle stand in rows of 1, 2, 3 … and each as far from its neighbours as was said', () => {
    const six = patternSpots('triangle', 6, 0.3);
    const rows = [...new Set(six.map((spot) => spot.xM.toFixed(3)))].map((x) => six.filter((spot) => spot.xM.toFixed(3) === x).length);
    expect(rows).toEqual([1, 2, 3]);
    expect(Math.min(...apart(six))).toBeCloseTo(0.3, 6);
    expect(apart(six).filter((length) => Math.abs(length - 0.3) < 1e-6)).toHaveLength(9);
  });
  it('ten pins make a diamond of 1-2-4-2-1 with the point to the player', () => {
    const ten = patternSpots('diamond', 10, 0.25);
    const rows = [...new Set(ten.map((spot) => spot.xM.toFixed(3)))].map((x) => ten.filter((spot) => spot.xM.toFixed(3) === x).length);
    expect(rows).toEqual([1, 2, 4, 2, 1]);
    expect(Math.min(...ten.map((spot) => spot.xM))).toBe(ten[0]!.xM);
  });
  it('a ring of five lies on one circle, evenly', () => {
    const five = patternSpots('ring', 5, 0.8);
    const radius = 0.4 / Math.sin(Math.PI / 5);
    const middle = { xM: five.reduce((sum, spot) => sum + spot.xM, 0) / 5, yM: five.reduce((sum, spot) => sum + spot.yM, 0) / 5 };
    for (const spot of five) expect(distanceM(spot, middle)).toBeCloseTo(radius, 6);
    five.forEach((spot, index) => expect(distanceM(spot, five[(index + 1) % 5]!)).toBeCloseTo(0.8, 6));
  });
  it('scattered things keep their distance', () =>
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 20 }), fc.double({ min: 0.1, max: 1, noNaN: true }), (n, spacing) => {
        expect(Math.min(...apart(patternSpots('scatter', n, spacing)))).toBeGreaterThan(spacing * 0.999);
      }),
    ));
  it('is recognised wherever it lies, however it is turned and spread, and laid out again where it was', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...PATTERNS.filter((kind) => kind !== 'single')),
        fc.integer({ min: 3, max: 12 }),
        fc.double({ min: 0.1, max: 1.5, noNaN: true }),
        fc.double({ min: -3.1, max: 3.1, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (kind, wanted, spacingM, turnRad, xM) => {
          const [least, most] = countsOf(kind);
          const n = Math.min(most, Math.max(least, wanted));
          const spots = laidOutPattern({ kind, n, spacingM, turnRad, middle: { xM, yM: 1 } });
          const found = patternOf(spots)!;
          expect(found, kind).not.toBeNull();
          laidOutPattern(found).forEach((spot, index) => expect(distanceM(spot, spots[index]!)).toBeLessThan(0.02));
        },
      ),
      { numRuns: 150 },
    ));
  it('lies freely when one thing is out of its place', () => {
    const spots = patternSpots('triangle', 6, 0.3);
    expect(patternOf(spots)).toMatchObject({ kind: 'triangle', n: 6 });
    expect(patternOf(spots.with(4, { xM: spots[4]!.xM + 0.1, yM: spots[4]!.yM }))).toBeNull();
  });
  it('of the starters: six pins 25 cm apart, and a ladder of ten places', () => {
    expect(patternOf(starter('loch-frames').course.targets['pin']!)).toMatchObject({ kind: 'triangle', n: 6 });
    expect(patternOf(starter('loch-frames').course.targets['pin']!)!.spacingM).toBeCloseTo(0.25, 2);
    expect(patternOf(starter('walk-the-shore').course.places['step']!)).toMatchObject({ kind: 'column', n: 10 });
  });
});
