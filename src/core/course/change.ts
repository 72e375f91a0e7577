/** A game with more or fewer things on its course: put down, taken away, doubled, locked, tied together. The rules keep count. */
import type { AimedId } from '../objects/catalogue';
import type { Cond, Door, Furniture, Game, Group, Level, OwnThing, Patch, PlacedTarget, Spot, Zone } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { insideFloor } from './geometry';
import { courseWith, millimetres, withList, withListed } from './move';
import { laidOutPattern, patternOf, type FoundPattern } from './patterns';
import { listAt, listedOf, pointerOf, type CourseThing, type Listed } from './things';

const MOST_IN_A_GROUP = 30;

/** What is put on a floor: spots of places or targets (into a group that is there, or a new one), or something of the floor itself. */
export type Addition =
  | { readonly kind: 'place'; readonly spots: readonly Spot[]; readonly into?: string }
  | {
      readonly kind: 'target';
      readonly object: AimedId;
      readonly own?: OwnThing;
      readonly spots: readonly Spot[];
      readonly into?: string;
      readonly turnRad?: number;
      readonly widthM?: number;
    }
  | {
      readonly kind: 'obstacle';
      readonly object: AimedId;
      readonly own?: OwnThing;
      readonly spots: readonly Spot[];
      readonly turnRad?: number;
      readonly widthM?: number;
    }
  | { readonly kind: 'furniture'; readonly piece: Furniture }
  | { readonly kind: 'zone'; readonly zone: Zone }
  | { readonly kind: 'patch'; readonly patch: Patch }
  | { readonly kind: 'door'; readonly door: Door }
  | { readonly kind: 'way'; readonly spots: readonly Spot[] };

export interface Added {
  readonly game: Game;
  /** What was put down, to be picked. */
  readonly things: readonly CourseThing[];
}

/** The game with more on its floor, at every level. Nothing is added beyond 30 in a group. */
export function withAdded(game: Game, addition: Addition): Added {
  switch (addition.kind) {
    case 'place':
    case 'target': {
      const field = addition.kind === 'place' ? 'places' : 'targets';
      const group = addition.into ?? freshId(addition.kind === 'place' ? 'mark' : addition.object, Object.keys(game.course[field]));
      const pointer = `/course/${field}/${group}`;
      const members = addition.spots.map((spot) => (addition.kind === 'place' ? flat(spot) : placed(addition, spot)));
      return appended(game, pointer, members, (index) => ({ kind: addition.kind, group, index }));
    }
    case 'obstacle':
      return appended(
        game,
        '/course/obstacles',
        addition.spots.map((spot) => placed(addition, spot)),
        (index) => ({ kind: 'obstacle', index }),
      );
    case 'furniture':
      return appended(game, '/course/furniture', [addition.piece], (index) => ({ kind: 'furniture', index }));
    case 'zone':
      return appended(game, '/course/zones', [{ ...addition.zone, ...flat(addition.zone) }], (index) => ({ kind: 'zone', index }));
    case 'patch':
      return appended(game, '/course/patches', [addition.patch], (index) => ({ kind: 'patch', index }));
    case 'door':
      return appended(game, '/course/doors', [addition.door], (index) => ({ kind: 'door', index }));
    case 'way': {
      const group = freshId('way', Object.keys(game.course.routes ?? {}));
      return appended(game, `/course/routes/${group}`, addition.spots.map(flat), (index) => ({ kind: 'turn', group, index }));
    }
  }
}

const flat = (spot: Spot): Spot => ({ xM: millimetres(spot.xM), yM: millimetres(spot.yM) });

type Thing = Extract<Addition, { kind: 'target' | 'obstacle' }>;

function placed({ object, own, turnRad, widthM }: Thing, spot: Spot): PlacedTarget {
  return { ...flat(spot), object, turnRad: turnRad ?? 0, standM: 0, ...(widthM !== undefined && { widthM }), ...(own && { own }) };
}

function appended(game: Game, pointer: string, members: readonly Listed[], name: (index: number) => CourseThing): Added {
  const before = listAt(game.course, pointer).length;
  const room = Math.max(0, MOST_IN_A_GROUP - before);
  const kept = members.slice(0, room);
  const next = withCount(everywhere(game, pointer, (list) => [...list, ...kept]));
  return { game: next, things: kept.map((_, index) => name(before + index)) };
}

