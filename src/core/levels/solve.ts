/** Distances for wanted chances, points that are fair, and the equal set-up of another home: solved, not guessed. */
import { aimedTasks, distanceM, insideFloor, nearestOf, spotTowards, type AimedPlace } from '../course/geometry';
import { withLengths, withTargetObject } from '../course/set-out';
import { successAt } from '../forecast/success';
import type { Thrower } from '../motion/release';
import type { OfClass } from '../progress/by-family';
import type { AimedId } from '../objects/catalogue';
import type { Game, Place, Spot } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { STANDING_ROOM_M } from '../sheet/home-form';

const NEAREST_M = 0.4;
const STEPS = 13;
const FARTHEST_M = 14;

/** The places of a game resolved to one level from which a target is aimed at, each once: by the first task that is tried there. */
export function aimedPlaces(game: Game): AimedPlace[] {
  const found = new Map<string, AimedPlace>();
  for (const place of aimedTasks(game)) {
    const key = `${place.group} ${place.index}`;
    if (!found.has(key)) found.set(key, place);
  }
  return [...found.values()];
}

/** Chance of a success from a spot at the target of its task that is easiest to hit. */
export function chanceFrom(game: Game, { task, at }: AimedPlace, spot: Spot, thrower: Thrower): number {
  return Math.max(...game.course.targets[at]!.map((target) => successAt(game, task, spot, target, thrower).chance));
}

export function nearestTarget(game: Game, { at, spot }: AimedPlace): Spot {
  return nearestOf(game.course.targets[at]!, spot)!;
}

/** True for a game in which something is aimed at from marked places, so that distances can be solved. */
export function isAimed(game: Game): boolean {
  return aimedPlaces(resolveLevel(game, 0)).length > 0;
}

/** Mean chance over the aimed places of a level for a child of this age; 0 where nothing is aimed at. */
export function levelChance(game: Game, levelIndex: number, ageYears: number, of: OfClass = {}): number {
  const level = resolveLevel(game, levelIndex);
  const places = aimedPlaces(level);
  return places.reduce((sum, place) => sum + chanceFrom(level, place, place.spot, { ...of, ageYears }), 0) / Math.max(1, places.length);
}

export interface SolvedLevel {
  /** Every group of places, moved. */
  readonly places: Readonly<Record<string, readonly Place[]>>;
  readonly chance: number;
  /** False when the floor is too short (or no distance is near enough) for the wanted chance. */
  readonly reached: boolean;
}

/**
 * Moves the marks of a level along their own lines to the target, all by one factor, until the mean chance of a child of this age is
 * as wanted (bisection; the chance falls with distance). Marks stay on the floor, and locked ones where they are. `of` is what tells the
 * class from its age.
 */
export function solveLevel(game: Game, levelIndex: number, wantedChance: number, ageYears: number, of: OfClass = {}): SolvedLevel {
  const level = resolveLevel(game, levelIndex);
  const thrower = { ...of, ageYears };
  const marks = aimedPlaces(level).map((place) => {
    const target = nearestTarget(level, place);
    return { place, target, lengthM: distanceM(place.spot, target) };
  });
  if (marks.length === 0) return { places: level.course.places, chance: 0, reached: false };
  const moved = (factor: number) =>
    marks.map(({ place, target, lengthM }) =>
      place.spot.locked ? place.spot : insideFloor(level, spotTowards(target, place.spot, Math.max(NEAREST_M, factor * lengthM))),
    );
  const chanceAt = (factor: number) => {
    const spots = moved(factor);
    return marks.reduce((sum, { place }, index) => sum + chanceFrom(level, place, spots[index]!, thrower), 0) / marks.length;
  };
  let near = 0.05;
  let far = 8;
  for (let i = 0; i < STEPS; i += 1) {
    const middle = Math.sqrt(near * far);
    if (chanceAt(middle) > wantedChance) near = middle;
    else far = middle;
  }
  const factor = Math.sqrt(near * far);
  const spots = moved(factor);
  const places: Record<string, Place[]> = {};
  for (const [group, list] of Object.entries(level.course.places)) places[group] = [...list];
  marks.forEach(({ place }, index) => {
    const spot = spots[index]!;
    if (!place.spot.locked)
      places[place.group]![place.index] = { ...place.spot, xM: Math.round(spot.xM * 100) / 100, yM: Math.round(spot.yM * 100) / 100 };
  });
  const chance = chanceAt(factor);
  return { places, chance, reached: Math.abs(chance - wantedChance) <= 0.02 };
}

/** The game with the places of one level elsewhere. */
export function withPlaces(game: Game, levelIndex: number, places: Readonly<Record<string, readonly Place[]>>): Game {
  const set = Object.fromEntries(Object.entries(places).map(([group, spots]) => [`/course/places/${group}`, spots]));
  return { ...game, levels: game.levels.map((level, index) => (index === levelIndex ? { ...level, set: { ...level.set, ...set } } : level)) };
}

/** solveLevel for the marks of the plain kind of game. */
export function solveMarks(
  game: Game,
  levelIndex: number,
  wantedChance: number,
  ageYears: number,
): { marks: readonly Spot[]; chance: number; reached: boolean } {
  const { places, chance, reached } = solveLevel(game, levelIndex, wantedChance, ageYears);
  return { marks: places[game.parts[0]!.stages[0]!.from!]!, chance, reached };
}

