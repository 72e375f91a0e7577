/** The mixed-integer solver (HiGHS), asked with a program and given back numbers. Its own package is loaded by whoever has the place for it. */
import type { Mip } from './mip';

export interface SolvedMip {
  readonly values: readonly number[];
  readonly cost: number;
}

/** What a program is solved with; null where nothing satisfies it. */
export type Solve = (program: Mip, gap: number) => SolvedMip | null;

/** The part of the package that is used. */
export interface Highs {
  solve(
    problem: string,
    options: Readonly<Record<string, string | number | boolean>>,
  ): { readonly Status: string; readonly ObjectiveValue: number; readonly Columns: Readonly<Record<string, object>> };
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
  return ['Minimize', ` cost: ${objective}`, 'Subject To', ...lines, 'Binaries', ...inLines(binaries), 'End', ''].join('\n');
}

function inLines(names: readonly string[]): string[] {
  const lines = [];
  for (let at = 0; at < names.length; at += TERMS_A_LINE) lines.push(` ${names.slice(at, at + TERMS_A_LINE).join(' ')}`);
  return lines;
}

/** Ends by the gap and never by the time, on one thread with one seed: the same program has the same answer. */
export const solverBy =
  (highs: Highs): Solve =>
  (program, gap) => {
    // Rows of nothing are decided here: the format has no way to say them.
    if (program.rows.some(({ terms, sense, rhs }) => terms.length === 0 && (sense === '<=' ? rhs < 0 : sense === '>=' ? rhs > 0 : rhs !== 0)))
      return null;
    const said = { ...program, rows: program.rows.filter(({ terms }) => terms.length > 0) };
    const found = highs.solve(asLp(said), { mip_rel_gap: gap, random_seed: 1, parallel: 'off', output_flag: false });
    if (found.Status === 'Infeasible') return null;
    if (found.Status !== 'Optimal') throw new Error(`the solver ended with “${found.Status}”`);
    return {
      values: program.columns.map((_, column) => (found.Columns[`x${column}`] as { readonly Primal?: number } | undefined)?.Primal ?? 0),
      cost: found.ObjectiveValue,
    };
  };
