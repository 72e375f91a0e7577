import { describe, expect, it } from 'vitest';
import { doesItFit } from './does-it-fit';
import { alarmWords, scoresWords } from './fit-words';
import { chosenFit } from './held-out';
import type { ObservedHits } from './fit';

const near = { curve: {}, chance: (skill: number) => 1 / (1 + (skill / 1.6) ** 3), distanceM: 1.2 };
const far = { curve: {}, chance: (skill: number) => 1 / (1 + (skill / 0.8) ** 3), distanceM: 3 };
/** Twelve children, so many weeks, ten tries near and ten far a week, with the hits that are told. */
const reports = (weeks: number, hits: (week: number, child: number) => readonly [number, number]): ObservedHits[] =>
  Array.from({ length: weeks }, (_, week) =>
    Array.from({ length: 12 }, (__, child) => {
      const go = {};
      const [nearHits, farHits] = hits(week, child);
      return [
        { child: `${child}`, week, go, attempts: 10, hits: nearHits, ...near },
        { child: `${child}`, week, go, attempts: 10, hits: farHits, ...far },
      ];
    }),
  ).flat(2);
const look = (observed: readonly ObservedHits[]) => doesItFit(observed, chosenFit(observed));

describe('does the model fit', () => {
  it('says nothing parts where hits are as told, and gives told beside reported in every way', () => {
    // Of such tries a child like its age hits about 8 near and 3 or 4 far.
    const fits = look(reports(3, (week, child) => [child % 3 === 0 ? 9 : 8, (week + child) % 2 === 0 ? 3 : 4]));
    expect(fits.alarms).toEqual([]);
    expect(fits.tries).toBe(720);
    for (const rows of [fits.tenths, fits.byDistance, fits.byWeek, fits.byFamily]) {
      expect(rows.reduce((sum, one) => sum + one.tries, 0)).toBe(720);
      for (const row of rows) {
        expect(row.low).toBeLessThanOrEqual(row.seen);
        expect(row.high).toBeGreaterThanOrEqual(row.seen);
        expect(Math.abs(row.told - row.seen)).toBeLessThan(0.1);
      }
    }
    expect(fits.byWeek.map(({ week }) => week)).toEqual([0, 1, 2]);
    expect(scoresWords(fits)).toMatch(/480 tries/);
  });
  it('tells that far marks are hit more often than the model says, and that forecasts are bent where that told unseen weeks better', () => {
    const fits = look(reports(4, (_, child) => [child % 2 === 0 ? 6 : 7, child % 2 === 0 ? 6 : 5]));
    const [alarm] = fits.alarms;
    expect(alarm).toMatchObject({ kind: 'far', more: true, bent: true });
    expect(alarmWords(alarm!)).toBe(
      'From about 3.0 m on this class hits more often than the model says. Its forecasts are bent to what it reported, since weeks that had not been seen were told better so.',
    );
  });
  it('tells a class that gets steadier week by week', () => {
    const fits = look(reports(6, (week, child) => [Math.min(10, 6 + Math.floor(week / 2) + (child % 2)), Math.min(9, 2 + week)]));
    const trend = fits.alarms.find(({ kind }) => kind === 'trend');
    expect(trend).toBeDefined();
    expect(alarmWords(trend!)).toMatch(/^The class gets steadier by about \d+% a week\./);
  });
  it('says nothing of a handful of tries', () => {
    expect(look(reports(1, () => [0, 10]).slice(0, 6)).alarms).toEqual([]);
    const one = look(reports(1, () => [8, 3]));
    expect(one.scores).toBeNull();
    expect(scoresWords(one)).toMatch(/one week/);
    expect(scoresWords({ scores: null, tries: 0 })).toMatch(/nothing can be held/);
  });
});