/** Set-ups whose chances differ by no more than this at every place are like each other. */
export const LIKE_TOLERANCE = 0.05;

export interface Home {
  /** What the home has that can be aimed at; the thing that the game asks for counts as had unless `without` names it. */
  readonly have: readonly AimedId[];
  readonly without?: readonly AimedId[];
  /** Longest clear line, metres. */
  readonly clearM: number;
}

export interface EqualPlace {
  readonly group: string;
  readonly index: number;
  readonly designM: number;
  readonly lengthM: number;
  readonly designChance: number;
  readonly chance: number;
}

export interface EqualSetUp {
  /** What stands in for the thing that was asked for. */
  readonly object: AimedId;
  readonly places: readonly EqualPlace[];
  /** Largest difference of chance at a place. */
  readonly worst: number;
  /** True when every place is within the tolerance. */
  readonly equal: boolean;
  /** The game with that thing and those distances. */
  readonly game: Game;
}

/** What is known of a length that is looked for: it lies beyond one whose chance is greater than wanted, within one whose chance is less. */
export interface KnownLength {
  readonly beyond?: { readonly lengthM: number; readonly chance: number };
  readonly within?: { readonly lengthM: number; readonly chance: number };
}

/**
 * Length up to `farM`, in whole centimetres, at which the chance of a place comes to `wanted`, metres; the chance falls with distance.
 * Between two lengths whose chances lie on either side the next is where a straight line would meet `wanted` (the "Illinois" rule: an end
 * that stays is halved); a step that does not halve what is left is followed by one in the middle.
 */
export function lengthFor(wanted: number, chanceAt: (lengthM: number) => number, farM = FARTHEST_M, known: KnownLength = {}): number {
  const [least, most] = [Math.round(100 * NEAREST_M), Math.round(100 * farM)];
  let nearCm = Math.min(most, Math.max(least, Math.floor(100 * (known.beyond?.lengthM ?? NEAREST_M))));
  let farCm = Math.max(nearCm, Math.min(most, Math.ceil(100 * (known.within?.lengthM ?? farM))));
  // How much more chance there is than is wanted just before the nearest and just beyond the farthest that it may be; as far as it is known.
  let nearMore = (known.beyond?.chance ?? 1) - wanted;
  let farMore = (known.within?.chance ?? 0) - wanted;
  let side = 0;
  let inTheMiddle = true;
  // The centimetre that the length rounds to: asked between two of them, so that no more is worked out than is told.
  while (nearCm < farCm) {
    const leftCm = farCm - nearCm;
    const straight = nearMore > farMore ? (leftCm * nearMore) / (nearMore - farMore) : leftCm / 2;
    const askedCm = Math.min(farCm - 1, Math.max(nearCm, Math.floor(nearCm + (inTheMiddle ? leftCm / 2 : straight))));
    const more = chanceAt((askedCm + 0.5) / 100) - wanted;
    if (more > 0) {
      nearCm = askedCm + 1;
      nearMore = more;
      if (side === 1) farMore /= 2;
      side = 1;
    } else {
      farCm = askedCm;
      farMore = more;
      if (side === -1) nearMore /= 2;
      side = -1;
    }
    inTheMiddle = !inTheMiddle && farCm - nearCm > leftCm / 2;
  }
  return nearCm / 100;
}

/**
 * The set-up of another home with the same chances: of what it has, the thing for which the distances within its clear line come nearest.
 * Null when the game has nothing that is aimed at. `equal` is false when no thing and no distance will do: par is then another.
 */
export function equalSetUp(level: Game, thrower: Thrower, home: Home): EqualSetUp | null {
  const places = aimedPlaces(level);
  if (places.length === 0) return null;
  const asked = level.course.targets[places[0]!.at]![0]!.object;
  const without = new Set(home.without ?? []);
  const candidates = [...new Set([...(without.has(asked) ? [] : [asked]), ...home.have])].filter((object) => !without.has(object));
  const reach = Math.max(NEAREST_M, home.clearM - STANDING_ROOM_M);
  const design = places.map((place) => ({ place, target: nearestTarget(level, place), chance: chanceFrom(level, place, place.spot, thrower) }));
  let best: EqualSetUp | null = null;
  for (const object of candidates) {
    const game = withTargetObject(level, object);
    const solved = design.map(({ place, target, chance }): EqualPlace => {
      const at = (lengthM: number) => chanceFrom(game, place, spotTowards(target, place.spot, lengthM), thrower);
      const designM = distanceM(place.spot, target);
      // The same thing at the same distance is as equal as can be.
      const lengthM = object === asked && designM <= reach ? designM : lengthFor(chance, at, Math.min(reach, FARTHEST_M));
      return { group: place.group, index: place.index, designM, lengthM, designChance: chance, chance: at(lengthM) };
    });
    const worst = Math.max(...solved.map((place) => Math.abs(place.chance - place.designChance)));
    if (!best || worst < best.worst - 0.005)
      best = { object, places: solved, worst, equal: worst <= LIKE_TOLERANCE, game: withLengths(game, solved) };
  }
  return best;
}
