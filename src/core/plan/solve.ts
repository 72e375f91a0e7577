/**
 * The plan that fits best. Classes meet only where they borrow the same things, so each is planned alone first. Where they borrow more than there is,
 * they are planned at prices (lending.ts), put together of all the lines that came up, and planned once more with what all the others leave.
 */
import { brokenBy } from './broken';
import { solveBelow, solveClosely } from './close';
import { costOf, costOfClass, wholeCost } from './cost';
import { lendingOf, lentIn, type CostedLine } from './lending';
import { madeUp, USUAL } from './made-up-term';
import { planIn, programOf, type ProgramOf } from './mip';
import type { Solver } from './solver';
import { isOf, type Lent, type Term, type TermPlan } from './term';

const GAP = 0.01;
/** Of one class, which is solved to its best: its bound is then worth most, and it takes no longer. */
const OF_A_CLASS = 0;
/** So many prices are tried at most for what is lent. */
const ROUNDS = 6;
/** How far at first prices go at once, in parts of what a piece that is lent stands for. */
const REACH = 0.3;
/** Over so many columns the whole is not solved at once: it would not end. */
const AT_ONCE = 4000;
/** How near the best of its columns the plan is that is there soon. */
const SOON_GAP = 0.05;
const SLACK = 1e-9;
const NO_PLAN: TermPlan = [];

export interface Progress {
  /** A plan that keeps everything. */
  readonly plan: TermPlan;
  readonly cost: number;
  /** No plan costs less. */
  readonly atLeast: number;
}

export type Solution = ({ readonly found: true } & Progress) | { readonly found: false; readonly classIndex: number | null };

export interface SolveOptions {
  readonly gap?: number;
  /** Hears of each plan that keeps everything, the first one early. */
  readonly tell?: (progress: Progress) => void;
  /** Hears how many of how many classes are planned. */
  readonly step?: (done: number, of: number) => void;
}

type Line = TermPlan[number];

/** Solves a term. Where nothing keeps all musts it says in which class; null where only the classes together cannot have it. */
export function solveTerm(term: Term, solver: Solver, { gap = GAP, tell, step }: SolveOptions = {}): Solution {
  const { classes } = term;
  // Read through a function: what it is assigned in another, the compiler does not see.
  let best: Progress | null = null;
  const soFar = () => best;
  let atLeast = 0;
  /** Takes a plan that breaks nothing, if it is better; says whether no other could be much better still. */
  const take = (plan: TermPlan): boolean => {
    const cost = plan.length === classes.length && brokenBy(term, plan).length === 0 ? wholeCost(costOf(term, plan)) : Infinity;
    if (cost < (best?.cost ?? Infinity) - SLACK) best = { plan, cost, atLeast };
    else if (best && atLeast > best.atLeast) best = { ...best, atLeast };
    else return best !== null && isClose(best);
    tell?.(best);
    return isClose(best);
  };
  const isClose = ({ cost }: Progress) => cost <= atLeast / (1 - gap) + SLACK;
  /** The best line of a class, where one is known it or a better one; null where it can have none. */
  const solveClass = (classIndex: number, of: Omit<ProgramOf, 'classes'>, known?: CostedLine): Line | null => {
    const program = programOf(term, { ...of, classes: [classIndex] });
    const answer = known ? solveBelow(program, solver, known.cost) : solveClosely(program, solver, OF_A_CLASS);
    return answer ? planIn(term, program, answer.values)[classIndex]! : (known?.line ?? null);
  };
  const costed = (classIndex: number, line: Line): CostedLine => ({ line, cost: wholeCost(costOfClass(term, classIndex, line)) });
  const lending = lendingOf(term, solver);

  // A good plan soon, before any is proved to be the best.
  const soon = soonSolved(term, solver, {}, (classIndex, taken) => solveClass(classIndex, { taken }));
  for (const [classIndex, line] of soon) lending.know(classIndex, line);
  take([...soon.values()]);
  // What all together cannot have even with choices halved, no prices find.
  const isHadAlone = () => classes.every((_, classIndex) => solver.relax(programOf(term, { classes: [classIndex], anyPlan: true })));
  if (soon.size < classes.length && !solver.relax(programOf(term, { anyPlan: true })) && isHadAlone()) return { found: false, classIndex: null };

  const meets = term.musts.some(({ kind }) => kind === 'cupboard');
  let done = 0;
  const tellStep = () => step?.((done += 1), classes.length * (meets ? 1 + ROUNDS : 1));
  for (const [classIndex] of classes.entries()) {
    const line = solveClass(classIndex, {}, soon.has(classIndex) ? costed(classIndex, soon.get(classIndex)!) : undefined);
    if (!line) return { found: false, classIndex };
    lending.know(classIndex, line);
    tellStep();
  }
  const own = classes.map((_, classIndex) => lending.bestAt(classIndex, lending.noPrices));
  atLeast = own.reduce((sum, { cost }) => sum + cost, 0);
  if (take(own.map(({ line }) => line))) return { found: true, ...best! };

  let prices = lending.noPrices;
  let reach = REACH * lending.aPiece();
  for (let round = 0; round < ROUNDS; round += 1) {
    const next = lending.pricesNear(prices, reach);
    if (next.atMost <= atLeast + SLACK) break;
    const byWeek = lending.byWeek(next.prices);
    let paid = 0;
    for (const [classIndex, { line, cost }] of own.entries()) {
      // Prices only make dearer: who borrows nothing that has one has the best already.
      if (lending.priceOf(classIndex, line, next.prices) <= SLACK) paid += cost;
      else {
        lending.know(classIndex, solveClass(classIndex, { prices: byWeek }, lending.bestAt(classIndex, next.prices))!);
        paid += lending.bestAt(classIndex, next.prices).cost;
      }
      tellStep();
    }
    const reached = paid - lending.worthAt(next.prices);
    if (reached > atLeast) {
      atLeast = reached;
      prices = next.prices;
    } else reach /= 2;
    if (take(lending.together() ?? NO_PLAN)) return { found: true, ...best! };
  }
  // Then each that could do better once more with what all the others leave, as long as that helps.
  let before = Infinity;
  for (let found = soFar(); found && found.cost < before - SLACK; found = soFar()) {
    const { plan } = found;
    before = found.cost;
    const lines = new Map(plan.entries());
    for (const [classIndex, line] of plan.entries()) {
      const stands = costed(classIndex, line);
      if (stands.cost <= own[classIndex]!.cost + SLACK) continue;
      lines.delete(classIndex);
      lines.set(classIndex, solveClass(classIndex, { taken: lentIn(term, lines) }, stands)!);
      lending.know(classIndex, lines.get(classIndex)!);
    }
    if (take(lending.together() ?? NO_PLAN)) return { found: true, ...best! };
  }

  const program = programOf(term);
  const found = soFar();
  if (found && program.columns.length > AT_ONCE) return { found: true, ...found };
  const answer = solveClosely(program, solver, gap);
  if (!answer) return { found: false, classIndex: null };
  atLeast = Math.max(atLeast, answer.atLeast);
  take(planIn(term, program, answer.values));
  return { found: true, ...best! };
}

