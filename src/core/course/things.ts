/** What stands on a floor, each thing by its kind and its number, and the lists of the game that hold them. */
import { halvesM } from './geometry';
import type { Course, Door, Furniture, Game, Patch, Place, PlacedTarget, Spot, Zone } from '../rules/format/game';

export type CourseThing =
  | { readonly kind: 'place' | 'target' | 'turn'; readonly group: string; readonly index: number }
  | { readonly kind: 'obstacle' | 'furniture' | 'zone' | 'patch' | 'door'; readonly index: number };

export type ThingKind = CourseThing['kind'];

/** Anything that a course lists: a spot with more to it, or a door on a side. */
export type Listed = Place | PlacedTarget | Furniture | Zone | Patch | Door;

/** The slot of the game that lists a thing, as a JSON Pointer. */
export function pointerOf(thing: CourseThing): string {
  switch (thing.kind) {
    case 'place':
      return `/course/places/${thing.group}`;
    case 'target':
      return `/course/targets/${thing.group}`;
    case 'turn':
      return `/course/routes/${thing.group}`;
    case 'obstacle':
      return '/course/obstacles';
    case 'furniture':
      return '/course/furniture';
    case 'zone':
      return '/course/zones';
    case 'patch':
      return '/course/patches';
    case 'door':
      return '/course/doors';
  }
}

/** The list that a pointer of a course names; empty where the course has none. */
export function listAt(course: Course, pointer: string): readonly Listed[] {
  const [, , field, group] = pointer.split('/') as ['', 'course', keyof Course, string?];
  const value = course[field] as readonly Listed[] | Readonly<Record<string, readonly Listed[]>> | undefined;
  if (value === undefined) return [];
  return group === undefined ? (value as readonly Listed[]) : ((value as Readonly<Record<string, readonly Listed[]>>)[group] ?? []);
}

/** What a course lists for a thing; undefined when it has no such thing. */
export function listedOf(course: Course, thing: CourseThing): Listed | undefined {
  return listAt(course, pointerOf(thing))[thing.index];
}

/** Where the middle of a thing is; undefined when the course has no such thing. */
export function spotOf(course: Course, thing: CourseThing): Spot | undefined {
  const listed = listedOf(course, thing);
  return listed && middleOf(course, listed);
}

/** The middle of what a course lists. */
export function middleOf(course: Pick<Course, 'floor'>, listed: Listed): Spot {
  if ('side' in listed) {
    const { widthM, depthM } = course.floor;
    switch (listed.side) {
      case 'top':
        return { xM: listed.atM, yM: 0 };
      case 'bottom':
        return { xM: listed.atM, yM: depthM };
      case 'left':
        return { xM: 0, yM: listed.atM };
      case 'right':
        return { xM: widthM, yM: listed.atM };
    }
  }
  return 'depthM' in listed ? { xM: listed.xM + listed.widthM / 2, yM: listed.yM + listed.depthM / 2 } : listed;
}

/** Half of what a thing takes up along x and along y, metres; nothing for a place that is a point, a turn of a way and a door. */
export function halfSizeM(listed: Listed): Spot {
  if ('side' in listed) return { xM: 0, yM: 0 };
  if ('depthM' in listed) return { xM: listed.widthM / 2, yM: listed.depthM / 2 };
  if ('radiusM' in listed) return { xM: listed.radiusM, yM: listed.radiusM };
  if ('box' in listed && listed.box) return { xM: listed.box.widthM / 2, yM: listed.box.depthM / 2 };
  if (!('object' in listed)) return { xM: 0, yM: 0 };
  const { along, across } = halvesM(listed);
  const [cos, sin] = [Math.abs(Math.cos(listed.turnRad)), Math.abs(Math.sin(listed.turnRad))];
  return { xM: along * cos + across * sin, yM: along * sin + across * cos };
}

/** True for a group of pins: they stand as a set, and are moved as one. */
export function isPinSet(game: Pick<Game, 'parts'>, group: string): boolean {
  return game.parts.some((part) => part.groups[group]?.kind === 'pin');
}

/** Everything of a game resolved to one level that is played with: targets, then what stands in the way, then places. */
export function thingsOf({ course }: Pick<Game, 'course'>): readonly CourseThing[] {
  return [...grouped('target', course.targets), ...counted('obstacle', course.obstacles), ...grouped('place', course.places)];
}

/** Everything that a floor itself has: ground and patches first, since other things stand on them. */
export function groundOf({ course }: Pick<Game, 'course'>): readonly CourseThing[] {
  return [
    ...counted('patch', course.patches),
    ...counted('zone', course.zones),
    ...counted('furniture', course.furniture),
    ...counted('door', course.doors),
    ...grouped('turn', course.routes ?? {}),
  ];
}

const grouped = (kind: 'place' | 'target' | 'turn', groups: Readonly<Record<string, readonly unknown[]>>): CourseThing[] =>
  Object.entries(groups).flatMap(([group, list]) => list.map((_, index): CourseThing => ({ kind, group, index })));

const counted = (kind: 'obstacle' | 'furniture' | 'zone' | 'patch' | 'door', list: readonly unknown[] = []): CourseThing[] =>
  list.map((_, index): CourseThing => ({ kind, index }));

/** One key a thing, to compare and to look up by. */
export function keyOf(thing: CourseThing): string {
  return `${thing.kind} ${'group' in thing ? thing.group : ''} ${thing.index}`;
}

/** Whether a thing stays where it is until it is unlocked. */
export function isLocked(course: Course, thing: CourseThing): boolean {
  const listed = listedOf(course, thing);
  return listed !== undefined && 'locked' in listed && listed.locked === true;
}

/** What is moved with these things: whole sets of pins, and whatever is tied to them. Without the locked ones. */
export function movedWith(game: Pick<Game, 'course' | 'parts'>, things: readonly CourseThing[], alone = false): readonly CourseThing[] {
  const all = [...thingsOf(game), ...groundOf(game)];
  const ties = new Set(alone ? [] : things.flatMap((thing) => tieOf(game.course, thing) ?? []));
  const sets = new Set(alone ? [] : things.flatMap((thing) => (thing.kind === 'target' && isPinSet(game, thing.group) ? [thing.group] : [])));
  const wanted = new Set(things.map(keyOf));
  return all.filter(
    (thing) =>
      !isLocked(game.course, thing) &&
      (wanted.has(keyOf(thing)) || ties.has(tieOf(game.course, thing) ?? '') || (thing.kind === 'target' && sets.has(thing.group))),
  );
}

export function tieOf(course: Course, thing: CourseThing): string | undefined {
  const listed = listedOf(course, thing);
  return listed && 'tied' in listed ? listed.tied : undefined;
}
