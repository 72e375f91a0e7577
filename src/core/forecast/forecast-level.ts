/** The forecast of one level: chance at each mark, likely scores, par, minutes, what the time goes on, and how much of it is luck. */
import { SKILL_SPREAD_LN, type BodyForm, type Thrower } from '../motion/release';
import { AT, B, compile, FINISH_REASONS, type Program } from '../rules/compile';
import { start } from '../rules/engine';
import type { Game } from '../rules/game';
import { resolveLevel } from '../rules/level';
import { measure } from '../rules/measure';
import { childTables, type Aim, type ChildTables } from './attempts';
import { simulateGo, type GoTimes } from './simulate';

export interface ForecastAsk {
  readonly ageYears: number;
  readonly form?: BodyForm;
  readonly plays: number;
  readonly seed: number;
  /** How much wilder (above 1) or steadier the class is than assumed for its age, from its own reports. */
  readonly classSkill?: number;
}

export interface ChanceAbout {
  readonly distanceM: number;
  readonly chance: number;
  /** The chance for a class a quarter wilder and a quarter steadier than assumed. */
  readonly low: number;
  readonly high: number;
}

export interface LevelForecast {
  /** The aimed marks in the order of the tasks and places; empty where nothing is aimed. */
  readonly places: readonly ChanceAbout[];
  /** Mean over the marks; null where nothing is aimed. */
  readonly chance: ChanceAbout | null;
  /** Counts of plays by score, from `lowestScore` upwards, in steps of `scoreStep`. */
  readonly histogram: readonly number[];
  readonly lowestScore: number;
  readonly scoreStep: number;
  /** Median score of one go. */
  readonly par: number;
  /** Eight goes in ten score between these. */
  readonly likelyLow: number;
  readonly likelyHigh: number;
  readonly throws: number;
  readonly seconds: number;
  readonly fetchShare: number;
  readonly exerciseShare: number;
  /** Share of goes that come to their goal instead of being cut off by time, cap or tries; 1 where there is no goal. */
  readonly finishShare: number;
  /** Mean variance within a child ÷ total variance of the score of one go. */
  readonly luckShare: number;
  /** True when pins were worked out by the chain model. */
  readonly rough: boolean;
  readonly plays: number;
}

/** Midpoints of nine equal shares of the standard normal distribution: nine children from steadiest to wildest. */
const SKILL_NINTHS = [-1.5932, -0.9674, -0.5895, -0.2822, 0, 0.2822, 0.5895, 0.9674, 1.5932] as const;

/** How far a class as a whole may lie from the assumed spread before its own reports say more. Assumed. */
const CLASS_DOUBT = 1.25;

/** A histogram has at most about so many columns. */
const MOST_COLUMNS = 60;

/** Forecast of one level for children of this age, with the spread of skill between children. Throws only on a game that was not read. */
export function forecastLevel(game: Game, levelIndex: number, ask: ForecastAsk): LevelForecast {
  return forecastSetUp(resolveLevel(game, levelIndex), ask);
}

/** The same for a game already resolved to one level, wherever its marks really are. */
export function forecastSetUp(level: Game, ask: ForecastAsk): LevelForecast {
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const program = compiled.value;
  const classSkill = ask.classSkill ?? 1;
  const thrower = (skill: number): Thrower => ({ ageYears: ask.ageYears, skill: skill * classSkill, ...(ask.form ? { form: ask.form } : {}) });
  const tables = SKILL_NINTHS.map((z) => childTables(program, thrower(Math.exp(z * SKILL_SPREAD_LN))));
  const steadier = markAims(program, childTables(program, thrower(1 / CLASS_DOUBT)));
  const wilder = markAims(program, childTables(program, thrower(CLASS_DOUBT)));
  const bySkill = tables.map((child) => markAims(program, child));
  const places = bySkill[0]!.map((mark, index) => ({
    distanceM: mark.distanceM,
    chance: mean(bySkill.map((child) => child[index]!.chance)),
    low: wilder[index]!.chance,
    high: steadier[index]!.chance,
  }));
  return { places, chance: meanOf(places), ...playMany(program, tables, ask) };
}

/** The aimed marks of every task: at each place the target that is easiest to hit. */
function markAims(program: Program, tables: ChildTables): { distanceM: number; chance: number }[] {
  return program.parts.flatMap((part, p) =>
    tables.parts[p]!.flatMap((task, t) => {
      if (part.part.tasks[t]!.see === 'length') return [];
      return Array.from({ length: task.places }, (_, place) => {
        const aims = task.aims
          .slice(place * task.targets, (place + 1) * task.targets)
          .filter((aim): aim is Aim & { chance: number } => aim.chance !== null && aim.distanceM > 0);
        return aims.length === 0 ? [] : [aims.reduce((best, aim) => (aim.chance > best.chance ? aim : best))];
      }).flat();
    }),
  );
}

