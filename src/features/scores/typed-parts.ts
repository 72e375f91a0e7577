/** A sheet of paper as it is typed in: the cells of a level, the total, the steps to the marks. No interface here. */
import Joi from 'joi';
import type { AssignedSetUp } from '@/contract/assignment';
import { workedOut } from '@/core/reports/from-parts';
import { partFields, type PartField } from '@/core/reports/parts';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import type { Result } from '@/core/rules/playing/measure';

export type Cells = readonly (number | null | undefined)[];

/** The cells as a form holds them: a number each, null for nothing written. What stood at another level is dropped. */
export const cellsSchema = (fields: readonly PartField[]) =>
  Joi.array()
    .sparse()
    .ordered(...fields.map(({ least, most }) => Joi.number().integer().min(least).max(most).allow(null).empty('').default(null)))
    .items(Joi.any().strip());

/** A line typed in for one child: its name or code, the level that was played, what stands on the sheet. */
export interface SheetLine {
  readonly child: string;
  readonly levelId: string;
  readonly cells: Cells;
  readonly total: string;
  readonly steps: string;
}

/** The line of a game: each level has cells of its own. */
export const lineSchema = (game: Game) =>
  Joi.object<SheetLine>({
    child: Joi.string().trim().min(1).required().messages({ 'string.empty': 'Which child is it? Type the first letters of the name.' }),
    levelId: Joi.string()
      .valid(...game.levels.map(({ id }) => id))
      .required(),
    cells: Joi.any().when('levelId', {
      switch: game.levels.map(({ id }) => ({ is: id, then: cellsSchema(partFields(levelById(game, id))) })),
    }),
    total: totalSchema,
    steps: Joi.string().trim().allow('').max(80),
  });

/** A total as it may be typed: a whole number, n for “not finished”, or nothing. */
export const totalSchema = Joi.string()
  .trim()
  .allow('')
  .pattern(/^(-?\d+|n|nf|not finished)$/i, 'The total is a whole number, or n for “not finished”.');

/** The total that was typed: null within for “not finished”; null for nothing typed, undefined for what is no total. */
export function totalOf(text: string): { readonly total: number | null } | null | undefined {
  const written = text.trim();
  if (written === '') return null;
  if (totalSchema.validate(written).error) return undefined;
  return { total: /^n/i.test(written) ? null : Number(written) };
}

/** The cells in their order, or null when one of them cannot be. */
export function readCells(fields: readonly PartField[], cells: Cells): readonly (number | null)[] | null {
  const read = fields.map((_, index) => cells[index] ?? null);
  return cellsSchema(fields).validate(read).error ? null : read;
}

/** What the cells come to; null while one of them cannot be. */
export function workedOutOf(level: Game, fields: readonly PartField[], cells: Cells): Result | null {
  const read = readCells(fields, cells);
  return read && workedOut(level, read);
}

/** The set-up with the marks at so many steps, from the nearest; a text says what is wrong. Nothing typed leaves it as it was sent. */
export function setUpAtSteps(sent: AssignedSetUp, typed: string): AssignedSetUp | string {
  if (typed.trim() === '') return sent;
  const steps = typed
    .trim()
    .split(/[\s,;]+/)
    .map((one) => Number(one.replace('½', '.5')));
  if (steps.length !== sent.distancesM.length || steps.some((one) => !(one > 0)))
    return `Give ${sent.distancesM.length} numbers of steps, from the nearest mark, or leave it empty.`;
  return { ...sent, distancesM: steps.map((one) => Math.round(one * sent.stepM * 1000) / 1000) };
}

/** True where a mark stands nearer than was sent by more than a step of measuring by eye. */
export const isNearer = (set: AssignedSetUp, sent: AssignedSetUp): boolean =>
  set.distancesM.some((one, index) => one < sent.distancesM[index]! - 0.25);
