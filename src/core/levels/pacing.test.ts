import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { stepLengthM } from '../measure/stature';
import { chanceOf } from '../forecast/chances';
import { resolveLevel } from '../rules/format/level';
import { withLengths } from '../course/set-out';
import { pacingShift } from './pacing';

describe('pacing out', () => {
  const level = resolveLevel(starter('harbour-lamps'), 1);
  const at = (lengthM: number) =>
    withLengths(
      level,
      Object.values(level.course.places)[0]!.map((_, index) => ({ group: Object.keys(level.course.places)[0]!, index, lengthM })),
    );
  const child = { ageYears: 8 };
  const stepM = stepLengthM(8);
  it('says nothing of marks that stand on whole half steps', () => {
    expect(pacingShift(at(3 * stepM), child, stepM)).toBeNull();
  });
  it('tells the mark that is moved most, and its chance before and after', () => {
    const shift = pacingShift(at(2.24 * stepM), child, stepM);
    expect(shift?.pacedM).toBeCloseTo(2 * stepM, 9);
    expect(shift!.paced - shift!.meant).toBeGreaterThan(0.05);
  });
  it('a quarter of a step is worth more than five points into a bucket from near (worked with the chance alone)', () => {
    const of = (distanceM: number) => chanceOf({ technique: 'underarm', implement: 'sock-ball', target: 'bucket', distanceM, ageYears: 8 });
    expect(of(1.5) - of(1.5 + stepLengthM(8) / 4)).toBeGreaterThan(0.05);
  });
});
