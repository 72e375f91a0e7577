/**
 * How steady a class and its children are, from hits and attempts. Skill is the spread of a child's errors as a multiple of the age's; its
 * logarithm is the class's, plus the family's of the movement (throw, roll, kick …), plus the child's own, plus so much a week. Each has a normal
 * prior; all are fitted together (the most likely values by Newton's method, their spread from the curvature there: Laplace's approximation).
 */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { SKILL_SPREAD_LN } from '../motion/assumed';
import { bentChance, type Bend } from '../motion/bend';
import { FAMILIES, type Family } from '../motion/families';
import { Z_80 } from './wilson';

interface Seen {
  readonly child: string;
  /** Without one it is a throw. */
  readonly family?: Family;
  /** The week in which it was played, as a number that grows by one a week; without one all are of one week. */
  readonly week?: number;
  /** What it was played in: what is of one go has the same one. */
  readonly go?: object;
}

/** Attempts of one child at one set-up. */
export interface ObservedHits extends Seen {
  readonly attempts: number;
  readonly hits: number;
  /** Chance of a hit of a child whose spread is `skill` times the age's. */
  readonly chance: (skill: number) => number;
  /** What is the same for all attempts with the same chance; they are then worked out once. */
  readonly curve?: object;
  readonly distanceM?: number;
}

/** A total of one child at one set-up, where nobody knows the misses. */
export interface ObservedTotal extends Seen {
  /** About so many attempts go into it. */
  readonly attempts: number;
  /** Chance of just this total of a child whose spread is `skill` times the age's. */
  readonly likelihood: (skill: number) => number;
}

export type Observed = ObservedHits | ObservedTotal;

/** A factor of the spread with its 80% interval. */
export interface FittedFactor {
  readonly skill: number;
  readonly low: number;
  readonly high: number;
  readonly attempts: number;
}

/** Tries of another school's classes with a game, and how many hit. */
export interface OthersMeasured {
  readonly tries: number;
  readonly hits: number;
}

export interface Fitted extends FittedFactor {
  /** The same for each family of movement; of one that was not reported, without attempts, what the others say of it, less surely. */
  readonly families?: Readonly<Partial<Record<Family, FittedFactor>>>;
  /** Where reports are of several weeks: how much ln skill changes a week (less is steadier), its standard deviation, and the week that `skill` is of. */
  readonly trend?: { readonly aWeek: number; readonly sd: number; readonly week: number };
  /** How the chances of the model are bent for this class, where weeks that the fit had not seen were told better so. */
  readonly bend?: Bend;
  /** Where nothing of the class is known and the bend is of what others measured with the game: their tries. */
  readonly others?: OthersMeasured;
}

export interface FittedClass {
  readonly group: Fitted;
  readonly children: ReadonlyMap<string, Fitted>;
}

/** How far the mean of a class may lie from what is assumed for its age; how far a family from the whole. Assumed. */
export const CLASS_SPREAD_LN = 0.25;
/** The latter. */
const FAMILY_SPREAD_LN = 0.15;
/** Children learn a little, or not at all: change of ln skill a week, mean and standard deviation. Assumed. */
export const TREND = { mean: -0.01, sd: 0.02 } as const;
/** A class is taken to be of so many children at least: of those who have not reported the spread is assumed. */
const TYPICAL_CLASS = 20;
/** Nothing is taken for less likely than this: one odd report must not outweigh all others. Assumed. */
const LEAST = 0.0001;
/** No class is known better than this, however much it reports: the model itself is only about right. Standard deviation of ln skill. Assumed. */
const MODEL_DOUBT_LN = 0.04;

const GRID = 121;
const REACH_LN = 1.2;
const STEP_LN = (2 * REACH_LN) / (GRID - 1);
const SKILLS = Float64Array.from({ length: GRID }, (_, node) => Math.exp(REACH_LN * ((2 * node) / (GRID - 1) - 1)));

/** A log likelihood at the nodes of the grid, with its slope and its curvature (never upwards). */
interface Log {
  readonly slope: Float64Array;
  readonly curve: Float64Array;
}

/** Nodes to each side over which slopes are taken: of totals far, since their likelihood was simulated at a few skills only. */
const [SIDE, SIDE_OF_TOTALS] = [3, 12];

/** Slope and curvature of hits and misses that were known, and of totals, together. */
function logOf({ known, told, totals }: Cell): Log {
  // Of hits and misses the curvature that is to be expected (Fisher's information): it is never nothing where the chance changes.
  const log = { slope: slopesOf(known, SIDE), curve: Float64Array.from(told) };
  if (!totals) return log;
  const slopes = slopesOf(totals, SIDE_OF_TOTALS);
  for (let node = 0; node < GRID; node += 1) {
    log.slope[node]! += slopes[node]!;
    // Nearer to an end than the window is wide: over a narrower one.
    const reach = Math.min(node, GRID - 1 - node, SIDE_OF_TOTALS);
    if (reach > 0) log.curve[node]! += Math.max(0, -(totals[node + reach]! - 2 * totals[node]! + totals[node - reach]!) / (reach * STEP_LN) ** 2);
  }
  return log;
}

