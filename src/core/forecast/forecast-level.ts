/** The forecast of one level: chance at each mark, likely scores, par, minutes, what the time goes on, and how much of it is luck. */
import { allRows } from '../rules/format/rows';
import { forGame, ofClass } from '../progress/by-family';
import type { Fitted, OthersMeasured } from '../progress/fit';
import { PINS_DOUBT, SKILL_SPREAD_LN, type BodyForm } from '../motion/assumed';
import type { Thrower } from '../motion/release';
import { compile } from '../rules/playing/compile';
import { AT, B, FINISH_REASONS, type Program } from '../rules/playing/program';
import { mmPerUnit } from '../rules/format/length-unit';
import { capOf, CUT_SHORT, unfinishedRule } from '../rules/format/unfinished';
import { start } from '../rules/playing/engine';
import type { Course, Game } from '../rules/format/game';
import { aimOf, endsOf } from '../course/geometry';
import { resolveLevel } from '../rules/format/level';
import { measure } from '../rules/playing/measure';
import { childTables, type Aim, type ChildTables } from './attempts';
import { popCount } from '../rules/playing/effects';
import { parOfShifted } from './par-interval';
import type { RackShelf } from './racks';
import { simulateGo, type GoTimes } from './simulate';

export interface ForecastAsk {
  readonly ageYears: number;
  readonly form?: BodyForm;
  readonly plays: number;
  readonly seed: number;
  /** How steady the class is by its own reports; without them the spread of its age is assumed. */
  readonly fitted?: Fitted;
  /** Tables of rigid bodies for pins; without one the rough chain model is asked. */
  readonly shelf?: RackShelf;
}

export interface ChanceAbout {
  readonly distanceM: number;
  /** The place that it is thrown from; none for a mean over places. */
  readonly group?: string;
  readonly index?: number;
  readonly chance: number;
  /** The chance for a class as wild and as steady as it may well be: by 80% of what its reports say, or a quarter off what is assumed. */
  readonly low: number;
  readonly high: number;
  /** Where the place is a box: from where one stands nearest in it, and farthest. The chance itself, and every play, is from its middle. */
  readonly ends?: { readonly nearest: ChanceFrom; readonly farthest: ChanceFrom };
}

export interface CourseWays {
  /** The title of the part; empty for none. */
  readonly part: string;
  readonly ways: readonly { readonly side: 'left' | 'right' | null; readonly thing: string; readonly drawn: boolean; readonly strokes: number }[];
}

export interface ChanceFrom {
  readonly distanceM: number;
  readonly chance: number;
}

export interface LevelForecast {
  /** The aimed marks in the order of the stages and places; empty where nothing is aimed. */
  readonly places: readonly ChanceAbout[];
  /** Mean over the marks; null where nothing is aimed. */
  readonly chance: ChanceAbout | null;
  /** Counts of plays by score, from `lowestScore` upwards, in steps of `scoreStep`. */
  readonly histogram: readonly number[];
  readonly lowestScore: number;
  readonly scoreStep: number;
  /** Median score of one go. */
  readonly par: number;
  /** What par may well be: that of a class as wild and as steady as it may be, the smaller score first. */
  readonly parLow: number;
  readonly parHigh: number;
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
  /** The rules tell no end that these goes came to: they were left after MOST_TRIES tries, and their score says little. */
  readonly endless: boolean;
  /** Pins a roll with all standing, and between what the grip of the floor alone may bring it; null where none fall together. */
  readonly pins: { readonly mean: number; readonly low: number; readonly high: number } | null;
  /** Of courses that are played on from where the ball lies: where there are several ways, what each comes to, the best first. */
  readonly ways: readonly CourseWays[];
  /** How much of the pins is the rough chain model's: all, only what is left after a first ball, or none. */
  readonly rough: 'all' | 'leaves' | 'none';
  readonly plays: number;
  /** What the figures rest on: attempts of this class, or 0 for what is assumed for the age. */
  readonly restsOn: number;
  /** What others measured with this game, weighed in where the class has not reported enough. */
  readonly others?: OthersMeasured;
}

/** Nine children from steadiest to wildest: midpoints of nine equal shares of the standard normal distribution, drawn out to its standard deviation. */
const SKILL_NINTHS = [-1.7111, -1.039, -0.6331, -0.3031, 0, 0.3031, 0.6331, 1.039, 1.7111] as const;

/** How far a class as a whole may lie from the assumed spread before its own reports say more. Assumed. */
export const CLASS_DOUBT = 1.25;

/** A histogram has at most about so many columns. */
const MOST_COLUMNS = 60;

/** The seed of the figures on a desk: the same everywhere, so that the same game shows the same figures. */
export const DESK_SEED = 20260801;

