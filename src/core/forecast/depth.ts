/** Depth over the floor: the chance of a hit from every spot, on a grid, for the contour bands of the chart. */
import { distanceM, targetOf, throwTurnRad } from '../course/geometry';
import { hitChance, type Shot } from '../motion/chance';
import type { Thrower } from '../motion/release';
import type { Game, PlacedTarget, Spot } from '../rules/game';
import { successAt } from './attempts';
import { shotFrom } from './chances';

export interface DepthGrid {
  readonly columns: number;
  readonly rows: number;
  readonly cellM: number;
  /** Chance 0–1 at the middle of each cell, row by row. */
  readonly chance: Float32Array;
}

/** Chances that divide the five bands, deepest first. */
export const BAND_CHANCES = [0.2, 0.4, 0.6, 0.8] as const;

const RADII = 36;
const ANGLES = 5;

/** The chance at a distance and angle from the target, read between the nodes of a table; it does not depend on where the target stands. */
export type ChanceTable = (distanceM: number, turnRad: number) => number;

/** The table of a game resolved to one level; null when it has no target. */
export function chanceTable(game: Game, thrower: Thrower): ChanceTable | null {
  const target = targetOf(game);
  if (!target) return null;
  const reach = Math.hypot(game.course.floor.widthM, game.course.floor.depthM);
  const shot = shotFrom(game, target, target, thrower);
  return shot && radialTable({ ...shot, distanceM: 1, turnRad: 0 }, reach);
}

export function depthGrid(game: Game, table: ChanceTable, cellM = 0.1): DepthGrid {
  const { widthM, depthM } = game.course.floor;
  const columns = Math.max(2, Math.round(widthM / cellM));
  const rows = Math.max(2, Math.round(depthM / cellM));
  const chance = new Float32Array(columns * rows);
  const target = targetOf(game);
  if (!target) return { columns, rows, cellM, chance };
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      const spot = { xM: (column + 0.5) * (widthM / columns), yM: (row + 0.5) * (depthM / rows) };
      chance[row * columns + column] = table(distanceM(spot, target), throwTurnRad(spot, target));
    }
  }
  return { columns, rows, cellM, chance };
}

function radialTable(shot: Shot, reachM: number): ChanceTable {
  const turns = shot.target.kind === 'opening' && shot.target.outline === 'rectangle' ? ANGLES : 1;
  const nodes = new Float64Array(turns * (RADII + 1));
  for (let a = 0; a < turns; a += 1) {
    for (let r = 0; r <= RADII; r += 1) {
      const turnRad = turns === 1 ? 0 : ((Math.PI / 2) * a) / (turns - 1);
      nodes[a * (RADII + 1) + r] = hitChance({ ...shot, turnRad, distanceM: Math.max(0.05, (r / RADII) * reachM) });
    }
  }
  return (distance, turnRad) => {
    const r = Math.min(RADII - 1e-6, (distance / reachM) * RADII);
    const r0 = Math.floor(r);
    // A rectangle looks the same from opposite sides: fold the angle into a quarter turn.
    const folded = Math.abs(Math.atan2(Math.abs(Math.sin(turnRad)), Math.abs(Math.cos(turnRad))));
    const a = turns === 1 ? 0 : Math.min(turns - 1 - 1e-6, (folded / (Math.PI / 2)) * (turns - 1));
    const a0 = Math.floor(a);
    const along = (row: number) => nodes[row * (RADII + 1) + r0]! * (1 - (r - r0)) + nodes[row * (RADII + 1) + r0 + 1]! * (r - r0);
    return turns === 1 ? along(0) : along(a0) * (1 - (a - a0)) + along(a0 + 1) * (a - a0);
  };
}

/** Distances at which the chance has fallen to each of BAND_CHANCES, square on to the target: the rings of a small drawing. */
export function bandRadii(game: Game, thrower: Thrower): readonly number[] {
  const target = targetOf(game);
  if (!target) return [];
  const square = shotFrom(game, target, target, thrower);
  if (!square) return [];
  const shot = { ...square, turnRad: 0 };
  return BAND_CHANCES.map((wanted) => {
    let near = 0.05;
    let far = 20;
    for (let i = 0; i < 16; i += 1) {
      const middle = (near + far) / 2;
      if (hitChance({ ...shot, distanceM: middle }) > wanted) near = middle;
      else far = middle;
    }
    return near;
  });
}

/**
 * The chance over the floor for any game that is aimed: from every spot at the target that is easiest from there, of the task that is tried
 * from the places `from`, else of the first that is aimed,
 * read from one table of distances for each kind of thing. Null when nothing is aimed at.
 */
export function floorChance(game: Game, thrower: Thrower, from?: string): ((spot: Spot) => number) | null {
  const aimed = game.parts
    .flatMap((part) => part.tasks)
    .filter((one) => one.from !== undefined && one.at !== undefined && one.technique !== 'move' && (game.course.targets[one.at]?.length ?? 0) > 0);
  const task = aimed.find((one) => one.from === from) ?? aimed[0];
  if (!task) return null;
  const targets = game.course.targets[task.at!]!;
  const reach = Math.hypot(game.course.floor.widthM, game.course.floor.depthM);
  // What stands in the way is told by the chances at the marks; the bands show the open floor.
  const open = { kit: game.kit, course: { ...game.course, obstacles: [] } };
  const tables = new Map<string, Float64Array>();
  for (const target of targets) {
    if (tables.has(kindOf(target))) continue;
    const nodes = new Float64Array(RADII + 1);
    for (let r = 0; r <= RADII; r += 1) {
      const spot = { xM: target.xM - Math.max(0.05, (r / RADII) * reach), yM: target.yM };
      nodes[r] = successAt(open, task, spot, { ...target, turnRad: 0 }, thrower).chance;
    }
    tables.set(kindOf(target), nodes);
  }
  return (spot) => {
    let best = 0;
    for (const target of targets) {
      const nodes = tables.get(kindOf(target))!;
      const at = Math.min(RADII - 1e-6, (distanceM(spot, target) / reach) * RADII);
      const from = Math.floor(at);
      best = Math.max(best, nodes[from]! * (1 - (at - from)) + nodes[from + 1]! * (at - from));
    }
    return best;
  };
}

/** Things of one kind and width are hit alike. */
const kindOf = ({ object, widthM }: PlacedTarget) => `${object} ${widthM ?? ''}`;

/** The same on a grid, for the contours. */
export function floorGrid(game: Game, chanceAt: (spot: Spot) => number, cellM = 0.1): DepthGrid {
  const { widthM, depthM } = game.course.floor;
  const columns = Math.max(2, Math.round(widthM / cellM));
  const rows = Math.max(2, Math.round(depthM / cellM));
  const chance = new Float32Array(columns * rows);
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1)
      chance[row * columns + column] = chanceAt({ xM: (column + 0.5) * (widthM / columns), yM: (row + 0.5) * (depthM / rows) });
  return { columns, rows, cellM, chance };
}
