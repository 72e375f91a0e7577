/** Runs the forecast off the thread that draws. */
import { expose } from 'comlink';
import { contours } from 'd3-contour';
import { resolveLevel } from '@/core/rules/level';
import type { Game } from '@/core/rules/game';
import type { Fitted } from '@/core/progress/fit';
import { readThrowRules } from '@/core/rules/throw-rules';
import { BAND_CHANCES, chanceTable, depthGrid, floorChance, floorGrid, type ChanceTable, type DepthGrid } from '@/core/forecast/depth';
import { DESK_SEED, forecastLevel, type LevelForecast } from '@/core/forecast/forecast-level';
import { shelfOf, type RackShelf } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { targetOf } from '@/core/course/geometry';

export interface ForecastRequest {
  readonly game: Game;
  readonly ageYears: number;
  /** How steady the class is by its own reports; absent for what is assumed for the age. */
  readonly fitted?: Fitted;
  /** The levels that changed; the others are left out of the answer. */
  readonly levels: readonly number[];
  readonly plays: number;
  /** The level whose floor is drawn. */
  readonly floorOf: number;
  /** What the last floor that was answered belonged to; the same floor is not answered again. */
  readonly floorKnown: string;
  /** The group of places whose task the floor is drawn for; without one the first. */
  readonly floorFrom: string | undefined;
  /** Tables of pins that are not shipped, by the key of their layout. */
  readonly racks: Readonly<Record<string, string>>;
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

export interface ForecastAnswer {
  readonly levels: readonly { readonly index: number; readonly forecast: LevelForecast | null }[];
  readonly floor: FloorDepth | null;
  readonly floorKey: string;
}

const SOUNDING_GAP_M = 0.6;

interface Child {
  readonly ageYears: number;
  readonly skill: number;
}

let table: { key: string; read: ChanceTable | null } | null = null;

/** What the chance at a distance depends on: the throw and the target, not where anything stands. */
function tableKey(level: Game, { ageYears, skill }: Child): string {
  const target = targetOf(level);
  return JSON.stringify([
    ageYears,
    skill,
    level.kit.implement,
    target?.object,
    target?.widthM,
    target?.standM,
    level.parts[0]!.tasks[0]!.technique,
    level.course.floor,
  ]);
}

/** The last table is kept. */
function tableFor(level: Game, child: Child): ChanceTable | null {
  const key = tableKey(level, child);
  if (table?.key !== key) table = { key, read: chanceTable(level, child) };
  return table.read;
}

/** The plain kind of game has a table with the angle of the throw in it; any other that is aimed is told by distance. */
function gridOf(level: Game, child: Child, from: string | undefined): DepthGrid | null {
  if (readThrowRules(level) !== null) {
    const read = tableFor(level, child);
    return read && depthGrid(level, read);
  }
  const chanceAt = floorChance(level, child, from);
  return chanceAt && floorGrid(level, chanceAt);
}

function floorDepth(level: Game, child: Child, from: string | undefined): FloorDepth {
  const grid = gridOf(level, child, from);
  if (!grid) return { bands: [], soundings: [] };
  const cellX = (level.course.floor.widthM * 100) / grid.columns;
  const cellY = (level.course.floor.depthM * 100) / grid.rows;
  const drawn = contours()
    .size([grid.columns, grid.rows])
    .thresholds([...BAND_CHANCES])(Array.from(grid.chance));
  const bands = drawn.map((shape) =>
    shape.coordinates
      .map((polygon) =>
        polygon.map((ring) => `M${ring.map(([x, y]) => `${(x! * cellX).toFixed(0)} ${(y! * cellY).toFixed(0)}`).join('L')}Z`).join(''),
      )
      .join(''),
  );
  const soundings: Sounding[] = [];
  const across = Math.floor((level.course.floor.widthM - 0.3) / SOUNDING_GAP_M);
  const down = Math.floor((level.course.floor.depthM - 0.3) / SOUNDING_GAP_M);
  for (let i = 0; i <= across; i += 1) {
    for (let j = 0; j <= down; j += 1) {
      // A little off the lattice, as soundings are.
      const xM = 0.35 + i * SOUNDING_GAP_M + ((i * 7 + j * 11) % 5) * 0.03;
      const yM = 0.3 + j * SOUNDING_GAP_M + ((i * 5 + j * 3) % 7) * 0.02;
      if (xM > level.course.floor.widthM - 0.2 || yM > level.course.floor.depthM - 0.1) continue;
      const column = Math.min(grid.columns - 1, Math.floor((xM / level.course.floor.widthM) * grid.columns));
      const row = Math.min(grid.rows - 1, Math.floor((yM / level.course.floor.depthM) * grid.rows));
      soundings.push({ xM, yM, chance: grid.chance[row * grid.columns + column]! });
    }
  }
  return { bands, soundings };
}

let shelf: { of: string; read: RackShelf } = { of: '', read: shippedRacks };

/** The tables that came with the request and those that are shipped; the last shelf is kept. */
function racksShelf(racks: Readonly<Record<string, string>>): RackShelf {
  const of = Object.keys(racks).sort().join('\n');
  if (shelf.of !== of) shelf = { of, read: shelfOf(racks, shippedRacks) };
  return shelf.read;
}

const api = {
  forecast({ game, ageYears, fitted, levels, plays, floorOf, floorKnown, floorFrom, racks }: ForecastRequest): ForecastAnswer {
    const shown = resolveLevel(game, floorOf);
    const target = targetOf(shown);
    const child: Child = { ageYears, skill: fitted?.skill ?? 1 };
    const floorKey = `${tableKey(shown, child)} ${JSON.stringify(shown.course.targets)} ${target?.turnRad} ${floorFrom}`;
    return {
      levels: levels.map((index) => ({
        index,
        forecast: forecastLevel(game, index, { ageYears, plays, seed: DESK_SEED, shelf: racksShelf(racks), ...(fitted && { fitted }) }),
      })),
      floor: floorKey === floorKnown ? null : floorDepth(shown, child, floorFrom),
      floorKey,
    };
  },
};

export type ForecastWorker = typeof api;

expose(api);
