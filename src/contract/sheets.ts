/** Sheets of paper to be typed in. */
import type { Game } from '@/core/rules/format/game';
import type { AssignedSetUp } from './assignment';
import type { Uuid } from './ids';

export interface SheetToType {
  readonly assignmentId: Uuid;
  readonly childId: Uuid;
  readonly name: string;
  readonly onPaper: boolean;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
  /** The school has a report already. */
  readonly reported: boolean;
}

export interface SheetsToType {
  readonly weeks: readonly { readonly id: Uuid; readonly number: number; readonly dueOn: string }[];
  readonly weekId: Uuid | null;
  readonly games: readonly { readonly itemId: Uuid; readonly title: string }[];
  readonly itemId: Uuid | null;
  readonly game: Game | null;
  readonly sheets: readonly SheetToType[];
}