/** Forecast of one level for children of this age, with the spread of skill between children. Throws only on a game that was not read. */
export function forecastLevel(game: Game, levelIndex: number, ask: ForecastAsk): LevelForecast {
  return forecastSetUp(resolveLevel(game, levelIndex), ask);
}

/** The same for a game already resolved to one level, wherever its marks really are. */
export function forecastSetUp(level: Game, ask: ForecastAsk): LevelForecast {
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const program = compiled.value;
  const group = ask.fitted ? forGame(ask.fitted, level) : { skill: 1, low: 1 / CLASS_DOUBT, high: CLASS_DOUBT, attempts: 0 };
  const thrower = (skill: number): Thrower => ({
    ...ofClass(level, ask.fitted),
    ageYears: ask.ageYears,
    skill,
    ...(ask.form ? { form: ask.form } : {}),
  });
  const throwers = SKILL_NINTHS.map((z) => thrower(group.skill * Math.exp(z * SKILL_SPREAD_LN)));
  const tables = throwers.map((one) => childTables(program, one, ask.shelf));
  const bySkill = tables.map((child) => markAims(program, child));
  // The chance is the mean of a class, so what it may well be is the mean of a steadier and of a wilder class, not of one child in its middle.
  // Their children lie among those that are known, and two more at the ends.
  const ends = [group.low * Math.exp(SKILL_NINTHS[0] * SKILL_SPREAD_LN), group.high * Math.exp(SKILL_NINTHS[8] * SKILL_SPREAD_LN)];
  const [steadiest, wildest] = ends.map((skill) => ({ skill, marks: markAims(program, childTables(program, thrower(skill), ask.shelf)) }));
  const known = [steadiest!, ...throwers.map(({ skill }, child) => ({ skill: skill!, marks: bySkill[child]! })), wildest!];
  const meanOfClass = (skill: number, index: number) =>
    mean(SKILL_NINTHS.map((z) => chanceBetween(known, skill * Math.exp(z * SKILL_SPREAD_LN), index)));
  const atEnds = endsOfBoxes(level, (there) => {
    const moved = compile(there);
    if (!moved.ok) throw new Error(moved.problems[0]!.reason);
    const marks = throwers.map((one) => markAims(moved.value, childTables(moved.value, one)));
    return new Map(marks[0]!.map(({ key, distanceM }, index) => [key, { distanceM, chance: mean(marks.map((child) => child[index]!.chance)) }]));
  });
  const places = bySkill[0]!.map((mark, index) => ({
    distanceM: mark.distanceM,
    ...(mark.group !== undefined && { group: mark.group, index: mark.index }),
    ...(atEnds &&
      isBox(level, mark) && {
        ends: { nearest: atEnds.nearest.get(mark.key) ?? ON_THE_TARGET, farthest: atEnds.farthest.get(mark.key) ?? ON_THE_TARGET },
      }),
    chance: mean(bySkill.map((child) => child[index]!.chance)),
    low: meanOfClass(group.high, index),
    high: meanOfClass(group.low, index),
  }));
  const shifts = [group.low, group.high].map((skill) => Math.log(skill / group.skill) / SKILL_SPREAD_LN);
  return {
    places,
    chance: meanOf(places),
    ...playMany(program, tables, ask, shifts),
    pins: pinsOf(tables),
    ways: waysOf(program, tables),
    restsOn: group.attempts,
    ...(ask.fitted?.others && { others: ask.fitted.others }),
  };
}

interface KnownChild {
  readonly skill: number;
  readonly marks: readonly AimedMark[];
}

/** The chance at a mark for a child between two that are known, from the steadiest to the wildest: on a straight line in ln of the spread. */
function chanceBetween(known: readonly KnownChild[], skill: number, index: number): number {
  const found = known.findIndex((one) => one.skill >= skill - 1e-12);
  const above = found < 0 ? known.length - 1 : Math.max(1, found);
  const [one, other] = [known[above - 1]!, known[above]!];
  // A class that is surely so has no two ends.
  const share = other.skill > one.skill ? Math.log(skill / one.skill) / Math.log(other.skill / one.skill) : 0;
  return one.marks[index]!.chance + share * (other.marks[index]!.chance - one.marks[index]!.chance);
}

/** In a box that holds the target itself one may stand on it: from there nothing is aimed. */
const ON_THE_TARGET: ChanceFrom = { distanceM: 0, chance: 1 };

const isBox = ({ course }: Game, { group, index }: AimedMark): boolean => group !== undefined && course.places[group]![index]!.box !== undefined;

