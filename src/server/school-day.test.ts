import { describe, expect, it } from 'vitest';
import { dayPlus } from '@/core/measure/days';
import { dueMoment, linkLives, localeOf, schoolDay, schoolYearOf, termOf } from './school-day';

describe('the school’s day', () => {
  it('is the day in its own zone: late in the evening in London it is still Friday, in Auckland long Saturday', () => {
    const late = new Date('2027-03-05T22:30:00Z');
    expect(schoolDay(late, 'Europe/London')).toBe('2027-03-05');
    expect(schoolDay(late, 'Pacific/Auckland')).toBe('2027-03-06');
    expect(schoolDay(new Date('2027-03-06T01:00:00Z'), 'America/New_York')).toBe('2027-03-05');
  });
  it('ends at midnight there, also in the week of a clock change', () => {
    expect(dueMoment('2027-03-27', 'Europe/London').toISOString()).toBe('2027-03-27T23:59:59.999Z');
    expect(dueMoment('2027-03-28', 'Europe/London').toISOString()).toBe('2027-03-28T22:59:59.999Z');
  });
  it('days are counted without clocks: over a clock change, a leap day and a new year', () => {
    expect(dayPlus('2027-03-27', 2)).toBe('2027-03-29');
    expect(dayPlus('2028-02-28', 1)).toBe('2028-02-29');
    expect(dayPlus('2027-01-03', -7)).toBe('2026-12-27');
  });
  it('a link works to the end of the fourteenth day after the term, by the school’s clock', () => {
    expect(linkLives('2027-04-30', new Date('2027-05-14T22:30:00Z'), 'Europe/London')).toBe(true);
    expect(linkLives('2027-04-30', new Date('2027-05-14T23:30:00Z'), 'Europe/London')).toBe(false);
    expect(linkLives('2027-04-30', new Date('2027-05-15T03:30:00Z'), 'America/New_York')).toBe(true);
  });
  it('is written as in the school’s country', () => {
    expect(['Europe/London', 'Pacific/Auckland', 'America/New_York', 'America/Toronto'].map(localeOf)).toEqual(['en-GB', 'en-GB', 'en-US', 'en-GB']);
  });
  it('tells the school year and the term', () => {
    expect(schoolYearOf('2027-07-31').name).toBe('2026–27');
    expect(schoolYearOf('2027-08-01').name).toBe('2027–28');
    expect([termOf('2026-11-27').name, termOf('2027-02-01').name, termOf('2027-06-01').name]).toEqual(['Autumn term', 'Spring term', 'Summer term']);
  });
});
