/** A class over its weeks. */
import type { CreditRule } from '@/core/progress/credit';
import type { JudgedFit } from '@/core/progress/level-fit';
import type { Uuid } from './ids';

export interface CellOfWeek {
  readonly credit: boolean;
  /** What is missing for the credit, in words. */
  readonly missing: string;
  /** The total of an event; null for a week of one game. */
  readonly event: string | null;
  readonly best: number | null;
  /** The first go that counted: par is of one go, so the best of several says nothing against it. */
  readonly first: number | null;
  readonly par: number | null;
  /** Something waits to be looked at. */
  readonly doubt: boolean;
  readonly sent: boolean;
}

export interface WeekOfClass {
  readonly id: Uuid;
  readonly number: number;
  readonly dueOn: string;
  readonly title: string;
  readonly unit: string;
  readonly better: 'high' | 'low';
  readonly gameId: Uuid | null;
  /** The level that most were sent. */
  readonly levelId: string | null;
  /** How much of the difference between scores of one go is luck, by the forecast; null for what was sent before it was kept. */
  readonly luckShare: number | null;
  readonly credit: number;
  readonly sentTo: number;
  readonly fit: JudgedFit;
}

export interface ClassWeeks {
  readonly creditRule: CreditRule;
  /** The oldest first, at most twelve. */
  readonly weeks: readonly WeekOfClass[];
  readonly children: readonly { readonly id: Uuid; readonly name: string; readonly cells: readonly CellOfWeek[] }[];
}