/** An id that is not taken: "box", "box-2", "box-3". */
export function freshId(wanted: string, taken: readonly string[]): string {
  const plain = wanted.slice(0, 20);
  if (!taken.includes(plain)) return plain;
  for (let n = 2; ; n += 1) if (!taken.includes(`${plain}-${n}`)) return `${plain}-${n}`;
}

/** The game with these things taken away, at every level. */
export function withRemoved(game: Game, things: readonly CourseThing[]): Game {
  const byList = new Map<string, Set<number>>();
  for (const thing of things) byList.set(pointerOf(thing), (byList.get(pointerOf(thing)) ?? new Set()).add(thing.index));
  let next = game;
  for (const [pointer, gone] of byList) {
    next = everywhere(next, pointer, (list) => list.filter((_, index) => !gone.has(index)));
    if (pointer.startsWith('/course/places/') || pointer.startsWith('/course/targets/')) next = withoutValues(next, pointer.split('/')[3]!, gone);
  }
  return withCount(next);
}

/** The values and names of what was taken away go with it. */
function withoutValues(game: Game, id: string, gone: ReadonlySet<number>): Game {
  // A group that is laid out no more keeps one of each, as its number stays one.
  function keep<T>(list: readonly T[]): readonly T[] {
    const kept = list.filter((_, index) => !gone.has(index));
    return kept.length > 0 ? kept : list.slice(0, 1);
  }
  return {
    ...game,
    parts: game.parts.map((part) => {
      const group = part.groups[id];
      if (!group || (!group.value && !group.labels)) return part;
      const shorter = { ...group, ...(group.value && { value: keep(group.value) }), ...(group.labels && { labels: keep(group.labels) }) };
      return { ...part, groups: { ...part.groups, [id]: shorter } };
    }),
  };
}

/** A list changed in the game and in every level that has its own. A list that is empty then is left out. */
function everywhere(game: Game, pointer: string, change: (list: readonly Listed[]) => readonly Listed[]): Game {
  const list = change(listAt(game.course, pointer));
  const levels = game.levels.map((level): Level => {
    if (!(pointer in level.set)) return level;
    const own = change(level.set[pointer] as readonly Listed[]);
    const { [pointer]: _gone, ...rest } = level.set;
    return { ...level, set: list.length === 0 ? rest : { ...rest, [pointer]: own } };
  });
  const course = courseWith(game, pointer, list);
  const field = pointer.split('/')[2] as keyof Game['course'];
  const optional = ['obstacles', 'zones', 'patches', 'doors', 'routes'].includes(field);
  const value = course[field] as unknown;
  const none = Array.isArray(value) ? value.length === 0 : Object.keys(value as object).length === 0;
  if (!optional || !none) return { ...game, course, levels };
  const { [field]: _empty, ...without } = course;
  return { ...game, course: without as Game['course'], levels };
}

