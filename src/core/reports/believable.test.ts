import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import type { Game } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import type { PlayEvent } from '../rules/format/play';
import { usedSetUpOf } from '../sheet/home-form';
import { goOf } from './from-parts';
import { judge, type Verdict } from './judge';
import { REPORT_FORMAT } from '../rules/format/formats';
import type { Go } from './report';

const level = (id: string): Game => {
  const game = resolveLevel(starter(id), 0);
  return { ...game, levels: [{ ...game.levels[0]!, set: {} }] };
};
const judged = (game: Game, go: Pick<Go, 'counting' | 'events' | 'total'>): Verdict =>
  judge({
    game,
    report: {
      format: REPORT_FORMAT,
      goes: [goOf({ game, levelId: game.levels[0]!.id, setUp: { ...usedSetUpOf(game), form: 'standing' } }, { hand: 'either', ...go })],
      startedAt: '2027-03-01T16:00:00.000Z',
      sentAt: '2027-03-01T16:05:00.000Z',
    },
  });
const totalOf = (id: string, total: number, game = level(id)) => judged(game, { counting: 'parts', events: [], total });
const body = ({ reasons }: Verdict) => reasons.filter(({ code }) => code === 'body').map(({ sentence }) => sentence);
const clock = (id: string, s: number): Game => {
  const game = level(id);
  return { ...game, parts: [{ ...game.parts[0]!, clock: { ...game.parts[0]!.clock, s } }] };
};

describe('what no body does', () => {
  it('5,000 taps in a minute are doubtful, 300 are not', () => {
    expect(body(totalOf('lily-pads', 5000, clock('lily-pads', 60)))).toEqual(['5000 in 60 seconds is more than anybody can tap: about 360 at most.']);
    expect(totalOf('lily-pads', 300, clock('lily-pads', 60)).kind).toBe('clean');
  });

  it('a dressed race of five stations in a second is doubtful, in half a minute it is not; younger legs are slower', () => {
    expect(body(totalOf('oilskin-dash', 1))[0]).toMatch(/^1 seconds is faster than anybody can do it: about \d+ at least\.$/);
    expect(totalOf('oilskin-dash', 30).kind).toBe('clean');
    const least = (ageYears: number) => {
      const dash = { ...level('oilskin-dash'), ageYears };
      return Array.from({ length: 40 }, (_, s) => s + 1).find((s) => body(totalOf('oilskin-dash', s, dash)).length === 0)!;
    };
    expect(least(5)).toBeGreaterThanOrEqual(least(10));
    expect(least(5)).toBeGreaterThan(7);
  });

  it('a length beyond the floor is doubtful: 9,999 cm in a room of some metres', () => {
    expect(body(totalOf('drop-anchor', 9999))[0]).toMatch(/^100\.0 m is more than the floor has: about \d+\.\d m\.$/);
    expect(totalOf('drop-anchor', 400).kind).toBe('clean');
  });

  it('a word for two letters is doubtful, and so are five words in a second each', () => {
    const found = (words: readonly string[], everyMs: number): PlayEvent[] =>
      words.map((text, index) => ({ do: 'attempt', t: (index + 1) * everyMs, end: 'found', text }));
    const hunted = (words: readonly string[], everyMs = 20_000) =>
      body(judged(level('letter-tide'), { counting: 'attempts', events: found(words, everyMs), total: words.length }));
    expect(hunted(['tin', 'ink', 'dish', 'egg', 'sock'])).toEqual([]);
    expect(hunted(['sock', 'sock', 'sock', 'sock', 'sock'])).toEqual(['“sock” was written for more than one thing.']);
    expect(hunted(['tin', 'ink', 'dish', 'egg', 'sock'], 1000)[0]).toMatch(/^5 in 5 seconds is more than anybody can find and fetch/);
  });

  it('touches of a roll that is kept up come at most four a second', () => {
    const touches = (everyMs: number): PlayEvent[] => Array.from({ length: 40 }, (_, n) => ({ do: 'attempt', t: (n + 1) * everyMs, end: 'touch' }));
    const kept = (everyMs: number) =>
      body(judged(clock('leaping-fish', 8), { counting: 'attempts', events: touches(everyMs), total: Math.min(40, Math.floor(8000 / everyMs)) }));
    expect(kept(180)).toHaveLength(1);
    expect(kept(300)).toEqual([]);
  });

  it('fifty jumps ticked off in a second are doubtful', () => {
    const game = level('four-before-dusk');
    const events: PlayEvent[] = Array.from({ length: 6 }, (_, n): PlayEvent[] => [
      { do: 'gateDone', t: n * 2000 + 100, gate: 'hop' },
      { do: 'attempt', t: n * 2000 + 2000, end: 'miss' },
    ]).flat();
    expect(body(judged(game, { counting: 'attempts', events, total: 0 }))[0]).toMatch(/^30 exercises in \d+ seconds/);
  });
});
