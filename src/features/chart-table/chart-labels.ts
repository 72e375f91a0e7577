/** What stands beside the things of the chart: their names, where there is room for them; what is measured. */
import { aimOf, distanceM } from '@/core/course/geometry';
import { groundOf, keyOf, listedOf, spotOf, thingsOf, type CourseThing } from '@/core/course/things';
import { nameOf, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { Course, Game, PlacedTarget, Spot } from '@/core/rules/format/game';

/** What is measured: between two things that are picked, or from a place to what it looks towards. */
export function dimensionOf(level: Game, picked: readonly CourseThing[]): { mark: Spot; target: Spot } | null {
  const [one, other] = picked;
  const mark = one && spotOf(level.course, one);
  if (!mark) return null;
  if (picked.length === 2) {
    const target = spotOf(level.course, other!);
    return target ? { mark, target } : null;
  }
  const target = picked.length === 1 && one.kind === 'place' ? aimOf(level, one.group, mark) : undefined;
  return target ? { mark, target } : null;
}

/** A tape is laid to the middle of a thing that it comes near. */
export function nearThing(level: Game, at: Spot): Spot {
  const near = [...thingsOf(level), ...groundOf(level)]
    .map((thing) => spotOf(level.course, thing)!)
    .filter((spot) => distanceM(spot, at) < 0.12)
    .sort((a, b) => distanceM(a, at) - distanceM(b, at))[0];
  return near ?? { xM: Math.round(at.xM * 100) / 100, yM: Math.round(at.yM * 100) / 100 };
}

/** A group that stands closely together bears its name above all of it. Metres. */
const CLOSE_M = 1.3;

/** Where the name of a thing (and of the group that it is the first of) stands, in centimetres from its middle. */
export function labelSpot(course: Course, thing: CourseThing, stands: PlacedTarget): { readonly x: number; readonly y: number } {
  const half = outlineWidthM(shapeOf(stands)) * 50;
  const list = thing.kind === 'target' ? course.targets[thing.group]! : [stands];
  const xs = list.map((one) => one.xM);
  const ys = list.map((one) => one.yM);
  const [left, right, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys)];
  if (list.length === 1 || right - left > CLOSE_M || Math.max(...ys) - top > CLOSE_M) return { x: 0, y: -half };
  return { x: ((left + right) / 2 - stands.xM) * 100, y: (top - stands.yM) * 100 - half };
}

const LETTER_PX = 6.8;
const LINE_PX = 17;

/** The names that stand below their thing, since above it they would run into the name of another. */
export function namesBelow(level: Game, things: readonly CourseThing[], px: number): ReadonlySet<string> {
  const above: { x: number; y: number; half: number }[] = [];
  const below = new Set<string>();
  for (const thing of things) {
    if (thing.kind === 'place' || !isFirstOfItsName(level.course, thing)) continue;
    const stands = listedOf(level.course, thing) as PlacedTarget;
    const half = (nameOf(stands).length * LETTER_PX * px) / 2;
    const at = labelSpot(level.course, thing, stands);
    const label = { x: stands.xM * 100 + at.x, y: stands.yM * 100 + at.y, half };
    const high = label.y < 18 * px;
    const meets = above.some((other) => Math.abs(other.x - label.x) < other.half + half && Math.abs(other.y - label.y) < LINE_PX * px);
    if (meets || high) below.add(keyOf(thing));
    else above.push(label);
  }
  return below;
}

/** Of things that are alike the first bears the name. */
export function isFirstOfItsName(course: Course, thing: CourseThing): boolean {
  const list = thing.kind === 'obstacle' ? (course.obstacles ?? []) : Object.values(course.targets).flat();
  const now = listedOf(course, thing) as PlacedTarget;
  return list.find((other) => nameOf(other) === nameOf(now)) === now;
}

/** The name that the game gives to a place, where it has one. */
export function labelOf(game: Game, group: string, index: number): string | undefined {
  return game.parts.map((part) => part.groups[group]?.labels?.[index]).find((one) => one !== undefined);
}

/** What stands in the circle of a mark: what a hit from there gives, or its number among several. */
export function badgeOf(game: Game, group: string, index: number): string {
  const rule = game.parts.map((part) => part.groups[group]).find((one) => one !== undefined);
  if (rule?.value) return `${rule.value[index]}`;
  return (rule?.n ?? game.course.places[group]?.length ?? 1) > 1 ? `${index + 1}` : '';
}
