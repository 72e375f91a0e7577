/** Laws of the engine that hold for every kind of rule, tried on random plays of every starter. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compile } from '@/core/rules/playing/compile';
import { AT, Phase, type Program } from '@/core/rules/playing/program';
import { start } from '@/core/rules/playing/engine';
import { reduce, replay, undo } from '@/core/rules/playing/replay';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { nextMoves } from '@/core/rules/playing/next-moves';
import type { PlayEvent } from '@/core/rules/format/play';
import { randomPlay } from '@/core/rules/playing/random-play';
import { starter, STARTERS } from '../examples/starters';

function programOf(game: Game): Program {
  const compiled = compile(resolveLevel(game, Math.min(1, game.levels.length - 1)));
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return compiled.value;
}
const programs = STARTERS.map(({ id, game }) => ({ id, program: programOf(game) }));
const playArb = fc.record({ which: fc.nat(programs.length - 1), number: fc.nat(100_000) });

describe('laws of the engine', () => {
  it('a play can be played again: the same events give the same state', () => {
    fc.assert(
      fc.property(playArb, ({ which, number }) => {
        const { program } = programs[which]!;
        const { events, state } = randomPlay(program, 5, number);
        const again = replay(program, events);
        expect(again.refused).toEqual([]);
        expect(again.state).toEqual(state);
      }),
    );
  });
  it('a beginning of a play is a play', () => {
    fc.assert(
      fc.property(playArb, fc.double({ min: 0, max: 1, noNaN: true }), ({ which, number }, share) => {
        const { program } = programs[which]!;
        const { events } = randomPlay(program, 6, number);
        const part = events.slice(0, Math.floor(share * events.length));
        expect(replay(program, part).refused).toEqual([]);
      }),
    );
  });
  it('undo takes back the last try, exercise or count, and nothing before it', () => {
    fc.assert(
      fc.property(playArb, ({ which, number }) => {
        const { program } = programs[which]!;
        const { events } = randomPlay(program, 7, number);
        const last = events.findLastIndex((event) => event.do === 'attempt' || event.do === 'gateDone');
        if (last < 0) return;
        const undone = replay(program, undo(events)).state;
        expect(undone).toEqual(replay(program, events.slice(0, last)).state);
      }),
    );
  });
  it('reduce leaves the state it was given, and a refused event changes nothing', () => {
    const anyEvent = fc.oneof(
      fc.record({ do: fc.constant('attempt' as const), t: fc.nat(90_000), end: fc.constantFrom('in', 'miss', 'goal', 'hit'), count: fc.nat(7) }),
      fc.record({ do: fc.constant('attempt' as const), t: fc.nat(90_000), felled: fc.uniqueArray(fc.nat(9), { maxLength: 5 }) }),
      fc.record({ do: fc.constantFrom('begin' as const, 'swap' as const, 'pause' as const, 'resume' as const), t: fc.nat(90_000) }),
      fc.record({ do: fc.constant('void' as const), t: fc.nat(90_000), why: fc.constant('the dog took it') }),
      fc.record({
        do: fc.constant('finish' as const),
        t: fc.nat(90_000),
        why: fc.constantFrom('time' as const, 'given-up' as const, 'stopped' as const),
      }),
      fc.record({ do: fc.constant('tally' as const), t: fc.nat(90_000), row: fc.nat(4), n: fc.nat(9) }),
    ) as fc.Arbitrary<PlayEvent>;
    fc.assert(
      fc.property(fc.nat(programs.length - 1), fc.array(anyEvent, { maxLength: 40 }), (which, events) => {
        const { program } = programs[which]!;
        let state = start(program);
        for (const event of [...events].sort((a, b) => a.t - b.t)) {
          const before = state.slice();
          const { state: after, refusal } = reduce(program, state, event);
          expect(state).toEqual(before);
          if (refusal) expect(after).toEqual(before);
          measure(program, after);
          nextMoves(program, after);
          state = after;
        }
      }),
      { numRuns: 400 },
    );
  });
  it('sums never fall unless an outcome takes points away', () => {
    const rising = programs.filter(({ program }) => {
      const effects = program.parts.flatMap((part) => [...part.part.rows.flatMap((row) => row.do), ...Object.values(part.part.also ?? {}).flat()]);
      const takes = effects.some(
        (effect) => (effect.do === 'add' && typeof effect.amount === 'number' && effect.amount < 0) || effect.do === 'set' || effect.do === 'keepMin',
      );
      return !takes && program.parts.every((part) => typeof part.part.measure.of !== 'string') && program.game.card.combine === 'sum';
    });
    expect(rising.length).toBeGreaterThan(8);
    fc.assert(
      fc.property(fc.nat(rising.length - 1), fc.nat(100_000), (which, number) => {
        const { program } = rising[which]!;
        let state = start(program);
        let last = 0;
        for (const event of randomPlay(program, 8, number).events) {
          state = reduce(program, state, event).state;
          const now = measure(program, state).parts.reduce(
            (sum, part) => sum + (part.part === 'main' ? 0 : (part.value ?? 0)),
            measure(program, state).value ?? 0,
          );
          if (program.parts.length === 1 && program.parts[0]!.goes === 1) {
            expect(now).toBeGreaterThanOrEqual(last);
            last = now;
          }
        }
      }),
    );
  });
  it('every random play comes to an end, and what may happen next is then nothing', () => {
    for (const { program } of programs)
      for (let number = 0; number < 40; number += 1) {
        const { state } = randomPlay(program, 9, number);
        expect(state[AT.phase]).toBe(Phase.finished);
        expect(nextMoves(program, state)).toMatchObject({ over: true, ends: [] });
      }
  });
});

describe('what few games use', () => {
  it('a gate of chance stays shut until it shows the face that passes', () => {
    const base = starter('heron-strike');
    const game: Game = {
      ...base,
      parts: base.parts.map((part) => ({
        ...part,
        gates: { luck: { kind: 'face', what: 'toss a coin', n: 1, onClock: true, before: 'attempt', faces: ['heads', 'tails'], passes: [0] } },
      })),
    };
    const program = programOf(game);
    const { state, refused } = replay(program, [
      { do: 'attempt', t: 1000, end: 'hit' },
      { do: 'gateDone', t: 2000, gate: 'luck', face: 1 },
      { do: 'attempt', t: 3000, end: 'hit' },
      { do: 'gateDone', t: 4000, gate: 'luck', face: 0 },
      { do: 'attempt', t: 5000, end: 'hit' },
    ]);
    expect(refused.map((one) => one.reason)).toEqual(['owes', 'owes']);
    expect(measure(program, state).attempts).toBe(1);
  });
  it('a void is kept and costs nothing', () => {
    const program = programOf(starter('catch-the-ferry'));
    const { state, refused } = replay(program, [
      { do: 'attempt', t: 1000, end: 'in' },
      { do: 'void', t: 2000, why: 'the cat was in the box' },
      { do: 'attempt', t: 3000, end: 'in' },
    ]);
    expect(refused).toEqual([]);
    expect(measure(program, state)).toMatchObject({ value: 2, attempts: 2 });
  });
  it('a clock of their own for each player runs only in their turn', () => {
    const base = starter('ferry-fares');
    const game: Game = {
      ...base,
      sides: { n: 2, turn: 'attempt', lastTurnLevel: false, score: 'own' },
      parts: base.parts.map((part) => ({ ...part, clock: { kind: 'down', s: 10, per: 'side', inFlight: 'landed' } })),
    };
    const program = programOf(game);
    const attempt = (t: number): PlayEvent => ({ do: 'attempt', t, end: 'in' });
    const { refused, state } = replay(program, [attempt(4000), attempt(20_000), attempt(22_000), attempt(26_000)]);
    expect(refused.map((one) => one.reason)).toEqual(['late', 'late', 'late']);
    expect(measure(program, state).sides[0]).toBeGreaterThan(0);
    const fair = replay(program, [attempt(4000), attempt(9000), attempt(12_000), attempt(16_000)]);
    expect(fair.refused).toEqual([]);
  });
  it('the last of several goes, or all together, may count', () => {
    const of = (keep: 'last' | 'sum') => {
      const base = starter('heron-strike');
      const program = programOf({ ...base, parts: base.parts.map((part) => ({ ...part, goes: { n: 2, keep } })) });
      const tries = (ends: string, from: number): PlayEvent[] =>
        ends.split(' ').map((end, index) => ({ do: 'attempt', t: from + 2000 * index, end }));
      const { state } = replay(program, [
        ...tries('hit hit hit miss miss miss', 1000),
        { do: 'begin', t: 20_000 },
        ...tries('hit miss miss miss miss miss', 22_000),
      ]);
      return measure(program, state);
    };
    expect(of('last')).toMatchObject({ value: 1, sum: 'last of 3, 1: 1 hit' });
    expect(of('sum')).toMatchObject({ value: 4, sum: '3 + 1 = 4' });
  });
});