const slopesOf = (values: Float64Array, side: number): Float64Array =>
  values.map((_, node) => {
    const [below, above] = [Math.max(0, node - side), Math.min(GRID - 1, node + side)];
    return (values[above]! - values[below]!) / ((above - below) * STEP_LN);
  });

/** What a child tried in one family and week. */
interface Cell {
  readonly child: number;
  readonly family: number;
  readonly week: number;
  /** Of hits and misses: log likelihood, and what so many tries tell there (Fisher's information). */
  readonly known: Float64Array;
  readonly told: Float64Array;
  totals: Float64Array | null;
  attempts: number;
}

/** The columns of what is fitted for the class as a whole: its level, a week's change, then the families. */
const [LEVEL, WEEK, FIRST_FAMILY] = [0, 1, 2];

/** Fits the class, its families and its children. Without attempts the prior is given back. `bend` bends every chance of a hit. */
export function fitClass(observed: readonly Observed[], bend?: Bend): FittedClass {
  const childIds = [...new Set(observed.map(({ child }) => child))];
  const families = FAMILIES.filter((family) => observed.some((one) => (one.family ?? 'throw') === family));
  const weeks = observed.map(({ week = 0 }) => week);
  const lastWeek = weeks.reduce((last, week) => Math.max(last, week), weeks[0] ?? 0);
  const cells = cellsOf(observed, childIds, families, lastWeek, bend);
  const logs = cells.map(logOf);
  const size = FIRST_FAMILY + families.length;
  const manyWeeks = cells.some(({ week }) => week !== 0);
  // Priors: means and precisions. Without several weeks nothing is said of a change. The class was what is assumed for its age in its first week.
  const firstWeek = cells.reduce((first, { week }) => Math.min(first, week), 0);
  const whole = new Float64Array(size);
  whole[WEEK] = manyWeeks ? TREND.mean : 0;
  whole[LEVEL] = manyWeeks ? -TREND.mean * firstWeek : 0;
  const own = new Float64Array(childIds.length);
  const posterior = newton(cells, logs, whole, own, { manyWeeks, firstWeek });

  const factor = (row: readonly number[], child: number | null, attempts: number, unseen = false): FittedFactor => {
    const mean = row.reduce((sum, share, column) => sum + share * whole[column]!, 0);
    const { shift, variance } = child === null ? posterior.ofClass(row) : posterior.ofChild(child);
    const sd = Math.sqrt(variance + MODEL_DOUBT_LN ** 2 + (unseen ? FAMILY_SPREAD_LN ** 2 : 0));
    return { skill: Math.exp(mean + shift), low: Math.exp(mean + shift - Z_80 * sd), high: Math.exp(mean + shift + Z_80 * sd), attempts };
  };
  const triesOf = (child: number | null, family: number | null) =>
    cells
      .filter((cell) => (child === null || cell.child === child) && (family === null || cell.family === family))
      .reduce((sum, cell) => sum + cell.attempts, 0);
  const all = triesOf(null, null);
  const shares = families.map((_, family) => triesOf(null, family) / all);
  /** So much of the level, and of each family that was reported. */
  const rowOf = (ofFamily: (family: number) => number) =>
    Array.from(whole, (_, column) => (column === LEVEL ? 1 : column < FIRST_FAMILY ? 0 : ofFamily(column - FIRST_FAMILY)));
  const fitted = (child: number | null): Fitted => ({
    // As a whole: in what was reported, each family by its tries.
    ...factor(
      rowOf((family) => shares[family]!),
      child,
      triesOf(child, null),
    ),
    ...(families.length > 0 && {
      families: Object.fromEntries(
        FAMILIES.map((name) => {
          const family = families.indexOf(name);
          const tries = family < 0 ? 0 : triesOf(child, family);
          return [
            name,
            factor(
              rowOf((other) => (other === family ? 1 : 0)),
              child,
              tries,
              family < 0,
            ),
          ];
        }),
      ),
    }),
    ...(manyWeeks && { trend: { aWeek: whole[WEEK]!, sd: Math.sqrt(posterior.trendVariance), week: lastWeek } }),
    ...(bend && { bend }),
  });
  return { group: fitted(null), children: new Map(childIds.map((id, child) => [id, fitted(child)])) };
}