/** What is so of a level with every box at its nearest point, and at its farthest; null where no place is a box. */
function endsOfBoxes<T>(level: Game, of: (there: Game) => T): { readonly nearest: T; readonly farthest: T } | null {
  if (!Object.values(level.course.places).some((list) => list.some(({ box }) => box))) return null;
  const at = (end: 'nearest' | 'farthest') => {
    const moved = Object.entries(level.course.places).map(([group, list]) => [
      group,
      list.map((place) => endsOf(place, aimOf(level, group, place) ?? place)[end]),
    ]);
    return of({ ...level, course: { ...level.course, places: Object.fromEntries(moved) as Course['places'] } });
  };
  return { nearest: at('nearest'), farthest: at('farthest') };
}

interface AimedMark {
  /** Its part, stage and place: the same wherever the marks stand. */
  readonly key: string;
  readonly group: string | undefined;
  readonly index: number;
  readonly distanceM: number;
  readonly chance: number;
}

/** The aimed marks of every task: at each place the target that is easiest to hit. */
function markAims(program: Program, tables: ChildTables): AimedMark[] {
  return program.parts.flatMap((part, p) =>
    tables.parts[p]!.flatMap((task, t) => {
      const { see, from } = part.part.stages[t]!;
      if (see === 'length') return [];
      return Array.from({ length: task.places }, (_, place): AimedMark[] => {
        const aims = task.aims
          .slice(place * task.targets, (place + 1) * task.targets)
          .filter((aim): aim is Aim & { chance: number } => aim.chance !== null && aim.distanceM > 0);
        if (aims.length === 0) return [];
        const { distanceM, chance } = aims.reduce((best, aim) => (aim.chance > best.chance ? aim : best));
        return [{ key: `${p} ${t} ${place}`, group: from, index: place, distanceM, chance }];
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

/** The ways of each course that has several, for the child in the middle. */
function waysOf(program: Program, tables: readonly ChildTables[]): readonly CourseWays[] {
  const middle = tables[Math.floor(tables.length / 2)]!;
  return middle.parts.flatMap((tasks, part) =>
    tasks.flatMap(({ strokes }) =>
      strokes && strokes.told.length > 1
        ? [
            {
              part: program.parts[part]!.part.title ?? '',
              ways: strokes.told.map(({ way: { side, thing, drawn }, strokes: n }) => ({ side, thing, drawn, strokes: n })),
            },
          ]
        : [],
    ),
  );
}

/** Pins that fall together, of all that stand, from the first place; the grip of the floor moves their mean by up to PINS_DOUBT. */
function pinsOf(tables: readonly ChildTables[]): LevelForecast['pins'] {
  const racks = tables.flatMap((child) => child.parts.flat().flatMap(({ falls, single }) => (falls && !single ? [falls[0]!] : [])));
  if (racks.length === 0) return null;
  const all = racks[0]!.all;
  const about = mean(racks.map((rack) => mean([...rack(all)].map(popCount))));
  return { mean: about, low: Math.max(0, about - PINS_DOUBT / 2), high: Math.min(popCount(all), about + PINS_DOUBT / 2) };
}

function playMany(
  program: Program,
  tables: readonly ChildTables[],
  ask: ForecastAsk,
  shifts: readonly number[],
): Omit<LevelForecast, 'places' | 'chance' | 'restsOn' | 'others' | 'pins' | 'ways'> {
  const state = start(program);
  const times: GoTimes = { fetchMs: 0, exerciseMs: 0 };
  const read = scoreReader(program);
  const scores = new Float64Array(ask.plays);
  const byChild = tables.map((): Moments => ({ n: 0, sum: 0, squares: 0 }));
  let counted = 0;
  let throws = 0;
  let totalMs = 0;
  let fetchMs = 0;
  let exerciseMs = 0;
  let reached = 0;
  let left = 0;
  const ofChild = tables.map(() => new Float64Array(Math.ceil(ask.plays / tables.length)));
  const attempts = attemptCells(program);
  for (let play = 0; play < ask.plays; play += 1) {
    simulateGo(program, tables[play % tables.length]!, state, ask.seed, play, times);
    const score = read(state);
    if (score !== null) {
      scores[counted] = score;
      counted += 1;
      const child = byChild[play % tables.length]!;
      ofChild[play % tables.length]![child.n] = score;
      child.n += 1;
      child.sum += score;
      child.squares += score * score;
    }
    for (let cell = 0; cell < attempts.length; cell += 1) throws += state[attempts[cell]!]!;
    totalMs += state[AT.lastT]!;
    fetchMs += times.fetchMs;
    exerciseMs += times.exerciseMs;
    if (GOALS[state[AT.why]!]) reached += 1;
    if (state[AT.why] === LEFT) left += 1;
  }
  const sorted = scores.subarray(0, counted).sort();
  const lowestScore = sorted[0] ?? 0;
  const span = (sorted[counted - 1] ?? 0) - lowestScore;
  const scoreStep = Math.max(1, Math.ceil((span + 1) / MOST_COLUMNS));
  const histogram = new Array<number>(Math.floor(span / scoreStep) + 1).fill(0);
  for (const score of sorted) histogram[Math.floor((score - lowestScore) / scoreStep)]! += 1;
  const quantile = (share: number) => sorted[Math.min(counted - 1, Math.floor(share * counted))] ?? 0;
  const sortedOfChild = ofChild.map((scores, child) => scores.subarray(0, byChild[child]!.n).sort());
  const pars = shifts.map((shift) => parOfShifted(sorted, sortedOfChild, SKILL_NINTHS, shift));
  const goal = program.parts.some(({ part }) =>
    part.stop.some(({ why, if: [first] }) => why === 'goal' && first![0] !== 'end' && first![0] !== 'row'),
  );
  return {
    histogram,
    lowestScore,
    scoreStep,
    par: quantile(0.5),
    parLow: Math.min(...pars, quantile(0.5)),
    parHigh: Math.max(...pars, quantile(0.5)),
    endless: left > ask.plays / 2,
    likelyLow: quantile(0.1),
    likelyHigh: quantile(0.9),
    throws: throws / ask.plays,
    seconds: totalMs / ask.plays / 1000,
    fetchShare: Math.min(1, fetchMs / Math.max(1, totalMs)),
    exerciseShare: Math.min(1, exerciseMs / Math.max(1, totalMs)),
    finishShare: goal ? reached / ask.plays : 1,
    luckShare: luckShare(byChild),
    rough: roughness(tables),
    plays: ask.plays,
  };
}

function roughness(tables: readonly ChildTables[]): LevelForecast['rough'] {
  const used = tables.flatMap((child) => child.parts.flat().flatMap((task) => (task.single ? [] : (task.falls ?? []).map((table) => table.used))));
  if (!used.some((one) => one.chain)) return 'none';
  return used.some((one) => one.rigid) ? 'leaves' : 'all';
}

/** The reason of a go that was left. */
const LEFT = FINISH_REASONS.indexOf('stopped');

/** For each reason of the engine whether it is an end that the game is played for. */
const GOALS: readonly boolean[] = FINISH_REASONS.map((why) => ['goal', 'target-score', 'rounds'].includes(why));

/** Where the attempts of the child are counted, one cell for each go of each part. */
function attemptCells(program: Program): readonly number[] {
  const blocks = program.joint ? 1 : program.sides;
  return program.parts.flatMap((part) => Array.from({ length: part.goes }, (_, go) => part.base + go * blocks * part.blockSize + B.attempts));
}

/** Reads the score of a play off the state: straight from its counters where it is their sum, else through `measure`. */
export function scoreReader(program: Program): (state: Int32Array) => number | null {
  const part = program.parts[0]!;
  const { of } = part.part.measure;
  const simple =
    program.parts.length === 1 &&
    part.goes === 1 &&
    typeof of !== 'string' &&
    !allRows(part.part).some((row) => row.do.some((effect) => effect.do === 'keepMin')) &&
    capOf(part.part) === undefined &&
    mmPerUnit(part.part, part.part.measure) === 1;
  if (!simple) return (state) => measure(program, state, 0, null).value;
  const weights = Object.entries(of.sum).map(([counter, weight]) => [part.base + part.counterOffset(counter), weight] as const);
  const unfinished = unfinishedRule(part.part) === 'not-finished';
  return (state) => {
    if (unfinished && CUT_SHORT.has(FINISH_REASONS[state[part.base + B.why]!]!)) return null;
    let score = 0;
    for (const [offset, weight] of weights) score += weight * state[offset]!;
    return score;
  };
}

/** What is kept of the scores of one child. */
interface Moments {
  n: number;
  sum: number;
  squares: number;
}

/** How much of the difference between scores is luck: mean variance within a child ÷ total variance. */
function luckShare(byChild: readonly Moments[]): number {
  const played = byChild.filter((child) => child.n > 1);
  const all = played.reduce((total, child) => ({ n: total.n + child.n, sum: total.sum + child.sum, squares: total.squares + child.squares }), {
    n: 0,
    sum: 0,
    squares: 0,
  });
  const total = variance(all);
  if (played.length < 2 || total <= 0) return 0;
  return Math.min(1, mean(played.map(variance)) / total);
}

function variance({ n, sum, squares }: Moments): number {
  return n === 0 ? 0 : Math.max(0, squares / n - (sum / n) ** 2);
}

function mean(numbers: readonly number[]): number {
  return numbers.length === 0 ? 0 : numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
}