/**
 * Plans a made-up term of full size, a class at each step: what a solver of machine code does often is made quick while it does it, which no teacher
 * need wait for. Two classes do it: more gain nothing.
 */
export function* warmUp(solver: Solver): Generator<void> {
  const term = madeUp(1, { classes: 2, weeks: 12, games: 60, levels: 3 }, USUAL);
  for (const classIndex of term.classes.keys()) {
    soonSolved(term, solver, { classes: [classIndex] });
    yield;
  }
}

/**
 * Good lines soon: each class of what those before it leave, of the columns that are likely to hold one. Where these hold none it is planned otherwise;
 * the first that can have none ends it.
 */
function soonSolved(
  term: Term,
  solver: Solver,
  { classes = term.classes.map((_, classIndex) => classIndex), without }: Pick<ProgramOf, 'classes' | 'without'>,
  otherwise: (classIndex: number, taken: readonly Lent[]) => Line | null = () => null,
): ReadonlyMap<number, Line> {
  const lines = new Map<number, Line>();
  for (const classIndex of classes) {
    const taken = lentIn(term, lines);
    const program = programOf(term, { classes: [classIndex], taken, soon: true, ...(without && { without }) });
    const answer = solver.solve(program, SOON_GAP);
    const line = answer ? planIn(term, program, answer.values)[classIndex]! : otherwise(classIndex, taken);
    if (!line) break;
    lines.set(classIndex, line);
  }
  return lines;
}

export interface Clash {
  /** The fewest musts to drop, after which there is a plan. */
  readonly fewest: readonly string[];
  /** Musts that cannot be had together, from which none can be left out. */
  readonly together: readonly string[];
}

/**
 * What cannot be had, of one class or (null) of all together. Throws where a plan is found after all. Whatever is dropped must be one of each set of
 * musts that clash: sets are found until the fewest that meet them all leave a plan (implicit hitting sets).
 */
export function clashOf(term: Term, solver: Solver, classIndex: number | null): Clash {
  const of: ProgramOf = classIndex === null ? {} : { classes: [classIndex] };
  const asked = term.musts.filter((must) => classIndex === null || isOf(must, term.classes[classIndex]!.id)).map(({ id }) => id);
  const isPlanWithout = (without: ReadonlySet<string>) =>
    soonSolved(term, solver, { ...of, without }).size === (of.classes ?? term.classes).length ||
    solver.solve(programOf(term, { ...of, without, anyPlan: true }), 0) !== null;
  /** Of those that are not dropped: some that clash, from which none can be left out. */
  const clashing = (dropped: ReadonlySet<string>): readonly string[] => {
    const out = new Set(dropped);
    for (const id of asked) if (!out.has(id) && !isPlanWithout(new Set([...out, id]))) out.add(id);
    if (out.size === dropped.size && isPlanWithout(dropped)) throw new Error('nothing clashes');
    if (out.size === asked.length) throw new Error('even without wishes there is no plan: a week has nothing that could stand in it');
    return asked.filter((id) => !out.has(id));
  };
  const sets = [clashing(new Set())];
  for (;;) {
    const columns = asked.map(() => ({ cost: 1, isBinary: true }));
    const rows = sets.map((set) => ({ terms: set.map((id) => [asked.indexOf(id), 1] as const), sense: '>=' as const, rhs: 1 }));
    const { values } = solver.solve({ columns, rows }, 0)!;
    const fewest = asked.filter((_, index) => values[index]! > 0.5);
    if (isPlanWithout(new Set(fewest))) return { fewest, together: sets[0]! };
    sets.push(clashing(new Set(fewest)));
  }
}
