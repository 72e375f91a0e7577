/** Rules taken over for what stands on a floor: groups of the course take the places that the rules ask for. */
import { withCount, freshId } from '../course/change';
import { insideFloor } from '../course/geometry';
import type { Game, Level, Part, PlacedTarget, Spot } from '../rules/format/game';
import { GAME_FORMAT } from '../rules/format/formats';
import { resolveLevel } from '../rules/format/level';
import type { Way } from './ways';

/** A group of places or targets that the rules speak of, with how many the starter has. */
export interface GroupRole {
  readonly id: string;
  readonly field: 'places' | 'targets';
  readonly n: number;
}

/** The groups that a way needs on the floor, in the order of its parts. */
export function rolesOf(way: Way): readonly GroupRole[] {
  const roles = new Map<string, GroupRole>();
  for (const part of way.from.parts)
    for (const id of Object.keys(part.groups))
      for (const field of ['places', 'targets'] as const) {
        const list = way.from.course[field][id];
        if (list && !roles.has(id)) roles.set(id, { id, field, n: list.length });
      }
  return [...roles.values()];
}

/** Role → group of the floor that takes it. */
export type Binding = Readonly<Record<string, string>>;

/** Which groups of a floor take which roles, when nobody says so: the same name, else as many, else the next that is free. */
export function usualBinding(game: Game, way: Way): Binding {
  const bound: Record<string, string> = {};
  const free = { places: Object.keys(game.course.places), targets: Object.keys(game.course.targets) };
  const take = (role: GroupRole, group: string | undefined) => {
    if (group === undefined || role.id in bound) return;
    bound[role.id] = group;
    free[role.field] = free[role.field].filter((one) => one !== group);
  };
  const roles = rolesOf(way);
  for (const role of roles)
    take(
      role,
      free[role.field].find((group) => group === role.id),
    );
  for (const role of roles)
    take(
      role,
      free[role.field].find((group) => game.course[role.field][group]!.length === role.n),
    );
  for (const role of roles) take(role, free[role.field][0]);
  return bound;
}

/**
 * The game with the rules of a way in place of its own. Groups of the floor take its roles; what the floor lacks is set out as the way has
 * it. Levels keep their names and where things stand; what they changed of the old rules is gone.
 */
export function withWay(game: Game, way: Way, binding: Binding = usualBinding(game, way)): Game {
  const levels = game.levels.map((level): Level => {
    const set = Object.fromEntries(Object.entries(level.set).filter(([pointer]) => !pointer.startsWith('/parts/') && !pointer.startsWith('/sides/')));
    const { moveUpAt: _old, toBeat: _beaten, ...rest } = level;
    return { ...rest, set };
  });
  const { calls: _calls, ...without } = game;
  const ruled: Game = {
    ...without,
    parts: way.from.parts,
    card: way.from.card,
    sides: way.from.sides,
    ...(way.from.calls && { calls: way.from.calls }),
    levels,
  };
  return withCount(withRoles(ruled, way, binding));
}

/** The game with the parts of a way after its own: another station on the card. */
export function withStation(game: Game, way: Way, binding: Binding): Game {
  const taken = new Set([
    ...game.parts.flatMap((part) => Object.keys(part.groups)),
    ...Object.keys(game.course.places),
    ...Object.keys(game.course.targets),
  ]);
  const free = Object.fromEntries(Object.entries(binding).filter(([, group]) => !game.parts.some((part) => group in part.groups)));
  // Groups of the new parts that bear a name that is taken get another.
  const names: Record<string, string> = {};
  for (const part of way.from.parts)
    for (const id of Object.keys(part.groups)) if (!(id in names)) names[id] = free[id] ?? (taken.has(id) ? freshId(id, [...taken]) : id);
  const parts = way.from.parts.map((part, index): Part => {
    const id = freshId(
      part.id,
      game.parts.map((one) => one.id),
    );
    const title = part.title ?? (way.from.parts.length === 1 ? way.name : `${way.name} ${index + 1}`);
    return { ...renamed(part, names), id, title: title.slice(0, 40) };
  });
  const first = game.parts.length === 1 && !game.parts[0]!.title ? [{ ...game.parts[0]!, title: 'First station' }] : game.parts;
  const station: Game = { ...game, parts: [...first, ...parts].slice(0, 20) };
  const roles = rolesOf(way).filter((role) => !(role.id in free));
  return withCount(roles.reduce((next, role) => withLaidOut(next, way, role, names[role.id]!), station));
}

