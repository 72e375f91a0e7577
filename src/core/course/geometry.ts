import { outlineWidthM, shapeOf, type AimedId } from '../objects/catalogue';
import type { Game, Place, PlacedTarget, Spot, Stage } from '../rules/format/game';

/** Distance along the floor, metres. */
export function distanceM(from: Spot, to: Spot): number {
  return Math.hypot(from.xM - to.xM, from.yM - to.yM);
}

/** The spot at a share, from 0 to 1, of the way from one to another. */
export const spotBetween = (from: Spot, to: Spot, share: number): Spot => ({
  xM: from.xM + (to.xM - from.xM) * share,
  yM: from.yM + (to.yM - from.yM) * share,
});

/** The middle of several spots: their mean, which stays where it is when they are turned or spread about it. */
export function middleOfAll(spots: readonly Spot[]): Spot {
  return {
    xM: spots.reduce((sum, spot) => sum + spot.xM, 0) / spots.length,
    yM: spots.reduce((sum, spot) => sum + spot.yM, 0) / spots.length,
  };
}

/** Angle between the line of throw and the depth axis of the target (which lies along x when it is not turned), radians. */
export function throwTurnRad(from: Spot, target: PlacedTarget): number {
  return Math.atan2(target.yM - from.yM, target.xM - from.xM) - target.turnRad;
}

/** The places of the group of marks and the target, of a game resolved to one level. */
export function marksOf(game: Game): readonly Place[] {
  const from = game.parts[0]!.stages[0]!.from;
  return (from === undefined ? undefined : game.course.places[from]) ?? [];
}

/** A floor, and the rules that say what is tried from where on it; without rules every target may be looked at from everywhere. */
export type Layout = Pick<Game, 'course'> & Partial<Pick<Game, 'parts'>>;

/** Of some targets the one nearest to a spot. */
export function nearestOf(targets: readonly PlacedTarget[], spot: Spot): PlacedTarget | undefined {
  return targets.reduce<PlacedTarget | undefined>(
    (near, target) => (near === undefined || distanceM(spot, target) < distanceM(spot, near) ? target : near),
    undefined,
  );
}

/** Where one may stand at the nearest and at the farthest from a spot: the ends of a box, or the place itself. */
export function endsOf(place: Place, to: Spot): { readonly nearest: Spot; readonly farthest: Spot } {
  const { xM, yM, box } = place;
  if (!box) return { nearest: place, farthest: place };
  const within = (value: number, middle: number, whole: number) => Math.min(middle + whole / 2, Math.max(middle - whole / 2, value));
  const nearest = { xM: within(to.xM, xM, box.widthM), yM: within(to.yM, yM, box.depthM) };
  const farthest = cornersOf(place).reduce((far, corner) => (distanceM(corner, to) > distanceM(far, to) ? corner : far));
  return { nearest, farthest };
}

/** The corners of a box; of a point itself. */
export function cornersOf({ xM, yM, box }: Place): readonly Spot[] {
  if (!box) return [{ xM, yM }];
  const [x, y] = [box.widthM / 2, box.depthM / 2];
  return [-1, 1].flatMap((across) => [-1, 1].map((down) => ({ xM: xM + across * x, yM: yM + down * y })));
}

/** Less than this beside another line is along it, more than the second is across from it, radians: 20° and 140°. */
const [ALONG_RAD, ACROSS_RAD] = [0.35, 2.44];

export type Side = 'along' | 'left' | 'right' | 'across';

/** On which side of a first spot another one lies, for somebody who looks from there at the middle. */
export function sideOf(middle: Spot, first: Spot, other: Spot): Side {
  const [ux, uy] = [first.xM - middle.xM, first.yM - middle.yM];
  const [vx, vy] = [other.xM - middle.xM, other.yM - middle.yM];
  // With y down the angle grows clockwise, which is to the left of whoever looks inwards.
  const turn = Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
  if (Math.abs(turn) < ALONG_RAD) return 'along';
  if (Math.abs(turn) > ACROSS_RAD) return 'across';
  return turn > 0 ? 'left' : 'right';
}

/** A spot about a middle, for a drawing turned so that whoever throws from the left of it stands below: to the right, and down, metres. */
export const fromBelow = (middle: Spot, spot: Spot): { readonly rightM: number; readonly downM: number } => ({
  rightM: spot.yM - middle.yM,
  downM: middle.xM - spot.xM,
});

