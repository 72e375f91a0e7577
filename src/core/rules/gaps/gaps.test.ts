import { describe, expect, it } from 'vitest';
import { starter } from '../../../../tests/examples/starters';
import { told } from '../../../../tests/laws/told';
import { sensibleStart } from '../../course/sensible-start';
import type { GapKind } from './gap';
import { gapsOf } from './gaps';
import type { Game, Part, PlacedTarget } from '../format/game';
import { resolveLevel } from '../format/level';
import { readGame } from '../format/read-game';
import { readThrowRules, withThrowRules } from '../format/throw-rules';

const box = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
const withPart = (game: Game, change: (part: Part) => Partial<Part>): Game => ({
  ...game,
  parts: game.parts.map((part, index) => (index === 0 ? { ...part, ...change(part) } : part)),
});
const without = <T extends object>(of: T, key: keyof T): T => {
  const { [key]: _left, ...rest } = of;
  return rest as T;
};

const droppedFromPart = (game: Game, key: keyof Part): Game => ({
  ...game,
  parts: game.parts.map((part, index) => (index === 0 ? without(part, key) : part)),
});

const withTarget = (game: Game, change: Partial<PlacedTarget>): Game => ({
  ...game,
  course: {
    ...game.course,
    targets: Object.fromEntries(Object.entries(game.course.targets).map(([id, list]) => [id, list.map((one) => ({ ...one, ...change }))])),
  },
});

/** A game with one gap of each kind, and where the gap finder is to see it. */
const GAPPY: readonly { readonly kind: GapKind; readonly place: string; readonly game: Game }[] = [
  { kind: 'tipped', place: '/parts/0/stages/0/ends', game: withThrowRules(box, { ...readThrowRules(box)!, tipped: null }) },
  {
    kind: 'miss',
    place: '/parts/0/stages/0/ends',
    game: withPart(starter('heron-strike'), (part) => ({ rows: part.rows.slice(0, 1) })),
  },
  {
    kind: 'edge',
    place: '/parts/0/stages/0/flags',
    game: withPart(starter('harbour-stores'), (part) => ({
      stages: part.stages.map((task) => without(without(task, 'flags'), 'flagWords')),
      also: {},
    })),
  },
  {
    kind: 'two-at-once',
    place: '/parts/0/rows/0',
    game: withPart(starter('clear-the-jetty'), () => ({
      rows: [
        { if: [['felled', '>=', 1]], validity: 'counts', do: [{ do: 'add', counter: 'crates', amount: 1 }] },
        { if: [], validity: 'counts', do: [] },
      ],
    })),
  },
  { kind: 'tie', place: '/parts/0/measure/tie', game: withPart(starter('harbour-stores'), (part) => ({ measure: without(part.measure, 'tie') })) },
  {
    kind: 'hit-or-in',
    place: '/parts/0/stages/0/at',
    game: withTarget(starter('heron-strike'), { object: 'bucket' }),
  },
  { kind: 'stroke-cap', place: '/parts/0/stop', game: withPart(starter('otters-errand'), () => ({ stop: [] })) },
  {
    kind: 'bad-feed',
    place: '/parts/0/stages/0/ends',
    game: withPart(starter('catch-the-ferry'), (part) => ({
      stages: part.stages.map((task) => ({ ...task, ends: task.ends!.filter((end) => end.id !== 'bad-feed') })),
      rows: part.rows.filter((row) => row.validity !== 'again'),
    })),
  },
  { kind: 'not-finished', place: '/parts/0/unfinished', game: droppedFromPart(starter('otters-errand'), 'unfinished') },
  {
    kind: 'set-up-clock',
    place: '/parts/0/rows/0',
    game: withPart(starter('all-ashore'), (part) => ({
      gates: {},
      rows: part.rows.map((row) => ({ ...row, do: row.do.filter((effect) => effect.do !== 'owe') })),
    })),
  },
  {
    kind: 'said-twice',
    place: '/parts/0/stages/1/rows/3',
    game: withPart(starter('loch-frames'), ({ stages }) => ({
      stages: stages.with(1, { ...stages[1]!, rows: [...stages[1]!.rows!, stages[1]!.rows![0]!] }),
    })),
  },
  { kind: 'said-twice', place: '/parts/0/rows/2', game: withPart(starter('heron-strike'), (part) => ({ rows: [...part.rows, part.rows[0]!] })) },
  {
    kind: 'never-happens',
    place: '/parts/0/stop/1',
    game: withPart(starter('heron-strike'), (part) => ({ stop: [...part.stop, { if: [['left.reed', '=', 0]], why: 'all-out' }] })),
  },
  { kind: 'endless', place: '/parts/0/stop', game: withPart(starter('heron-strike'), () => ({ stop: [] })) },
  {
    kind: 'whose-turn',
    place: '/sides/turn',
    game: {
      ...withPart(starter('heron-strike'), (part) => ({ rows: part.rows.map((row) => ({ ...row, do: [...row.do, { do: 'turn' as const }] })) })),
      sides: { n: 2, turn: 'miss', lastTurnLevel: true },
    },
  },
  { kind: 'whose-turn', place: '/sides/turn', game: { ...starter('heron-strike'), sides: { n: 2, turn: 'said', lastTurnLevel: true } } },
  {
    kind: 'levers',
    place: '/levels/1/set',
    game: { ...box, levels: box.levels.map((level, index) => (index === 1 ? { ...level, set: { ...level.set, '/parts/0/clock/s': 45 } } : level)) },
  },
  {
    kind: 'no-time',
    place: '/parts/0/gates/hop/n',
    game: withPart(starter('four-before-dusk'), (part) => ({ gates: { hop: { ...part.gates['hop']!, n: 30 } } })),
  },
  {
    kind: 'luck',
    place: '/parts/0/measure',
    game: withPart(starter('toss-and-trot'), () => ({ measure: { of: { sum: { steps: 1 } }, unit: 'steps', better: 'high' } })),
  },
  {
    kind: 'in-flight',
    place: '/parts/0/clock/inFlight',
    game: withPart(starter('round-the-buoys'), (part) => ({ clock: without(part.clock, 'inFlight') })),
  },
  {
    kind: 'past-target',
    place: '/parts/0/stop/0',
    game: withPart(starter('harbour-stores'), (part) => ({ stop: [{ if: [['n.points', '=', 12]], why: 'target-score' }, part.stop[1]!] })),
  },
  {
    kind: 'equal-turns',
    place: '/sides/lastTurnLevel',
    game: { ...starter('harbour-stores'), sides: { n: 2, turn: 'attempt', score: 'own' } },
  },
  {
    kind: 'mixed-units',
    place: '/card/combine',
    game: {
      ...starter('stepping-stones'),
      parts: starter('stepping-stones').parts.map((part, index) =>
        index === 0 ? part : { ...part, measure: { of: 'clock', unit: 'seconds', better: 'low' } },
      ),
    },
  },
  { kind: 'who-calls', place: '/calls', game: without(starter('harbour-stores'), 'calls') },
  { kind: 'two-flags', place: '/parts/0/flagsTogether', game: droppedFromPart(starter('otters-errand'), 'flagsTogether') },
];