/** A part whose groups bear other names, wherever it speaks of them. */
function renamed(part: Part, names: Readonly<Record<string, string>>): Part {
  const name = (id: string) => names[id] ?? id;
  const walk = (node: unknown, key?: string): unknown => {
    if (typeof node === 'string') {
      if (key === 'from' || key === 'at' || key === 'group' || key === 'of') return name(node);
      const space = /^(left|at)\.(.+)$/.exec(node);
      return space ? `${space[1]}.${name(space[2]!)}` : node;
    }
    if (Array.isArray(node)) return node.map((one) => walk(one));
    if (typeof node !== 'object' || node === null) return node;
    return Object.fromEntries(
      Object.entries(node).map(([inner, value]) => [
        key === 'groups' ? name(inner) : inner,
        inner === 'of' && key === 'measure' ? value : walk(value, inner),
      ]),
    );
  };
  return walk(part) as Part;
}

/** Groups of the floor renamed to the roles that they take; missing ones set out. */
function withRoles(game: Game, way: Way, binding: Binding): Game {
  let next = game;
  for (const role of rolesOf(way)) {
    const group = binding[role.id];
    if (group !== undefined && next.course[role.field][group]) next = withGroupRenamed(next, role.field, group, role.id);
    else next = withLaidOut(next, way, role, role.id);
  }
  return next;
}

function withGroupRenamed(game: Game, field: 'places' | 'targets', from: string, to: string): Game {
  if (from === to) return game;
  const swap = (id: string) => (id === from ? to : id === to ? from : id);
  const groups = Object.fromEntries(Object.entries(game.course[field] as Record<string, unknown>).map(([id, list]) => [swap(id), list]));
  const pointer = new RegExp(`^/course/${field}/([a-z0-9-]+)`);
  return {
    ...game,
    course: { ...game.course, [field]: groups },
    levels: game.levels.map((level) => ({
      ...level,
      set: Object.fromEntries(
        Object.entries(level.set).map(([slot, value]) => [slot.replace(pointer, (_, id: string) => `/course/${field}/${swap(id)}`), value]),
      ),
    })),
  };
}

/** A group set out as the way has it at its middle level, moved to the middle of this floor and brought inside. */
function withLaidOut(game: Game, way: Way, role: GroupRole, id: string): Game {
  if (game.course[role.field][id]) return game;
  const from = resolveLevel(way.from, Math.min(1, way.from.levels.length - 1));
  const by = {
    xM: (game.course.floor.widthM - from.course.floor.widthM) / 2,
    yM: (game.course.floor.depthM - from.course.floor.depthM) / 2,
  };
  const list = (from.course[role.field][role.id] as readonly (Spot | PlacedTarget)[]).map((spot) => ({
    ...spot,
    ...insideFloor(game, { xM: spot.xM + by.xM, yM: spot.yM + by.yM }, 0.2),
  }));
  return { ...game, course: { ...game.course, [role.field]: { ...game.course[role.field], [id]: list } } };
}

/** What a family would be told of a floor for which no way to play was chosen. */
const NOTHING_YET = 'Whatever you like: how it is played is not chosen yet';

/** A blank floor: nothing on it, one level, no rule of its own until a way to play is chosen. */
export function blankGame(title: string, practice: Way, ageYears: number): Game {
  const { parts, card, sides } = practice.from;
  return {
    format: GAME_FORMAT,
    title,
    ageYears,
    aim: '',
    kit: { implement: 'sock-ball', marker: 'sock' },
    course: { floor: { widthM: 6.4, depthM: 3.6, surface: 'hard' }, furniture: [], places: {}, targets: {} },
    parts: parts.map((part) => ({ ...part, stages: part.stages.map((task) => ({ ...task, technique: 'other', what: NOTHING_YET })) })),
    card,
    sides,
    levels: [{ id: 'level-1', name: 'Paddle', set: {} }],
  };
}
