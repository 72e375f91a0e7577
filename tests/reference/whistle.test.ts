/** Simulated plays end where the rules end them: none is cut while its clock would have gone on. */
import { describe, expect, it } from 'vitest';
import { childTables } from '@/core/forecast/attempts';
import { simulateGo } from '@/core/forecast/simulate';
import type { Game } from '@/core/rules/format/game';
import type { PlayEvent } from '@/core/rules/format/play';
import { resolveLevel } from '@/core/rules/format/level';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { clockAt } from '@/core/rules/playing/next-moves';
import { replay } from '@/core/rules/playing/replay';
import { STARTERS, starter } from '../examples/starters';

const PLAYS = 60;

function playsOf(game: Game, ageYears = 8, plays = PLAYS): readonly (readonly PlayEvent[])[] {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const tables = childTables(compiled.value, { ageYears });
  return Array.from({ length: plays }, (_, play) => {
    const events: PlayEvent[] = [];
    simulateGo(compiled.value, tables, start(compiled.value), 7, play, { fetchMs: 0, exerciseMs: 0 }, events);
    return events;
  });
}

/** Milliseconds on the clock where a play was whistled off, of those that were. */
function whistledAt(game: Game): number[] {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return playsOf(game).flatMap((events) => {
    const at = events.findIndex((event) => event.do === 'finish' && event.why === 'time');
    if (at < 0) return [];
    const { state, refused } = replay(compiled.value, events.slice(0, at));
    expect(refused).toEqual([]);
    return [clockAt(compiled.value, state, events[at]!.t)];
  });
}

/** With every exercise on the clock, or off it. */
const withExercises = (game: Game, onClock: boolean): Game => ({
  ...game,
  parts: game.parts.map((part) => ({
    ...part,
    gates: Object.fromEntries(Object.entries(part.gates).map(([id, gate]) => [id, { ...gate, onClock }])),
  })),
});

const timed = STARTERS.map(({ id, game }) => ({ id, level: resolveLevel(game, 0) })).filter(
  ({ level }) => level.parts.length === 1 && level.parts[0]!.clock.kind === 'down' && level.parts[0]!.clock.per === 'part' && level.sides.n === 1,
);

describe('a simulated play', () => {
  it.each(timed)('of $id is whistled off when its clock has run out, with exercises on the clock or off it', ({ level }) => {
    const clockMs = level.parts[0]!.clock.s * 1000;
    for (const onClock of [true, false])
      for (const at of whistledAt(withExercises(level, onClock))) expect(at, onClock ? 'on the clock' : 'off it').toBeGreaterThanOrEqual(clockMs);
  });
  it('comes to as many hits as the same game played by hand, with its exercise off the clock', () => {
    // Written apart from the engine: a go of 60 seconds; whoever misses fetches and does the exercise while the clock stands still.
    const game = resolveLevel(starter('harbour-lamps'), 0);
    const [part] = game.parts;
    const level: Game = {
      ...game,
      course: { ...game.course, places: { mark: [game.course.places['mark']![1]!] } },
      parts: [
        {
          ...part!,
          groups: { ...part!.groups, mark: { kind: 'place', n: 1, order: 'fixed', end: 'stay' } },
          rows: [
            { if: [['end', '=', 'in']], validity: 'counts', do: [{ do: 'add', counter: 'points', amount: 1 }] },
            { if: [], validity: 'counts', do: [{ do: 'owe', gate: 'exercise' }] },
          ],
          clock: { kind: 'down', s: 60, per: 'part', inFlight: 'released' },
        },
      ],
    };
    const game60 = withExercises(level, false);
    const compiled = compile(game60);
    if (!compiled.ok) throw new Error('it compiles');
    const task = childTables(compiled.value, { ageYears: 8 }).parts[0]![0]!;
    const chance = task.ends[task.endIndex.indexOf(0)]! / 2 ** 32;
    let random = 12_345;
    const uniform = () => (random = (Math.imul(random, 1_103_515_245) + 12_345) >>> 0) / 2 ** 32;
    const byHand = () => {
      let [clock, hits] = [0, 0];
      for (;;) {
        clock += task.aimLeastMs + uniform() * task.aimSpreadMs;
        if (clock >= 60_000) return hits;
        clock += task.airMs[0]!;
        if (uniform() < chance) {
          hits += 1;
          clock += task.fetchMs[0]!;
        }
      }
    };
    const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
    const hand = Array.from({ length: 20_000 }, byHand);
    const simulated = playsOf(game60, 8, 2_000).map((events) => events.filter((event) => event.do === 'attempt' && event.end === 'in').length);
    expect(chance).toBeGreaterThan(0.2);
    expect(chance).toBeLessThan(0.95);
    expect(Math.abs(mean(simulated) - mean(hand))).toBeLessThan(0.15);
    const atLeast = (list: readonly number[], n: number) => list.filter((one) => one >= n).length / list.length;
    const middle = Math.round(mean(hand));
    expect(Math.abs(atLeast(simulated, middle) - atLeast(hand, middle))).toBeLessThan(0.04);
  });
});
