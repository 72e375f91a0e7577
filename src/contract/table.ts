/** A dropped table: what its rows would become, and what became of them. */
import type { VerdictKind } from '@/core/reports/judge';
import type { ColumnKind } from '@/core/reports/read-table';
import type { Uuid } from './ids';

export interface RowOutcome {
  readonly line: number;
  readonly child: string;
  readonly week: number | null;
  readonly score: string;
  /** `waits` belongs to nobody yet. */
  readonly kind: VerdictKind | 'waits';
  readonly sentence: string;
}

export interface Looked {
  readonly header: readonly string[];
  readonly columns: readonly ColumnKind[];
  /** What the game of that week is typed in by, for columns that hold cells. */
  readonly cells: readonly string[];
  readonly gameId: Uuid;
  readonly outcomes: readonly RowOutcome[];
}

export interface BroughtIn {
  readonly batchId: Uuid;
  readonly counted: number;
  readonly doubts: number;
  readonly waiting: number;
}
