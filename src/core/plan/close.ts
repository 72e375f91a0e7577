/**
 * A program with many columns, solved with the few that can matter. With its choices halved it is quickly solved, and says of each column how much more
 * the whole would cost at least with it; what would cost more than a plan that is known already is in no better plan (reduced-cost fixing).
 */
import type { Mip } from './mip';
import type { Relaxed, SolvedMip, Solver } from './solver';

export interface Closely extends SolvedMip {
  /** Nothing costs less. */
  readonly atLeast: number;
}

/** Columns that are tried at first; where they hold no plan, four times as many. */
const FIRST = 120;
const MORE = 4;
const SLACK = 1e-6;

/** The program with some of its columns alone. */
function withColumns({ columns, rows }: Mip, isKept: (column: number) => boolean): { readonly program: Mip; readonly kept: readonly number[] } {
  const kept = columns.flatMap((_, column) => (isKept(column) ? [column] : []));
  const place = new Map(kept.map((column, index) => [column, index]));
  return {
    kept,
    program: {
      columns: kept.map((column) => columns[column]!),
      rows: rows.map((row) => ({
        ...row,
        terms: row.terms.flatMap(([column, factor]) => {
          const at = place.get(column);
          return at === undefined ? [] : [[at, factor] as const];
        }),
      })),
    },
  };
}

/** Solved with some of its columns alone; the others are nothing. Null where these satisfy nothing. */
function solveWith(program: Mip, solver: Solver, gap: number, isKept: (column: number) => boolean, most?: number): SolvedMip | null {
  const { program: few, kept } = withColumns(program, isKept);
  const answer = solver.solve(few, gap, most);
  if (!answer) return null;
  const values = program.columns.map(() => 0);
  for (const [index, column] of kept.entries()) values[column] = answer.values[index]!;
  return { values, cost: answer.cost };
}

/** Whether a column may be in an answer that costs so much more than the program with its choices halved. */
const mayCost =
  ({ columns }: Mip, { reduced }: Relaxed) =>
  (more: number) =>
  (column: number): boolean =>
    !columns[column]!.isBinary || reduced[column]! <= more + SLACK;

/** How much more the whole costs with the last of so many columns that cost least. */
function reachOf({ columns }: Mip, { reduced }: Relaxed, n: number): number {
  const ofBinaries = columns.flatMap(({ isBinary }, column) => (isBinary ? [reduced[column]!] : [])).sort((a, b) => a - b);
  return ofBinaries[Math.min(n, ofBinaries.length) - 1] ?? 0;
}

/** Within the gap of the best: first of the columns that cost least with choices halved. Null where nothing satisfies the program. */
export function solveClosely(program: Mip, solver: Solver, gap: number): Closely | null {
  const relaxed = solver.relax(program);
  if (!relaxed) return null;
  const within = mayCost(program, relaxed);
  let tried = FIRST;
  let reach = reachOf(program, relaxed, tried);
  let found = solveWith(program, solver, gap, within(reach));
  while (!found && tried < program.columns.length) {
    tried *= MORE;
    reach = reachOf(program, relaxed, tried);
    found = solveWith(program, solver, gap, within(reach));
  }
  if (!found) return null;
  const atLeast = Math.min(found.cost, relaxed.cost);
  if (found.cost <= atLeast / (1 - gap) + SLACK) return { ...found, atLeast };
  // Whatever is left out costs more than what was found: the best is among these.
  const apart = found.cost - relaxed.cost;
  const best = (apart > reach ? solveWith(program, solver, gap, within(apart), found.cost + SLACK) : null) ?? found;
  return { ...best, atLeast: Math.max(atLeast, best.cost * (1 - gap)) };
}

/** The best of what costs no more than `most`; null where nothing does. */
export function solveBelow(program: Mip, solver: Solver, most: number): SolvedMip | null {
  const relaxed = solver.relax(program);
  if (!relaxed) return null;
  const within = mayCost(program, relaxed);
  const reach = reachOf(program, relaxed, FIRST);
  const first = solveWith(program, solver, 0, within(Math.min(reach, most - relaxed.cost)), most + SLACK);
  const least = Math.min(most, first?.cost ?? most);
  return (least - relaxed.cost > reach ? solveWith(program, solver, 0, within(least - relaxed.cost), least + SLACK) : null) ?? first;
}
