/** All classes of a school on one day: what is out, what waits, what last week says for the next, what went wrong. */
import Joi from 'joi';
import type { JudgedFit } from '@/core/progress/level-fit';
import { count, day, list, oneOf, record, textField, uuid } from './fields';
import type { Uuid } from './ids';

/** A week that a class has been sent. */
export interface WeekOut {
  readonly weekId: Uuid;
  readonly number: number;
  readonly title: string;
  /** The level that most were sent; empty where there are several games. */
  readonly level: string;
  readonly sentOn: string;
  readonly dueOn: string;
  readonly takenBack: boolean;
  readonly sentTo: number;
  readonly reported: number;
  /** Children who had reported by the end of each day since it was sent, up to today. */
  readonly byDay: readonly number[];
  /** The share of the class that has usually reported by the end of each day until it is due; null while there is no custom. */
  readonly usual: readonly number[] | null;
}

/** How the newest week fitted of which enough is known, and the levels beside the one that was sent. */
export interface LastFit {
  readonly weekNumber: number;
  readonly title: string;
  readonly gameId: Uuid;
  readonly levelId: string;
  readonly level: string;
  readonly easier: { readonly id: string; readonly name: string } | null;
  readonly harder: { readonly id: string; readonly name: string } | null;
  readonly fit: JudgedFit;
}

/** What stands next in the plan of a term and was not sent yet. */
export interface PlannedNext {
  readonly planId: Uuid;
  /** From 0. */
  readonly week: number;
  /** The day of its lesson. */
  readonly on: string;
  readonly title: string;
  /** Empty for an event. */
  readonly level: string;
}

export interface ClassToday {
  readonly id: Uuid;
  readonly name: string;
  readonly children: number;
  /** The newest that is not over, or the one that was over last. Null for a class that was sent nothing. */
  readonly week: WeekOut | null;
  /** Others that are out besides. */
  readonly alsoOut: number;
  /** Reports in doubt, and what came in and is nobody's yet. */
  readonly doubts: number;
  readonly waiting: number;
  readonly last: LastFit | null;
  readonly planned: PlannedNext | null;
  /** Children for whom neither a link nor a slip was made. */
  readonly unlinked: number;
}

export interface Today {
  readonly day: string;
  readonly classes: readonly ClassToday[];
  /** What a new school has not done yet; null once a week has been sent. */
  readonly begin: { readonly classes: number; readonly classId: Uuid | null; readonly children: number; readonly games: number } | null;
}

/** Something that was changed for those who work with Lochside. */
export interface News {
  readonly number: number;
  readonly words: string;
  readonly href: string;
}

/** Up to which number somebody has read it. */
export const newsToldSchema = Joi.object<{ upTo: number }>({ upTo: Joi.number().integer().min(1).max(10_000).required() });

const share = Joi.number().min(0).max(1);
const level = record({ id: textField, name: textField }).allow(null);

const weekOut = record<WeekOut>({
  weekId: uuid,
  number: count,
  title: textField,
  level: textField,
  sentOn: day,
  dueOn: day,
  takenBack: Joi.boolean(),
  sentTo: count,
  reported: count,
  byDay: list(count),
  usual: list(share).allow(null),
});

const lastFit = record<LastFit>({
  weekNumber: count,
  title: textField,
  gameId: uuid,
  levelId: textField,
  level: textField,
  easier: level,
  harder: level,
  fit: record({
    by: oneOf('par', 'hits'),
    fit: oneOf('too-easy', 'right', 'too-hard', 'too-few'),
    reached: count,
    of: count,
    low: Joi.number(),
    high: Joi.number(),
  }),
});

export const todaySchema = record<Today>({
  day,
  classes: list(
    record<ClassToday>({
      id: uuid,
      name: textField,
      children: count,
      week: weekOut.allow(null),
      alsoOut: count,
      doubts: count,
      waiting: count,
      last: lastFit.allow(null),
      planned: record<PlannedNext>({ planId: uuid, week: count, on: day, title: textField, level: textField }).allow(null),
      unlinked: count,
    }),
  ),
  begin: record({ classes: count, classId: uuid.allow(null), children: count, games: count }).allow(null),
});
