/** Distances for wanted chances and points that are fair: levels solved, not guessed. */
import { insideFloor, marksOf, spotTowards, targetOf, distanceM } from '../course/geometry';
import { placeChances } from '../forecast/chances';
import type { Game, Spot } from '../rules/game';
import { resolveLevel } from '../rules/level';

const NEAREST_M = 0.4;
const STEPS = 14;

export interface SolvedLevel {
  readonly marks: readonly Spot[];
  readonly chance: number;
  /** False when the floor is too short (or no distance is near enough) for the wanted chance. */
  readonly reached: boolean;
}

/**
 * Moves the marks of a level along their own lines to the target, all by one factor, until the mean chance of a child of this age is
 * as wanted (bisection; the chance falls with distance). Marks stay on the floor.
 */
export function solveMarks(game: Game, levelIndex: number, wantedChance: number, ageYears: number): SolvedLevel {
  const level = resolveLevel(game, levelIndex);
  const target = targetOf(level)!;
  const marks = marksOf(level);
  const placed = (factor: number) =>
    marks.map((mark) => insideFloor(level, spotTowards(target, mark, Math.max(NEAREST_M, factor * distanceM(mark, target)))));
  const chanceAt = (factor: number) => {
    const from = level.parts[0]!.tasks[0]!.from!;
    const moved: Game = { ...level, course: { ...level.course, places: { ...level.course.places, [from]: placed(factor) } } };
    const chances = placeChances(moved, { ageYears });
    return chances.reduce((sum, place) => sum + place.chance, 0) / chances.length;
  };
  let near = 0.05;
  let far = 8;
  for (let i = 0; i < STEPS; i += 1) {
    const middle = Math.sqrt(near * far);
    if (chanceAt(middle) > wantedChance) near = middle;
    else far = middle;
  }
  const factor = Math.sqrt(near * far);
  const solved = placed(factor).map((spot) => ({ xM: Math.round(spot.xM * 100) / 100, yM: Math.round(spot.yM * 100) / 100 }));
  const chance = chanceAt(factor);
  return { marks: solved, chance, reached: Math.abs(chance - wantedChance) <= 0.02 };
}

/** Small whole points, near to far, that make value × chance as even as can be: the smallest set within 12% of the best. */
export function fairPoints(chances: readonly number[], most = 12): readonly number[] {
  if (chances.length === 0) return [];
  let best: { points: number[]; unevenness: number } | null = null;
  for (let first = 1; first <= 3; first += 1) {
    const worth = first * chances[0]!;
    const points = chances.map((chance, index) => (index === 0 ? first : Math.min(most, Math.max(1, Math.round(worth / Math.max(chance, 0.01))))));
    const worths = points.map((value, index) => value * chances[index]!);
    const unevenness = Math.max(...worths) / Math.max(1e-9, Math.min(...worths)) - 1;
    if (!best || unevenness < best.unevenness - 0.12) best = { points, unevenness };
  }
  return best!.points;
}
