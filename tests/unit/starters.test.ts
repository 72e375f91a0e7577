import { describe, expect, it } from 'vitest';
import { distancesOf } from '@/core/course/geometry';
import { judge, type VerdictKind } from '@/core/reports/judge';
import { readReport } from '@/core/reports/read-report';
import type { Go, Report } from '@/core/reports/report';
import { compile, type Program } from '@/core/rules/compile';
import { REPORT_FORMAT } from '@/core/rules/formats';
import { gapsOf } from '@/core/rules/gaps';
import type { Game } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { measure } from '@/core/rules/measure';
import { randomPlay } from '@/core/rules/random-play';
import { readGame } from '@/core/rules/read-game';
import { plainText, sentencesOf } from '@/core/rules/sentences';
import { canBe, reachableTotals } from '@/core/rules/totals';
import { setUpFor } from '@/core/sheet/set-up';
import { STARTERS } from '../examples/starters';

const PLAYS = 1000;
const SEED = 77;

function programOf(game: Game, level: number): Program {
  const compiled = compile(resolveLevel(game, level));
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return compiled.value;
}

function reportOf(game: Game, program: Program, play: number): Report {
  const { events, state } = randomPlay(program, SEED, play);
  const result = measure(program, state);
  const level = resolveLevel(game, 1);
  const go: Go = {
    level: game.levels[1]!.id,
    counting: 'attempts',
    hand: 'either',
    otherHand: false,
    form: 'standing',
    setUp: {
      implement: game.kit.implement,
      targets: Object.values(level.course.targets).flatMap((list) => list.map((target) => target.object)),
      distancesM: distancesOf(level),
    },
    events,
    total: result.value,
    unit: result.unit,
  };
  return { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' };
}

const changed = (report: Report, change: (go: Go) => Partial<Go>): Report => ({
  ...report,
  goes: report.goes.map((go) => ({ ...go, ...change(go) })),
});

/** What is due for each mutation of an honest play, said before it is looked at. A total that cannot be is judged by arithmetic alone. */
const DUE: Readonly<Record<'wrong sum' | 'total that cannot be' | 'after the end', VerdictKind>> = {
  'wrong sum': 'sum',
  'total that cannot be': 'impossible',
  'after the end': 'impossible',
};

describe.each(STARTERS)('the starter game $id', ({ game }) => {
  it('reads, has three levels, leaves nothing open and says its rules to grown-ups and children', () => {
    expect(readGame(game)).toMatchObject({ ok: true });
    expect(game.levels).toHaveLength(3);
    expect(gapsOf(game).map((gap) => `${gap.kind} ${gap.place}`)).toEqual([]);
    for (const audience of ['precise', 'child'] as const) {
      const said = sentencesOf(game, audience).map(plainText);
      expect(said.length).toBeGreaterThanOrEqual(3);
      for (const sentence of said) {
        expect(sentence).toMatch(/[.?:]$/);
        expect(sentence).not.toMatch(/\{|undefined|NaN| {2}| \./);
      }
    }
    const setUp = setUpFor(resolveLevel(game, 1), 0.5);
    expect(setUp.things.length).toBeGreaterThan(0);
    expect(setUp.cautions.length).toBeGreaterThanOrEqual(6);
  });

  it(`is found clean in ${PLAYS} plays drawn at random, and wrong in the way that is due when a play is spoiled`, () => {
    const program = programOf(game, 1);
    const totals = reachableTotals(resolveLevel(game, 1));
    const levels = new Map();
    const ends = new Set<string>();
    for (let play = 0; play < PLAYS; play += 1) {
      const report = reportOf(game, program, play);
      const go = report.goes[0]!;
      const verdict = judge(game, report, levels);
      expect(verdict, `play ${play}: ${JSON.stringify(verdict.reasons)}`).toMatchObject({ kind: 'clean' });
      ends.add(String(verdict.goes[0]!.result!.finished));
      if (go.total !== null) expect(canBe(totals, go.total), `${go.total} of ${game.title}`).toBe(true);
      expect(
        judge(
          game,
          changed(report, () => ({ total: (go.total ?? 0) + 1 + (play % 5) })),
          levels,
        ).kind,
      ).toBe(DUE['wrong sum']);
      const last = go.events.at(-1)!;
      const late = { ...go.events.find((event) => event.do === 'attempt')!, t: last.t + 1 };
      expect(
        judge(
          game,
          changed(report, () => ({ events: [...go.events, late] })),
          levels,
        ).kind,
      ).toBe(DUE['after the end']);
    }
    expect(ends.size).toBeGreaterThan(0);
    const [first] = totals.cannotBe;
    const never = totals.most !== null ? totals.most + 1 : first;
    if (never !== undefined) {
      const alone = changed(reportOf(game, program, 0), () => ({ events: [], counting: 'parts', total: never }));
      expect(judge(game, alone).kind).toBe(DUE['total that cannot be']);
    }
    expect(readReport(reportOf(game, program, 3))).toMatchObject({ ok: true });
  }, 300_000);
});

describe('the shelf of starters', () => {
  it('has at least eighteen games, each with a name of its own', () => {
    expect(STARTERS.length).toBeGreaterThanOrEqual(18);
    expect(new Set(STARTERS.map((one) => one.game.title)).size).toBe(STARTERS.length);
  });
});
