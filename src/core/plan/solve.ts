/**
 * The plan that fits best. Classes meet only where they borrow the same things, so each is planned alone first. Where they borrow more than there is,
 * every thing gets a price in every week (those of the program with its choices halved) at which the classes ask for about as much as there is: what they
 * cost at these prices is the least that any plan can cost (Lagrangian relaxation), and who asks for what is gone plans again with what is left.
 */
import { brokenBy } from './broken';
import { beginClosely, solveClosely, type BegunProgram } from './close';
import { costOf, wholeCost } from './cost';
import { planIn, programOf, type Condition, type MipOfTerm, type ProgramOf, type Unknown } from './mip';
import type { Solver } from './solver';
import { lentFor, type Lent, type Term, type TermPlan } from './term';

const GAP = 0.01;
/** Columns of each class that the prices are found with. */
const OF_EACH = 250;
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
  let best: Progress | null = null;
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
  const solveClass = (classIndex: number, of: Omit<ProgramOf, 'classes'>) => {
    const program = programOf(term, { ...of, classes: [classIndex] });
    const answer = solveClosely(program, solver, gap / 2);
    return answer && { line: planIn(term, program, answer.values)[classIndex]!, atLeast: answer.atLeast };
  };

  // A good plan soon, before any is proved to be the best.
  const soon = classes.map((_, classIndex) => {
    const program = programOf(term, { classes: [classIndex], soon: true });
    const answer = beginClosely(program, solver, SOON_GAP);
    return answer && planIn(term, program, answer.values)[classIndex]!;
  });
  if (soon.every((line) => line !== null))
    take(inWhatIsThere(term, soon, (classIndex, taken) => solveClass(classIndex, { taken })?.line ?? null) ?? NO_PLAN);

  const begun: { readonly answer: BegunProgram; readonly program: MipOfTerm }[] = [];
  for (const [classIndex] of classes.entries()) {
    const program = programOf(term, { classes: [classIndex] });
    const answer = beginClosely(program, solver, gap / 2);
    if (!answer) return { found: false, classIndex };
    begun.push({ answer, program });
    step?.(classIndex + 1, 2 * classes.length);
  }
  const own = begun.map(({ answer, program }, classIndex) => {
    const { values, atLeast: least } = answer.finish();
    step?.(classes.length + classIndex + 1, 2 * classes.length);
    return { line: planIn(term, program, values)[classIndex]!, atLeast: least };
  });
  atLeast = own.reduce((sum, one) => sum + one.atLeast, 0);
  const lines = own.map(({ line }) => line);
  if (take(lines)) return { found: true, ...best! };

  const prices = pricesOf(term, solver);
  if (prices) {
    // Prices only make dearer: who borrows nothing that has one has the best already.
    const dear = lines.map((line, classIndex) => priceOf(term, classIndex, line, prices) > SLACK);
    const priced = classes.map((_, classIndex) => (dear[classIndex]! ? solveClass(classIndex, { prices }) : null));
    const paid = own.reduce((sum, one, classIndex) => sum + (priced[classIndex]?.atLeast ?? one.atLeast), 0);
    atLeast = Math.max(atLeast, paid - worthOf(term, prices));
    let plan: TermPlan | null = inWhatIsThere(
      term,
      priced.map((answer, classIndex) => answer?.line ?? lines[classIndex]!),
      (classIndex, taken) => (solveClass(classIndex, { prices, taken }) ?? solveClass(classIndex, { taken }))?.line ?? null,
    );
    // Then each once more with what all the others leave, as long as that helps.
    for (let before = Infinity; plan && !take(plan);) {
      const cost = wholeCost(costOf(term, plan));
      if (cost >= before - SLACK) break;
      before = cost;
      plan = eachAgain(term, plan, (classIndex, taken) => solveClass(classIndex, { taken })?.line ?? null);
    }
    if (plan && take(plan)) return { found: true, ...best! };
  }

  const program = programOf(term);
  if (best && program.columns.length > AT_ONCE) return { found: true, ...(best as Progress) };
  const answer = solveClosely(program, solver, gap);
  if (!answer) return { found: false, classIndex: null };
  atLeast = Math.max(atLeast, answer.atLeast);
  take(planIn(term, program, answer.values));
  return { found: true, ...best! };
}

/** What of the cupboard a class borrows in a week. */
function lentBy(term: Term, classIndex: number, line: Line, week: number): (readonly [thing: string, n: number])[] {
  const offer = term.offers.find(({ id }) => id === line[week]?.offerId);
  return offer ? Object.keys(offer.lends).map((thing) => [thing, lentFor(term, classIndex, offer, thing)] as const) : [];
}

/** What these lines borrow together, by week. */
const lentIn = (term: Term, lines: ReadonlyMap<number, Line>): Lent[] =>
  term.weeks.map((_, week) => {
    const sum: Record<string, number> = {};
    for (const [classIndex, line] of lines) for (const [thing, n] of lentBy(term, classIndex, line, week)) sum[thing] = (sum[thing] ?? 0) + n;
    return sum;
  });

const priceOf = (term: Term, classIndex: number, line: Line, prices: readonly Lent[]): number =>
  term.weeks.reduce(
    (sum, _, week) => sum + lentBy(term, classIndex, line, week).reduce((of, [thing, n]) => of + n * (prices[week]![thing] ?? 0), 0),
    0,
  );

const worthOf = ({ musts }: Term, prices: readonly Lent[]): number =>
  musts.reduce((sum, must) => sum + (must.kind === 'cupboard' ? must.there * prices.reduce((of, price) => of + (price[must.thing] ?? 0), 0) : 0), 0);

