/** Levels put in, taken out, renamed and put in another order; slots that one level has otherwise than the game; easier forms of a level. */
import { patternOf, laidOutPattern } from '../course/patterns';
import { counted } from '../course/change';
import type { Course, Effect, Game, Level, PlacedTarget } from '../rules/game';
import { resolveLevel } from '../rules/level';
import type { Lever } from '../rules/levers';
import { solveLevel, withPlaces, isAimed, levelChance } from './solve';
import { chanceMends } from './chance-mends';

export const MOST_LEVELS = 6;
const NAMES = ['Paddle', 'Wade', 'Swim', 'Dive'] as const;

function freeName(game: Game): string {
  const taken = new Set(game.levels.map((level) => level.name));
  return NAMES.find((name) => !taken.has(name)) ?? nextNumber(taken, 'Level');
}

function nextNumber(taken: ReadonlySet<string>, word: string): string {
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
  return counted({ ...base, levels: base.levels.map((level, index) => (index === levelIndex ? { ...level, set } : level)) });
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

export interface EasierForm {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly lever: Lever;
  /** The level in that form. */
  readonly change: (level: Game) => Game;
}

/** Exercises that most children can do, in place of another. */
const GENTLE = ['march on the spot', 'clap above your head', 'stretch up and down'] as const;

/**
 * Other forms of a level that are full equals: seated, with two hands, another exercise, fewer pins, counted simply, nearer, bigger, with
 * more time. Only those that make a difference to this game.
 */
export function easierForms(game: Game, levelIndex: number, ageYears: number): readonly EasierForm[] {
  const level = resolveLevel(game, levelIndex);
  const tasks = level.parts.flatMap((part) => part.tasks);
  const throws = tasks.some((task) => ['underarm', 'overarm', 'set-shot'].includes(task.technique));
  const rolls = tasks.some((task) => task.technique === 'roll');
  const gates = level.parts.flatMap((part) => Object.values(part.gates)).filter((gate) => gate.kind === 'exercise');
  const pins = level.parts.flatMap((part) =>
    Object.entries(part.groups).filter(([id, group]) => group.kind === 'pin' && group.n > 1 && level.course.targets[id]),
  );
  const carried = level.parts.some((part) => part.rows.some((row) => row.do.some((effect) => effect.do === 'carry')));
  const valued = level.parts.some((part) => Object.values(part.groups).some((group) => group.value && new Set(group.value).size > 1));
  const timed = level.parts.some((part) => part.clock.kind === 'down');
  const found: EasierForm[] = [];
  const offer = (id: string, name: string, says: string, lever: Lever, change: (level: Game) => Game) =>
    found.push({ id, name, says, lever, change });
  const inForm = (form: NonNullable<Game['kit']['form']>) => (one: Game) => ({ ...one, kit: { ...one.kit, form } });
  if ((throws || rolls) && level.kit.form !== 'seated') offer('seated', 'seated', 'on a chair or the floor', 'task', inForm('seated'));
  if (throws && level.kit.form !== 'two-hands') offer('two-hands', 'two hands', 'both hands on the ball', 'task', inForm('two-hands'));
  if (rolls && level.kit.form !== 'kneeling') offer('kneeling', 'kneeling', 'on both knees', 'task', inForm('kneeling'));
  if (gates.length > 0) {
    const gentle = GENTLE.find((what) => gates.every((gate) => gate.what !== what))!;
    offer('other-exercise', 'other exercise', `${gentle} in place of ${gates[0]!.what}`, 'task', (one) =>
      withGates(one, (gate) => (gate.kind === 'exercise' ? { ...gate, what: gentle } : gate)),
    );
    if (gates.some((gate) => gate.n > 1))
      offer('less-exercise', 'half the exercise', `${Math.ceil(gates[0]!.n / 2)} in place of ${gates[0]!.n}`, 'task', (one) =>
        withGates(one, (gate) => (gate.kind === 'exercise' ? { ...gate, n: Math.ceil(gate.n / 2) } : gate)),
      );
  }
  if (pins.length > 0 && !carried)
    offer('fewer-pins', 'fewer pins', 'half as many in the same pattern', 'equipment', (one) =>
      fewerPins(
        one,
        pins.map(([id]) => id),
      ),
    );
  if (carried || valued)
    offer('simple-count', 'simple count', carried ? 'every pin that falls counts one' : 'every hit counts one', 'task', simpleCount);
  if (timed)
    offer('more-time', 'more time', 'half as much again, less hurry', 'task', (one) => ({
      ...one,
      parts: one.parts.map((part) =>
        part.clock.kind === 'down' ? { ...part, clock: { ...part.clock, s: Math.min(3600, Math.round((part.clock.s * 1.5) / 5) * 5) } } : part,
      ),
    }));
  if (isAimed(game)) {
    const easier = Math.min(0.9, levelChance(game, levelIndex, ageYears) + 0.2);
    offer('nearer', 'nearer', `about ${Math.round(easier * 10)} hits in 10`, 'space', (one) => {
      const alone: Game = { ...one, levels: [{ id: 'here', name: 'here', set: {} }] };
      return resolveLevel(withPlaces(alone, 0, solveLevel(alone, 0, easier, ageYears).places), 0);
    });
    const bigger = chanceMends(game, levelIndex, easier, ageYears).find((mend) => mend.lever === 'equipment');
    if (bigger)
      offer('bigger', 'a bigger target', `about ${Math.round(easier * 10)} hits in 10`, 'equipment', () => resolveLevel(bigger.game, levelIndex));
  }
  return found;
}

function withGates(game: Game, change: (gate: Game['parts'][number]['gates'][string]) => Game['parts'][number]['gates'][string]): Game {
  return {
    ...game,
    parts: game.parts.map((part) => ({ ...part, gates: Object.fromEntries(Object.entries(part.gates).map(([id, gate]) => [id, change(gate)])) })),
  };
}

/** Half the pins (at least one), in the pattern in which they stand, else those that stand first. */
function fewerPins(level: Game, groups: readonly string[]): Game {
  const targets: Record<string, readonly PlacedTarget[]> = { ...level.course.targets };
  for (const group of groups) {
    const list = targets[group]!;
    const n = Math.max(1, Math.floor(list.length / 2));
    const pattern = patternOf(list);
    const spots = pattern && n > 2 ? laidOutPattern({ ...pattern, n }) : list;
    targets[group] = list.slice(0, n).map((pin, index) => ({ ...pin, xM: spots[index]!.xM, yM: spots[index]!.yM }));
  }
  const parts = level.parts.map((part) => ({
    ...part,
    groups: Object.fromEntries(
      Object.entries(part.groups).map(([id, group]) => [id, groups.includes(id) ? { ...group, n: targets[id]!.length } : group]),
    ),
  }));
  return { ...level, course: { ...level.course, targets }, parts };
}

/** Without bonuses that are carried on, and with every success worth one. */
function simpleCount(level: Game): Game {
  const plain = (effects: readonly Effect[]): Effect[] =>
    effects
      .filter((effect) => effect.do !== 'carry')
      .map((effect) => {
        if (effect.do !== 'add') return effect;
        const { timesCarry: _times, ...rest } = effect;
        return rest;
      });
  return {
    ...level,
    parts: level.parts.map((part) => ({
      ...part,
      groups: Object.fromEntries(
        Object.entries(part.groups).map(([id, group]) => [id, group.value ? { ...group, value: group.value.map(() => 1) } : group]),
      ),
      rows: part.rows.map((row) => ({ ...row, do: plain(row.do) })),
    })),
  };
}

/** The game with a level more: another form of one that it has. */
export function withEasierForm(game: Game, levelIndex: number, form: EasierForm): Game {
  const name = `${game.levels[levelIndex]!.name}, ${form.name}`;
  const taken = new Set(game.levels.map((level) => level.name));
  const added = withLevelAdded(game, levelIndex, taken.has(name) ? nextNumber(taken, name) : name);
  return added === game ? game : withLevelChange(added, levelIndex + 1, form.change);
}
