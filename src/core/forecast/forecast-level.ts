/** The forecast of one level: chance at each mark, likely scores, par, minutes, and what the time goes on. */
import { SKILL_SPREAD_LN, type BodyForm } from '../motion/release';
import { B, compile } from '../rules/compile';
import { playedMs, start } from '../rules/engine';
import { targetOf } from '../course/geometry';
import { AIMED, isThrownAt } from '../objects/catalogue';
import type { Game } from '../rules/game';
import { resolveLevel } from '../rules/level';
import { measure } from '../rules/measure';
import { readThrowRules } from '../rules/throw-rules';
import { placeChances } from './chances';
import { playTables, simulateGo, type GoTimes } from './simulate';

export interface ForecastAsk {
  readonly ageYears: number;
  readonly form?: BodyForm;
  readonly plays: number;
  readonly seed: number;
}

export interface ChanceAbout {
  readonly distanceM: number;
  readonly chance: number;
  /** The chance for a class a quarter wilder and a quarter steadier than assumed. */
  readonly low: number;
  readonly high: number;
}

export interface LevelForecast {
  readonly places: readonly ChanceAbout[];
  /** Mean over the marks. */
  readonly chance: ChanceAbout;
  /** Counts of plays by score, from `lowestScore` upwards. */
  readonly histogram: readonly number[];
  readonly lowestScore: number;
  /** Median score of one go. */
  readonly par: number;
  /** Eight goes in ten score between these. */
  readonly likelyLow: number;
  readonly likelyHigh: number;
  readonly throws: number;
  readonly seconds: number;
  readonly fetchShare: number;
  readonly exerciseShare: number;
  readonly plays: number;
}

/** Midpoints of nine equal shares of the standard normal distribution: nine children from steadiest to wildest. */
const SKILL_NINTHS = [-1.5932, -0.9674, -0.5895, -0.2822, 0, 0.2822, 0.5895, 0.9674, 1.5932] as const;
/** How far a class as a whole may lie from the assumed spread before its own reports say more. Assumed. */
const CLASS_DOUBT = 1.25;

/** True for the kinds of game whose attempts the model knows: throws from marks at something that takes the ball in or is struck. */
function isForecast(game: Game): boolean {
  const target = targetOf(game);
  return readThrowRules(game) !== null && target !== undefined && isThrownAt(AIMED[target.object].shape);
}

/** Forecast of one level for children of this age, with the spread of skill between children. Null for a kind of game that is not forecast; throws only on a game that was not read. */
export function forecastLevel(game: Game, levelIndex: number, ask: ForecastAsk): LevelForecast | null {
  return forecastSetUp(resolveLevel(game, levelIndex), ask);
}

/** The same for a game already resolved to one level, wherever its marks really are. */
export function forecastSetUp(level: Game, ask: ForecastAsk): LevelForecast | null {
  if (!isForecast(level)) return null;
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const program = compiled.value;
  const part = program.parts[0]!;
  const thrower = (skill: number) => ({ ageYears: ask.ageYears, skill, ...(ask.form ? { form: ask.form } : {}) });
  const bySkill = SKILL_NINTHS.map((z) => placeChances(level, thrower(Math.exp(z * SKILL_SPREAD_LN))));
  const tables = bySkill.map((places) => playTables(program, places, ask.ageYears));
  const steadier = placeChances(level, thrower(1 / CLASS_DOUBT));
  const wilder = placeChances(level, thrower(CLASS_DOUBT));
  const places = bySkill[0]!.map((place, index) => ({
    distanceM: place.distanceM,
    chance: mean(bySkill.map((child) => child[index]!.chance)),
    low: wilder[index]!.chance,
    high: steadier[index]!.chance,
  }));

  const state = start(program);
  const times: GoTimes = { fetchMs: 0, exerciseMs: 0 };
  const scores = new Int32Array(ask.plays);
  let throws = 0;
  let totalMs = 0;
  let fetchMs = 0;
  let exerciseMs = 0;
  const weights =
    typeof part.part.measure.of === 'string'
      ? null
      : Object.entries(part.part.measure.of.sum).map(([counter, weight]) => [part.base + part.counterOffset(counter), weight] as const);
  for (let play = 0; play < ask.plays; play += 1) {
    simulateGo(program, tables[play % tables.length]!, state, ask.seed, play, times);
    let score = 0;
    if (weights) for (const [offset, weight] of weights) score += weight * state[offset]!;
    else score = measure(program, state).value ?? 0;
    scores[play] = score;
    throws += state[part.base + B.attempts]!;
    totalMs += playedMs(state);
    fetchMs += times.fetchMs;
    exerciseMs += times.exerciseMs;
  }
  scores.sort();
  const lowestScore = scores[0] ?? 0;
  const histogram = new Array<number>((scores.at(-1) ?? 0) - lowestScore + 1).fill(0);
  for (const score of scores) histogram[score - lowestScore]! += 1;
  const quantile = (share: number) => scores[Math.min(scores.length - 1, Math.floor(share * scores.length))] ?? 0;
  return {
    places,
    chance: {
      distanceM: mean(places.map((place) => place.distanceM)),
      chance: mean(places.map((place) => place.chance)),
      low: mean(places.map((place) => place.low)),
      high: mean(places.map((place) => place.high)),
    },
    histogram,
    lowestScore,
    par: quantile(0.5),
    likelyLow: quantile(0.1),
    likelyHigh: quantile(0.9),
    throws: throws / ask.plays,
    seconds: totalMs / ask.plays / 1000,
    fetchShare: Math.min(1, fetchMs / Math.max(1, totalMs)),
    exerciseShare: Math.min(1, exerciseMs / Math.max(1, totalMs)),
    plays: ask.plays,
  };
}

function mean(numbers: readonly number[]): number {
  return numbers.length === 0 ? 0 : numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
}
