import type { Game, PlacedTarget, Spot } from '../rules/game';

/** Distance along the floor, metres. */
export function distanceM(from: Spot, to: Spot): number {
  return Math.hypot(from.xM - to.xM, from.yM - to.yM);
}

/** Angle between the line of throw and the depth axis of the target (which lies along x when it is not turned), radians. */
export function throwTurnRad(from: Spot, target: PlacedTarget): number {
  return Math.atan2(target.yM - from.yM, target.xM - from.xM) - target.turnRad;
}

/** The places of the group of marks and the target, of a game resolved to one level. */
export function marksOf(game: Game): readonly Spot[] {
  const from = game.parts[0]!.tasks[0]!.from;
  return (from === undefined ? undefined : game.course.places[from]) ?? [];
}

export function targetOf(game: Game): PlacedTarget | undefined {
  const at = game.parts[0]!.tasks[0]!.at;
  return at === undefined ? undefined : game.course.targets[at]?.[0];
}

/** Distances from each mark to the target, in the order of the marks. */
export function distancesOf(game: Game): readonly number[] {
  const target = targetOf(game);
  return target ? marksOf(game).map((mark) => distanceM(mark, target)) : [];
}

/** Keeps a spot inside the floor, a little off the walls. */
export function insideFloor(game: Game, spot: Spot, marginM = 0.1): Spot {
  const { widthM, depthM } = game.course.floor;
  return { xM: Math.min(widthM - marginM, Math.max(marginM, spot.xM)), yM: Math.min(depthM - marginM, Math.max(marginM, spot.yM)) };
}

/** The spot at a distance from the target in the direction of another spot. */
export function spotTowards(target: Spot, towards: Spot, lengthM: number): Spot {
  const now = distanceM(target, towards);
  if (now < 1e-9) return { xM: target.xM - lengthM, yM: target.yM };
  const scale = lengthM / now;
  return { xM: target.xM + (towards.xM - target.xM) * scale, yM: target.yM + (towards.yM - target.yM) * scale };
}