/** Attempts of one child in one family and week together, as log likelihoods at the nodes. */
function cellsOf(
  observed: readonly Observed[],
  childIds: readonly string[],
  families: readonly Family[],
  lastWeek: number,
  bend: Bend | undefined,
): readonly Cell[] {
  const cells = new Map<string, Cell>();
  const curves = new Map<object, ReturnType<typeof chanceLogs>>();
  const childAt = new Map(childIds.map((id, index) => [id, index]));
  for (const one of observed) {
    const [child, family, week] = [childAt.get(one.child)!, families.indexOf(one.family ?? 'throw'), (one.week ?? 0) - lastWeek];
    const key = `${child} ${family} ${week}`;
    const cell = cells.get(key) ?? { child, family, week, known: new Float64Array(GRID), told: new Float64Array(GRID), totals: null, attempts: 0 };
    cells.set(key, cell);
    cell.attempts += one.attempts;
    if ('likelihood' in one) {
      cell.totals ??= new Float64Array(GRID);
      for (let node = 0; node < GRID; node += 1) cell.totals[node]! += Math.log(Math.max(LEAST, one.likelihood(SKILLS[node]!)));
      continue;
    }
    const of = one.curve ?? one;
    const logs = curves.get(of) ?? chanceLogs(one.chance, bend);
    curves.set(of, logs);
    for (let node = 0; node < GRID; node += 1) {
      cell.known[node]! += one.hits * logs.hit[node]! + (one.attempts - one.hits) * logs.miss[node]!;
      cell.told[node]! += one.attempts * logs.told[node]!;
    }
  }
  return [...cells.values()];
}

/** Logarithms of the chance of a hit and of a miss, and what one try tells of ln skill: p'² / p(1 − p). */
function chanceLogs(chance: (skill: number) => number, bend: Bend | undefined) {
  const p = SKILLS.map((skill) => {
    const told = chance(skill);
    return Math.min(1 - LEAST, Math.max(LEAST, bend ? bentChance(told, bend) : told));
  });
  const slope = slopesOf(p, SIDE);
  return { hit: p.map(Math.log), miss: p.map((one) => Math.log(1 - one)), told: p.map((one, node) => slope[node]! ** 2 / (one * (1 - one))) };
}

interface Posterior {
  /** How far the mean of the class lies from what all share, and its variance, for so much of each column. */
  ofClass(row: readonly number[]): { readonly shift: number; readonly variance: number };
  /** The same of one child, given its class. */
  ofChild(child: number): { readonly shift: number; readonly variance: number };
  readonly trendVariance: number;
}

/** A symmetric positive definite system of as many equations as `down` has entries; what rounding made unlike above and below is made alike. */
function solved(square: Float64Array, down: ArrayLike<number>): number[] {
  const size = down.length;
  const alike = Matrix.zeros(size, size);
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column < size; column += 1) alike.set(row, column, (square[row * size + column]! + square[column * size + row]!) / 2);
  return new CholeskyDecomposition(alike).solve(Matrix.columnVector(Array.from(down))).to1DArray();
}

const ROUNDS = 30;
const LARGEST_STEP = 0.4;

/**
 * Newton's method on all at once. The children's own columns meet each other only through the class's: they are eliminated one by one (Schur
 * complement), and a small system is left. `whole` and `own` are filled with the most likely values.
 */
