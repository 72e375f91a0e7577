/**
 * Depth over the floor: the chance of a hit from every spot, for the contour bands of the chart and the soundings between them.
 * All that such a chance depends on stands in one record, the basis: it is worked out from nothing else, so the basis is its key too.
 */
import { atStage } from '../rules/format/used';
import { contours } from 'd3-contour';
import { curveLinearClosed, line } from 'd3-shape';
import { distanceM, targetOf, throwTurnRad } from '../course/geometry';
import { hitChance } from '../motion/chance';
import { toldBy, type Thrower } from '../motion/release';
import { shapeToTry } from '../objects/catalogue';
import type { Game, Kit, PlacedTarget, Spot, Task } from '../rules/format/game';
import { readThrowRules } from '../rules/format/throw-rules';
import { successAt } from './success';
import { shotFrom, throwOf } from './chances';

/** What the chances over a floor depend on: who tries what, with what, at which things, on which floor. */
export interface FloorBasis {
  readonly child: Thrower;
  readonly kit: Kit;
  readonly floor: Game['course']['floor'];
  readonly task: Task;
  readonly targets: readonly PlacedTarget[];
  /** The plain kind of game, whose chances also tell from which side a rectangle is thrown at. */
  readonly plain: boolean;
}

export interface Sounding {
  readonly xM: number;
  readonly yM: number;
  readonly chance: number;
}

export interface FloorDepth {
  /** SVG paths in centimetres: the floor where the chance is at least each of BAND_CHANCES. */
  readonly bands: readonly string[];
  readonly soundings: readonly Sounding[];
}

export interface DepthGrid {
  readonly columns: number;
  readonly rows: number;
  /** Chance 0–1 at the middle of each cell, row by row. */
  readonly chance: Float32Array;
}

/** Chances that divide the five bands, deepest first. */
const BAND_CHANCES = [0.2, 0.4, 0.6, 0.8] as const;

/** The band of a chance: 1 is shallow and easy, 5 deep and hard. */
export const bandOf = (chance: number): 1 | 2 | 3 | 4 | 5 => (1 + BAND_CHANCES.filter((limit) => chance < limit).length) as 1 | 2 | 3 | 4 | 5;

const RADII = 36;
const ANGLES = 5;
const CELL_M = 0.1;
const SOUNDING_GAP_M = 0.6;

/** The chance at a distance and angle from a thing, read between the nodes of a table; it does not depend on where the thing stands. */
type ChanceTable = (distanceM: number, turnRad: number) => number;

/** Tables that were worked out before, by what they depend on. The caller keeps them from one answer to the next. */
export type KnownTables = Map<string, ChanceTable>;

const MOST_TABLES = 24;

/**
 * The basis of a game resolved to one level: the task that is tried from the places `from`, else the first that is aimed. Null when nothing
 * is aimed at. What stands in the way is told by the chances at the marks; the bands show the open floor.
 */
export function floorBasis(level: Game, child: Thrower, from?: string): FloorBasis | null {
  const plain = readThrowRules(level) !== null;
  const single = plain ? targetOf(level) : undefined;
  const aimed = level.parts
    .flatMap((part) => part.stages)
    .filter((one) => one.from !== undefined && one.at !== undefined && one.technique !== 'move' && (level.course.targets[one.at]?.length ?? 0) > 0);
  const task = plain ? level.parts[0]!.stages[0] : (aimed.find((one) => one.from === from) ?? aimed[0]);
  const targets = plain ? single && [single] : task && level.course.targets[task.at!];
  return task && targets ? { child, kit: atStage(level, task).kit, floor: level.course.floor, task, targets, plain } : null;
}

/** Two floors with the same key have the same chances. */
export const floorKey = (basis: FloorBasis | null): string => JSON.stringify(basis);

/** The chance from a spot, 0–1: at the target that is easiest from there. */
export function floorChance(basis: FloorBasis, known: KnownTables = new Map()): (spot: Spot) => number {
  const tables = basis.targets.map((target) => tableFor(basis, target, known));
  return (spot) =>
    basis.targets.reduce((best, target, index) => Math.max(best, tables[index]!(distanceM(spot, target), throwTurnRad(spot, target))), 0);
}

/** The bands and soundings of a floor. */
export function floorDepth(basis: FloorBasis | null, known?: KnownTables): FloorDepth {
  if (!basis) return { bands: [], soundings: [] };
  const grid = depthGrid(basis, known);
  return { bands: bandsOf(basis, grid), soundings: soundingsOf(basis, grid) };
}

/** The chances on a grid with about ten centimetres from node to node. */
export function depthGrid(basis: FloorBasis, known?: KnownTables): DepthGrid {
  const { widthM, depthM } = basis.floor;
  const chanceAt = floorChance(basis, known);
  const columns = Math.max(2, Math.round(widthM / CELL_M));
  const rows = Math.max(2, Math.round(depthM / CELL_M));
  const chance = new Float32Array(columns * rows);
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1)
      chance[row * columns + column] = chanceAt({ xM: (column + 0.5) * (widthM / columns), yM: (row + 0.5) * (depthM / rows) });
  return { columns, rows, chance };
}

