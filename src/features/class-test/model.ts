/** The hits of a class test while they are tapped or typed: what is shown, and what the school does not have yet. No React here. */
import type { ClassTestSheet, TestHits } from '@/contract/class-test';
import { TRIES_A_MARK } from '@/core/progress/tested';

/** What was tapped and is not known to have arrived, by child and mark; kept on the device until it has. */
export type HitsWaiting = Readonly<Record<string, number | null>>;

export const cellKey = (childId: string, mark: number) => `${childId} ${mark}`;

export interface ShownRow {
  readonly id: string;
  readonly name: string;
  readonly hits: readonly (number | null)[];
}

/** The children with what was tapped last. */
export function rowsShown({ children }: Pick<ClassTestSheet, 'children'>, waiting: HitsWaiting): readonly ShownRow[] {
  return children.map(({ id, name, hits }) => ({
    id,
    name,
    hits: hits.map((known, mark) => {
      const mine = waiting[cellKey(id, mark)];
      return mine === undefined ? known : mine;
    }),
  }));
}

/** How many cells are filled, of how many. */
export function filled(rows: readonly ShownRow[]): { readonly done: number; readonly of: number } {
  const cells = rows.flatMap(({ hits }) => hits);
  return { done: cells.filter((hits) => hits !== null).length, of: cells.length };
}

/** The first of what waits; null for nothing. */
export function firstWaiting(waiting: HitsWaiting): TestHits | null {
  const [key] = Object.keys(waiting);
  if (key === undefined) return null;
  const [childId, mark] = key.split(' ') as [TestHits['childId'], string];
  return { childId, mark: Number(mark), hits: waiting[key]! };
}

/** Without one that has arrived, unless it was tapped anew meanwhile. */
export function withoutArrived(waiting: HitsWaiting, { childId, mark, hits }: TestHits): HitsWaiting {
  const key = cellKey(childId, mark);
  if (waiting[key] !== hits) return waiting;
  const { [key]: _arrived, ...rest } = waiting;
  return rest;
}

/** What was kept on the device; what cannot be read is nothing. */
export function readWaiting(kept: string | null): HitsWaiting {
  if (kept === null) return {};
  try {
    const read: unknown = JSON.parse(kept);
    if (typeof read !== 'object' || read === null || Array.isArray(read)) return {};
    const isCell = ([key, hits]: [string, unknown]) =>
      /^[0-9a-f-]{36} [01]$/.test(key) && (hits === null || (Number.isInteger(hits) && Number(hits) >= 0 && Number(hits) <= TRIES_A_MARK));
    return Object.fromEntries(Object.entries(read).filter(isCell)) as HitsWaiting;
  } catch {
    return {};
  }
}

/** The test with what has arrived. */
export const withHits = (sheet: ClassTestSheet, { childId, mark, hits }: TestHits): ClassTestSheet => ({
  ...sheet,
  children: sheet.children.map((child) =>
    child.id === childId ? { ...child, hits: child.hits.map((old, at) => (at === mark ? hits : old)) } : child,
  ),
});
