/** What pacing out does to a level: marks go to whole half steps, and the chance from there is another one. */
import { withLengths } from '../course/set-out';
import { distanceM, placedMarks } from '../course/geometry';
import { stepPace, toParts } from '../measure/lengths';
import type { Thrower } from '../motion/release';
import type { Game } from '../rules/format/game';
import { aimedPlaces, chanceFrom, nearestTarget } from './solve';

export interface PacingShift {
  readonly group: string;
  readonly index: number;
  readonly meantM: number;
  readonly pacedM: number;
  readonly meant: number;
  readonly paced: number;
}

/** Less than this, as a chance, is not worth saying. Assumed. */
const PACING_MATTERS = 0.05;

/** The mark of a level whose chance is moved most by being paced out in half steps of `stepM`; null where none is moved by more than PACING_MATTERS. */
export function pacingShift(level: Game, thrower: Thrower, stepM: number): PacingShift | null {
  const paced = withLengths(
    level,
    placedMarks(level).flatMap(({ group, index, lengthM, towards }) =>
      towards && lengthM > 0 ? [{ group, index, lengthM: toParts(lengthM, stepPace(stepM)).lengthM }] : [],
    ),
  );
  const moved = aimedPlaces(level).map((place): PacingShift => {
    const spot = paced.course.places[place.group]![place.index]!;
    const target = nearestTarget(level, place);
    return {
      group: place.group,
      index: place.index,
      meantM: distanceM(place.spot, target),
      pacedM: distanceM(spot, target),
      meant: chanceFrom(level, place, place.spot, thrower),
      paced: chanceFrom(level, place, spot, thrower),
    };
  });
  const size = ({ meant, paced: other }: PacingShift) => Math.abs(meant - other);
  const most = moved.reduce<PacingShift | null>((one, other) => (one === null || size(other) > size(one) ? other : one), null);
  return most && size(most) > PACING_MATTERS ? most : null;
}
