/** What can be taken hold of on a floor, and a game with it elsewhere. */
import { AIMED } from '../objects/catalogue';
import type { Course, Game, PlacedTarget, Spot } from '../rules/game';
import { resolveLevel } from '../rules/level';
import { aimOf, distanceM, insideFloor, spotTowards, type Layout } from './geometry';

export type CourseThing =
  | { readonly kind: 'place'; readonly group: string; readonly index: number }
  | { readonly kind: 'target'; readonly group: string; readonly index: number }
  | { readonly kind: 'obstacle'; readonly index: number };

/** Where a thing stands; undefined when the course has no such thing. */
export function spotOf(course: Course, thing: CourseThing): Spot | undefined {
  switch (thing.kind) {
    case 'place':
      return course.places[thing.group]?.[thing.index];
    case 'target':
      return course.targets[thing.group]?.[thing.index];
    case 'obstacle':
      return course.obstacles?.[thing.index];
  }
}

/** True for a group of pins: they stand as a set, and are moved as one. */
export function isPinSet(game: Game, group: string): boolean {
  return game.parts.some((part) => part.groups[group]?.kind === 'pin');
}

const WALL_M = { place: 0.1, target: 0.2, obstacle: 0.1 } as const;

/**
 * The game with a thing of one level elsewhere, inside the floor. Places belong to their level; targets and obstacles stand at every level
 * unless the level has them elsewhere already. Pins move as a set. The same game when there is no such thing.
 */
export function withThingAt(game: Game, levelIndex: number, thing: CourseThing, to: Spot): Game {
  const level = resolveLevel(game, levelIndex);
  const now = spotOf(level.course, thing);
  if (!now) return game;
  if (thing.kind === 'place') {
    const spots = level.course.places[thing.group]!;
    const spot = insideFloor(level, to, WALL_M.place);
    return set(game, levelIndex, `/course/places/${thing.group}`, spots.with(thing.index, spot), true);
  }
  const list: readonly PlacedTarget[] = thing.kind === 'target' ? level.course.targets[thing.group]! : level.course.obstacles!;
  const all = thing.kind === 'target' && isPinSet(game, thing.group);
  const by = { xM: to.xM - now.xM, yM: to.yM - now.yM };
  const wanted = list.map((one, index) => (all || index === thing.index ? { ...one, xM: one.xM + by.xM, yM: one.yM + by.yM } : one));
  // A set that would pass through a wall stops at it as a whole.
  const over = wanted.reduce(
    (most, one, index) => {
      if (!all && index !== thing.index) return most;
      const inside = insideFloor(level, one, WALL_M[thing.kind]);
      const x = inside.xM - one.xM;
      const y = inside.yM - one.yM;
      return { xM: Math.abs(x) > Math.abs(most.xM) ? x : most.xM, yM: Math.abs(y) > Math.abs(most.yM) ? y : most.yM };
    },
    { xM: 0, yM: 0 },
  );
  const moved = wanted.map((one, index) =>
    all || index === thing.index ? { ...one, xM: millimetres(one.xM + over.xM), yM: millimetres(one.yM + over.yM) } : one,
  );
  return set(game, levelIndex, thing.kind === 'target' ? `/course/targets/${thing.group}` : '/course/obstacles', moved, false);
}

/** The game with a place of one level so far from what it looks towards, on the line that it is on. */
export function withPlaceDistance(game: Game, levelIndex: number, group: string, index: number, lengthM: number): Game {
  const level = resolveLevel(game, levelIndex);
  const spot = level.course.places[group]?.[index];
  const aim = spot && aimOf(level, group, spot);
  if (!aim) return game;
  const to = spotTowards(aim, spot, lengthM);
  return withThingAt(game, levelIndex, { kind: 'place', group, index }, { xM: millimetres(to.xM), yM: millimetres(to.yM) });
}

/** The game with a target so wide: at the level where it has targets of its own, else at every level. */
export function withWidth(game: Game, levelIndex: number, group: string, index: number, widthM: number): Game {
  const list = resolveLevel(game, levelIndex).course.targets[group];
  if (!list?.[index]) return game;
  const [least, most] = AIMED[list[index].object].sizeM;
  const kept = millimetres(Math.min(most, Math.max(least, widthM)));
  return set(game, levelIndex, `/course/targets/${group}`, list.with(index, { ...list[index], widthM: kept }), false);
}

/** How far a place is from what it looks towards; undefined where that is nothing. */
export function placeDistance(layout: Layout, group: string, index: number): number | undefined {
  const spot = layout.course.places[group]?.[index];
  const aim = spot && aimOf(layout, group, spot);
  return aim && distanceM(spot, aim);
}

