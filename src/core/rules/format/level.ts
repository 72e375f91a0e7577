import type { Game } from './game';
import type { Outcome } from './problem';

/** The game as it is at one level: every slot that the level names replaced. The game itself is left as it was. */
export function levelGame(game: Game, levelIndex: number): Outcome<Game> {
  const level = game.levels[levelIndex];
  if (!level)
    return {
      ok: false,
      problems: [{ place: '/levels', reason: `there is no level number ${levelIndex + 1}`, fix: `Choose 1 to ${game.levels.length}.` }],
    };
  let resolved: unknown = game;
  for (const [pointer, value] of Object.entries(level.set)) {
    const next = replacedAt(resolved, pointer.slice(1).split('/'), value);
    if (next === undefined)
      return {
        ok: false,
        problems: [
          {
            place: `/levels/${levelIndex}/set/${pointer}`,
            reason: 'the game has no such slot',
            fix: 'Name a slot that the game has, or remove this line.',
          },
        ],
      };
    resolved = next;
  }
  return { ok: true, value: resolved as Game };
}

/** Like levelGame, for games that have been read and so cannot fail. */
export function resolveLevel(game: Game, levelIndex: number): Game {
  const resolved = levelGame(game, levelIndex);
  if (!resolved.ok) throw new Error(resolved.problems[0]!.reason);
  return resolved.value;
}

/** The game at the level of an id; at its first one where it has none of that id. */
export function levelById(game: Game, id: string): Game {
  return resolveLevel(
    game,
    Math.max(
      0,
      game.levels.findIndex((level) => level.id === id),
    ),
  );
}

/** The game with what a JSON Pointer names replaced; the same game when it has no such place. */
export function replaceAt(game: Game, pointer: string, value: unknown): Game {
  return (replacedAt(game, pointer.slice(1).split('/'), value) as Game | undefined) ?? game;
}

function replacedAt(node: unknown, path: readonly string[], value: unknown): unknown {
  if (path.length === 0) return value;
  const [key, ...rest] = path as [string, ...string[]];
  if (typeof node !== 'object' || node === null) return undefined;
  // A level may say what the game leaves open; whether there is such a slot at all the schema knows.
  if (!Object.hasOwn(node, key)) return rest.length === 0 && !Array.isArray(node) ? { ...node, [key]: value } : undefined;
  const inner = replacedAt((node as Record<string, unknown>)[key], rest, value);
  if (inner === undefined) return undefined;
  if (Array.isArray(node)) return node.map((item, index) => (String(index) === key ? inner : (item as unknown)));
  return { ...node, [key]: inner };
}
