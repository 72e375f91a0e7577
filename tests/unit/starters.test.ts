import { describe, expect, it } from 'vitest';
import { distancesOf } from '@/core/course/geometry';
import { judge, type VerdictKind } from '@/core/reports/judge';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { readReport } from '@/core/reports/read-report';
import type { Go, Report } from '@/core/reports/report';
import { compile } from '@/core/rules/playing/compile';
import { AT, type Program } from '@/core/rules/playing/program';
import { start } from '@/core/rules/playing/engine';
import { advance, replay } from '@/core/rules/playing/replay';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { gapsOf } from '@/core/rules/gaps/gaps';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { nextMoves } from '@/core/rules/playing/next-moves';
import type { PlayEvent } from '@/core/rules/format/play';
import { randomPlay } from '@/core/rules/playing/random-play';
import { readGame } from '@/core/rules/format/read-game';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { canBe, reachableTotals } from '@/core/rules/playing/totals';
import { setUpFor } from '@/core/sheet/set-up';
import { STARTERS } from '../examples/starters';
import { LONG } from '../long';

/** `npm run drill:one` plays more. */
const PLAYS = LONG ? 1000 : 60;
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
const DUE: Readonly<Record<'wrong sum' | 'total that cannot be' | 'second ball higher than what was left' | 'after the end', VerdictKind>> = {
  'wrong sum': 'sum',
  'total that cannot be': 'impossible',
  'second ball higher than what was left': 'impossible',
  'after the end': 'impossible',
};

/**
 * One success more than the rules leave room for, typed into these fields: what is due, by the kind of game. Where the tries, the things
 * or the steps are numbered it cannot be; where only a clock bounds the throws it is doubted; a game that bounds neither is not here.
 */
const ONE_TOO_MANY: Readonly<Record<string, { readonly field: number; readonly n: number; readonly due: VerdictKind; readonly next?: number }>> = {
  'catch-the-ferry': { field: 0, n: 9, due: 'impossible' },
  'heron-strike': { field: 0, n: 7, due: 'impossible' },
  'stepping-stones': { field: 0, n: 13, due: 'impossible' },
  'regatta-day': { field: 0, n: 7, due: 'impossible' },
  'four-before-dusk': { field: 0, n: 5, due: 'impossible' },
  'letter-tide': { field: 0, n: 6, due: 'impossible' },
  'shore-list': { field: 0, n: 13, due: 'impossible' },
  'harbour-mouth': { field: 0, n: 7, due: 'impossible' },
  'harbour-stores': { field: 0, n: 15, due: 'impossible' },
  // With the extra strokes of the first hole, and with the rolls.
  'otters-errand': { field: 0, n: 8, due: 'impossible', next: 0 },
  'skittle-stair': { field: 0, n: 9, due: 'impossible', next: 25 },
  squall: { field: 0, n: 2, due: 'impossible' },
  'up-the-burn': { field: 0, n: 10, due: 'impossible' },
  'walk-the-shore': { field: 0, n: 11, due: 'impossible' },
  'ferry-fares': { field: 0, n: 63, due: 'doubtful' },
  'harbour-lamps': { field: 0, n: 67, due: 'doubtful' },
  'over-the-burn': { field: 0, n: 67, due: 'doubtful' },
};

/** Successes tapped and misses unknown: one success more than there are tries cannot be. */
const MORE_HITS_THAN_TRIES = ['catch-the-ferry', 'drop-anchor', 'heron-strike', 'regatta-day'];

/** Games of sets: a ball after the first cannot fell more than what it left. */
const SETS = ['all-ashore', 'clear-the-jetty', 'loch-frames', 'skittle-stair'];

/** The play with one ball, thrown when something lay already, that fells one more than stood; undefined where no such ball was thrown. */
function moreThanStood(program: Program, events: readonly PlayEvent[]): readonly PlayEvent[] | undefined {
  const state = start(program);
  for (const [index, event] of events.entries()) {
    const { standing, task } = nextMoves(program, state);
    const all = task.at === undefined ? 0 : program.parts[state[AT.part]!]!.part.groups[task.at]!.n;
    if (event.do === 'attempt' && task.see === 'felled' && standing.length < all) {
      const { felled: _felled, ...other } = event;
      return events.with(index, { ...other, count: standing.length + 1 });
    }
    advance(program, state, event);
  }
  return undefined;
}

