/** Format 1 of an event: one to twenty games in order, sent home as one, with one card. */
import Joi from 'joi';
import { EVENT_FORMAT } from './formats';
import { idSchema } from './course-format';
import type { Game, Id } from './game';
import { gameSchema } from './game-schema';
import type { Outcome, Problem } from './problem';
import { problemsOf, readGame } from './read-game';

export interface EventItem {
  readonly game: Game;
  readonly level: Id;
  /** For children of these ages only; without it for all. */
  readonly ages?: { readonly from: number; readonly to: number };
}

export interface GameEvent {
  readonly format: typeof EVENT_FORMAT;
  readonly title: string;
  readonly items: readonly EventItem[];
  /** Points that mean the same may be added up; else each game stands for itself. */
  readonly card: { readonly combine: 'sum' | 'list'; readonly better: 'high' | 'low' };
}

const age = Joi.number().integer().min(4).max(12).required();

const shapeWith = (game: Joi.Schema) =>
  Joi.object<GameEvent>({
    format: Joi.string().valid(EVENT_FORMAT).required(),
    title: Joi.string().trim().min(1).max(60).required(),
    items: Joi.array()
      .items(Joi.object({ game: game.required(), level: idSchema.required(), ages: Joi.object({ from: age, to: age }) }))
      .min(1)
      .max(20)
      .required(),
    card: Joi.object({
      combine: Joi.string().valid('sum', 'list').required(),
      better: Joi.string().valid('high', 'low').required(),
    }).required(),
  }).required();

export const eventSchema = shapeWith(gameSchema);
/** Each game is read by readGame: one of format 1 may stand in it. */
const shape = shapeWith(Joi.object().unknown(true));

/** Reads an unknown value as an event: its shape, every game of it, and that each names a level it has. Never throws. */
export function readEvent(input: unknown): Outcome<GameEvent> {
  const { error, value } = shape.validate(input, { abortEarly: false, convert: false });
  if (error) return { ok: false, problems: problemsOf(error) };
  const problems: Problem[] = [];
  const items = (value as GameEvent).items.map((item, index) => {
    const read = readGame(item.game);
    if (!read.ok) {
      problems.push(...read.problems.map((problem) => ({ ...problem, place: `/items/${index}/game${problem.place}` })));
      return item;
    }
    if (!read.value.levels.some((level) => level.id === item.level))
      problems.push({
        place: `/items/${index}/level`,
        reason: `the game has no level “${item.level}”`,
        fix: `Use one of ${read.value.levels.map((level) => level.id).join(', ')}.`,
      });
    return { ...item, game: read.value };
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { ...(value as GameEvent), items } };
}

export interface EventCard {
  readonly lines: readonly { readonly title: string; readonly value: number | null; readonly unit: string }[];
  /** The sum of the card; null for a list, or while a game of a sum is missing or not finished. */
  readonly value: number | null;
  readonly done: number;
}

/** The card of one child: the best counted value of each game, in order; null where there is none yet. */
export function eventCard(event: GameEvent, values: readonly (number | null)[]): EventCard {
  const lines = event.items.map((item, index) => ({
    title: item.game.title,
    value: values[index] ?? null,
    unit: item.game.parts[0]!.measure.unit,
  }));
  const known = lines.filter((line) => line.value !== null);
  const whole = event.card.combine === 'sum' && known.length === lines.length;
  return { lines, value: whole ? known.reduce((sum, line) => sum + line.value!, 0) : null, done: known.length };
}