/** A place from which a task is tried at a group of targets. */
export interface AimedPlace {
  readonly group: string;
  readonly index: number;
  readonly spot: Place;
  readonly task: Stage;
  readonly at: string;
}

/** Every task of a game resolved to one level from every place that it is aimed from. */
export function aimedTasks(game: Layout): readonly AimedPlace[] {
  return (game.parts ?? [])
    .flatMap((part) => part.stages)
    .flatMap((task) => {
      const { from, at } = task;
      if (from === undefined || at === undefined || task.technique === 'move' || !game.course.targets[at]) return [];
      return (game.course.places[from] ?? []).map((spot, index): AimedPlace => ({ group: from, index, spot, task, at }));
    });
}

/** The target that a place of a group looks towards: of those that are aimed at from there the nearest. */
export function targetFrom({ course, parts = [] }: Layout, group: string, spot: Spot): PlacedTarget | undefined {
  const aimed = parts
    .flatMap((part) => part.stages)
    .flatMap((task) => (task.from === group && task.at !== undefined ? (course.targets[task.at] ?? []) : []));
  const targets = aimed.length > 0 ? aimed : Object.values(course.targets).flat();
  return nearestOf(targets, spot);
}

/** What a place of a group looks towards: its target, or where nothing is aimed at the next place of a route. */
export function aimOf(layout: Layout, group: string, spot: Spot): Spot | undefined {
  return targetFrom(layout, group, spot) ?? (layout.course.places[group] ?? []).find((other) => other !== spot);
}

/** The targets or pins of a group. */
export function targetsOf(game: Game, group: string): readonly PlacedTarget[] {
  return game.course.targets[group] ?? [];
}

export function targetOf(game: Game): PlacedTarget | undefined {
  const at = game.parts[0]!.stages[0]!.at;
  return at === undefined ? undefined : game.course.targets[at]?.[0];
}

/** Another thing in the place of one; a width that was told of the old one does not hold for it, nor whether a hit is enough. */
export function replacedBy({ widthM: _widthM, own: _own, aim: _aim, ...place }: PlacedTarget, object: AimedId): PlacedTarget {
  return { ...place, object };
}

/** A place of the course with what it looks towards and how far that is, metres. */
export interface PlacedMark {
  readonly group: string;
  readonly index: number;
  readonly of: number;
  /** Of a box its middle, from which the length is measured. */
  readonly spot: Place;
  readonly towards: Spot | undefined;
  readonly lengthM: number;
}

/** Every place of a game resolved to one level, group by group. */
export function placedMarks(game: Game): readonly PlacedMark[] {
  return Object.entries(game.course.places).flatMap(([group, spots]) =>
    spots.map((spot, index): PlacedMark => {
      const towards = aimOf(game, group, spot);
      return { group, index, of: spots.length, spot, towards, lengthM: towards ? distanceM(spot, towards) : 0 };
    }),
  );
}

/** Distances from each place to what it looks towards, in the order of the places. */
export function distancesOf(game: Game): readonly number[] {
  return placedMarks(game).map((mark) => mark.lengthM);
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

/** The longest clear line that a level needs: from any of its places or things to any other, metres; 0 where nothing is laid out. */
export function longestLineM({ course }: Pick<Game, 'course'>): number {
  const spots: readonly Spot[] = [...Object.values(course.places).flat(), ...Object.values(course.targets).flat()];
  return Math.max(0, ...spots.flatMap((one, index) => spots.slice(index + 1).map((other) => distanceM(one, other))));
}

/** Half of what a thing takes up along its own depth, and across it, metres: a gate with its posts, what is hit like a wall hardly deep. */
export function halvesM(thing: PlacedTarget): { readonly along: number; readonly across: number } {
  const shape = shapeOf(thing);
  const across = outlineWidthM(shape) / 2 + (shape.kind === 'gate' ? shape.postM : 0);
  const along = 'depthM' in shape ? shape.depthM / 2 : 'diameterM' in shape || shape.kind === 'upright' ? across : 0.03;
  return { along, across };
}

/** The corners of a thing that stands on the floor, in their order round it. */
export function cornersOfThing(thing: PlacedTarget): readonly Spot[] {
  const half = halvesM(thing);
  const [cos, sin] = [Math.cos(thing.turnRad), Math.sin(thing.turnRad)];
  const corner = (along: number, across: number): Spot => ({
    xM: thing.xM + along * half.along * cos - across * half.across * sin,
    yM: thing.yM + along * half.along * sin + across * half.across * cos,
  });
  return [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
}