function newton(
  cells: readonly Cell[],
  logs: readonly Log[],
  whole: Float64Array,
  own: Float64Array,
  { manyWeeks, firstWeek }: { readonly manyWeeks: boolean; readonly firstWeek: number },
): Posterior {
  const size = whole.length;
  const children = own.length;
  const childPrecision = 1 / SKILL_SPREAD_LN ** 2;
  const schur = new Float64Array(size * size);
  const down = new Float64Array(size);
  const ownCurve = new Float64Array(children);
  const ownDown = new Float64Array(children);
  const cross = new Float64Array(children * size);
  const columns = (cell: Cell): readonly (readonly [number, number])[] => [
    [LEVEL, 1],
    ...(manyWeeks ? [[WEEK, cell.week] as const] : []),
    [FIRST_FAMILY + cell.family, 1],
  ];
  const columnsOf = cells.map(columns);
  const gather = () => {
    schur.fill(0);
    down.fill(0);
    cross.fill(0);
    ownCurve.fill(childPrecision);
    own.forEach((value, child) => (ownDown[child] = -childPrecision * value));
    // Priors.
    const first = (1 / CLASS_SPREAD_LN) ** 2;
    const start = whole[LEVEL]! + (manyWeeks ? firstWeek * whole[WEEK]! : 0);
    const rows: readonly (readonly [number, number])[] = [[LEVEL, 1], ...(manyWeeks ? [[WEEK, firstWeek] as const] : [])];
    for (const [one, by] of rows) {
      down[one]! -= first * by * start;
      for (const [other, times] of rows) schur[one * size + other]! += first * by * times;
    }
    const week = manyWeeks ? 1 / TREND.sd ** 2 : 1;
    schur[WEEK * size + WEEK]! += week;
    down[WEEK]! -= week * (whole[WEEK]! - (manyWeeks ? TREND.mean : 0));
    for (let column = FIRST_FAMILY; column < size; column += 1) {
      schur[column * size + column]! += 1 / FAMILY_SPREAD_LN ** 2;
      down[column]! -= whole[column]! / FAMILY_SPREAD_LN ** 2;
    }
    cells.forEach((cell, index) => {
      const mine = columnsOf[index]!;
      const x = mine.reduce((sum, [column, times]) => sum + times * whole[column]!, own[cell.child]!);
      const at = Math.min(GRID - 1.000001, Math.max(0, (x + REACH_LN) / STEP_LN));
      const node = Math.floor(at);
      const share = at - node;
      const { slope, curve } = logs[index]!;
      const up = slope[node]! * (1 - share) + slope[node + 1]! * share;
      const bends = curve[node]! * (1 - share) + curve[node + 1]! * share;
      ownDown[cell.child]! += up;
      ownCurve[cell.child]! += bends;
      for (const [one, by] of mine) {
        down[one]! += by * up;
        cross[cell.child * size + one]! += by * bends;
        for (const [other, times] of mine) schur[one * size + other]! += by * times * bends;
      }
    });
    for (let child = 0; child < children; child += 1)
      for (let one = 0; one < size; one += 1) {
        const share = cross[child * size + one]! / ownCurve[child]!;
        if (share === 0) continue;
        down[one]! -= share * ownDown[child]!;
        for (let other = 0; other < size; other += 1) schur[one * size + other]! -= share * cross[child * size + other]!;
      }
  };
  for (let round = 0; round < ROUNDS; round += 1) {
    gather();
    const step = solved(schur, down);
    let largest = 0;
    const taken = (value: number) => {
      const kept = Math.min(LARGEST_STEP, Math.max(-LARGEST_STEP, value));
      largest = Math.max(largest, Math.abs(kept));
      return kept;
    };
    const ofWhole = Float64Array.from(step, taken);
    for (let child = 0; child < children; child += 1) {
      let left = ownDown[child]!;
      for (let column = 0; column < size; column += 1) left -= cross[child * size + column]! * ofWhole[column]!;
      own[child]! += taken(left / ownCurve[child]!);
    }
    ofWhole.forEach((value, column) => (whole[column]! += value));
    if (largest < 1e-10) break;
  }
  gather();
  const inClass = Math.max(children, TYPICAL_CLASS);
  const varianceOf = (row: Float64Array) => solved(schur, row).reduce((sum, value, column) => sum + value * row[column]!, 0);
  return {
    ofClass(row) {
      const rest = Float64Array.from(row);
      let variance = (Math.max(0, inClass - children) * SKILL_SPREAD_LN ** 2) / inClass ** 2;
      let shift = 0;
      for (let child = 0; child < children; child += 1) {
        shift += own[child]! / inClass;
        variance += 1 / inClass ** 2 / ownCurve[child]!;
        for (let column = 0; column < size; column += 1) rest[column]! -= cross[child * size + column]! / ownCurve[child]! / inClass;
      }
      return { shift, variance: variance + varianceOf(rest) };
    },
    ofChild: (child) => ({ shift: own[child]!, variance: 1 / ownCurve[child]! }),
    trendVariance: varianceOf(Float64Array.from(whole, (_, column) => (column === WEEK ? 1 : 0))),
  };
}

/** A fit with its factor, and that of each family, changed in the same way. */
export function withFactors<T extends Fitted>(fitted: T, change: (one: FittedFactor) => FittedFactor): T {
  const { skill, low, high, attempts, families } = fitted;
  return {
    ...fitted,
    ...change({ skill, low, high, attempts }),
    ...(families && { families: Object.fromEntries(Object.entries(families).map(([family, one]) => [family, change(one)])) }),
  };
}

/** Farther ahead than this no trend is carried on, weeks. Assumed. */
const MOST_AHEAD = 4;

/** What a fit says of a later week: the change a week carried on, as far as a few weeks, and less surely. */
export function inWeek<T extends Fitted>(fitted: T, week: number): T {
  const { trend } = fitted;
  if (!trend) return fitted;
  const ahead = Math.min(MOST_AHEAD, Math.max(0, week - trend.week));
  if (ahead === 0) return fitted;
  const moved = (one: FittedFactor): FittedFactor => {
    const sd = Math.hypot(Math.log(one.high / one.low) / 2 / Z_80, ahead * trend.sd);
    const skill = one.skill * Math.exp(ahead * trend.aWeek);
    return { skill, low: skill * Math.exp(-Z_80 * sd), high: skill * Math.exp(Z_80 * sd), attempts: one.attempts };
  };
  return { ...withFactors(fitted, moved), trend: { ...trend, week } };
}
