/** The body of a week that is to be sent, or only looked at first. */
import Joi from 'joi';
import { madeId, realDay } from './fields';
import { RACK_TEXT } from '@/core/forecast/racks';
import type { KitThing } from './assignment';
import type { Uuid } from './ids';

/** An event has no more games than a card can show in their order. */
export const MOST_GAMES_OF_A_WEEK = 20;

/** One game of a week: its level for all, and for some children another. */
export interface GameToSend {
  readonly gameId: Uuid;
  readonly levelId: string;
  /** By the child's id, where it is not the level of all. */
  readonly levels?: Readonly<Record<Uuid, string>>;
  /** The day from which it may be played; from the start when it is left out. */
  readonly opensOn?: string | null;
}

export interface WeekBody {
  /** Made where the week was planned: sent again under it, it is the same week. */
  readonly sentAs?: Uuid;
  readonly classId: Uuid;
  /** In their order: one, or up to twenty that make an event. */
  readonly games: readonly GameToSend[];
  /** Of an event; else empty. */
  readonly title: string;
  readonly kit: readonly KitThing[];
  readonly dueOn: string;
  readonly warmUp: string;
  readonly diary: string;
  /** What to film, for the school's own channel; empty for no film. */
  readonly film: string;
  /** The film is what is handed in: no score is asked. */
  readonly filmAlone?: boolean;
  /** A film or page of the teacher's own; empty for none. */
  readonly page?: string;
  readonly note: string;
  /** Tables of pins that the desk has worked out, by layout: par is then the one that was shown there. */
  readonly racks: Readonly<Record<string, string>>;
}

/** ISO 8601, a day of this century. */
const id = Joi.string().max(36);
const levelId = Joi.string().max(24);
const words = (most: number) => Joi.string().trim().max(most).allow('');

export const weekSchema = Joi.object<WeekBody>({
  sentAs: madeId,
  classId: id.required(),
  games: Joi.array()
    .items(
      Joi.object({
        gameId: id.required(),
        levelId: levelId.required(),
        levels: Joi.object().pattern(id, levelId).max(200),
        opensOn: realDay.allow(null),
      }),
    )
    .min(1)
    .max(MOST_GAMES_OF_A_WEEK)
    .required(),
  title: words(60).default(''),
  kit: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(1).max(60).required(),
        n: Joi.number().integer().min(1).max(99).required(),
        from: Joi.string().valid('home', 'school').required(),
      }),
    )
    .max(40)
    .default([]),
  dueOn: realDay.required(),
  warmUp: words(280).required(),
  diary: words(280).required(),
  film: words(280).default(''),
  filmAlone: Joi.boolean().default(false),
  page: Joi.string()
    .trim()
    .uri({ scheme: ['https'] })
    .max(280)
    .allow('')
    .default(''),
  note: words(280).required(),
  racks: Joi.object().pattern(Joi.string().max(600), Joi.string().pattern(RACK_TEXT)).max(40).default({}),
});

/** Off the cards, or on them again. */
export const weekChangeSchema = Joi.object<{ takenBack: boolean }>({ takenBack: Joi.boolean().required() });