/**
 * Another floor. Everything is moved together as far as that keeps it inside, so that distances stay; what would still stand outside then
 * comes in to the wall, at every level.
 */
export function withFloor(game: Game, widthM: number, depthM: number): Game {
  const resized: Game = { ...game, course: { ...game.course, floor: { ...game.course.floor, widthM, depthM } } };
  const spots = resized.levels.flatMap((_, index) => {
    const level = resolveLevel(resized, index);
    return thingsOf(level).map((thing) => spotOf(level.course, thing)!);
  });
  const by = (most: number, at: (spot: Spot) => number) => {
    const over = Math.min(0, most - WALL_M.target - Math.max(...spots.map(at), 0));
    return Math.max(over, Math.min(0, WALL_M.place - Math.min(...spots.map(at), most)));
  };
  const moved = shifted(resized, { xM: by(widthM, (spot) => spot.xM), yM: by(depthM, (spot) => spot.yM) });
  return moved.levels.reduce(
    (next, _, level) => thingsOf(resolveLevel(next, level)).reduce((one, thing) => broughtIn(one, level, thing), next),
    moved,
  );
}

/** The whole course, at every level, so far to the side. */
function shifted(game: Game, by: Spot): Game {
  if (by.xM === 0 && by.yM === 0) return game;
  const list = <T extends Spot>(spots: readonly T[]) =>
    spots.map((one) => ({ ...one, xM: millimetres(one.xM + by.xM), yM: millimetres(one.yM + by.yM) }));
  const groups = <T extends Spot>(lists: Readonly<Record<string, readonly T[]>>) =>
    Object.fromEntries(Object.entries(lists).map(([id, spots]) => [id, list(spots)]));
  const { course } = game;
  const inside = <T extends Spot>(spots: readonly T[]) => list(spots).map((one) => ({ ...one, xM: Math.max(0, one.xM), yM: Math.max(0, one.yM) }));
  return {
    ...game,
    course: {
      ...course,
      furniture: inside(course.furniture),
      places: groups(course.places),
      targets: groups(course.targets),
      ...(course.obstacles && { obstacles: list(course.obstacles) }),
      ...(course.routes && { routes: Object.fromEntries(Object.entries(course.routes).map(([id, way]) => [id, inside(way)])) }),
      ...(course.zones && { zones: inside(course.zones) }),
    },
    levels: game.levels.map((level) => ({
      ...level,
      set: Object.fromEntries(
        Object.entries(level.set).map(([pointer, value]) => [
          pointer,
          /^\/course\/(places|targets)\/[^/]+$|^\/course\/obstacles$/.test(pointer) ? list(value as readonly Spot[]) : value,
        ]),
      ),
    })),
  };
}

function broughtIn(game: Game, levelIndex: number, thing: CourseThing): Game {
  const level = resolveLevel(game, levelIndex);
  const now = spotOf(level.course, thing)!;
  const inside = insideFloor(level, now, WALL_M[thing.kind]);
  return inside.xM === now.xM && inside.yM === now.yM ? game : withThingAt(game, levelIndex, thing, inside);
}

/** Everything of a game resolved to one level that can be taken hold of: targets, then what stands in the way, then places. */
export function thingsOf({ course }: Pick<Game, 'course'>): readonly CourseThing[] {
  const each = (kind: 'place' | 'target', groups: Readonly<Record<string, readonly Spot[]>>) =>
    Object.entries(groups).flatMap(([group, list]) => list.map((_, index): CourseThing => ({ kind, group, index })));
  return [
    ...each('target', course.targets),
    ...(course.obstacles ?? []).map((_, index): CourseThing => ({ kind: 'obstacle', index })),
    ...each('place', course.places),
  ];
}

/** Sets a slot in the level where it is the level's own (or is to become so), else in the game. */
function set(game: Game, levelIndex: number, pointer: string, value: unknown, own: boolean): Game {
  if (own || pointer in game.levels[levelIndex]!.set)
    return {
      ...game,
      levels: game.levels.map((level, index) => (index === levelIndex ? { ...level, set: { ...level.set, [pointer]: value } } : level)),
    } as Game;
  const [, , field, group] = pointer.split('/') as ['', 'course', 'targets' | 'obstacles', string?];
  const course =
    field === 'obstacles' ? { ...game.course, obstacles: value } : { ...game.course, targets: { ...game.course.targets, [group!]: value } };
  return { ...game, course } as Game;
}

function millimetres(lengthM: number): number {
  return Math.round(lengthM * 1000) / 1000;
}