describe('the gap finder', () => {
  it.each(GAPPY)('asks about: $kind', ({ kind, place, game }) => {
    const gap = gapsOf(game).find((one) => one.kind === kind && one.place === place);
    expect(gap, JSON.stringify(gapsOf(game).map((one) => [one.kind, one.place]))).toBeDefined();
    expect(gap!.question).toMatch(/\?$/);
    expect(gap!.why.length).toBeGreaterThan(10);
    expect(gap!.mends.length).toBeGreaterThan(0);
  });
  it.each(GAPPY)('each mend of $kind gives a game that reads, with that gap closed', ({ kind, place, game }) => {
    const gap = gapsOf(game).find((one) => one.kind === kind && one.place === place)!;
    for (const mend of gap.mends) {
      expect(readGame(mend.game), mend.label).toMatchObject({ ok: true });
      const left = gapsOf(mend.game).filter((one) => one.kind === kind && one.place === place);
      expect(left, mend.label).toEqual([]);
    }
  });
  it.each(GAPPY)('each mend of $kind is told to the family', ({ kind, place, game }) => {
    const said = (one: Game) =>
      (['precise', 'child'] as const).map((audience) => told(resolveLevel(one, Math.min(1, one.levels.length - 1)), audience));
    const before = said(game);
    for (const mend of gapsOf(game).find((one) => one.kind === kind && one.place === place)!.mends)
      for (const [voice, words] of said(mend.game).entries()) {
        // Where nothing is said of it, what Lochside takes is told already.
        if (mend.label === 'Write “not finished”' && before[voice]!.includes('“not finished”')) continue;
        expect(words, mend.label).not.toBe(before[voice]);
      }
  });
  it('tells thirty star jumps and three throws in a minute that there is room for one or two tries (common practice, no published source)', () => {
    const game = withPart(starter('four-before-dusk'), (part) => ({
      gates: { hop: { ...part.gates['hop']!, n: 30 } },
      clock: { ...part.clock, s: 60 },
      stop: [{ if: [['n.boats', '>=', 3]], why: 'goal' }],
    }));
    const gap = gapsOf(game).find((one) => one.kind === 'no-time')!;
    expect(gap.question).toContain('about 1 try');
    expect(gap.mends.map((mend) => mend.label)).toEqual(['6 before every try', '210 seconds']);
  });
  it('leaves a game alone that says everything', () => expect(gapsOf(box)).toEqual([]));
});
