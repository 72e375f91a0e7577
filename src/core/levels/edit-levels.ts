/** Levels put in, taken out, renamed and put in another order; and slots that one level has otherwise than the game. */
import { withCount } from '../course/change';
import type { Course, Game, Level } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';

export const MOST_LEVELS = 6;
const NAMES = ['Paddle', 'Wade', 'Swim', 'Dive'] as const;

function freeName(game: Game): string {
  const taken = new Set(game.levels.map((level) => level.name));
  return NAMES.find((name) => !taken.has(name)) ?? nextNumber(taken, 'Level');
}

export function nextNumber(taken: ReadonlySet<string>, word: string): string {
  let n = 2;
  while (taken.has(`${word} ${n}`)) n += 1;
  return `${word} ${n}`;
}

function freeLevelId(game: Game): string {
  let n = game.levels.length + 1;
  while (game.levels.some((level) => level.id === `level-${n}`)) n += 1;
  return `level-${n}`;
}

/** The game with a level more, after the one it is a copy of. The same game when it has as many as it may. */
export function withLevelAdded(game: Game, copyOf: number, name = freeName(game)): Game {
  const like = game.levels[copyOf];
  if (!like || game.levels.length >= MOST_LEVELS) return game;
  const { moveUpAt: _up, toBeat: _beaten, ...rest } = like;
  const level: Level = { ...rest, id: freeLevelId(game), name: name.slice(0, 24).trim() };
  return { ...game, levels: game.levels.toSpliced(copyOf + 1, 0, level) };
}

/** The game without a level; the last one stays. */
export function withLevelRemoved(game: Game, index: number): Game {
  return game.levels.length < 2 || !game.levels[index] ? game : { ...game, levels: game.levels.toSpliced(index, 1) };
}

/** The game with a level one place earlier or later. */
export function withLevelMoved(game: Game, index: number, by: 1 | -1): Game {
  const to = index + by;
  if (!game.levels[index] || !game.levels[to]) return game;
  const levels = [...game.levels];
  [levels[index], levels[to]] = [levels[to]!, levels[index]!];
  return { ...game, levels };
}

/** The game with a level taken to a place: right before or after another. Ids of levels that are not there change nothing. */
export function withLevelTo(game: Game, id: string, where: 'before' | 'after', other: string): Game {
  const moved = game.levels.find((level) => level.id === id);
  const rest = game.levels.filter((level) => level.id !== id);
  const at = rest.findIndex((level) => level.id === other);
  return moved && at >= 0 ? { ...game, levels: rest.toSpliced(at + Number(where === 'after'), 0, moved) } : game;
}

/** Slots of the kit that a game may leave out, with what they are then. */
const UNSAID = { form: 'standing', hand: 'own' } as const;

/**
 * The game with one level changed and all others as they were: `change` gets the game as it is at that level, and what it gives differs
 * from the game only in slots of that level. Names of the game, its teaching and its levels cannot be changed so.
 */
export function withLevelChange(game: Game, levelIndex: number, change: (level: Game) => Game): Game {
  const before = resolveLevel(game, levelIndex);
  const after = change(before);
  if (after === before) return game;
  const kit = { ...game.kit };
  for (const key of ['form', 'hand'] as const) if (after.kit[key] !== undefined && kit[key] === undefined) Object.assign(kit, { [key]: UNSAID[key] });
  const sides = { ...game.sides, ...(after.sides.score !== undefined && game.sides.score === undefined && { score: 'own' as const }) };
  const course: Course = { ...game.course, ...(after.course.obstacles && !game.course.obstacles && { obstacles: [] }) };
  const base: Game = { ...game, kit, sides, course };
  const set: Record<string, unknown> = {};
  differ(base.kit, after.kit, '/kit', set);
  differ(base.sides, after.sides, '/sides', set);
  differ(base.course.floor, after.course.floor, '/course/floor', set);
  for (const key of ['furniture', 'obstacles', 'zones', 'doors', 'patches', 'open'] as const)
    if (base.course[key] !== undefined && !same(base.course[key], after.course[key])) set[`/course/${key}`] = after.course[key] ?? [];
  for (const field of ['places', 'targets', 'routes'] as const)
    for (const [group, list] of Object.entries(after.course[field] ?? {}))
      if (
        group in (base.course[field] ?? {}) &&
        (!same(base.course[field]![group], list) || `/course/${field}/${group}` in game.levels[levelIndex]!.set)
      )
        set[`/course/${field}/${group}`] = list;
  after.parts.forEach((part, index) => base.parts[index] && differ(base.parts[index], part, `/parts/${index}`, set));
  return withCount({ ...base, levels: base.levels.map((level, index) => (index === levelIndex ? { ...level, set } : level)) });
}

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

/** Writes what differs, as deep as both have the same shape. */
function differ(base: unknown, after: unknown, pointer: string, set: Record<string, unknown>): void {
  if (same(base, after)) return;
  const inside = (node: unknown): node is Record<string, unknown> => typeof node === 'object' && node !== null;
  if (inside(base) && inside(after) && Array.isArray(base) === Array.isArray(after)) {
    const [a, b] = [Object.keys(base), Object.keys(after)];
    const deep = pointer.split('/').length < 5 || !Array.isArray(base);
    if (a.length === b.length && a.every((key) => key in after) && deep) {
      for (const key of a) differ(base[key], after[key], `${pointer}/${key}`, set);
      return;
    }
  }
  set[pointer] = after;
}
