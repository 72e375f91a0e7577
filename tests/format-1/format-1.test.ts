/**
 * What was made before is read on with the same result: every starter and every practised game of format 1, converted, plays what was played
 * by the engine of format 1 (played.jsonl.gz holds the plays with what they came to, written by that engine).
 */
import { readdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { readGame } from '@/core/rules/format/read-game';
import { compile } from '@/core/rules/playing/compile';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { STARTERS } from '../examples/starters';

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

  it('with an effect, an end or a task that format 1 did not have is refused, with its place in the file', () => {
    const game = json('starters/otters-errand.json') as { parts: { rows: object[] }[] };
    const rows = game.parts[0]!.rows.with(0, { if: [], validity: 'never', do: [] });
    const read = readGame({ ...game, parts: game.parts.with(0, { ...game.parts[0]!, rows }) });
    expect(read).toMatchObject({ ok: false, problems: [{ place: '/parts/0/rows/0/validity' }] });
  });
});
