/** The mixed-integer solver (HiGHS), asked with a program and given back numbers. Its own package is loaded by whoever has the place for it. */
import type { Mip } from './mip';

export interface SolvedMip {
  readonly values: readonly number[];
  readonly cost: number;
}

/** A program whose choices may be halved: no whole ones cost less. */
export interface Relaxed {
  readonly cost: number;
  /** By column: how much more the whole costs at least for each that is taken of it. */
  readonly reduced: readonly number[];
}

/** What programs are solved with; null where nothing satisfies one. */
export interface Solver {
  /** `most`: what an answer is known to cost; one that costs more need not be looked for. */
  solve(program: Mip, gap: number, most?: number): SolvedMip | null;
  relax(program: Mip): Relaxed | null;
}

/** The part of the package that is used. */
export interface Highs {
  solve(
    problem: string,
    options: Readonly<Record<string, string | number | boolean>>,
  ): {
    readonly Status: string;
    readonly ObjectiveValue: number;
    readonly Columns: Readonly<Record<string, object>>;
  };
}

const TERMS_A_LINE = 12;

/** Words of the LP format: signs apart from their numbers, lines of a bounded length. */
function sum(terms: readonly (readonly [number, number])[]): string {
  const parts = terms.map(([column, factor]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} x${column}`);
  const lines = [];
  for (let at = 0; at < parts.length; at += TERMS_A_LINE) lines.push(parts.slice(at, at + TERMS_A_LINE).join(' '));
  return lines.join('\n ');
}

/** The program in the LP format, which HiGHS and other solvers read. */
export function asLp({ columns, rows }: Mip): string {
  const costs = columns.flatMap(({ cost }, column) => (cost === 0 ? [] : [[column, cost] as const]));
  // A sum of nothing is no row of that format: the first column, times nothing, stands for it.
  const objective = costs.length > 0 ? sum(costs) : '+ 0 x0';
  const lines = rows.map(({ terms, sense, rhs }, row) => ` r${row}: ${terms.length > 0 ? sum(terms) : '+ 0 x0'} ${sense} ${rhs}`);
  const binaries = columns.flatMap(({ isBinary }, column) => (isBinary ? [`x${column}`] : []));
  return [
    'Minimize',
    ` cost: ${objective}`,
    'Subject To',
    ...lines,
    ...(binaries.length > 0 ? ['Binaries'] : []),
    ...inLines(binaries),
    'End',
    '',
  ].join('\n');
}

function inLines(names: readonly string[]): string[] {
  const lines = [];
  for (let at = 0; at < names.length; at += TERMS_A_LINE) lines.push(` ${names.slice(at, at + TERMS_A_LINE).join(' ')}`);
  return lines;
}

/** Costs that are no further apart are the same. */
const CLOSE = 1e-6;

const OPTIONS = { random_seed: 1, parallel: 'off', output_flag: false, mip_heuristic_run_feasibility_jump: false };

/** Ends by the gap and never by the time, on one thread with one seed: the same program has the same answer. */
export function solverBy(highs: Highs): Solver {
  /** With rows of nothing, which the format has no way to say, decided here. */
  const ask = (program: Mip, options: Readonly<Record<string, string | number | boolean>>) => {
    if (program.rows.some(({ terms, sense, rhs }) => terms.length === 0 && (sense === '<=' ? rhs < 0 : sense === '>=' ? rhs > 0 : rhs !== 0)))
      return null;
    const found = highs.solve(asLp({ ...program, rows: program.rows.filter(({ terms }) => terms.length > 0) }), { ...OPTIONS, ...options });
    if (found.Status === 'Infeasible') return null;
    if (found.Status !== 'Optimal') throw new Error(`the solver ended with “${found.Status}”`);
    const of = (field: 'Primal' | 'Dual') =>
      program.columns.map((_, column) => (found.Columns[`x${column}`] as Partial<Record<typeof field, number>> | undefined)?.[field] ?? 0);
    return { found, of };
  };
  return {
    solve: (program, gap, most) => {
      const answer = ask(program, { mip_rel_gap: gap, ...(most !== undefined && { objective_bound: most }) });
      // Where nothing costs so little it may call something else the best.
      if (!answer || (most !== undefined && answer.found.ObjectiveValue > most + CLOSE)) return null;
      return { values: answer.of('Primal'), cost: answer.found.ObjectiveValue };
    },
    relax: (program) => {
      const answer = ask({ ...program, columns: program.columns.map(({ cost }) => ({ cost, isBinary: false })) }, { presolve: 'off' });
      if (!answer) return null;
      return { cost: answer.found.ObjectiveValue, reduced: answer.of('Dual') };
    },
  };
}
