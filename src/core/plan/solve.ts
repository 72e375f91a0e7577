/**
 * The plan that fits best. Classes meet only where they borrow the same things, so each is planned alone first; what they cost together is the least
 * that any plan can cost. Where they borrow more than there is, one after the other takes what is left; where that costs more than the gap allows, all
 * are planned at once.
 */
import { costOf, wholeCost } from './cost';
import { brokenBy } from './broken';
import { planIn, programOf, type ProgramOf } from './mip';
import type { Solve } from './solver';
import type { TermPlan, Term } from './term';

const GAP = 0.01;

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
}

/** Solves a term. Where nothing keeps all musts it says in which class; null where only the classes together cannot have it. */
export function solveTerm(term: Term, solve: Solve, { gap = GAP, tell }: SolveOptions = {}): Solution {
  const alone: TermPlan[number][] = [];
  let atLeast = 0;
  for (const [classIndex] of term.classes.entries()) {
    const program = programOf(term, { classes: [classIndex] });
    const answer = solve(program, gap / 2);
    if (!answer) return { found: false, classIndex };
    alone.push(planIn(term, program, answer.values)[classIndex]!);
    atLeast += answer.cost * (1 - gap / 2);
  }
  const progressOf = (plan: TermPlan): Progress => ({ plan, cost: wholeCost(costOf(term, plan)), atLeast });
  const isWithin = ({ cost }: Progress) => cost <= atLeast / (1 - gap) + 1e-9;
  if (brokenBy(term, alone).length === 0) {
    const progress = progressOf(alone);
    tell?.(progress);
    return { found: true, ...progress };
  }
  const inTurn = oneAfterTheOther(term, solve, gap / 2);
  if (inTurn) {
    const progress = progressOf(inTurn);
    tell?.(progress);
    if (isWithin(progress)) return { found: true, ...progress };
  }
  const program = programOf(term);
  const answer = solve(program, gap);
  if (!answer) return { found: false, classIndex: null };
  const plan = planIn(term, program, answer.values);
  const progress = { plan, cost: wholeCost(costOf(term, plan)), atLeast: Math.max(atLeast, answer.cost * (1 - gap)) };
  tell?.(progress);
  return { found: true, ...progress };
}

/** Each class takes what the ones before it left in the cupboard; null where one finds too little. */
function oneAfterTheOther(term: Term, solve: Solve, gap: number): TermPlan | null {
  const taken: Record<string, number>[] = term.weeks.map(() => ({}));
  let plan: TermPlan = term.classes.map(() => term.weeks.map(() => null));
  for (const [classIndex] of term.classes.entries()) {
    const of: ProgramOf = { classes: [classIndex], taken };
    const program = programOf(term, of);
    const answer = solve(program, gap);
    if (!answer) return null;
    plan = planIn(term, program, answer.values, plan);
    for (const [week, cell] of plan[classIndex]!.entries())
      for (const [thing, n] of Object.entries(term.offers.find(({ id }) => id === cell?.offerId)?.lends ?? {}))
        taken[week]![thing] = (taken[week]![thing] ?? 0) + n;
  }
  return plan;
}

export interface Clash {
  /** The fewest musts to drop, after which there is a plan. */
  readonly fewest: readonly string[];
  /** Musts that cannot be had together, from which none can be left out. */
  readonly together: readonly string[];
}

/** What cannot be had, of one class or (null) of all together. Throws where a plan is found after all. */
export function clashOf(term: Term, solve: Solve, classIndex: number | null): Clash {
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
  const dropped = solve({ columns: [...program.columns, ...asked.map(() => ({ cost: 1, isBinary: true }))], rows }, 0);
  if (!dropped) throw new Error('even without wishes there is no plan: a week has nothing that could stand in it');
  const fewest = asked.filter((_, index) => dropped.values[first + index]! > 0.5);
  if (fewest.length === 0) throw new Error('nothing clashes');
  const out = new Set<string>();
  for (const id of asked) if (!solve(programOf(term, { ...of, without: new Set([...out, id]) }), 0)) out.add(id);
  return { fewest, together: asked.filter((id) => !out.has(id)) };
}