/** Nothing but successes, one more than there are tries in the first part that counts them. */
function successesOnly(program: Program): readonly PlayEvent[] {
  const part = program.parts[0]!.part;
  const tries = Number(part.stop.find((stop) => stop.if[0]![0] === 'attempts')!.if[0]![2]);
  const success = part.stages[0]!.ends?.find((end) => end.as === 'success')?.id;
  return [
    ...Array.from({ length: tries + 1 }, (_, n): PlayEvent => ({
      do: 'attempt',
      t: 5000 * (n + 1),
      ...(success ? { end: success } : { lengthMm: 100 }),
    })),
    { do: 'finish', t: 5000 * (tries + 2), why: 'stopped' },
  ];
}

describe.each(STARTERS)('the starter game $id', ({ id, game }) => {
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
    let later = 0;
    for (let play = 0; play < PLAYS; play += 1) {
      const report = reportOf(game, program, play);
      const go = report.goes[0]!;
      const verdict = judge({ game, report, levels });
      expect(verdict, `play ${play}: ${JSON.stringify(verdict.reasons)}`).toMatchObject({ kind: 'clean' });
      ends.add(String(verdict.goes[0]!.result!.finished));
      if (go.total !== null) expect(canBe(totals, go.total), `${go.total} of ${game.title}`).toBe(true);
      expect(judge({ game, report: changed(report, () => ({ total: (go.total ?? 0) + 1 + (play % 5) })), levels }).kind).toBe(DUE['wrong sum']);
      const more = moreThanStood(program, go.events);
      if (more) {
        later += 1;
        expect(judge({ game, report: changed(report, () => ({ events: more })), levels }).kind).toBe(DUE['second ball higher than what was left']);
      }
      const last = go.events.at(-1)!;
      const late = { ...go.events.find((event) => event.do === 'attempt')!, t: last.t + 1 };
      expect(judge({ game, report: changed(report, () => ({ events: [...go.events, late] })), levels }).kind).toBe(DUE['after the end']);
    }
    expect(ends.size).toBeGreaterThan(0);
    expect(later > PLAYS / 4).toBe(SETS.includes(id));
    const [first] = totals.cannotBe;
    const never = totals.most !== null ? totals.most + 1 : first;
    if (never !== undefined) {
      const alone = changed(reportOf(game, program, 0), () => ({ events: [], counting: 'parts', total: never }));
      expect(judge({ game, report: alone }).kind).toBe(DUE['total that cannot be']);
    }
    expect(readReport(reportOf(game, program, 3))).toMatchObject({ ok: true });
  }, 300_000);

  it('is found wrong in the way that is due when more is typed than it has room for, and clean one below', () => {
    const tooMany = ONE_TOO_MANY[id];
    const level = resolveLevel(game, 1);
    const program = programOf(game, 1);
    const fields = partFields(level);
    const verdictOf = (n: number) => {
      const events = eventsFromFields(
        level,
        fields,
        fields.map((_, at) => (at === (tooMany?.field ?? 0) ? n : at === (tooMany?.field ?? 0) + 1 ? (tooMany?.next ?? null) : null)),
      );
      const { value, unit } = measure(program, replay(program, events, 'parts').state);
      return judge({ game, report: changed(reportOf(game, program, 0), () => ({ events, counting: 'parts', total: value, unit })) }).kind;
    };
    if (tooMany) expect([verdictOf(tooMany.n), verdictOf(tooMany.n - 1)]).toEqual([tooMany.due, 'clean']);
    else expect(fields[0]!.kind === 'row' ? reachableTotals(level).most : null).toBeNull();
  });
});

describe.each(STARTERS.filter(({ id }) => MORE_HITS_THAN_TRIES.includes(id)))('the starter game $id', ({ game }) => {
  it('has no more hits than tries when only successes were tapped', () => {
    const program = programOf(game, 1);
    const events = successesOnly(program);
    const { value, unit } = measure(program, replay(program, events, 'successes').state);
    const verdict = judge({ game, report: changed(reportOf(game, program, 0), () => ({ events, counting: 'successes', total: value, unit })) });
    expect(verdict).toMatchObject({ kind: 'impossible' });
    expect(verdict.reasons[0]!.sentence).toMatch(/^(\d+) hits in \d+ tries cannot be\.$|^(\d+) tries were counted; there are only \d+\.$/);
  });
});

describe('the shelf of starters', () => {
  it('has at least eighteen games, each with a name of its own', () => {
    expect(STARTERS.length).toBeGreaterThanOrEqual(18);
    expect(new Set(STARTERS.map((one) => one.game.title)).size).toBe(STARTERS.length);
  });
});
