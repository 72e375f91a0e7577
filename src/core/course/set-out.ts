/** A level set out otherwise: another thing to aim at, other lengths from the marks to it. No motion in here: the child's page needs it. */
import type { AimedId } from '../objects/catalogue';
import type { Game, Spot } from '../rules/format/game';
import { aimOf, distancesOf, placedMarks, replacedBy, spotTowards } from './geometry';

/** The game with everything that is aimed at made of one thing. */
export function withTargetObject(game: Game, object: AimedId): Game {
  const targets = Object.fromEntries(
    Object.entries(game.course.targets).map(([group, list]) => [
      group,
      list.map((target) => (target.object === object ? target : replacedBy(target, object))),
    ]),
  );
  return { ...game, course: { ...game.course, targets } };
}

export interface MarkLength {
  readonly group: string;
  readonly index: number;
  readonly lengthM: number;
}

/** The game with some marks so far, metres, from what they look towards, each on its own line. */
export function withLengths(game: Game, lengths: readonly MarkLength[]): Game {
  const places: Record<string, Spot[]> = Object.fromEntries(Object.entries(game.course.places).map(([group, list]) => [group, [...list]]));
  for (const { group, index, lengthM } of lengths) {
    const spot = places[group]![index]!;
    const target = aimOf(game, group, spot);
    if (target) places[group]![index] = spotTowards(target, spot, lengthM);
  }
  return { ...game, course: { ...game.course, places } };
}

/** A level with one thing to aim at (or its own) and all its marks at these lengths, in the order of `placedMarks`. */
export function setOut(level: Game, object: AimedId | null, lengthsM: readonly number[]): Game {
  const game = object === null ? level : withTargetObject(level, object);
  return withLengths(
    game,
    placedMarks(game).flatMap(({ group, index, lengthM: now, towards }, at) => {
      const lengthM = lengthsM[at];
      return !towards || lengthM === undefined || Math.abs(lengthM - now) < 1e-9 ? [] : [{ group, index, lengthM }];
    }),
  );
}

/** What a go says of how it was set out: the things in the order of the course, the lengths in the order of the places. */
interface SetOutAs {
  readonly targets: readonly AimedId[];
  readonly distancesM: readonly number[];
}

/** A level as a go says that it was set out; null when it had fewer things or marks than the level, or things of several kinds. */
export function asSetOut(level: Game, { targets, distancesM }: SetOutAs): Game | null {
  const now = Object.values(level.course.targets).flatMap((list) => list.map((target) => target.object));
  if (distancesM.length !== distancesOf(level).length) return null;
  const same = targets.length === 0 || targets.every((object, index) => object === now[index]);
  if (same && (targets.length === 0 || targets.length === now.length)) return setOut(level, null, distancesM);
  const [object] = targets;
  return object !== undefined && targets.length === now.length && targets.every((one) => one === object) ? setOut(level, object, distancesM) : null;
}
