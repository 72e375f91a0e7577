/** Format 1 of a play: what happened in one go, as events in order. Times are whole milliseconds since the clock started. */
import Joi from 'joi';
import { byDo } from './by-do';
import { PLAY_FORMAT } from './formats';
import { idSchema } from './course-format';
import type { FinishReason, Id } from './game';
import { finishReason } from './game-schema';

export type PlayEvent =
  | {
      readonly do: 'attempt';
      readonly t: number;
      readonly end?: Id;
      /** Which pins fell, by their number from 0. */
      readonly felled?: readonly number[];
      /** Where all but one of them is put up again: the one that stays down. */
      readonly kept?: number;
      /** What was counted; of pins, how many fell where nobody knows which. */
      readonly count?: number;
      readonly lengthMm?: number;
      readonly face?: number;
      readonly flags?: readonly Id[];
      /** The word that was found, for a hunt that writes its words down. */
      readonly text?: string;
    }
  /** An exercise, a rest or a setting up that is done; of a gate of chance, the face that came up. */
  | { readonly do: 'gateDone'; readonly t: number; readonly gate: Id; readonly face?: number }
  /** Typed at the end: how often a row of the rules happened (from which element), or what a counter came to. */
  | { readonly do: 'tally'; readonly t: number; readonly row: number; readonly at?: number; readonly n: number }
  | { readonly do: 'tally'; readonly t: number; readonly counter: Id; readonly n: number }
  /** The next part, or the next go of this part, starts. The first starts at 0 by itself. */
  | { readonly do: 'begin'; readonly t: number }
  | { readonly do: 'choose'; readonly t: number; readonly group: Id; readonly to: number }
  | { readonly do: 'swap'; readonly t: number }
  | { readonly do: 'pause'; readonly t: number }
  | { readonly do: 'resume'; readonly t: number }
  | { readonly do: 'void'; readonly t: number; readonly why: string }
  | { readonly do: 'finish'; readonly t: number; readonly why: FinishReason };

/** How the go was counted: a helper tapped every attempt, or each success only, or the parts were typed at the end. */
export type CountingWay = 'attempts' | 'successes' | 'parts';

export interface Play {
  readonly format: typeof PLAY_FORMAT;
  readonly level: Id;
  readonly counting: CountingWay;
  readonly events: readonly PlayEvent[];
}

export const MAX_EVENTS = 2000;
const t = Joi.number().integer().min(0).max(14_400_000).required();
const index = Joi.number().integer().min(0).max(29);

const eventSchema = byDo(
  Joi.object({
    do: Joi.string().valid('attempt').required(),
    t,
    end: idSchema,
    felled: Joi.array().items(index).max(30),
    kept: index,
    count: Joi.number().integer().min(0).max(10_000),
    lengthMm: Joi.number().integer().min(0).max(100_000),
    face: Joi.number().integer().min(0).max(5),
    flags: Joi.array().items(idSchema).max(8),
    text: Joi.string().trim().min(1).max(40),
  }),
  Joi.object({ do: Joi.string().valid('gateDone').required(), t, gate: idSchema.required(), face: Joi.number().integer().min(0).max(5) }),
  Joi.object({
    do: Joi.string().valid('tally').required(),
    t,
    row: Joi.number().integer().min(0).max(23),
    counter: idSchema,
    at: index,
    n: Joi.number().integer().min(0).max(100_000).required(),
  }).xor('row', 'counter'),
  Joi.object({ do: Joi.string().valid('begin').required(), t }),
  Joi.object({ do: Joi.string().valid('choose').required(), t, group: idSchema.required(), to: index.required() }),
  Joi.object({ do: Joi.string().valid('swap', 'pause', 'resume').required(), t }),
  Joi.object({ do: Joi.string().valid('void').required(), t, why: Joi.string().max(80).required() }),
  Joi.object({
    do: Joi.string().valid('finish').required(),
    t,
    why: finishReason.required(),
  }),
);

export const playFields = {
  level: idSchema.required(),
  counting: Joi.string().valid('attempts', 'successes', 'parts').required(),
  events: Joi.array().items(eventSchema).max(MAX_EVENTS).required(),
};

export const playSchema = Joi.object<Play>({ format: Joi.string().valid(PLAY_FORMAT).required(), ...playFields }).required();
