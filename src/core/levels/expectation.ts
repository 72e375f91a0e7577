/** What a level may be expected to come to, in a few words for a shelf: chances where something is aimed at, else a usual score or time. */
import { resolveLevel } from '../rules/format/level';
import type { Game, Measure } from '../rules/format/game';
import { counted } from '../rules/telling/counted';
import { DESK_SEED, forecastSetUp, type LevelForecast } from '../forecast/forecast-level';
import type { RackShelf } from '../forecast/racks';
import { isAimed } from './solve';

export interface ExpectedOfLevel {
  readonly name: string;
  /** Of a try from one of its places; null where nothing is aimed at. */
  readonly chance: { readonly chance: number; readonly low: number; readonly high: number } | null;
  /** "6 in 10", or "par 14 touches, 8 in 10 finish". */
  readonly words: string;
  /** How long one go usually takes. */
  readonly seconds: number;
}

/** As many plays as tell a median from its neighbours on a shelf. */
const PLAYS = 200;
/** Where nearly all come to the end nobody need be told. */
const NEARLY_ALL = 0.95;

/** One level of a game for children of this age; without a shelf of tables pins are rough. Throws only on a game that was not read. */
export function expectedOf(game: Game, index: number, ageYears: number, shelf?: RackShelf): ExpectedOfLevel {
  const level = resolveLevel(game, index);
  const forecast = forecastSetUp(level, { ageYears, plays: PLAYS, seed: DESK_SEED, ...(shelf && { shelf }) });
  const chance = isAimed(game) ? forecast.chance : null;
  return {
    name: game.levels[index]!.name,
    chance: chance && { chance: chance.chance, low: chance.low, high: chance.high },
    words: chance ? `${Math.round(10 * chance.chance)} in 10` : scoreWords(level, forecast),
    seconds: Math.round(forecast.seconds),
  };
}

function scoreWords({ parts: [part] }: Game, { par, seconds, finishShare }: LevelForecast): string {
  const { of, unit } = part!.measure;
  if (isTimed(of)) return minutesWords(seconds);
  const tenths = Math.round(10 * finishShare);
  const finish = finishShare >= NEARLY_ALL ? '' : tenths === 0 ? ', hardly any finish' : `, ${tenths} in 10 finish`;
  return `par ${par} ${counted(par, unit)}${finish}`;
}

const minutesWords = (seconds: number) => (seconds < 90 ? `about ${Math.round(seconds)} seconds` : `about ${Math.round(seconds / 60)} minutes`);

/** What such words are of. */
export function expectationOf(game: Game): string {
  const { parts } = game;
  const felled = parts.every(({ stages }) => stages.some(({ see }) => see === 'felled'));
  if (isAimed(game)) return felled ? 'Of ten tries so many make something fall' : 'Of ten tries so many succeed';
  return isTimed(parts[0]!.measure.of) ? 'How long it takes' : 'What one go usually comes to';
}

/** Whether only the time that was played is written down. */
const isTimed = (of: Measure['of']): boolean => of === 'done' || of === 'minutes';