/** The rules count what the course sets out: the number of each group follows it, its values and names too, at every level. */
export function withCount(game: Game): Game {
  const parts = game.parts.map((part) => {
    const groups = Object.fromEntries(Object.entries(part.groups).map(([id, group]) => [id, countedGroup(game, id, group)]));
    const grown = Object.entries(groups).flatMap(([id, group]) =>
      group.n === part.groups[id]!.n ? [] : [[id, part.groups[id]!.n, group.n] as const],
    );
    if (grown.length === 0) return Object.entries(groups).every(([id, group]) => group === part.groups[id]) ? part : { ...part, groups };
    // "At the last mark" and "all of them" mean the new number.
    const cond = (one: Cond): Cond => {
      const change = grown.find(([id, before]) => (one[0] === `at.${id}` || one[0] === `left.${id}`) && one[2] === before);
      return change ? [one[0], one[1], change[2]] : one;
    };
    return {
      ...part,
      groups,
      rows: part.rows.map((row) => ({ ...row, if: row.if.map(cond) })),
      stages: part.stages.map((stage) => (stage.rows ? { ...stage, rows: stage.rows.map((row) => ({ ...row, if: row.if.map(cond) })) } : stage)),
      stop: part.stop.map((stop) => ({ ...stop, if: stop.if.map(cond) })),
    };
  });
  const base: Game = parts.every((part, index) => part === game.parts[index]) ? game : { ...game, parts };
  const levels = base.levels.map((level) => {
    const set: Record<string, unknown> = {};
    for (const [pointer, value] of Object.entries(level.set)) {
      const counts = /^\/parts\/(\d+)\/groups\/([a-z][a-z0-9-]*)\/(n|value|labels)$/.exec(pointer);
      if (!counts) set[pointer] = value;
      // The number of a group that is laid out is told by its layout alone.
      else if (laidOut(base, counts[2]!) === undefined) set[pointer] = value;
      else if (counts[3] === 'value' && (value as number[]).length === laidOut({ ...base, levels: [level] }, counts[2]!, level)) set[pointer] = value;
    }
    for (const [index, part] of base.parts.entries())
      for (const [id, group] of Object.entries(part.groups)) {
        const here = laidOut(base, id, level);
        if (here === undefined || here === group.n) continue;
        set[`/parts/${index}/groups/${id}/n`] = here;
        if (group.value && !(`/parts/${index}/groups/${id}/value` in set)) set[`/parts/${index}/groups/${id}/value`] = asMany(group.value, here);
      }
    return JSON.stringify(set) === JSON.stringify(level.set) ? level : { ...level, set };
  });
  return levels.every((level, index) => level === base.levels[index]) ? base : { ...base, levels };
}

/** How many of a group the course sets out (at a level); undefined where it sets out none. */
function laidOut(game: Game, id: string, level?: Level): number | undefined {
  for (const field of ['places', 'targets'] as const) {
    const own = level?.set[`/course/${field}/${id}`] as readonly unknown[] | undefined;
    const list = own ?? game.course[field][id];
    if (list) return list.length;
  }
  return undefined;
}

function countedGroup(game: Game, id: string, group: Group): Group {
  const n = group.kind === 'place' || group.kind === 'target' || group.kind === 'pin' ? laidOut(game, id) : undefined;
  if (n === undefined || n === group.n) return group;
  return {
    ...group,
    n,
    ...(group.value && { value: asMany(group.value, n) }),
    ...(group.labels && { labels: group.labels.slice(0, n) }),
  };
}

/** Values for so many: the first of what there are, and each further one a point more than the one before. */
function asMany(values: readonly number[], n: number): readonly number[] {
  const longer = [...values];
  while (longer.length < n) longer.push((longer.at(-1) ?? 0) + 1);
  return longer.slice(0, n);
}

/** The game with these things once more, a little to the side: places and targets join the group of the first, at every level. */
export function withDuplicated(game: Game, levelIndex: number, things: readonly CourseThing[], by: Spot = { xM: 0.3, yM: 0.3 }): Added {
  const level = resolveLevel(game, levelIndex);
  const added: CourseThing[] = [];
  let next = game;
  for (const thing of things) {
    const listed = listedOf(level.course, thing);
    if (!listed || 'side' in listed) continue;
    const { locked: _locked, tied: _tied, ...free } = listed;
    const to = insideFloor(level, { xM: listed.xM + by.xM, yM: listed.yM + by.yM });
    const copy = { ...free, ...flat(to), ...('name' in listed && { name: listed.name }) } as Listed;
    const pointer = pointerOf(thing);
    if (listAt(next.course, pointer).length >= MOST_IN_A_GROUP) continue;
    const index = listAt(next.course, pointer).length;
    next = everywhere(next, pointer, (list) => [...list, copy]);
    added.push({ ...thing, index });
  }
  return { game: withCount(next), things: added };
}

/** The game with these things locked, or free again. */
export function withLocked(game: Game, levelIndex: number, things: readonly CourseThing[], locked: boolean): Game {
  return tagged(game, levelIndex, things, (spot) => {
    const { locked: _locked, ...free } = spot;
    return locked ? { ...free, locked: true } : free;
  });
}

