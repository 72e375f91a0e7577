/**
 * A program with many columns, solved with the few that can matter. With its choices halved it is quickly solved, and says of each column how much more
 * the whole would cost at least with it; what would cost more than a plan that is known already is in no better plan (reduced-cost fixing).
 */
import type { Mip } from './mip';
import type { SolvedMip, Solver } from './solver';

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
function solveWith(program: Mip, solver: Solver, gap: number, isKept: (column: number) => boolean): SolvedMip | null {
  const { program: few, kept } = withColumns(program, isKept);
  const answer = solver.solve(few, gap);
  if (!answer) return null;
  const values = program.columns.map(() => 0);
  for (const [index, column] of kept.entries()) values[column] = answer.values[index]!;
  return { values, cost: answer.cost };
}

export interface BegunProgram extends Closely {
  /** Goes on to within the gap of the best. */
  readonly finish: () => Closely;
}

/** A good answer, soon: of the columns that cost least with choices halved. Null where nothing satisfies the program. */
export function beginClosely(program: Mip, solver: Solver, gap: number): BegunProgram | null {
  const relaxed = solver.relax(program);
  if (!relaxed) return null;
  const { columns } = program;
  const ofBinaries = columns.flatMap(({ isBinary }, column) => (isBinary ? [relaxed.reduced[column]!] : [])).sort((a, b) => a - b);
  const within = (most: number) =>
    solveWith(program, solver, gap, (column) => !columns[column]!.isBinary || relaxed.reduced[column]! <= most + SLACK);
  let tried = FIRST;
  let reach = ofBinaries[Math.min(tried, ofBinaries.length) - 1] ?? 0;
  let found = within(reach);
  while (!found && tried < ofBinaries.length) {
    tried *= MORE;
    reach = ofBinaries[Math.min(tried, ofBinaries.length) - 1]!;
    found = within(reach);
  }
  if (!found) return null;
  const first = found;
  const atLeast = Math.min(first.cost, relaxed.cost);
  const finish = (): Closely => {
    if (first.cost <= atLeast / (1 - gap) + SLACK) return { ...first, atLeast };
    // Whatever is left out costs more than what was found: the best is among these.
    const apart = first.cost - relaxed.cost;
    const best = apart > reach ? within(apart)! : first;
    return { ...best, atLeast: Math.max(atLeast, best.cost * (1 - gap)) };
  };
  return { ...first, atLeast, finish };
}

/** Within the gap of the best; null where nothing satisfies the program. */
export const solveClosely = (program: Mip, solver: Solver, gap: number): Closely | null => beginClosely(program, solver, gap)?.finish() ?? null;
