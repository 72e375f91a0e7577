import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { levelById } from '../rules/format/level';
import { usedSetUpOf } from '../sheet/home-form';
import { NONE_COUNTED, reasonsAround, withCounted, withReasons, type Around } from './around';
import { answersTo, whatCounts } from './decision';
import { reportFromFields } from './from-parts';
import { judge } from './judge';

const game = starter('harbour-lamps');
const levelId = game.levels[0]!.id;
const level = levelById(game, levelId);
const setUp = { ...usedSetUpOf(level), form: 'standing' as const };
const scored = (total: number, change: Partial<typeof setUp> = {}) =>
  reportFromFields(
    { game, levelId, setUp: { ...setUp, ...change } },
    level,
    [],
    total,
    level.parts[0]!.measure.unit,
    new Date('2026-11-24T16:00:00Z'),
  );
const counted = (...values: number[]) => values.reduce(withCounted, NONE_COUNTED);

const around = (change: Partial<Around> = {}): Around => ({
  way: 'paper',
  byOldLink: false,
  assigned: setUp,
  levelId,
  forms: [],
  closedDays: null,
  version: null,
  before: NONE_COUNTED,
  same: null,
  ...change,
});
const codes = (report: ReturnType<typeof scored>, change: Partial<Around> = {}) =>
  reasonsAround(game, report, judge({ game, report }), around(change)).map(({ code }) => code);

describe('what stands around a report', () => {
  it('is nothing when it came in time, as it was sent, and is like the child', () => {
    expect(codes(scored(12), { before: counted(10, 12, 11, 13, 12) })).toEqual([]);
    const verdict = judge({ game, report: scored(12) });
    expect(withReasons(verdict, [])).toBe(verdict);
  });
  it('a week that had closed, and an older version of the game', () => {
    expect(codes(scored(12), { closedDays: 3, version: { played: 1, sent: 2 } })).toEqual(['version', 'closed']);
    expect(codes(scored(12), { version: { played: 2, sent: 2 } })).toEqual([]);
  });
  it('a link that had been replaced, first of all', () => {
    expect(codes(scored(12), { way: 'link', byOldLink: true, closedDays: 3 })).toEqual(['old-link', 'closed']);
  });
  it('nearer than sent by more than pacing may differ, but not when the home page chose it', () => {
    const nearer = scored(12, { distancesM: setUp.distancesM.map((length) => length - 0.5) });
    expect(codes(nearer)).toEqual(['nearer']);
    expect(codes(nearer, { way: 'link' })).toEqual([]);
    expect(codes(scored(12, { distancesM: setUp.distancesM.map((length) => length - 0.2) }))).toEqual([]);
  });
  it('another level than was sent', () => {
    const other = game.levels[1]!.id;
    const report = scored(12);
    expect(codes({ ...report, goes: report.goes.map((go) => ({ ...go, level: other })) })).toEqual(['level']);
  });
  it('the same scores by another way, but not by the same', () => {
    expect(codes(scored(12), { same: { way: 'link', on: 'Monday' } })).toEqual(['same-play']);
    expect(codes(scored(12))).toEqual([]);
  });
  it('far beyond the child’s own spread, once there are enough scores to know it', () => {
    expect(codes(scored(40), { before: counted(10, 12, 11) })).toEqual([]);
    expect(codes(scored(40), { before: counted(10, 12, 11, 13) })).toEqual(['beyond']);
    expect(codes(scored(18), { before: counted(10, 12, 11, 13) })).toEqual([]);
    expect(codes(scored(40), { before: counted(5, 40, 12, 33) })).toEqual([]);
  });
  it('what counted is summed up as the scores themselves would be', () => {
    const values = [5, 40, 12, 33, 33, 7];
    const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
    const { n, least, most, ...summed } = counted(...values);
    expect({ n, least, most }).toEqual({ n: 6, least: 5, most: 40 });
    expect(summed.mean).toBeCloseTo(mean, 10);
    expect(summed.squares).toBeCloseTo(
      values.reduce((sum, one) => sum + (one - mean) ** 2, 0),
      8,
    );
  });
  it('makes a clean report wait, and leaves a graver verdict as it is', () => {
    const clean = judge({ game, report: scored(12) });
    const reasons = reasonsAround(game, scored(12), clean, around({ closedDays: 0 }));
    expect(withReasons(clean, reasons).kind).toBe('doubtful');
    expect(withReasons({ ...clean, kind: 'sum' }, reasons).kind).toBe('sum');
  });
});

describe('the answers to a doubt', () => {
  const asked = { kind: 'sum', codes: ['sum'], workedOut: 23, sent: 24, unit: 'points' } as const;
  it('are two to four, and both figures where the sum is wrong', () => {
    expect(answersTo(asked).map(({ label }) => label)).toEqual([
      'Count 23 points, as worked out',
      'Keep 24 points, as sent',
      'Ask the family',
      'Set aside',
    ]);
  });
  it('never count what cannot be', () => {
    expect(answersTo({ ...asked, kind: 'impossible', codes: ['reach'] }).map(({ choice }) => choice)).toEqual(['ask-family', 'set-aside']);
  });
  it('of the same play are once or twice', () => {
    expect(answersTo({ ...asked, kind: 'doubtful', codes: ['same-play'], sent: 23 }).map(({ choice }) => choice)).toEqual([
      'set-aside',
      'count-worked-out',
    ]);
  });
  it('decide what counts: a clean score by itself, any other by what was said', () => {
    expect(whatCounts('clean', null, 23, 23)).toBe(23);
    expect(whatCounts('sum', null, 23, 24)).toBeNull();
    expect(whatCounts('sum', 'count-worked-out', 23, 24)).toBe(23);
    expect(whatCounts('sum', 'keep-as-sent', 23, 24)).toBe(24);
    expect(whatCounts('clean', 'set-aside', 23, 23)).toBeNull();
    expect(whatCounts('doubtful', 'ask-family', 23, 23)).toBeNull();
  });
});
