/** Where balls may go: from each place towards its target, how far past it and how far to the side. */
import { arrivalSpeed, groundErrors, rollingResistance, type GroundShot } from '../motion/ground';
import { OVERRUN_M, type GroundTechnique, type Technique } from '../motion/assumed';
import { GRAVITY } from '../motion/flight';
import { releaseOf, throwerWith, type Thrower } from '../motion/release';
import { IMPLEMENTS } from '../objects/catalogue';
import type { Game, PlacedTarget, Spot, Task } from '../rules/game';
import { distanceM, targetFrom } from './geometry';

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
  readonly rolls: boolean;
}

const GROUND: Readonly<Partial<Record<Task['technique'], GroundTechnique>>> = { roll: 'roll', kick: 'kick', lift: 'lift' };
const THROWN: readonly Technique[] = ['underarm', 'overarm', 'set-shot'];

/**
 * How far one ball in twenty ends past its target, metres: for a ball on the ground from its speed and the rolling of the floor, for one in
 * the air what it lands too far and runs on after the bounce (assumed: thrown at 45°, it keeps its restitution's share of the speed).
 */
export function runsPastM(level: Pick<Game, 'kit' | 'course'>, task: Task, lengthM: number, child: Thrower): number {
  const ball = IMPLEMENTS[level.kit.implement];
  const thrower = throwerWith(level.kit, child);
  const mu = rollingResistance(ball, level.course.floor.surface);
  const ground = GROUND[task.technique];
  if (ground) {
    const shot: GroundShot = { technique: ground, thrower, ball, surface: level.course.floor.surface, distanceM: lengthM };
    const arrives = arrivalSpeed(shot);
    const speed = Math.sqrt(arrives * arrives + 2 * mu * GRAVITY * lengthM) * (1 + ONE_IN_TWENTY * groundErrors(ground, thrower).speedShareSd);
    return Math.min(MOST_PAST_M, Math.max(0, (speed * speed) / (2 * mu * GRAVITY) - lengthM));
  }
  const technique = THROWN.find((known) => known === task.technique);
  if (!technique) return 0;
  const { speedShareSd } = releaseOf(technique, thrower);
  const tooFar = 2 * ONE_IN_TWENTY * speedShareSd * lengthM;
  const runsOn = (ball.restitution ** 2 * lengthM) / (4 * mu);
  return Math.min(MOST_PAST_M, OVERRUN_M / 2 + tooFar + runsOn);
}

/** Every try of a level as it goes over the floor, for a child: one a place. */
export function flightsOf(level: Game, child: Thrower): readonly Flight[] {
  const flights = new Map<string, Flight>();
  for (const task of level.parts.flatMap((part) => part.tasks)) {
    if (task.from === undefined || task.at === undefined || task.technique === 'move') continue;
    const thrower = throwerWith(level.kit, child);
    const ground = GROUND[task.technique];
    const technique = THROWN.find((known) => known === task.technique);
    if (!ground && !technique) continue;
    const azimuthSd = ground ? groundErrors(ground, thrower).azimuthSd : releaseOf(technique!, thrower).azimuthSd;
    (level.course.places[task.from] ?? []).forEach((from, index) => {
      const target = targetFrom(level, task.from!, from);
      if (!target || !level.course.targets[task.at!]) return;
      const lengthM = distanceM(from, target);
      flights.set(`${task.from} ${index}`, {
        group: task.from!,
        index,
        from,
        target,
        lengthM,
        pastM: runsPastM(level, task, lengthM, child),
        spreadRad: ONE_IN_TWENTY * azimuthSd,
        rolls: ground !== undefined,
      });
    });
  }
  return [...flights.values()];
}

/** How far past its target one ball in twenty from a place ends: the spot behind the target, and the length, metres. Null where nothing is aimed at. */
export function runPastFrom(
  level: Game,
  group: string,
  index: number,
  child: Thrower,
): { readonly from: Spot; readonly to: Spot; readonly pastM: number } | null {
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
