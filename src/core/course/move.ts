/** A game with things of its course elsewhere: moved, turned, spread, put in line. Everything stays inside the floor. */
import { AIMED, outlineWidthM, shapeOf } from '../objects/catalogue';
import { BOX_M } from '../rules/format/box';
import type { Box, Door, FloorSide, Game, Place, PlacedTarget, Spot } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { aimOf, distanceM, insideFloor, middleOfAll, spotTowards, type Layout } from './geometry';
import { halfSizeM, listAt, listedOf, middleOf, movedWith, pointerOf, spotOf, thingsOf, type CourseThing, type Listed } from './things';

/** How far the middle of a thing keeps from the wall, metres. */
const WALL_M = 0.1;
const TARGET_WALL_M = 0.2;

const wallOf = (thing: CourseThing) => (thing.kind === 'target' ? TARGET_WALL_M : WALL_M);

/**
 * The game with a thing of one level elsewhere. Places belong to their level; all else stands at every level, unless the level has it
 * elsewhere already or `onlyHere` says so. Pins move as a set and tied things together, unless `alone`. The same game when there is no
 * such thing or it is locked.
 */
export function withThingAt(game: Game, levelIndex: number, thing: CourseThing, to: Spot, how: HowToMove = {}): Game {
  const level = resolveLevel(game, levelIndex);
  const now = spotOf(level.course, thing);
  if (!now) return game;
  return withThingsMoved(game, levelIndex, [thing], { xM: to.xM - now.xM, yM: to.yM - now.yM }, how);
}

export interface HowToMove {
  /** One pin of a set, or one thing of those that are tied, by itself. */
  readonly alone?: boolean;
  /** At this level only, where it would be moved at every level. */
  readonly onlyHere?: boolean;
}

/** The game with these things (and what goes with them) so far to the side; what would pass through a wall stops at it as a whole. */
export function withThingsMoved(game: Game, levelIndex: number, things: readonly CourseThing[], by: Spot, how: HowToMove = {}): Game {
  const level = resolveLevel(game, levelIndex);
  const moving = movedWith(level, things, how.alone);
  if (moving.length === 0) return game;
  const over = moving.reduce(
    (most, thing) => {
      if (thing.kind === 'door') return most;
      const listed = listedOf(level.course, thing)!;
      const now = middleOf(level.course, listed);
      const wanted = { xM: now.xM + by.xM, yM: now.yM + by.yM };
      const inside = withinFloor(level, thing, listed, wanted);
      const x = inside.xM - wanted.xM;
      const y = inside.yM - wanted.yM;
      return { xM: Math.abs(x) > Math.abs(most.xM) ? x : most.xM, yM: Math.abs(y) > Math.abs(most.yM) ? y : most.yM };
    },
    { xM: 0, yM: 0 },
  );
  return withListed(game, levelIndex, moving, how.onlyHere ?? false, (listed) =>
    shiftedBy(level, listed, { xM: by.xM + over.xM, yM: by.yM + over.yM }),
  );
}

/** A place or a target keeps a little off the walls; furniture, patches and boxes stand within them whole. */
function withinFloor(level: Game, thing: CourseThing, listed: Listed, spot: Spot): Spot {
  const boxed = thing.kind === 'place' && (listed as Place).box !== undefined;
  if (thing.kind !== 'furniture' && thing.kind !== 'patch' && !boxed) return insideFloor(level, spot, wallOf(thing));
  const half = halfSizeM(listed);
  const { widthM, depthM } = level.course.floor;
  const within = (value: number, most: number, margin: number) => (2 * margin >= most ? most / 2 : Math.min(most - margin, Math.max(margin, value)));
  return { xM: within(spot.xM, widthM, half.xM), yM: within(spot.yM, depthM, half.yM) };
}

