/** Where balls may go: from each place towards its target, how far past it and how far to the side. */
import { atStage } from '../rules/format/used';
import { groundErrors, rollingResistance, rollsM, rollsOn, type GroundShot } from '../motion/ground';
import { GROUND, OVERRUN_M, THROWN } from '../motion/assumed';
import { releaseOf, throwerWith, type Thrower } from '../motion/release';
import { IMPLEMENTS } from '../objects/catalogue';
import type { Game, PlacedTarget, Spot, Task } from '../rules/format/game';
import { aimedTasks, cornersOf, distanceM, nearestOf } from './geometry';

/** One try in twenty goes farther, or more to the side. */
const ONE_IN_TWENTY = 1.645;
/** Farther than this a ball is not followed, metres. */
const MOST_PAST_M = 6;

/** One try as it goes over the floor: from a place towards a thing. */
export interface Flight {
  readonly group: string;
  readonly index: number;
  readonly from: Spot;
  readonly target: PlacedTarget;
  readonly lengthM: number;
  /** How far past the target one ball in twenty ends, or farther. */
  readonly pastM: number;
  /** Half the angle within which nine in ten tries go, radians. */
  readonly spreadRad: number;
}

/**
 * How far one ball in twenty ends past its target, metres: for a ball on the ground from its speed and the rolling of the floor, for one in
 * the air what it lands too far and runs on after the bounce (assumed: thrown at 45°, it keeps its restitution's share of the speed).
 */
export function runsPastM(level: Pick<Game, 'kit' | 'course'>, task: Task, lengthM: number, child: Thrower): number {
  const ball = IMPLEMENTS[level.kit.implement];
  const thrower = throwerWith(level.kit, child);
  const ground = GROUND[task.technique];
  if (ground) {
    const shot: GroundShot = { technique: ground, thrower, ...rollsOn(level), distanceM: lengthM };
    return Math.min(MOST_PAST_M, Math.max(0, rollsM(shot, ONE_IN_TWENTY) - lengthM));
  }
  const technique = THROWN[task.technique];
  if (!technique) return 0;
  const { speedShareSd } = releaseOf(technique, thrower);
  const tooFar = 2 * ONE_IN_TWENTY * speedShareSd * lengthM;
  const onwardsM = (ball.restitution ** 2 * lengthM) / (4 * rollingResistance(ball, level.course.floor.surface));
  return Math.min(MOST_PAST_M, OVERRUN_M / 2 + tooFar + onwardsM);
}

/**
 * Every try of a level as it goes over the floor, for a child: one for each task and place, at the nearest target of the task; of a box
 * one from its middle and one from each corner.
 */
export function flightsOf(level: Game, child: Thrower): readonly Flight[] {
  const thrower = throwerWith(level.kit, child);
  const tries = aimedTasks(level).flatMap((one) => [one.spot, ...(one.spot.box ? cornersOf(one.spot) : [])].map((from) => ({ ...one, from })));
  return tries.flatMap(({ group, index, from, task, at }): Flight[] => {
    const ground = GROUND[task.technique];
    const technique = THROWN[task.technique];
    if (!ground && !technique) return [];
    const target = nearestOf(level.course.targets[at]!, from)!;
    const lengthM = distanceM(from, target);
    const { azimuthSd } = ground ? groundErrors(ground, thrower) : releaseOf(technique!, thrower);
    return [
      { group, index, from, target, lengthM, pastM: runsPastM(atStage(level, task), task, lengthM, child), spreadRad: ONE_IN_TWENTY * azimuthSd },
    ];
  });
}

export interface RunPastFrom {
  readonly from: Spot;
  readonly to: Spot;
  readonly pastM: number;
}

/** From a place: its target, where behind it one ball in twenty ends or farther, and how far that is. Null where nothing is aimed at. */
export function runPastFrom(level: Game, group: string, index: number, child: Thrower): RunPastFrom | null {
  const flight = flightsOf(level, child).find((one) => one.group === group && one.index === index);
  if (!flight || flight.lengthM === 0) return null;
  const { target, from, lengthM, pastM } = flight;
  const share = pastM / lengthM;
  return { from: target, to: { xM: target.xM + (target.xM - from.xM) * share, yM: target.yM + (target.yM - from.yM) * share }, pastM };
}

/** Where a spot lies seen from the player: how far along the line of the try, and how far to the side, metres. */
export function along({ from, target, lengthM }: Flight, spot: Spot): { readonly alongM: number; readonly asideM: number } {
  const [ux, uy] = lengthM > 0 ? [(target.xM - from.xM) / lengthM, (target.yM - from.yM) / lengthM] : [1, 0];
  const [x, y] = [spot.xM - from.xM, spot.yM - from.yM];
  return { alongM: x * ux + y * uy, asideM: Math.abs(x * uy - y * ux) };
}

/** Whether a ball of this flight may come to a spot. */
export function mayReach(flight: Flight, spot: Spot, reachM = 0): boolean {
  const { alongM, asideM } = along(flight, spot);
  return alongM > 0.2 && alongM <= flight.lengthM + flight.pastM + reachM && asideM <= alongM * Math.tan(flight.spreadRad) + reachM;
}
