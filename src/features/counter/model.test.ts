import { describe, expect, it } from 'vitest';
import { compile } from '@/core/rules/playing/compile';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { nextMoves } from '@/core/rules/playing/next-moves';
import type { PlayEvent } from '@/core/rules/format/play';
import { replay } from '@/core/rules/playing/replay';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { clockText, framesAsked, howSeen, isCrowded, soFarOf, stageOf, triesAsked, undone } from './model';
import type { PlayInHand } from './use-play';

/** A go after these events, as the counter holds it. */
function inHand(game: Game, events: readonly PlayEvent[] = [], atWhistle = false) {
  const compiled = compile(resolveLevel(game, 0));
  if (!compiled.ok) throw new Error('the starter does not compile');
  const program = compiled.value;
  const { state } = replay(program, events, 'attempts');
  const moves = nextMoves(program, state);
  return { program, events, moves, atWhistle, result: measure(program, state), part: program.parts[moves.part]! } as unknown as PlayInHand;
}
const hits = (n: number): PlayEvent[] => Array.from({ length: n }, (_, index) => ({ do: 'attempt', t: 1000 * (index + 1), end: 'in' }));

describe('the clock', () => {
  it('shows the second that runs when it counts down, and the seconds that have gone when it counts up', () => {
    expect([80_000, 79_999, 61_000, 2, 0].map((ms) => clockText(ms, false))).toEqual(['1:20', '1:20', '1:01', '0:01', '0:00']);
    expect([0, 999, 1000, 61_500].map((ms) => clockText(ms, true))).toEqual(['0:00', '0:00', '0:01', '1:01']);
  });

  it('makes room where much is to be chosen', () => {
    expect(isCrowded(inHand(starter('harbour-lamps')).moves)).toBe(false);
    expect(isCrowded(inHand(starter('loch-frames')).moves)).toBe(true);
  });
});

describe('what ends a part', () => {
  it('is so many tries, where there are several', () => {
    expect(triesAsked({ stop: [{ if: [['attempts', '>=', 6]] }] } as never)).toBe(6);
    expect(triesAsked({ stop: [{ if: [['attempts', '>=', 1]] }] } as never)).toBeNull();
    expect(triesAsked({ stop: [{ if: [['n.hits', '>=', 6]] }] } as never)).toBeNull();
    expect(triesAsked({ stop: [] })).toBeNull();
  });

  it('is so many frames; ten where nothing is said', () => {
    expect(framesAsked({ stop: [{ if: [['n.frames', '>=', 5]] }] } as never)).toBe(5);
    expect(framesAsked({ stop: [] })).toBe(10);
  });
});

describe('what stands on the counter', () => {
  it('is the next try, or what is owed before it; a stop, and a part that waits to be started', () => {
    const lamps = starter('harbour-lamps');
    expect(stageOf(inHand(lamps))).toBe('try');
    expect(stageOf(inHand(lamps, [...hits(1), { do: 'pause', t: 2000 }]))).toBe('paused');
    const stages = new Set(STARTERS.map(({ game }) => stageOf(inHand(game))));
    expect(stages).toContain('gate');
    expect(stageOf({ moves: { waiting: { title: 'Frames' }, paused: true } as never, atWhistle: false })).toBe('waiting');
    expect(stageOf({ moves: { waiting: null, paused: false, owed: {} } as never, atWhistle: true })).toBe('try');
  });

  it('asks for what was seen in the way of the task; every way has a starter', () => {
    const ways = new Set(STARTERS.map(({ game }) => howSeen(inHand(game))));
    for (const way of ['checklist', 'felled', 'count', 'ends'] as const) expect(ways).toContain(way);
    const late = { atWhistle: true, aim: null, task: { see: 'ends' } };
    expect(howSeen({ moves: late as never, atWhistle: false })).toBe('at the end');
    expect(howSeen({ moves: late as never, atWhistle: true })).toBe('ends');
  });
});

describe('what has been made', () => {
  it('is the score with its unit', () => {
    const made = soFarOf(inHand(starter('harbour-lamps'), hits(2)));
    expect(made).toMatchObject({ is: 'score', unit: 'points' });
    expect((made as { value: number }).value).toBeGreaterThan(0);
  });

  it('is the sheet of frames where frames are played', () => {
    expect(soFarOf(inHand(starter('loch-frames')))).toMatchObject({ is: 'frames' });
  });

  it('is told of every starter before the first try, without a score that is none', () => {
    for (const { game } of STARTERS) {
      const made = soFarOf(inHand(game));
      if (made.is === 'score') expect(made.beside.every(({ value }) => value !== made.value)).toBe(true);
    }
  });
});

describe('undo', () => {
  it('names what it takes back, and is not there before the first tap', () => {
    const lamps = starter('harbour-lamps');
    expect(undone(inHand(lamps))).toBeNull();
    expect(undone(inHand(lamps, hits(1)))).toMatch(/^In/);
    expect(undone(inHand(lamps, [...hits(1), { do: 'pause', t: 2000 }]))).toBe('');
  });
});