/** The game with these things tied together, to be moved as one; or each by itself again. */
export function withTied(game: Game, levelIndex: number, things: readonly CourseThing[], tied: boolean): Game {
  const { course } = resolveLevel(game, levelIndex);
  const taken = [...new Set(allTies(course))];
  const id = freshId('tie', taken);
  return tagged(game, levelIndex, things, (spot) => {
    const { tied: _tied, ...free } = spot;
    return tied ? { ...free, tied: id } : free;
  });
}

function allTies(course: Game['course']): string[] {
  const lists: (readonly Spot[])[] = [
    ...Object.values(course.places),
    ...Object.values(course.targets),
    ...Object.values(course.routes ?? {}),
    course.obstacles ?? [],
    course.furniture,
    course.zones ?? [],
    course.patches ?? [],
  ];
  return lists.flat().flatMap((spot) => spot.tied ?? []);
}

function tagged(game: Game, levelIndex: number, things: readonly CourseThing[], change: (spot: Spot) => Spot): Game {
  const able = things.filter((thing) => thing.kind !== 'door');
  return withListed(game, levelIndex, able, false, (listed) => ('side' in listed ? listed : (change(listed) as Listed)));
}

/** Another thing in the place of these: their kind of object, or one of the teacher's own. */
export function withObject(game: Game, levelIndex: number, things: readonly CourseThing[], object: AimedId, own?: OwnThing, onlyHere = false): Game {
  return withListed(game, levelIndex, things, onlyHere, (listed) => {
    if (!('object' in listed)) return listed;
    const { widthM: _width, own: _own, ...rest } = listed;
    return { ...rest, object, ...(own && { own }) };
  });
}

/** Another name for what has one of its own: furniture, patches and zones. */
export function withName(game: Game, levelIndex: number, thing: CourseThing, name: string): Game {
  const kept = name.trim().slice(0, 30);
  if (kept === '') return game;
  return withListed(game, levelIndex, [thing], false, (listed) => ('name' in listed ? { ...listed, name: kept } : listed));
}

/** Another kind for a piece of furniture, or another ground for a patch. */
export function withGround(game: Game, levelIndex: number, thing: CourseThing, kind: string): Game {
  return withListed(game, levelIndex, [thing], false, (listed) => {
    if (thing.kind === 'furniture') return { ...(listed as Furniture), kind: kind as NonNullable<Furniture['kind']> };
    return thing.kind === 'patch' ? { ...(listed as Patch), surface: kind as Patch['surface'] } : listed;
  });
}

/**
 * A whole group of places or targets laid out in a pattern, at one level. When their number changes it changes at every level: other
 * levels keep their own middle, spacing and turn where they have a pattern, else what they have is cut short or goes on a little to the side.
 */
export function withPattern(game: Game, levelIndex: number, kind: 'place' | 'target', group: string, pattern: FoundPattern): Game {
  const pointer = `/course/${kind}s/${group}`;
  const here = listAt(resolveLevel(game, levelIndex).course, pointer) as readonly (Spot | PlacedTarget)[];
  if (here.length === 0) return game;
  const laid = (list: readonly (Spot | PlacedTarget)[], wanted: FoundPattern, level: Game) =>
    laidOutPattern(wanted).map((spot, index) => {
      const { locked: _locked, ...like } = list[Math.min(index, list.length - 1)]!;
      return { ...like, ...flat(insideFloor(level, spot)) };
    });
  const resized = (list: readonly (Spot | PlacedTarget)[]): readonly (Spot | PlacedTarget)[] => {
    const found = patternOf(list);
    if (found && found.kind !== 'single') return laid(list, { ...found, kind: pattern.kind, n: pattern.n }, game);
    return Array.from(
      { length: pattern.n },
      (_, index) => list[index] ?? { ...list.at(-1)!, ...flat(insideFloor(game, aside(list.at(-1)!, index - list.length + 1))) },
    );
  };
  const mine = laid(here, pattern, game);
  const own = kind === 'place' || pointer in game.levels[levelIndex]!.set;
  const others = pattern.n === here.length ? game : everywhere(game, pointer, (list) => resized(list as readonly (Spot | PlacedTarget)[]));
  return withCount(withList(others, levelIndex, pointer, mine, own));
}

const aside = (spot: Spot, steps: number): Spot => ({ xM: spot.xM, yM: spot.yM + 0.3 * steps });
