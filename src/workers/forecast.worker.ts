/** Runs the forecast off the thread that draws. */
import { expose } from 'comlink';
import { resolveLevel } from '@/core/rules/format/level';
import type { Game } from '@/core/rules/format/game';
import { ofClass } from '@/core/progress/by-family';
import type { Fitted } from '@/core/progress/fit';
import { floorBasis, floorDepth, floorKey, type FloorDepth, type KnownTables } from '@/core/forecast/depth';
import { DESK_SEED, forecastLevel, type LevelForecast } from '@/core/forecast/forecast-level';
import { shelfOf, type RackShelf } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';

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

export interface ForecastAnswer {
  readonly levels: readonly { readonly index: number; readonly forecast: LevelForecast | null }[];
  readonly floor: FloorDepth | null;
  readonly floorKey: string;
}

/** Chances by distance that earlier floors asked for. */
const tables: KnownTables = new Map();

let shelf: { of: string; read: RackShelf } = { of: '', read: shippedRacks };

/** The tables that came with the request and those that are shipped; the last shelf is kept. */
function racksShelf(racks: Readonly<Record<string, string>>): RackShelf {
  const of = Object.keys(racks).sort().join('\n');
  if (shelf.of !== of) shelf = { of, read: shelfOf(racks, shippedRacks) };
  return shelf.read;
}

const api = {
  forecast({ game, ageYears, fitted, levels, plays, floorOf, floorKnown, floorFrom, racks }: ForecastRequest): ForecastAnswer {
    const level = resolveLevel(game, floorOf);
    const basis = floorBasis(level, { ...ofClass(level, fitted), ageYears }, floorFrom);
    const key = floorKey(basis);
    return {
      levels: levels.map((index) => ({
        index,
        forecast: forecastLevel(game, index, { ageYears, plays, seed: DESK_SEED, shelf: racksShelf(racks), ...(fitted && { fitted }) }),
      })),
      floor: key === floorKnown ? null : floorDepth(basis, tables),
      floorKey: key,
    };
  },
};

export type ForecastWorker = typeof api;

expose(api);
