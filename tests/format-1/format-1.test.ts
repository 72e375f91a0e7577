/**
 * What was made before is read on with the same result: every starter and every practised game of format 1, converted, plays what was played
 * by the engine of format 1 (played.jsonl.gz holds the plays with what they came to, written by that engine).
 */
import { readdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import type { Game } from '@/core/rules/format/game';
import { todaysGame } from '@/core/rules/format/from-format-1';
import { levelGame, resolveLevel } from '@/core/rules/format/level';
import { plain } from '@/core/rules/format/plain';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { readGame } from '@/core/rules/format/read-game';
import { compile } from '@/core/rules/playing/compile';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { STARTERS } from '../examples/starters';
import { LONG } from '../long';

interface Played {
  readonly game: string;
  readonly level: number;
  readonly counting: CountingWay;
  readonly events: readonly PlayEvent[];
}

const here = (name: string) => new URL(name, import.meta.url);
const json = (name: string): unknown => JSON.parse(readFileSync(here(name), 'utf8'));
const GAMES = new Map<string, unknown>([
  ...readdirSync(here('starters')).map((name): [string, unknown] => [name.slice(0, -5), json(`starters/${name}`)]),
  ...readdirSync(here('games')).flatMap((name) =>
    (json(`games/${name}`) as { kind: string; game: unknown }[]).map(({ kind, game }): [string, unknown] => [kind, game]),
  ),
]);
const PLAYED = gunzipSync(readFileSync(here('played.jsonl.gz')))
  .toString()
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Played);

function comesToTheSame(id: string, game: Game): void {
  const plays = PLAYED.filter((one) => one.game === id);
  expect(plays.length).toBeGreaterThanOrEqual(4);
  for (const { game: _id, level, counting, events, ...came } of plays) {
    const program = compile(resolveLevel(game, level));
    if (!program.ok) throw new Error(program.problems[0]!.reason);
    const { state, refused } = replay(program.value, events, counting);
    const { value, unit, finished, sides, parts, attempts, successes } = measure(program.value, state);
    const comes = {
      value,
      unit: id === 'skittle-stair' ? 'steps' : unit,
      finished,
      sides,
      parts: parts.map((part) => part.value),
      attempts,
      successes,
    };
    expect({ ...comes, refused: refused.map(({ reason }) => reason) }, `level ${level}, ${counting}`).toEqual(came);
  }
}

/** Every number of a slot one more, and every list and record as it is, each by its place. */
function* changedSlots(node: unknown, at: string): Generator<readonly [string, unknown]> {
  if (typeof node === 'number') return yield [at, node + 1];
  if (typeof node !== 'object' || node === null) return;
  for (const [key, inner] of Object.entries(node)) yield* changedSlots(inner, `${at}/${key}`);
  yield [at, node];
}

describe('a game of format 1', () => {
  it.each([...GAMES.keys()])('%s reads as one of format 2 and comes to what it came to', (id) => {
    const read = readGame(GAMES.get(id));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    comesToTheSame(id, read.value);
  });

  // Stations of Regatta Day are others now, and the steps of Skittle Stair are called stairs.
  it.each(STARTERS.filter(({ id }) => id !== 'regatta-day'))('$id as it ships now, told in stages and places, is the same game', ({ id, game }) =>
    comesToTheSame(id, game),
  );

  it.each([...GAMES.keys()].filter((_, at) => LONG || at % 3 === 0))('%s may have changed any slot at a level, and is the same there', (id) => {
    const game = GAMES.get(id) as Game;
    const read = (set: Readonly<Record<string, unknown>>) => ({ ...game, levels: [{ id: 'only', name: 'Only', set }] });
    const slots = game.parts.flatMap((part, index) =>
      ['tasks', 'rows', 'stop', 'groups', 'also', 'clock', 'gates'].flatMap((slot) => [
        ...changedSlots((part as unknown as Readonly<Record<string, unknown>>)[slot], `/parts/${index}/${slot}`),
      ]),
    );
    expect(slots.length).toBeGreaterThan(10);
    for (const [slot, value] of slots) {
      const before = levelGame(read({ [slot]: value }), 0);
      const now = levelGame(todaysGame(read({ [slot]: value })), 0);
      if (!before.ok || !now.ok) throw new Error(slot);
      expect(plain(now.value.parts), slot).toBe(plain(todaysGame(before.value).parts));
    }
  });

  it('with an effect, an end or a task that format 1 did not have is refused, with its place in the file', () => {
    const game = json('starters/otters-errand.json') as { parts: { rows: object[] }[] };
    const rows = game.parts[0]!.rows.with(0, { if: [], validity: 'never', do: [] });
    const read = readGame({ ...game, parts: game.parts.with(0, { ...game.parts[0]!, rows }) });
    expect(read).toMatchObject({ ok: false, problems: [{ place: '/parts/0/rows/0/validity' }] });
  });
});
