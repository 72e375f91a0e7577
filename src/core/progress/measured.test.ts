import { describe, expect, it } from 'vitest';
import { curveOf, type AimedTry, type Tries } from './evidence';
import { measuredRows, withOthers, type MeasuredGo } from './measured';

const AIM: AimedTry = { technique: 'underarm', implement: 'sock-ball', target: 'bucket', form: 'standing', otherHand: false, ageYears: 8 };
const tries = (distanceM: number, n: number, hits: number, aim: AimedTry = AIM): Tries => ({
  aim,
  distanceM,
  tries: n,
  hits,
  family: 'throw',
  ...curveOf(() => 0.5),
});
const go = (child: number, of: readonly Tries[], week = 1): MeasuredGo => ({ child: `c${child}`, week, level: 'level-1', tries: of });
const class_ = (n: number, of: readonly Tries[], week = 1) => Array.from({ length: n }, (_, child) => go(child, of, week));

describe('what was measured', () => {
  it('is told in sums of at least ten children and sixty tries; smaller rows are not', () => {
    expect(measuredRows(class_(10, [tries(1.62, 6, 4), tries(2.4, 5, 1)]))).toEqual([
      { level: 'level-1', distanceM: 1.6, object: 'bucket', implement: 'sock-ball', ageYears: 8, children: 10, tries: 60, hits: 40, weeks: 1 },
    ]);
    expect(measuredRows(class_(9, [tries(1.6, 20, 10)]))).toEqual([]);
    // Ten goes of one child are one child.
    expect(measuredRows(Array.from({ length: 10 }, () => go(1, [tries(1.6, 10, 5)])))).toEqual([]);
  });

  it('counts weeks, keeps ages apart, and leaves out other forms of the body and the other hand', () => {
    const older = { ...AIM, ageYears: 10 };
    const rows = measuredRows([
      ...class_(12, [tries(1.6, 6, 3)]),
      ...class_(12, [tries(1.6, 6, 3)], 2),
      ...class_(11, [tries(1.6, 6, 5, older)]),
      ...class_(20, [tries(1.6, 6, 5, { ...AIM, form: 'seated' }), tries(1.6, 6, 5, { ...AIM, otherHand: true })]),
    ]);
    expect(rows.map(({ ageYears, tries: n, weeks }) => [ageYears, n, weeks])).toEqual([
      [8, 144, 2],
      [10, 66, 1],
    ]);
  });
});

describe('what others measured', () => {
  it('is weighed in beside the model, and less than what is one’s own: it moves the chance their way and not all of it', () => {
    expect(withOthers(0.5, [])).toBe(0.5);
    const few = withOthers(0.5, [{ chance: 0.5, tries: 60, hits: 48 }]);
    const many = withOthers(0.5, [{ chance: 0.5, tries: 6000, hits: 4800 }]);
    expect(few).toBeGreaterThan(0.55);
    expect(few).toBeLessThan(many);
    expect(many).toBeLessThan(0.8);
    expect(withOthers(0.5, [{ chance: 0.5, tries: 600, hits: 300 }])).toBeCloseTo(0.5, 6);
  });
});