const isEnough = ({ musts, weeks }: Term, lent: readonly Lent[]): boolean =>
  musts.every((must) => must.kind !== 'cupboard' || weeks.every((_, week) => (lent[week]![must.thing] ?? 0) <= must.there));

/** Keeps the lines in turn as long as there is enough; the others plan again with what is left. Null where one finds too little. */
function inWhatIsThere(term: Term, lines: readonly Line[], again: (classIndex: number, taken: readonly Lent[]) => Line | null): TermPlan | null {
  const kept = new Map<number, Line>();
  for (const [classIndex, line] of lines.entries())
    if (isEnough(term, lentIn(term, new Map([...kept, [classIndex, line]])))) kept.set(classIndex, line);
  for (const [classIndex] of lines.entries()) {
    if (kept.has(classIndex)) continue;
    const line = again(classIndex, lentIn(term, kept));
    if (!line) return null;
    kept.set(classIndex, line);
  }
  return lines.map((_, classIndex) => kept.get(classIndex)!);
}

/** Each class plans once more with what all the others leave. */
function eachAgain(term: Term, plan: TermPlan, again: (classIndex: number, taken: readonly Lent[]) => Line | null): TermPlan {
  const lines = new Map(plan.entries());
  for (const [classIndex, line] of plan.entries()) {
    lines.delete(classIndex);
    lines.set(classIndex, again(classIndex, lentIn(term, lines)) ?? line);
  }
  return plan.map((_, classIndex) => lines.get(classIndex)!);
}

/** Prices of what is lent, by week: of a program of the most promising columns of each class, its choices halved. Null where these hold no plan. */
function pricesOf(term: Term, solver: Solver): Lent[] | null {
  const columns: Unknown[] = [];
  const rows: Condition[] = [];
  const shared = new Map<string, { readonly week: number; readonly thing: string; readonly there: number; readonly terms: [number, number][] }>();
  for (const [classIndex] of term.classes.entries()) {
    const program = programOf(term, { classes: [classIndex] });
    const relaxed = solver.relax(program);
    if (!relaxed) return null;
    const most = [...relaxed.reduced].sort((a, b) => a - b)[Math.min(OF_EACH, relaxed.reduced.length) - 1]!;
    const place = new Map<number, number>();
    for (const [column, unknown] of program.columns.entries()) {
      const block = program.blocks[column];
      if (block && relaxed.reduced[column]! > most) continue;
      place.set(column, columns.length);
      for (const { week } of block?.cells ?? [])
        for (const must of term.musts) {
          const n = must.kind === 'cupboard' ? lentFor(term, classIndex, term.offers[block!.offer]!, must.thing) : 0;
          if (must.kind !== 'cupboard' || n === 0) continue;
          const key = `${week} ${must.thing}`;
          const row = shared.get(key) ?? { week, thing: must.thing, there: must.there, terms: [] };
          row.terms.push([columns.length, n]);
          shared.set(key, row);
        }
      columns.push(unknown);
    }
    const cupboards = new Set(term.musts.flatMap(({ id, kind }) => (kind === 'cupboard' ? [id] : [])));
    for (const row of program.rows)
      if (row.mustId === null || !cupboards.has(row.mustId))
        rows.push({ ...row, terms: row.terms.flatMap(([column, factor]) => (place.has(column) ? [[place.get(column)!, factor] as const] : [])) });
  }
  const meetings = [...shared.values()];
  const relaxed = solver.relax({
    columns,
    rows: [...rows, ...meetings.map(({ terms, there }): Condition => ({ terms, sense: '<=', rhs: there, mustId: null }))],
  });
  if (!relaxed) return null;
  const prices = term.weeks.map((): Record<string, number> => ({}));
  for (const [index, { week, thing }] of meetings.entries()) prices[week]![thing] = Math.max(0, -relaxed.prices[rows.length + index]!);
  return prices;
}

export interface Clash {
  /** The fewest musts to drop, after which there is a plan. */
  readonly fewest: readonly string[];
  /** Musts that cannot be had together, from which none can be left out. */
  readonly together: readonly string[];
}

/** What cannot be had, of one class or (null) of all together. Throws where a plan is found after all. */
export function clashOf(term: Term, solver: Solver, classIndex: number | null): Clash {
  const of: ProgramOf = { anyPlan: true, ...(classIndex !== null && { classes: [classIndex] }) };
  const program = programOf(term, of);
  const asked = [...new Set(program.rows.flatMap(({ mustId }) => mustId ?? []))];
  const first = program.columns.length;
  // Each must may be left out at the cost of one: its rows are loosened by as much as they could ever be broken.
  const rows = program.rows.map((row) => {
    if (row.mustId === null) return row;
    const reach = row.terms.reduce((sum, [, factor]) => sum + Math.abs(factor), 0) + Math.abs(row.rhs);
    return { ...row, terms: [...row.terms, [first + asked.indexOf(row.mustId), row.sense === '>=' ? reach : -reach] as const] };
  });
  const dropped = solver.solve({ columns: [...program.columns, ...asked.map(() => ({ cost: 1, isBinary: true }))], rows }, 0);
  if (!dropped) throw new Error('even without wishes there is no plan: a week has nothing that could stand in it');
  const fewest = asked.filter((_, index) => dropped.values[first + index]! > 0.5);
  if (fewest.length === 0) throw new Error('nothing clashes');
  const out = new Set<string>();
  for (const id of asked) if (!solver.solve(programOf(term, { ...of, without: new Set([...out, id]) }), 0)) out.add(id);
  return { fewest, together: asked.filter((id) => !out.has(id)) };
}
