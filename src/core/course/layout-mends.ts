/** Ways to mend a layout, the smallest change first: each is tried by who asks before it is offered. */
import { IMPLEMENTS } from '../objects/catalogue';
import type { Game, Place } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import type { Flight } from './flights';
import { insideFloor } from './geometry';
import { millimetres, withList, withMirrored, withThingAt } from './move';
import { overlapM, standing, TOUCH_M } from './overlap';
import { keyOf, movedWith, spotOf, type CourseThing } from './things';

export interface LayoutMend {
  readonly label: string;
  readonly game: Game;
}

/** The places of some tries turned about what they look towards, by more and more, as far as they stay on the floor; then all the other way round. */
export function* turnedAway(game: Game, levelIndex: number, flights: readonly Flight[]): Generator<LayoutMend> {
  const level = resolveLevel(game, levelIndex);
  const label = flights.length > 1 ? 'Turn the marks away' : 'Turn the mark away';
  for (let degrees = 10; degrees <= 180; degrees += 10)
    for (const sign of [1, -1]) {
      const groups = turnedPlaces(level, flights, (sign * degrees * Math.PI) / 180);
      if (groups)
        yield { label, game: [...groups].reduce((so, [group, spots]) => withList(so, levelIndex, `/course/places/${group}`, spots, true), game) };
    }
  for (const axis of ['across', 'down'] as const) yield { label: 'Play it the other way round', game: withMirrored(game, axis) };
}

/** Null where one of them would leave the floor, or is locked. */
function turnedPlaces(level: Game, flights: readonly Flight[], angleRad: number): ReadonlyMap<string, readonly Place[]> | null {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const groups = new Map<string, readonly Place[]>();
  for (const { group, index, target } of flights) {
    const mark = level.course.places[group]![index]!;
    const [x, y] = [mark.xM - target.xM, mark.yM - target.yM];
    const to = { ...mark, xM: millimetres(target.xM + x * cos - y * sin), yM: millimetres(target.yM + x * sin + y * cos) };
    const inside = insideFloor(level, to);
    if (inside.xM !== to.xM || inside.yM !== to.yM || mark.locked) return null;
    groups.set(group, (groups.get(group) ?? level.course.places[group]!).with(index, to));
  }
  return groups;
}

/** A soft ball in place of a bounding one. */
export function* softBall(game: Game): Generator<LayoutMend> {
  const ball = IMPLEMENTS[game.kit.implement];
  if (ball.moves === 'ball' && ball.restitution > 0.3)
    yield { label: 'Use a sock ball', game: { ...game, kit: { ...game.kit, implement: 'sock-ball' } } };
}

/** A thing (or its whole set) moved away from another, straight or to the side, to where nothing stands in it. */
export function* apart(game: Game, levelIndex: number, stays: CourseThing, moves: CourseThing, alone: boolean): Generator<LayoutMend> {
  const level = resolveLevel(game, levelIndex);
  const [p, q] = [spotOf(level.course, stays)!, spotOf(level.course, moves)!];
  const away = Math.atan2(q.yM - p.yM, q.xM - p.xM);
  const moved = movedWith(level, [moves], alone);
  const mine = new Set(moved.map(keyOf));
  for (let length = 0.05; length < 2.5; length += 0.05)
    for (const turn of [0, Math.PI / 4, -Math.PI / 4, Math.PI / 2, -Math.PI / 2, Math.PI]) {
      const to = { xM: q.xM + length * Math.cos(away + turn), yM: q.yM + length * Math.sin(away + turn) };
      const next = withThingAt(game, levelIndex, moves, to, { alone });
      const there = resolveLevel(next, levelIndex);
      const others = standing(there).filter((other) => !mine.has(keyOf(other)));
      if (moved.every((one) => others.every((other) => overlapM(there, one, other) <= TOUCH_M)))
        yield { label: alone ? 'Move it clear' : 'Move the set clear', game: next };
    }
}