function shiftedBy(level: Game, listed: Listed, by: Spot): Listed {
  if (!('side' in listed)) return { ...listed, xM: millimetres(listed.xM + by.xM), yM: millimetres(listed.yM + by.yM) };
  const now = middleOf(level.course, listed);
  return doorAt(level, listed, { xM: now.xM + by.xM, yM: now.yM + by.yM });
}

/** A door goes along its wall, and on to another when that is nearer. */
function doorAt(level: Game, door: Door, to: Spot): Door {
  const { widthM, depthM } = level.course.floor;
  const gaps: readonly (readonly [FloorSide, number])[] = [
    ['top', Math.abs(to.yM)],
    ['bottom', Math.abs(depthM - to.yM)],
    ['left', Math.abs(to.xM)],
    ['right', Math.abs(widthM - to.xM)],
  ];
  const now = gaps.find(([side]) => side === door.side)!;
  const nearest = gaps.reduce((near, one) => (one[1] < near[1] - 0.05 ? one : near), now);
  const along = nearest[0] === 'top' || nearest[0] === 'bottom';
  const half = door.widthM / 2;
  const most = along ? widthM : depthM;
  const at = Math.min(most - half, Math.max(half, along ? to.xM : to.yM));
  return { ...door, side: nearest[0], atM: millimetres(Math.max(0, at)) };
}

/** The game with what these things list changed one by one, list by list. */
export function withListed(
  game: Game,
  levelIndex: number,
  things: readonly CourseThing[],
  onlyHere: boolean,
  change: (listed: Listed, thing: CourseThing) => Listed,
): Game {
  const byList = new Map<string, CourseThing[]>();
  for (const thing of things) byList.set(pointerOf(thing), [...(byList.get(pointerOf(thing)) ?? []), thing]);
  const { course } = resolveLevel(game, levelIndex);
  let next = game;
  for (const [pointer, members] of byList) {
    const list = [...listAt(course, pointer)];
    if (members.every((thing) => !list[thing.index])) continue;
    for (const thing of members) if (list[thing.index]) list[thing.index] = change(list[thing.index]!, thing);
    next = withList(next, levelIndex, pointer, list, onlyHere || members[0]!.kind === 'place');
  }
  return next;
}

/** Sets a list in the level where it is the level's own (or is to become so), else in the game. */
export function withList(game: Game, levelIndex: number, pointer: string, list: readonly Listed[], own: boolean): Game {
  const level = game.levels[levelIndex]!;
  if (own || pointer in level.set)
    return {
      ...game,
      ...(listAt(game.course, pointer).length === 0 && { course: courseWith(game, pointer, list) }),
      levels: game.levels.map((one, index) => (index === levelIndex ? { ...one, set: { ...one.set, [pointer]: list } } : one)),
    };
  return { ...game, course: courseWith(game, pointer, list) };
}

