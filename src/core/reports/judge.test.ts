import { describe, expect, it } from 'vitest';
import { distancesOf } from '../course/geometry';
import { sensibleStart } from '../course/sensible-start';
import { childTables } from '../forecast/attempts';
import { rareInSteps, type KnownRarity } from '../forecast/rarity';
import { simulateGo } from '../forecast/simulate';
import { compile } from '../rules/playing/compile';
import { start } from '../rules/playing/engine';
import { REPORT_FORMAT } from '../rules/format/formats';
import { resolveLevel } from '../rules/format/level';
import { measure } from '../rules/playing/measure';
import type { PlayEvent } from '../rules/format/play';
import { reportFromFields, type Assigned } from './from-parts';
import { starter } from '../../../tests/examples/starters';
import { LONG } from '../../../tests/long';
import type { Game } from '../rules/format/game';
import { judge } from './judge';
import { eventsFromFields, partFields } from './parts';
import { readReport } from './read-report';
import type { Go, Report } from './report';

const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
const level = resolveLevel(game, 1);
const compiled = compile(level);
if (!compiled.ok) throw new Error('does not compile');
const program = compiled.value;
const tables = childTables(program, { ageYears: 8 });

function played(play: number): Report {
  const state = start(program);
  const events: PlayEvent[] = [];
  simulateGo(program, tables, state, 11, play, { fetchMs: 0, exerciseMs: 0 }, events);
  const setUp = { implement: 'sock-ball', targets: ['box'], distancesM: [...distancesOf(level)] } as const;
  const go: Go = {
    level: 'level-2',
    counting: 'attempts',
    hand: 'right',
    otherHand: false,
    form: 'standing',
    setUp,
    events,
    total: measure(program, state).value,
    unit: 'points',
  };
  return { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' };
}
const reportFromParts = (assigned: Assigned, hits: readonly number[], total: number, at: Date) =>
  reportFromFields(assigned, level, hits, total, 'points', at);
const mutated = (report: Report, change: (go: Go) => Partial<Go>): Report => ({
  ...report,
  goes: report.goes.map((go) => ({ ...go, ...change(go) })),
});

describe('judging a report', () => {
  it('finds hundreds of honest plays clean, and each wrong one wrong in its own way', () => {
    for (let play = 0; play < (LONG ? 1000 : 200); play += 1) {
      const report = played(play);
      expect(readReport(report).ok).toBe(true);
      expect(judge({ game, report }).kind).toBe('clean');
      expect(judge({ game, report: mutated(report, (go) => ({ total: go.total! + 1 + (play % 7) })) }).kind).toBe('sum');
      const late: PlayEvent = { do: 'attempt', t: 200_000, end: 'in' };
      expect(judge({ game, report: mutated(report, (go) => ({ events: [...go.events, late] })) }).kind).toBe('impossible');
    }
  });
  it('shows the right working when the sum is wrong', () => {
    const report = reportFromParts(
      { game, levelId: 'level-2', setUp: { ...played(1).goes[0]!.setUp, form: 'standing' } },
      [4, 3, 0],
      99,
      new Date(0),
    );
    const values = program.parts[0]!.groups[0]!.values;
    expect(judge({ game, report })).toMatchObject({ kind: 'sum', reasons: [{ go: 0, place: '/goes/0/total' }] });
    expect(judge({ game, report }).reasons[0]!.sentence).toBe(
      `It says 99 points; worked out it is 4 × ${values[0]} + 3 × ${values[1]} = ${4 * values[0]! + 3 * values[1]!}.`,
    );
  });
  it('takes parts typed from paper as clean when they add up', () => {
    const values = program.parts[0]!.groups[0]!.values;
    const report = reportFromParts(
      { game, levelId: 'level-2', setUp: { ...played(1).goes[0]!.setUp, form: 'standing' } },
      [2, 0, 1],
      2 * values[0]! + values[2]!,
      new Date(),
    );
    expect(judge({ game, report })).toMatchObject({ kind: 'clean', goes: [{ result: { successes: 3 } }] });
  });
  it('doubts, kindly, what is faster than anybody can throw and fetch', () => {
    const events: PlayEvent[] = Array.from({ length: 20 }, (_, n) => ({ do: 'attempt', t: 200 * n, end: 'in' }));
    const total = 20 * program.parts[0]!.groups[0]!.values[0]!;
    const verdict = judge({ game, report: mutated(played(1), () => ({ events: [...events, { do: 'finish', t: 4000, why: 'stopped' }], total })) });
    expect(verdict.kind).toBe('doubtful');
    expect(verdict.reasons[0]!.sentence).toContain('20 throws in 4 seconds');
  });
  it('calls a report of an unknown level incomplete, and takes a bare total that can be', () => {
    expect(judge({ game, report: mutated(played(1), () => ({ level: 'level-9' })) }).kind).toBe('incomplete');
    expect(judge({ game, report: mutated(played(1), () => ({ events: [], counting: 'parts', total: 2 })) }).kind).toBe('clean');
  });
  it('knows no throw before the exercise that was owed', () => {
    const verdict = judge({
      game,
      report: mutated(played(1), () => ({
        events: [
          { do: 'attempt', t: 2000, end: 'miss' },
          { do: 'attempt', t: 5000, end: 'in' },
        ],
      })),
    });
    expect(verdict).toMatchObject({ kind: 'impossible', reasons: [{ place: '/goes/0/events/1' }, {}] });
  });
});

describe('judging every kind of rule', () => {
  const verdictOf = (id: string, change: Partial<Go>, sent: Game = starter(id)) => {
    const at = resolveLevel(sent, 1);
    const go: Go = {
      level: sent.levels[1]!.id,
      counting: 'parts',
      hand: 'either',
      otherHand: false,
      form: 'standing',
      setUp: { implement: sent.kit.implement, targets: [], distancesM: [...distancesOf(at)] },
      events: [],
      total: 0,
      unit: sent.parts[0]!.measure.unit,
      ...change,
    };
    return judge({
      game: sent,
      report: { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' },
    });
  };
  const typed = (id: string, numbers: readonly (number | null)[]) => {
    const at = resolveLevel(starter(id), 1);
    return eventsFromFields(at, partFields(at), numbers);
  };
  it('more hits than tries cannot be, where the tries are known', () => {
    const verdict = verdictOf('catch-the-ferry', { events: typed('catch-the-ferry', [9]), total: 9 });
    expect(verdict).toMatchObject({ kind: 'impossible', reasons: [{ sentence: '9 hits in 8 tries cannot be.' }] });
  });
  it('a second ball cannot fell more pins than are left', () => {
    const events: PlayEvent[] = [
      { do: 'attempt', t: 1000, count: 4 },
      { do: 'attempt', t: 4000, count: 5 },
      { do: 'finish', t: 9000, why: 'stopped' },
    ];
    const verdict = verdictOf('loch-frames', { events, counting: 'attempts', total: null });
    expect(verdict).toMatchObject({ kind: 'impossible', reasons: [{ place: '/goes/0/events/1' }] });
    expect(verdict.reasons[0]!.sentence).toContain('a ball felled 5, more than were standing');
  });
  it('a bonus left out of a frames sheet is a wrong sum, shown with the right one', () => {
    const frames = [6, null, 3, 3, ...Array.from({ length: 8 }, () => [2, 2]).flat()];
    const verdict = verdictOf('loch-frames', { events: typed('loch-frames', frames), total: 6 + 6 + 32 });
    // 6 and the next two (6), then 6 and the next one (2), then eight frames of 4.
    expect(verdict).toMatchObject({ kind: 'sum', goes: [{ result: { value: 12 + 8 + 32 } }] });
  });
  it('rounds and extras typed at the end are worked out', () => {
    const verdict = verdictOf('round-the-buoys', { events: typed('round-the-buoys', [4, 3]), total: 18 });
    expect(verdict.reasons[0]!.sentence).toBe('It says 18 goals; worked out it is 4 full rounds × 4 = 16, and 3 extra goals = 19.');
  });
  it('a total alone that cannot be is impossible, one that can be is clean', () => {
    expect(verdictOf('harbour-mouth', { total: 7 })).toMatchObject({
      kind: 'impossible',
      reasons: [{ sentence: '7 marks cannot be: the most is 6.' }],
    });
    expect(verdictOf('harbour-mouth', { total: 6 }).kind).toBe('clean');
    expect(verdictOf('ferry-fares', { total: 1 }).reasons[0]!.sentence).toBe('1 point cannot be made from what this game gives.');
  });
  it('a time without a unit is incomplete, and a race that was stopped is not finished', () => {
    expect(verdictOf('oilskin-dash', { events: typed('oilskin-dash', [48]), total: 48, unit: '' })).toMatchObject({
      kind: 'incomplete',
      reasons: [{ place: '/goes/0/unit', sentence: 'The score has no unit; this game counts seconds.' }],
    });
    expect(verdictOf('oilskin-dash', { events: typed('oilskin-dash', [null]), total: null })).toMatchObject({
      kind: 'clean',
      goes: [{ result: { value: null } }],
    });
    expect(verdictOf('oilskin-dash', { events: typed('oilskin-dash', [null]), total: 30 }).kind).toBe('sum');
  });
  it('a set-up with one mark cannot give what only the far mark gives, and says so', () => {
    const one = { implement: 'sock-ball' as const, targets: [], distancesM: [1.5] };
    expect(verdictOf('ferry-fares', { total: 6, setUp: one }).kind).toBe('clean');
    expect(verdictOf('ferry-fares', { total: 7, setUp: one })).toMatchObject({
      kind: 'impossible',
      reasons: [{ place: '/goes/0/total', sentence: '7 points cannot be made from what this game gives with 1 mark set out.' }],
    });
    expect(verdictOf('ferry-fares', { total: 7 }).kind).toBe('clean');
  });
  it('a sheet for six pins when five were set up has no 180', () => {
    const five = { implement: 'playground-ball' as const, targets: Array<'small-bottle'>(5).fill('small-bottle'), distancesM: [2.5] };
    expect(verdictOf('loch-frames', { total: 160, setUp: five }).reasons[0]!.sentence).toBe(
      '160 points cannot be with 5 targets set out: the most is 150.',
    );
    expect(verdictOf('loch-frames', { total: 150, setUp: five }).kind).toBe('clean');
  });
  it('a total alone that nobody can throw in the time is doubted, not forbidden', () => {
    expect(verdictOf('ferry-fares', { total: 400 })).toMatchObject({ kind: 'doubtful', reasons: [{ place: '/goes/0/total' }] });
    expect(verdictOf('ferry-fares', { total: 40 }).kind).toBe('clean');
  });
  it('more tries than the rules allow cannot be, whatever they measured', () => {
    const at = resolveLevel(starter('drop-anchor'), 1);
    const lengths = Array.from({ length: 7 }, (_, n): PlayEvent => ({ do: 'attempt', t: 3000 * (n + 1), lengthMm: 300 }));
    const events: PlayEvent[] = [...lengths, { do: 'finish', t: 30_000, why: 'stopped' }];
    expect(at.parts[0]!.stop[0]!.if[0]).toEqual(['attempts', '>=', 6]);
    expect(verdictOf('drop-anchor', { events, counting: 'successes', total: 300 }).reasons[0]!.sentence).toBe(
      '7 tries were counted; there are only 6.',
    );
  });
  it('a go that does not say from how far it was played is incomplete', () => {
    expect(verdictOf('heron-strike', { total: 3, setUp: { implement: 'sock-ball', targets: [], distancesM: [] } })).toMatchObject({
      kind: 'incomplete',
      reasons: [{ place: '/goes/0/setUp/distancesM' }],
    });
  });
  it('counts every go of a session by its own level', () => {
    const sent = starter('heron-strike');
    const one = verdictOf('heron-strike', { total: 3 });
    const both = judge({
      game: sent,
      report: {
        format: REPORT_FORMAT,
        goes: ['level-1', 'level-3'].map((level) => ({
          level,
          counting: 'parts' as const,
          hand: 'either' as const,
          otherHand: false,
          form: 'standing' as const,
          setUp: { implement: 'sock-ball' as const, targets: [], distancesM: [2] },
          events: [],
          total: 4,
          unit: 'hits',
        })),
        startedAt: '2027-03-01T16:00:00.000Z',
        sentAt: '2027-03-01T16:05:00.000Z',
      },
    });
    expect(one.goes).toHaveLength(1);
    expect(both).toMatchObject({ kind: 'clean', goes: [{ result: { value: 4 } }, { result: { value: 4 } }] });
  });
  it('doubts a score that children of a calibrated class hardly ever make, and none before there are 36 attempts', () => {
    const sent = starter('ferry-fares');
    const level_ = resolveLevel(sent, 1);
    const ask = { ageYears: 8, classSkill: 1, attempts: 60, seed: 3 };
    const known: KnownRarity = { commonTo: null, rareFrom: null };
    const steps = (score: number, attempts = 60) => {
      let n = 0;
      const going = rareInSteps(level_, { ...ask, attempts }, score, known);
      for (let step = going.next(); ; step = going.next(), n += 1) if (step.done) return { rare: step.value, steps: n };
    };
    expect(steps(1)).toEqual({ rare: false, steps: 0 });
    expect(steps(400, 20)).toEqual({ rare: false, steps: 0 });
    expect(steps(400)).toMatchObject({ rare: true, steps: 80 });
    // What is as good as a rare score is rare without another play.
    expect(steps(401)).toEqual({ rare: true, steps: 0 });
    expect(known).toEqual({ commonTo: 1, rareFrom: 400 });
    const rare = (score: number) => steps(score).rare;
    const events = typed('ferry-fares', [0, 0, 40]);
    const go: Go = { ...played(1).goes[0]!, level: sent.levels[1]!.id, counting: 'parts', events, total: 200, unit: 'points' };
    const report: Report = { ...played(1), goes: [go] };
    expect(judge({ game: sent, report, isRare: (_, result) => rare(result.value!) })).toMatchObject({
      kind: 'doubtful',
      reasons: [{ place: '/goes/0/total' }],
    });
    expect(judge({ game: sent, report }).kind).toBe('clean');
  });
});
