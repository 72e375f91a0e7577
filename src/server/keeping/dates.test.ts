import { describe, expect, it } from 'vitest';
import { daysGoesOn, leaverGoesOn, rawGoesOn, rawKeptSince, yearsLater } from './dates';

describe('the day on which something goes', () => {
  it('is the first after the next school year, for single tries', () => {
    expect(rawGoesOn('2026-11-28', 1)).toBe('2028-08-01');
    expect(rawGoesOn('2027-07-31', 1)).toBe('2028-08-01');
    expect(rawGoesOn('2027-08-01', 1)).toBe('2029-08-01');
    expect(rawGoesOn('2027-08-01', 0)).toBe('2028-08-01');
  });
  it('agrees with what is kept on that day and on the one before', () => {
    for (const day of ['2026-08-01', '2026-11-28', '2027-02-28', '2027-07-31'])
      for (const years of [0, 1, 3]) {
        const on = rawGoesOn(day, years);
        expect(rawKeptSince(on, years) > day).toBe(true);
        expect(rawKeptSince(`${Number(on.slice(0, 4))}-07-31`, years) > day).toBe(false);
      }
  });
  it('is the first after the school year in which a child left, and never sooner than 30 days after', () => {
    expect(leaverGoesOn('2026-10-01', 0)).toBe('2027-08-01');
    expect(leaverGoesOn('2027-08-01', 0)).toBe('2027-08-31');
    expect(leaverGoesOn('2027-07-20', 0)).toBe('2027-08-19');
    expect(leaverGoesOn('2026-10-01', 2)).toBe('2029-08-01');
  });
  it('is the one after the last of so many days, and a year later on the same day', () => {
    expect(daysGoesOn('2026-11-28', 90)).toBe('2027-02-27');
    expect(yearsLater('2026-11-28', 3)).toBe('2029-11-28');
    expect(yearsLater('2028-02-29', -3)).toBe('2025-03-01');
    expect(yearsLater('2028-02-29', 4)).toBe('2032-02-29');
  });
});
