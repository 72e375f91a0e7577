import { describe, expect, it } from 'vitest';
import type { Uuid } from '@/contract/ids';
import type { ClassToday, LastFit, WeekOut } from '@/contract/today';
import { doLines, dueWords, lookLine, nextLine, plannedLine, reportedWords, steps, whyWords } from './model';

const TODAY = '2027-03-10';
const id = (n: number) => `00000000-0000-7000-8000-00000000000${n}` as Uuid;

const week = (change: Partial<WeekOut> = {}): WeekOut => ({
  weekId: id(2),
  number: 6,
  title: 'Lantern Quay',
  level: 'Wade',
  sentOn: '2027-03-08',
  dueOn: '2027-03-14',
  takenBack: false,
  sentTo: 24,
  reported: 11,
  byDay: [2, 8, 11],
  usual: [0.1, 0.3, 0.5, 0.6, 0.7, 0.75, 0.8],
  ...change,
});
const fit = (change: Partial<LastFit> = {}): LastFit => ({
  weekNumber: 5,
  title: 'Ferry Fares',
  gameId: id(3),
  levelId: 'level-2',
  level: 'Wade',
  easier: { id: 'level-1', name: 'Paddle' },
  harder: { id: 'level-3', name: 'Swim' },
  fit: { by: 'par', fit: 'too-easy', reached: 17, of: 20, low: 0.7, high: 0.9 },
  ...change,
});
const of = (change: Partial<ClassToday> = {}): ClassToday => ({
  id: id(1),
  name: 'P6 Ospreys',
  children: 24,
  week: week(),
  alsoOut: 0,
  doubts: 0,
  waiting: 0,
  last: null,
  planned: null,
  unlinked: 0,
  ...change,
});
const words = (change: Partial<ClassToday>) => doLines(of(change), TODAY).map((line) => line.words);

describe('a class on the first page', () => {
  it('says who has reported against what is usual by that day, and when it is due', () => {
    expect(reportedWords(week())).toBe('11 of 24 · usually 12 by now');
    expect(reportedWords(week({ usual: null }))).toBe('11 of 24');
    expect(['2027-03-10', '2027-03-11', '2027-03-14', '2027-03-17', '2027-03-07'].map((dueOn) => dueWords(week({ dueOn }), TODAY))).toEqual([
      'due today',
      'due tomorrow',
      'due Sun',
      'due Wed 17 Mar',
      'was due Sun 7 Mar',
    ]);
    expect(dueWords(week({ takenBack: true }), TODAY)).toBe('taken back');
  });
  it('leads to what waits to be looked at', () => {
    expect(lookLine(of())).toBeNull();
    expect(lookLine(of({ doubts: 1 }))?.words).toBe('1 report');
    expect(lookLine(of({ doubts: 3, waiting: 1 }))).toEqual({ words: '3 reports, 1 unclaimed', href: `/scores/doubts?class=${id(1)}` });
  });
  it('says what last week says for the next: the level beside, the same again, or another lever at the end of the levels', () => {
    const easy = fit();
    expect(nextLine(of({ last: easy }))).toEqual({
      words: 'Too easy: Swim next',
      href: `/weeks/new?class=${id(1)}&game=${id(3)}&level=level-3`,
    });
    expect(nextLine(of({ last: fit({ fit: { ...easy.fit, fit: 'too-hard' } }) }))?.words).toBe('Too hard: Paddle next');
    expect(nextLine(of({ last: fit({ fit: { ...easy.fit, fit: 'right' } }) }))?.words).toBe('Wade fits: once more');
    expect(nextLine(of({ last: fit({ harder: null }) }))).toEqual({
      words: 'Too easy: make it harder',
      href: `/games/${id(3)}?class=${id(1)}&level=level-2&mend=harder`,
    });
    expect(whyWords(easy)).toBe('Ferry Fares: 17 of 20 reached par');
  });
  it('leads to what the plan has next, also where nothing is out', () => {
    const planned = { planId: id(4), week: 6, on: '2027-03-15', title: 'Kelp Kettle', level: 'Swim' };
    const href = `/plan?plan=${id(4)}&class=${id(1)}&week=7`;
    expect(plannedLine(of({ planned }))).toEqual({ words: 'Kelp Kettle, Swim', href });
    expect(plannedLine(of({ planned: { ...planned, title: 'Harbour day', level: '' } }))?.words).toBe('Harbour day');
    expect(plannedLine(of())).toBeNull();
    expect(doLines(of({ week: null, planned }), TODAY)).toEqual([{ words: 'Nothing is out: send what is planned', href, forTeachers: true }]);
  });
  it('reminds near the due day, and not before', () => {
    expect(words({})).toEqual([]);
    expect(words({ week: week({ dueOn: '2027-03-11' }) })).toEqual(['13 to come by tomorrow: remind']);
    expect(words({ week: week({ dueOn: TODAY }) })).toEqual(['13 to come today: remind']);
    expect(words({ week: week({ dueOn: TODAY, reported: 24 }) })).toEqual([]);
  });
  it('says what went wrong: silence where there is usually none, links that are missing, a week that was taken back', () => {
    expect(words({ week: week({ reported: 0, byDay: [0, 0, 0] }) })).toEqual(['No report yet, usually 12']);
    expect(words({ week: week({ reported: 0, byDay: [0, 0] }) })).toEqual([]);
    expect(words({ unlinked: 1 })).toEqual(['1 without link or paper']);
    expect(words({ week: week({ takenBack: true }) })).toEqual(['Week 6 was taken back', 'Nothing is out: build a week']);
  });
  it('never leaves a class without a next deed where nothing is out', () => {
    expect(words({ week: null })).toEqual(['Nothing is out: build a week']);
    expect(words({ week: week({ dueOn: '2027-03-08' }) })).toEqual(['Week 6 is over: 13 did not report', 'Nothing is out: build a week']);
    expect(words({ week: null, children: 0 })).toEqual(['No children in it yet']);
  });
});

describe('a new school', () => {
  const begun = (begin: { classes: number; classId: Uuid | null; children: number; games: number } | null) =>
    steps({ day: TODAY, classes: [], begin });
  it('is led by four steps, of which every one can be taken at once; they are gone with the first week', () => {
    const none = begun({ classes: 0, classId: null, children: 0, games: 0 });
    expect(none.map(({ done }) => done)).toEqual([false, false, false, false]);
    expect(none.every(({ href }) => href.startsWith('/'))).toBe(true);
    expect(begun({ classes: 1, classId: id(1), children: 0, games: 2 }).map(({ done, href }) => [done, href])).toEqual([
      [true, '/classes?new'],
      [false, `/classes/${id(1)}`],
      [true, '/games/new'],
      [false, '/weeks/new'],
    ]);
    expect(begun(null)).toEqual([]);
  });
});