function bandsOf({ floor }: FloorBasis, { columns, rows, chance }: DepthGrid): string[] {
  const cellX = (floor.widthM * 100) / columns;
  const cellY = (floor.depthM * 100) / rows;
  const ring = line<readonly number[]>(
    ([x]) => x! * cellX,
    ([, y]) => y! * cellY,
  )
    .curve(curveLinearClosed)
    .digits(0);
  return contours()
    .size([columns, rows])
    .thresholds([...BAND_CHANCES])(Array.from(chance))
    .map((shape) => shape.coordinates.map((polygon) => polygon.map((points) => ring(points)).join('')).join(''));
}

function soundingsOf({ floor: { widthM, depthM } }: FloorBasis, { columns, rows, chance }: DepthGrid): Sounding[] {
  const soundings: Sounding[] = [];
  const across = Math.floor((widthM - 0.3) / SOUNDING_GAP_M);
  const down = Math.floor((depthM - 0.3) / SOUNDING_GAP_M);
  for (let i = 0; i <= across; i += 1) {
    for (let j = 0; j <= down; j += 1) {
      // A little off the lattice, as soundings are.
      const xM = 0.35 + i * SOUNDING_GAP_M + ((i * 7 + j * 11) % 5) * 0.03;
      const yM = 0.3 + j * SOUNDING_GAP_M + ((i * 5 + j * 3) % 7) * 0.02;
      if (xM > widthM - 0.2 || yM > depthM - 0.1) continue;
      const column = Math.min(columns - 1, Math.floor((xM / widthM) * columns));
      const row = Math.min(rows - 1, Math.floor((yM / depthM) * rows));
      soundings.push({ xM, yM, chance: chance[row * columns + column]! });
    }
  }
  return soundings;
}

/** The table for one of the things: those that differ only in where they stand share it. */
function tableFor(basis: FloorBasis, target: PlacedTarget, known: KnownTables): ChanceTable {
  const { child, kit, floor, task, plain } = basis;
  const thing: PlacedTarget = { object: target.object, xM: 0, yM: 0, turnRad: 0, standM: target.standM, ...sizeOf(target) };
  const key = JSON.stringify([child, kit, floor, task, plain, thing]);
  const found = known.get(key);
  if (found) return found;
  const reachM = Math.hypot(floor.widthM, floor.depthM);
  const shot = plain ? shotFrom({ kit, technique: task.technique }, thing, thing, child) : null;
  const open = { kit, course: { floor, furniture: [], places: {}, targets: {} } };
  const read = shot
    ? radialTable(
        (distance, turnRad) => toldBy(child, hitChance({ ...shot, distanceM: distance, turnRad })),
        reachM,
        looksTheSameRound(thing) ? 1 : ANGLES,
      )
    : radialTable((distance) => successAt(open, task, { xM: -distance, yM: 0 }, thing, child).chance, reachM, 1);
  if (known.size >= MOST_TABLES) known.clear();
  known.set(key, read);
  return read;
}

const sizeOf = ({ widthM, own, aim }: PlacedTarget) => ({ ...(widthM !== undefined && { widthM }), ...(own && { own }), ...(aim && { aim }) });

function looksTheSameRound(thing: PlacedTarget): boolean {
  const shape = shapeToTry(thing);
  return !(shape.kind === 'opening' && shape.outline === 'rectangle');
}

function radialTable(chanceAt: (distanceM: number, turnRad: number) => number, reachM: number, turns: number): ChanceTable {
  const nodes = new Float64Array(turns * (RADII + 1));
  for (let a = 0; a < turns; a += 1) {
    for (let r = 0; r <= RADII; r += 1) {
      const turnRad = turns === 1 ? 0 : ((Math.PI / 2) * a) / (turns - 1);
      nodes[a * (RADII + 1) + r] = chanceAt(Math.max(0.05, (r / RADII) * reachM), turnRad);
    }
  }
  return (distance, turnRad) => {
    const r = Math.min(RADII - 1e-6, (distance / reachM) * RADII);
    const r0 = Math.floor(r);
    const along = (row: number) => nodes[row * (RADII + 1) + r0]! * (1 - (r - r0)) + nodes[row * (RADII + 1) + r0 + 1]! * (r - r0);
    if (turns === 1) return along(0);
    // A rectangle looks the same from opposite sides: fold the angle into a quarter turn.
    const folded = Math.abs(Math.atan2(Math.abs(Math.sin(turnRad)), Math.abs(Math.cos(turnRad))));
    const a = Math.min(turns - 1 - 1e-6, (folded / (Math.PI / 2)) * (turns - 1));
    const a0 = Math.floor(a);
    return along(a0) * (1 - (a - a0)) + along(a0 + 1) * (a - a0);
  };
}

/** Distances at which the chance has fallen to each of BAND_CHANCES, square on to the target: the rings of a small drawing. */
export function bandRadii(game: Game, thrower: Thrower): readonly number[] {
  const target = targetOf(game);
  if (!target) return [];
  const square = shotFrom(throwOf(game), target, target, thrower);
  if (!square) return [];
  const shot = { ...square, turnRad: 0 };
  return BAND_CHANCES.map((wanted) => {
    let near = 0.05;
    let far = 20;
    for (let i = 0; i < 16; i += 1) {
      const middle = (near + far) / 2;
      if (toldBy(thrower, hitChance({ ...shot, distanceM: middle })) > wanted) near = middle;
      else far = middle;
    }
    return near;
  });
}
