import { describe, expect, it } from 'vitest';
import { distancesOf } from '../course/geometry';
import { sensibleStart } from '../course/sensible-start';
import { placeChances } from '../forecast/chances';
import { playTables, simulateGo } from '../forecast/simulate';
import { compile } from '../rules/compile';
import { start } from '../rules/engine';
import { REPORT_FORMAT } from '../rules/formats';
import { resolveLevel } from '../rules/level';
import { measure } from '../rules/measure';
import type { PlayEvent } from '../rules/play';
import { reportFromParts } from './from-parts';
import { judge } from './judge';
import { readReport } from './read-report';
import type { Go, Report } from './report';

const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
const level = resolveLevel(game, 1);
const compiled = compile(level);
if (!compiled.ok) throw new Error('does not compile');
const program = compiled.value;
const tables = playTables(program, placeChances(level, { ageYears: 8 }), 8);

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
const mutated = (report: Report, change: (go: Go) => Partial<Go>): Report => ({
  ...report,
  goes: report.goes.map((go) => ({ ...go, ...change(go) })),
});

describe('judging a report', () => {
  it('finds a thousand honest plays clean, and each wrong one wrong in its own way', () => {
    for (let play = 0; play < 1000; play += 1) {
      const report = played(play);
      expect(readReport(report).ok).toBe(true);
      expect(judge(game, report).kind).toBe('clean');
      expect(
        judge(
          game,
          mutated(report, (go) => ({ total: go.total + 1 + (play % 7) })),
        ).kind,
      ).toBe('sum');
      const late: PlayEvent = { do: 'attempt', t: 200_000, end: 'in' };
      expect(
        judge(
          game,
          mutated(report, (go) => ({ events: [...go.events, late] })),
        ).kind,
      ).toBe('impossible');
    }
  });
  it('shows the right working when the sum is wrong', () => {
    const report = reportFromParts(
      { game, levelId: 'level-2', setUp: { ...played(1).goes[0]!.setUp, form: 'standing' } },
      [4, 3, 0],
      99,
      new Date(0),
    );
    const values = program.groups[0]!.values;
    expect(judge(game, report)).toMatchObject({ kind: 'sum', reasons: [{ go: 0, place: '/goes/0/total' }] });
    expect(judge(game, report).reasons[0]!.sentence).toBe(
      `It says 99 points; worked out it is 4 × ${values[0]} + 3 × ${values[1]} = ${4 * values[0]! + 3 * values[1]!}.`,
    );
  });
  it('takes parts typed from paper as clean when they add up', () => {
    const values = program.groups[0]!.values;
    const report = reportFromParts(
      { game, levelId: 'level-2', setUp: { ...played(1).goes[0]!.setUp, form: 'standing' } },
      [2, 0, 1],
      2 * values[0]! + values[2]!,
      new Date(),
    );
    expect(judge(game, report)).toMatchObject({ kind: 'clean', goes: [{ result: { successes: 3 } }] });
  });
  it('doubts, kindly, what is faster than anybody can throw and fetch', () => {
    const events: PlayEvent[] = Array.from({ length: 20 }, (_, n) => ({ do: 'attempt', t: 200 * n, end: 'in' }));
    const total = 20 * program.groups[0]!.values[0]!;
    const verdict = judge(
      game,
      mutated(played(1), () => ({ events: [...events, { do: 'finish', t: 4000, why: 'stopped' }], total })),
    );
    expect(verdict.kind).toBe('doubtful');
    expect(verdict.reasons[0]!.sentence).toContain('20 throws in 4 seconds');
  });
  it('calls a report of an unknown level or of a bare total incomplete', () => {
    expect(
      judge(
        game,
        mutated(played(1), () => ({ level: 'level-9' })),
      ).kind,
    ).toBe('incomplete');
    expect(
      judge(
        game,
        mutated(played(1), () => ({ events: [] })),
      ).kind,
    ).toBe('incomplete');
  });
  it('knows no throw before the exercise that was owed', () => {
    const verdict = judge(
      game,
      mutated(played(1), () => ({
        events: [
          { do: 'attempt', t: 2000, end: 'miss' },
          { do: 'attempt', t: 5000, end: 'in' },
        ],
      })),
    );
    expect(verdict).toMatchObject({ kind: 'impossible', reasons: [{ place: '/goes/0/events/1' }, {}] });
  });
});