/** The course with a list in place of another; an empty one of many kinds is left out. */
export function courseWith({ course }: Game, pointer: string, list: readonly Listed[]): Game['course'] {
  const [, , field, group] = pointer.split('/') as ['', 'course', string, string?];
  if (group === undefined) return { ...course, [field]: list } as Game['course'];
  const groups = { ...(course as unknown as Record<string, Record<string, readonly Listed[]> | undefined>)[field] };
  if (list.length === 0) delete groups[group];
  else groups[group] = list;
  return { ...course, [field]: groups } as Game['course'];
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

/** The size of a thing across, as far as its kind has such sizes: at the level where it has its own list, else at every level. */
export function withWidth(game: Game, levelIndex: number, thing: CourseThing, widthM: number, onlyHere = false): Game {
  return withListed(game, levelIndex, [thing], onlyHere, (listed) => widened(listed, widthM));
}

function widened(listed: Listed, widthM: number): Listed {
  if ('object' in listed) {
    const [least, most] = listed.own ? [0.05, 3] : AIMED[listed.object].sizeM;
    return { ...listed, widthM: millimetres(Math.min(most, Math.max(least, widthM))) };
  }
  if ('radiusM' in listed) return { ...listed, radiusM: millimetres(Math.min(20, Math.max(0.05, widthM / 2))) };
  return 'widthM' in listed ? { ...listed, widthM: millimetres(Math.min(30, Math.max(0.3, widthM))) } : listed;
}

/** A thing so many times as large, about its middle. */
function sized(listed: Listed, factor: number): Listed {
  if ('object' in listed) return widened(listed, outlineWidthM(shapeOf(listed)) * factor);
  if ('radiusM' in listed) return widened(listed, 2 * listed.radiusM * factor);
  if ('side' in listed) return widened(listed, listed.widthM * factor);
  if ('box' in listed && listed.box) {
    const side = (value: number) => millimetres(Math.min(BOX_M[1], Math.max(BOX_M[0], value * factor)));
    return { ...listed, box: { widthM: side(listed.box.widthM), depthM: side(listed.box.depthM) } };
  }
  if (!('depthM' in listed)) return listed;
  const widthM = millimetres(Math.min(30, Math.max(0.1, listed.widthM * factor)));
  const depthM = millimetres(Math.min(30, Math.max(0.02, listed.depthM * factor)));
  const corner = (at: number, before: number, after: number) => millimetres(Math.max(0, at + (before - after) / 2));
  return { ...listed, widthM, depthM, xM: corner(listed.xM, listed.widthM, widthM), yM: corner(listed.yM, listed.depthM, depthM) };
}

/** Another depth for what has one of its own: furniture and patches. */
export function withDepth(game: Game, levelIndex: number, thing: CourseThing, depthM: number): Game {
  return withListed(game, levelIndex, [thing], false, (listed) =>
    'depthM' in listed && !('object' in listed) ? { ...listed, depthM: millimetres(Math.min(30, Math.max(0.02, depthM))) } : listed,
  );
}

/** A place as a box of this size about where it was, as far as the floor goes, or as a point again; places belong to their level. */
export function withBox(game: Game, levelIndex: number, thing: CourseThing, box: Box | null): Game {
  const { floor } = resolveLevel(game, levelIndex).course;
  const side = (value: number, most: number) => millimetres(Math.min(BOX_M[1], most, Math.max(BOX_M[0], value)));
  const boxed = withListed(game, levelIndex, [thing], true, (listed) => {
    const { box: _was, ...point } = listed as Place;
    return box === null ? point : { ...point, box: { widthM: side(box.widthM, floor.widthM), depthM: side(box.depthM, floor.depthM) } };
  });
  // Beside a wall it goes as far off it as it needs.
  return withThingsMoved(boxed, levelIndex, [thing], { xM: 0, yM: 0 }, { alone: true });
}

/** Another height of what a thing stands on. */
export function withStand(game: Game, levelIndex: number, thing: CourseThing, standM: number): Game {
  return withListed(game, levelIndex, [thing], false, (listed) =>
    'object' in listed ? { ...listed, standM: millimetres(Math.min(2, Math.max(0, standM))) } : listed,
  );
}

/**
 * Things turned by an angle about their common middle, radians clockwise as seen from above; one thing turns in place. The same game
 * where that would put one of them outside the floor.
 */
export function withTurned(game: Game, levelIndex: number, things: readonly CourseThing[], byRad: number, how: HowToMove = {}): Game {
  return transformed(game, levelIndex, things, how, (spot, about) => {
    const [cos, sin] = [Math.cos(byRad), Math.sin(byRad)];
    const x = spot.xM - about.xM;
    const y = spot.yM - about.yM;
    return { xM: about.xM + x * cos - y * sin, yM: about.yM + x * sin + y * cos, turnRad: byRad };
  });
}

/**
 * Things moved apart or together about their common middle; one thing by itself is made larger or smaller, as far as its kind goes. The same
 * game where that would put one of them outside the floor.
 */
export function withSpread(game: Game, levelIndex: number, things: readonly CourseThing[], factor: number, how: HowToMove = {}): Game {
  const level = resolveLevel(game, levelIndex);
  const [only, ...more] = movedWith(level, things, how.alone);
  if (only && more.length === 0) return withListed(game, levelIndex, [only], how.onlyHere ?? false, (listed) => sized(listed, factor));
  return transformed(game, levelIndex, things, how, (spot, about) => ({
    xM: about.xM + (spot.xM - about.xM) * factor,
    yM: about.yM + (spot.yM - about.yM) * factor,
    turnRad: 0,
  }));
}

type Transform = (spot: Spot, about: Spot) => Spot & { readonly turnRad: number };

function transformed(game: Game, levelIndex: number, things: readonly CourseThing[], how: HowToMove, to: Transform): Game {
  const level = resolveLevel(game, levelIndex);
  const moving = movedWith(level, things, how.alone).filter((thing) => thing.kind !== 'door');
  if (moving.length === 0) return game;
  const spots = moving.map((thing) => spotOf(level.course, thing)!);
  const [only] = moving;
  // One place by itself turns about what it looks towards.
  const pivot = moving.length === 1 && only!.kind === 'place' ? aimOf(level, only!.group, spots[0]!) : undefined;
  const about = pivot ?? middleOfAll(spots);
  const moved = new Map(moving.map((thing, index) => [JSON.stringify(thing), to(spots[index]!, about)]));
  const outside = [...moved.values()].some((spot) => {
    const inside = insideFloor(level, spot, 0.02);
    return Math.abs(inside.xM - spot.xM) + Math.abs(inside.yM - spot.yM) > 1e-6;
  });
  if (outside) return game;
  return withListed(game, levelIndex, moving, how.onlyHere ?? false, (listed, thing) => {
    const now = middleOf(level.course, listed);
    const next = moved.get(JSON.stringify(thing))!;
    const shifted = shiftedBy(level, listed, { xM: next.xM - now.xM, yM: next.yM - now.yM });
    return 'turnRad' in shifted ? { ...shifted, turnRad: wholeTurn(shifted.turnRad + next.turnRad) } : shifted;
  });
}

/** An angle between −π and π, to a thousandth. */
function wholeTurn(rad: number): number {
  return Math.round(Math.atan2(Math.sin(rad), Math.cos(rad)) * 1000) / 1000;
}

export type Alignment = 'in-a-row' | 'in-a-column' | 'evenly' | 'same-distance';

/** Things put in line: on one height, in one column, evenly spaced between the two that are farthest apart, or as far from their target as the first. */
export function withAligned(game: Game, levelIndex: number, things: readonly CourseThing[], how: Alignment): Game {
  const level = resolveLevel(game, levelIndex);
  const spots = things.map((thing) => spotOf(level.course, thing)!);
  if (things.length < 2) return game;
  const wanted = alignedSpots(level, things, spots, how);
  return things.reduce((next, thing, index) => withThingAt(next, levelIndex, thing, wanted[index]!, { alone: true }), game);
}

function alignedSpots(level: Game, things: readonly CourseThing[], spots: readonly Spot[], how: Alignment): readonly Spot[] {
  switch (how) {
    case 'in-a-row':
      return spots.map((spot) => ({ xM: spot.xM, yM: spots[0]!.yM }));
    case 'in-a-column':
      return spots.map((spot) => ({ xM: spots[0]!.xM, yM: spot.yM }));
    case 'evenly': {
      const pairs = spots.flatMap((one, i) => spots.slice(i + 1).map((other) => [one, other] as const));
      const [from, to] = pairs.reduce((far, pair) => (distanceM(...pair) > distanceM(...far) ? pair : far));
      const along = (spot: Spot) => (spot.xM - from.xM) * (to.xM - from.xM) + (spot.yM - from.yM) * (to.yM - from.yM);
      const order = spots.map((_, index) => index).sort((a, b) => along(spots[a]!) - along(spots[b]!));
      return spots.map((_, index) => {
        const share = order.indexOf(index) / (spots.length - 1);
        return { xM: from.xM + (to.xM - from.xM) * share, yM: from.yM + (to.yM - from.yM) * share };
      });
    }
    case 'same-distance': {
      const first = things[0]!;
      const length = first.kind === 'place' ? placeDistance(level, first.group, first.index) : undefined;
      return spots.map((spot, index) => {
        const thing = things[index]!;
        const aim = thing.kind === 'place' ? aimOf(level, thing.group, spot) : undefined;
        return aim && length !== undefined ? spotTowards(aim, spot, length) : spot;
      });
    }
  }
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
    const over = Math.min(0, most - TARGET_WALL_M - Math.max(...spots.map(at), 0));
    return Math.max(over, Math.min(0, WALL_M - Math.min(...spots.map(at), most)));
  };
  const moved = shifted(resized, { xM: by(widthM, (spot) => spot.xM), yM: by(depthM, (spot) => spot.yM) });
  return moved.levels.reduce(
    (next, _, level) => thingsOf(resolveLevel(next, level)).reduce((one, thing) => broughtIn(one, level, thing), next),
    moved,
  );
}