function meanOf(places: readonly ChanceAbout[]): ChanceAbout | null {
  if (places.length === 0) return null;
  return {
    distanceM: mean(places.map((place) => place.distanceM)),
    chance: mean(places.map((place) => place.chance)),
    low: mean(places.map((place) => place.low)),
    high: mean(places.map((place) => place.high)),
  };
}

function playMany(program: Program, tables: readonly ChildTables[], ask: ForecastAsk): Omit<LevelForecast, 'places' | 'chance'> {
  const state = start(program);
  const times: GoTimes = { fetchMs: 0, exerciseMs: 0 };
  const read = scoreReader(program);
  const scores: number[] = [];
  const byChild = tables.map((): number[] => []);
  let throws = 0;
  let totalMs = 0;
  let fetchMs = 0;
  let exerciseMs = 0;
  let reached = 0;
  for (let play = 0; play < ask.plays; play += 1) {
    simulateGo(program, tables[play % tables.length]!, state, ask.seed, play, times);
    const score = read(state);
    if (score !== null) {
      scores.push(score);
      byChild[play % tables.length]!.push(score);
    }
    throws += attemptsOf(program, state);
    totalMs += state[AT.lastT]!;
    fetchMs += times.fetchMs;
    exerciseMs += times.exerciseMs;
    if (GOALS.has(FINISH_REASONS[state[AT.why]!]!)) reached += 1;
  }
  scores.sort((a, b) => a - b);
  const lowestScore = scores[0] ?? 0;
  const span = (scores.at(-1) ?? 0) - lowestScore;
  const scoreStep = Math.max(1, Math.ceil((span + 1) / MOST_COLUMNS));
  const histogram = new Array<number>(Math.floor(span / scoreStep) + 1).fill(0);
  for (const score of scores) histogram[Math.floor((score - lowestScore) / scoreStep)]! += 1;
  const quantile = (share: number) => scores[Math.min(scores.length - 1, Math.floor(share * scores.length))] ?? 0;
  const goal = program.parts.some(
    (part) => part.part.stop.some((stop) => stop.why === 'goal') || Object.values(part.part.groups).some((group) => group.end === 'finish'),
  );
  return {
    histogram,
    lowestScore,
    scoreStep,
    par: quantile(0.5),
    likelyLow: quantile(0.1),
    likelyHigh: quantile(0.9),
    throws: throws / ask.plays,
    seconds: totalMs / ask.plays / 1000,
    fetchShare: Math.min(1, fetchMs / Math.max(1, totalMs)),
    exerciseShare: Math.min(1, exerciseMs / Math.max(1, totalMs)),
    finishShare: goal ? reached / ask.plays : 1,
    luckShare: luckShare(byChild),
    rough: program.parts.some((part) => part.part.tasks.some((task) => task.see === 'felled')),
    plays: ask.plays,
  };
}

const GOALS: ReadonlySet<string> = new Set(['goal', 'target-score', 'rounds']);

function attemptsOf(program: Program, state: Int32Array): number {
  let attempts = 0;
  const blocks = program.joint ? 1 : program.sides;
  for (const part of program.parts)
    for (let go = 0; go < part.goes; go += 1) attempts += state[part.base + go * blocks * part.blockSize + B.attempts]!;
  return attempts;
}

/** The child's score of a state: by its counters where that is all there is to it, else by measure(). */
function scoreReader(program: Program): (state: Int32Array) => number | null {
  const part = program.parts[0]!;
  const { of } = part.part.measure;
  const simple =
    program.parts.length === 1 &&
    part.goes === 1 &&
    typeof of !== 'string' &&
    !part.part.rows.some((row) => row.do.some((effect) => effect.do === 'keepMin')) &&
    part.part.unfinished !== 'not-finished';
  if (!simple) return (state) => measure(program, state).value;
  const weights = Object.entries(of.sum).map(([counter, weight]) => [part.base + part.counterOffset(counter), weight] as const);
  return (state) => {
    let score = 0;
    for (const [offset, weight] of weights) score += weight * state[offset]!;
    return score;
  };
}

/** How much of the difference between scores is luck: mean variance within a child ÷ total variance. */
function luckShare(byChild: readonly (readonly number[])[]): number {
  const played = byChild.filter((scores) => scores.length > 1);
  const total = variance(played.flat());
  if (played.length < 2 || total <= 0) return 0;
  return Math.min(1, mean(played.map(variance)) / total);
}

function variance(numbers: readonly number[]): number {
  const centre = mean(numbers);
  return mean(numbers.map((one) => (one - centre) ** 2));
}

function mean(numbers: readonly number[]): number {
  return numbers.length === 0 ? 0 : numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
}
