/** The plan of a term as it is kept, and what is told with it. */
import Joi from 'joi';
import { daysBetween, mondayOf } from '@/core/measure/days';
import type { PlanFacts, TermDocument } from '@/core/plan/document';
import { WEIGHTS } from '@/core/plan/term';
import { MOST_WEEKS } from '@/core/plan/calendar';
import { HARDNESS, IMPORTANCE, type Wish } from '@/core/plan/wishes';
import { SKILLS } from '@/core/sheet/teaching-points';
import { count, list, madeId, realDay, record, textField, uuid } from './fields';
import type { Uuid } from './ids';
import { MOST_GAMES_OF_A_WEEK } from './week';

const id = Joi.string().max(36);
const levelId = Joi.string().max(24);
const wishId = Joi.string().max(40);
const skill = Joi.string().valid(...SKILLS);
const thing = Joi.string().trim().min(1).max(60);
const whole = (least: number, most: number) => Joi.number().integer().min(least).max(most).required();

const FIELDS: Readonly<Record<Wish['kind'], Readonly<Record<string, Joi.Schema>>>> = {
  weeks: { skill: skill.required(), least: whole(0, MOST_WEEKS), most: Joi.number().integer().min(0).max(MOST_WEEKS).allow(null).required() },
  order: { first: skill.required(), then: skill.required() },
  often: { most: whole(1, MOST_WEEKS) },
  twice: { within: whole(2, MOST_WEEKS) },
  run: { most: whole(1, MOST_WEEKS) },
  minutes: { most: whole(1, 60) },
  floor: { metres: Joi.number().min(0.5).max(20).required() },
  without: { thing: thing.required() },
  cupboard: { thing: thing.required(), there: whole(0, 9999) },
  event: { eventId: id.required(), week: whole(0, MOST_WEEKS - 1) },
  played: {},
};

const wish = Joi.alternatives(
  ...Object.entries(FIELDS).map(([kind, fields]) =>
    Joi.object({ id: wishId.required(), classIds: Joi.array().items(id).min(1).max(60), kind: Joi.string().valid(kind).required(), ...fields }),
  ),
);

const cell = Joi.object({
  sentAs: madeId.required(),
  offerId: id.allow(null).required(),
  levelId: levelId.allow(null).required(),
  pinned: Joi.boolean().required(),
});

const MOST_CLASSES = 60;
const TOO_LONG = `A plan has at most ${MOST_WEEKS} weeks: choose an earlier last day.`;
const isTooLong = ({ startsOn, endsOn }: { readonly startsOn: string; readonly endsOn: string }): boolean =>
  daysBetween(mondayOf(startsOn), endsOn) >= MOST_WEEKS * 7;

export const termDocumentSchema = Joi.object<TermDocument>({
  name: Joi.string().trim().min(1).max(60).required(),
  startsOn: realDay.required(),
  endsOn: realDay.required(),
  holidays: Joi.array()
    .items(Joi.object({ from: realDay.required(), to: realDay.required(), name: Joi.string().trim().max(40).allow('').required() }))
    .max(20)
    .required(),
  classes: Joi.array()
    .items(Joi.object({ classId: id.required(), weekday: whole(1, 7) }))
    .unique('classId')
    .max(MOST_CLASSES)
    .required(),
  from: Joi.string()
    .valid(...HARDNESS)
    .required(),
  to: Joi.string()
    .valid(...HARDNESS)
    .required(),
  importance: Joi.object(
    Object.fromEntries(
      Object.keys(WEIGHTS).map((name) => [
        name,
        Joi.string()
          .valid(...IMPORTANCE)
          .required(),
      ]),
    ),
  ).required(),
  wishes: Joi.array().items(wish).unique('id').max(60).required(),
  events: Joi.array()
    .items(
      Joi.object({
        id: madeId.required(),
        title: Joi.string().trim().min(1).max(60).required(),
        games: Joi.array()
          .items(Joi.object({ gameId: id.required(), levelId: levelId.required() }))
          .min(1)
          .max(MOST_GAMES_OF_A_WEEK)
          .required(),
      }),
    )
    .unique('id')
    .max(20)
    .required(),
  cells: Joi.object()
    .pattern(id, Joi.array().items(cell.allow(null)).max(MOST_WEEKS))
    .max(MOST_CLASSES)
    .required(),
}).custom((document: TermDocument, helpers) => {
  if (document.endsOn < document.startsOn) return helpers.message({ custom: 'The term ends before it begins.' });
  if (isTooLong(document)) return helpers.message({ custom: TOO_LONG });
  if (document.wishes.some((one) => one.kind === 'order' && one.first === one.then))
    return helpers.message({ custom: 'A movement cannot come before itself.' });
  return document.holidays.some(({ from, to }) => to < from) ? helpers.message({ custom: 'A holiday ends before it begins.' }) : document;
});

/** A plan that is begun: empty, or from one that was. */
export interface NewTermPlan {
  readonly sentAs?: Uuid;
  readonly name: string;
  readonly startsOn: string;
  readonly endsOn: string;
  readonly copyOf?: Uuid | null;
}

export const newTermPlanSchema = Joi.object<NewTermPlan>({
  name: Joi.string().trim().min(1).max(60).required(),
  startsOn: realDay.required(),
  endsOn: realDay.required(),
  copyOf: id.allow(null),
}).custom((asked: NewTermPlan, helpers) => {
  if (asked.endsOn < asked.startsOn) return helpers.message({ custom: 'The term ends before it begins.' });
  return isTooLong(asked) ? helpers.message({ custom: TOO_LONG }) : asked;
});

export interface KeptTermPlan {
  readonly id: Uuid;
  readonly revision: number;
  readonly document: TermDocument;
}

/** What of a plan was sent: the week of a cell, by the id under which it was sent. */
export interface SentCell {
  readonly sentAs: Uuid;
  readonly weekId: Uuid;
  readonly number: number;
  readonly dueOn: string;
  /** Taken off the cards again: sent once more it is another week. */
  readonly takenBack: boolean;
}

export interface TermPlanToRead extends KeptTermPlan {
  readonly facts: PlanFacts;
  readonly sent: readonly SentCell[];
}

/** Checked as far as what is solved would go wrong with it: lists that belong together. */
export const factsOfPlanSchema = record<{ readonly facts: PlanFacts }>({
  facts: record({ classes: list(Joi.object()), offers: list(Joi.object()), expected: Joi.object(), cupboard: Joi.object(), played: Joi.object() }),
});

/** Par of each cell that holds a game: what a class is expected to score, with the unit. */
export interface ParOfCell {
  readonly classId: Uuid;
  readonly week: number;
  readonly par: number;
  readonly unit: string;
}

export const parsOfPlanSchema = record<{ readonly pars: readonly ParOfCell[] }>({
  pars: list(record({ classId: uuid, week: count, par: Joi.number(), unit: textField })),
});