/** The game the other way round, at every level: what is played with mirrored across the floor or down it; furniture, ground and doors stay. */
export function withMirrored(game: Game, axis: 'across' | 'down'): Game {
  const { widthM, depthM } = game.course.floor;
  const flip = <T extends Spot>(spot: T): T => {
    const there = axis === 'across' ? { ...spot, xM: millimetres(widthM - spot.xM) } : { ...spot, yM: millimetres(depthM - spot.yM) };
    return 'turnRad' in there ? { ...there, turnRad: wholeTurn((axis === 'across' ? Math.PI : 0) - (there.turnRad as number)) } : there;
  };
  const list = <T extends Spot>(spots: readonly T[]) => spots.map(flip);
  const groups = <T extends Spot>(lists: Readonly<Record<string, readonly T[]>>) =>
    Object.fromEntries(Object.entries(lists).map(([id, spots]) => [id, list(spots)]));
  const { course } = game;
  return {
    ...game,
    course: {
      ...course,
      places: groups(course.places),
      targets: groups(course.targets),
      ...(course.obstacles && { obstacles: list(course.obstacles) }),
      ...(course.routes && { routes: groups(course.routes) }),
      ...(course.zones && { zones: list(course.zones) }),
    },
    levels: game.levels.map((level) => ({
      ...level,
      set: Object.fromEntries(
        Object.entries(level.set).map(([pointer, value]) => [
          pointer,
          /^\/course\/((places|targets|routes)\/[^/]+|obstacles|zones)$/.test(pointer) ? list(value as readonly Spot[]) : value,
        ]),
      ),
    })),
  };
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
      ...(course.patches && { patches: inside(course.patches) }),
    },
    levels: game.levels.map((level) => ({
      ...level,
      set: Object.fromEntries(
        Object.entries(level.set).map(([pointer, value]) => [
          pointer,
          /^\/course\/(places|targets)\/[^/]+$|^\/course\/obstacles$/.test(pointer)
            ? list(value as readonly Spot[])
            : /^\/course\/(furniture|zones|patches|routes\/[^/]+)$/.test(pointer)
              ? inside(value as readonly Spot[])
              : value,
        ]),
      ),
    })),
  };
}

function broughtIn(game: Game, levelIndex: number, thing: CourseThing): Game {
  const level = resolveLevel(game, levelIndex);
  const now: PlacedTarget | Spot = spotOf(level.course, thing)!;
  const inside = insideFloor(level, now, wallOf(thing));
  return inside.xM === now.xM && inside.yM === now.yM ? game : withThingAt(game, levelIndex, thing, inside);
}

export function millimetres(lengthM: number): number {
  // Never a minus nought, which JSON does not keep.
  return Math.round(lengthM * 1000) / 1000 + 0;
}
