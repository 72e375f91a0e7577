/** Every week and game that a child had, for its own page: checked by hand, without Joi, for the weight of that page. */
import type { InventedPlan } from '@/core/invent/plan';
import type { NextKind } from '@/core/progress/what-next';
import type { Skill } from '@/core/sheet/teaching-points';
import type { Uuid } from './ids';

export interface GameOfMine {
  readonly assignmentId: Uuid;
  readonly title: string;
  readonly levelName: string;
  /** The first movement of it; null where nothing is moved. */
  readonly skill: Skill | null;
  readonly unit: string;
  readonly better: 'high' | 'low';
  /** The child's best of that week, as it was asked; null for none. */
  readonly best: number | null;
  /** What the teacher wrote to this child about it; empty for nothing. */
  readonly comment: string;
}

export interface WeekOfMine {
  readonly id: Uuid;
  readonly number: number;
  readonly dueOn: string;
  /** Days of the week on which the child moved, by its diary and its reports. */
  readonly daysMoved: number;
  readonly games: readonly GameOfMine[];
}

export interface MyWeeks {
  /** The oldest first, of every term. */
  readonly weeks: readonly WeekOfMine[];
  /** Games that others of the class made and that stand on the school's shelf; nobody is named. */
  readonly fromClass: readonly InventedPlan[];
  /** The level that the reports speak for, at the game that was tried last; null before enough is known. */
  readonly next: { readonly kind: NextKind; readonly title: string; readonly levelName: string } | null;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null;

export const isMyWeeks = (value: unknown): value is MyWeeks =>
  isRecord(value) &&
  Array.isArray(value['weeks']) &&
  Array.isArray(value['fromClass']) &&
  value['weeks'].every((week: unknown) => isRecord(week) && typeof week['number'] === 'number' && Array.isArray(week['games']));
