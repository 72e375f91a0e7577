import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { goOf } from '../reports/from-parts';
import { REPORT_FORMAT } from '../rules/format/formats';
import { levelById } from '../rules/format/level';
import { usedSetUpOf } from '../sheet/home-form';
import { observedIn, readClassFile, type ClassFile, type ReportInFile } from './class-file';
import { fitClass } from './fit';

const game = starter('harbour-lamps');
const level = levelById(game, game.levels[0]!.id);
const assigned = { game, levelId: game.levels[0]!.id, setUp: { ...usedSetUpOf(level), form: 'standing' as const } };

const reportOf = (id: string, child: string, total: number, tells = true): ReportInFile => ({
  id,
  child,
  ageYears: 8,
  version: 'v1',
  report: {
    format: REPORT_FORMAT,
    goes: [goOf(assigned, { counting: 'parts', hand: 'either', events: [], total })],
    startedAt: '2027-03-01T16:00:00.000Z',
    sentAt: '2027-03-01T16:05:00.000Z',
  },
  values: [total],
  tells,
});

const file: ClassFile = {
  format: 'lochside.class/1',
  games: { v1: game },
  reports: [reportOf('r1', 'a', 20), reportOf('r2', 'b', 24), reportOf('r3', 'b', 50, false)],
};

describe('a class as a file', () => {
  it('is read as it was written, and goes on when more stands in it than is asked for', () => {
    const again = JSON.parse(JSON.stringify({ ...file, goes: [{ any: 'row' }], made: '2027-03-01' })) as unknown;
    const read = readClassFile(again);
    expect(read.ok).toBe(true);
    if (read.ok) expect(read.value.reports).toEqual(file.reports);
  });

  it('tells of each child what can be and was not set aside', () => {
    const observed = observedIn(file);
    expect(observed.map(({ child }) => child)).toEqual(['a', 'b']);
    const all = observedIn({ ...file, reports: file.reports.map((one) => ({ ...one, tells: true })) });
    expect(all).toHaveLength(3);
    // The score that is left out would have made the child steadier.
    expect(fitClass(all).children.get('b')!.skill).toBeLessThan(fitClass(observed).children.get('b')!.skill);
  });

  it('that is wrong is told with each place, and never read in part', () => {
    const places = (input: unknown) => {
      const read = readClassFile(input);
      return read.ok ? [] : read.problems.map(({ place }) => place);
    };
    const first = file.reports[0]!;
    const with_ = (change: Record<string, unknown>) => ({ ...file, reports: [{ ...first, ...change }, ...file.reports.slice(1)] });
    expect(places({ ...file, format: 'lochside.class/9' })).toEqual(['/format']);
    expect(places(with_({ ageYears: 3 }))).toEqual(['/reports/0/ageYears']);
    expect(places(with_({ version: 'v7' }))).toEqual(['/reports/0/version']);
    expect(places(with_({ report: { ...first.report, goes: [] } }))).toEqual(['/reports/0/report/goes']);
    expect(places(with_({ values: ['twelve'] }))).toEqual(['/reports/0/values/0']);
    expect(places({ ...file, games: { v1: { ...game, parts: [] } } })[0]).toMatch(/^\/games\/v1\/parts/);
    for (const rubbish of [null, [], 'class', 7, {}]) expect(readClassFile(rubbish).ok).toBe(false);
  });
});
