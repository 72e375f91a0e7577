import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byDay, usualByDay } from './tide';

describe('how a week comes in', () => {
  it('counts who had reported by the end of each day', () => {
    expect(byDay([0, 0, 2, 3, 3], 5)).toEqual([2, 2, 3, 5, 5]);
    expect(byDay([], 0)).toEqual([0]);
  });
  it('is held against the median of earlier weeks, whatever the size of the class was', () => {
    const earlier = [
      { firstDays: [0, 1, 1, 4], sentTo: 10 },
      { firstDays: [1, 1, 2, 2, 3, 3], sentTo: 10 },
      { firstDays: [0, 0, 0, 0], sentTo: 20 },
    ];
    expect(usualByDay(earlier, 5)).toEqual([0.1, 0.2, 0.3, 0.3, 0.4]);
  });
  it('has no custom after one week, and none of a week that was sent to nobody', () => {
    expect(usualByDay([{ firstDays: [0], sentTo: 4 }], 3)).toBeNull();
    expect(
      usualByDay(
        [
          { firstDays: [0], sentTo: 4 },
          { firstDays: [], sentTo: 0 },
        ],
        3,
      ),
    ).toBeNull();
  });
  it('never falls from one day to the next, and is a share', () => {
    const week = fc.record({ firstDays: fc.array(fc.nat(12), { maxLength: 20 }), sentTo: fc.integer({ min: 20, max: 30 }) });
    fc.assert(
      fc.property(fc.array(week, { minLength: 2, maxLength: 9 }), fc.integer({ min: 1, max: 14 }), (earlier, days) => {
        const usual = usualByDay(earlier, days)!;
        expect(usual).toHaveLength(days);
        expect(usual.every((share, day) => share >= (usual[day - 1] ?? 0) && share <= 1)).toBe(true);
      }),
    );
  });
});
