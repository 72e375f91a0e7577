/** Taking turns, each way against a sheet kept by hand. */
import { describe, expect, it } from 'vitest';
import { compile } from '@/core/rules/playing/compile';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { nextMoves } from '@/core/rules/playing/next-moves';
import type { PlayEvent } from '@/core/rules/format/play';
import { readGame } from '@/core/rules/format/read-game';
import { replay } from '@/core/rules/playing/replay';
import { starter } from '../examples/starters';

const turning = (id: string, turn: Game['sides']['turn'], change: Partial<Game['parts'][number]> = {}): Game => {
  const game = resolveLevel(starter(id), 0);
  return { ...game, sides: { n: 2, turn, score: 'own' }, parts: game.parts.map((part) => ({ ...part, ...change })) };
};

/** Whose turn each try was, what every player has in the end, and what was refused. */
function played(game: Game, events: readonly PlayEvent[]) {
  expect(readGame(game)).toMatchObject({ ok: true });
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const whose = events.flatMap((event, index) =>
    event.do === 'attempt' ? [nextMoves(compiled.value, replay(compiled.value, events.slice(0, index)).state).side] : [],
  );
  const { state, refused } = replay(compiled.value, events);
  return { whose: whose.join(''), refused, ...measure(compiled.value, state) };
}

const every = (s: number, tries: readonly Partial<Extract<PlayEvent, { do: 'attempt' }>>[]): PlayEvent[] =>
  tries.map((one, index) => ({ do: 'attempt', t: (index + 1) * s * 1000, ...one }) as PlayEvent);
const ends = (words: string) =>
  every(
    3,
    words.split(' ').map((end) => ({ end })),
  );
const balls = (...counts: readonly number[]) =>
  every(
    3,
    counts.map((count) => ({ count })),
  );

describe('taking turns', () => {
  it('by try: one each, whatever comes of it', () => {
    const result = played(turning('heron-strike', 'attempt', { goes: { n: 1, keep: 'best' } }), ends('hit miss hit hit miss hit'));
    expect(result).toMatchObject({ whose: '010101', sides: [2, 2], refused: [] });
  });

  it('after a miss: who hits plays on', () => {
    const result = played(turning('heron-strike', 'miss', { goes: { n: 1, keep: 'best' } }), ends('hit hit miss miss hit miss hit'));
    // A: hit, hit, miss. B: miss. A: hit, miss. B: hit.
    expect(result).toMatchObject({ whose: '0001001', sides: [3, 1], refused: [] });
  });

  it('as the rules say: a hit hands over the turn, and nobody takes it', () => {
    const game = turning('heron-strike', 'said', { goes: { n: 1, keep: 'best' } });
    const handing = {
      ...game,
      parts: game.parts.map((part) => ({
        ...part,
        rows: part.rows.map((row) => (row.if[0]?.[2] === 'hit' ? { ...row, do: [...row.do, { do: 'turn' as const }] } : row)),
      })),
    };
    const result = played(handing, [...ends('miss hit hit miss miss hit hit'), { do: 'swap', t: 30_000 }]);
    // A: miss, hit. B: hit. A: miss, miss, hit. B: hit.
    expect(result).toMatchObject({ whose: '0010001', sides: [2, 2], refused: [{ index: 7 }] });
  });

  /** Three frames in place of ten. */
  const threeFrames = (): Game => {
    const text = JSON.stringify(turning('loch-frames', 'frame'));
    return JSON.parse(text.replaceAll('["n.frame","<=",8]', '["n.frame","<=",1]').replaceAll('["n.frame",">=",10]', '["n.frame",">=",3]')) as Game;
  };

  it('by frame: spares and strikes count for their own player, and the last spare has its extra ball before the end', () => {
    const result = played(threeFrames(), balls(6, 3, 2, 4, 2, 6, 3, 1, 2, 4, 5));
    // A: strike 6 + 4 + 2 = 12, spare 6 + 3 = 9, then 4: 25. B: 5, strike 6 + 2 + 4 = 12, spare 6 + 5 = 11: 28.
    expect(result).toMatchObject({ whose: '01100100111', sides: [25, 28], finished: 'rounds', refused: [] });
  });

  it('by frame: a strike in the last frame has its two extra balls before the other plays on', () => {
    const result = played(threeFrames(), balls(1, 1, 2, 2, 1, 0, 0, 0, 6, 3, 2, 1, 2));
    // A: 2, 1, strike 6 + 3 + 2 = 11: 14. B: 4, 0, 3: 7.
    expect(result).toMatchObject({ whose: '0011001100011', sides: [14, 7], refused: [] });
  });

  it('at half-time: each has half of the clock, and plays it out', () => {
    const events: PlayEvent[] = [
      ...ends('goal goal miss'),
      { do: 'swap', t: 45_000 },
      { do: 'attempt', t: 50_000, end: 'goal' },
      { do: 'finish', t: 90_000, why: 'time' },
    ];
    expect(played(turning('round-the-buoys', 'half-time'), events)).toMatchObject({ whose: '0001', sides: [2, 1], refused: [] });
  });

  it('by part: each plays the whole of it, with a clock of their own', () => {
    const tries = played(
      turning('heron-strike', 'part', { goes: { n: 1, keep: 'best' } }),
      ends('hit miss hit miss miss miss miss hit hit hit miss miss'),
    );
    expect(tries).toMatchObject({ whose: '000000111111', sides: [2, 3], finished: 'attempts', refused: [] });
    const timed: PlayEvent[] = [
      ...ends('goal goal'),
      { do: 'finish', t: 90_000, why: 'time' },
      { do: 'attempt', t: 100_000, end: 'goal' },
      { do: 'attempt', t: 170_000, end: 'goal' },
      { do: 'attempt', t: 179_000, end: 'goal' },
      { do: 'finish', t: 180_000, why: 'time' },
    ];
    expect(played(turning('round-the-buoys', 'part'), timed)).toMatchObject({ whose: '00111', sides: [2, 3], finished: 'time', refused: [] });
  });
});
