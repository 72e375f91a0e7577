/** Format 1 of a report: the goes that a family sends back, each with its level, set-up and way of counting. */
import Joi from 'joi';
import { REPORT_FORMAT } from '../rules/format/formats';
import { AIMED_IDS, IMPLEMENT_IDS, type AimedId, type ImplementId } from '../objects/catalogue';
import type { BodyForm } from '../motion/assumed';
import { markedLooksSchema, type MarkedLook } from './look-marks';
import { playFields, type CountingWay, type PlayEvent } from '../rules/format/play';

/** What was really used: distances in metres in the order of the places, and the things. */
export interface UsedSetUp {
  readonly implement: ImplementId;
  readonly targets: readonly AimedId[];
  readonly distancesM: readonly number[];
}

export interface Go {
  readonly level: string;
  readonly counting: CountingWay;
  readonly hand: 'right' | 'left' | 'either';
  readonly otherHand: boolean;
  readonly form: BodyForm;
  readonly setUp: UsedSetUp;
  readonly events: readonly PlayEvent[];
  /** The total as the family saw or wrote it, null for “not finished”; the engine works it out again. */
  readonly total: number | null;
  readonly unit: string;
  /** What the child made of it before the page said it, where the game asks. */
  readonly added?: number;
  /** How many played, where others joined in; player 0 is the child. */
  readonly players?: number;
}

export interface Report {
  readonly format: typeof REPORT_FORMAT;
  readonly goes: readonly Go[];
  /** UTC, ISO 8601. When the play began and when this was sent, by the clock of the device. */
  readonly startedAt: string;
  readonly sentAt: string;
  readonly felt?: 'hard' | 'right' | 'easy';
  readonly adultInitials?: string;
  readonly word?: string;
  /** What was seen of the movement, and who marked it. */
  readonly looks?: { readonly by: 'child' | 'adult'; readonly marks: readonly MarkedLook[] };
}

/** A report without what happened moment by moment: all that views of a class need. */
export interface ToldReport extends Omit<Report, 'goes'> {
  readonly goes: readonly Omit<Go, 'events'>[];
}

export const toldOf = (report: Report | ToldReport): ToldReport => ({
  ...report,
  goes: report.goes.map((go) => {
    const { events: _events, ...told } = go as Go;
    return told;
  }),
});

const goSchema = Joi.object<Go>({
  ...playFields,
  hand: Joi.string().valid('right', 'left', 'either').required(),
  otherHand: Joi.boolean().required(),
  form: Joi.string().valid('standing', 'seated', 'kneeling', 'two-hands').required(),
  setUp: Joi.object({
    implement: Joi.string()
      .valid(...IMPLEMENT_IDS)
      .required(),
    targets: Joi.array()
      .items(Joi.string().valid(...AIMED_IDS))
      .max(30)
      .required(),
    distancesM: Joi.array().items(Joi.number().min(0).max(100)).max(30).required(),
  }).required(),
  total: Joi.number().integer().min(-100_000).max(10_000_000).allow(null).required(),
  added: Joi.number().integer().min(-999).max(999_999),
  players: Joi.number().integer().min(1).max(4),
  unit: Joi.string().max(20).allow('').required(),
});

/** ISO 8601 in UTC with milliseconds, as JSON writes a date; checked as text so that the schema has a JSON form. */
const instant = Joi.string().pattern(/^20\d{2}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{3}Z$/);

export const reportSchema = Joi.object<Report>({
  format: Joi.string().valid(REPORT_FORMAT).required(),
  goes: Joi.array().items(goSchema).min(1).max(60).required(),
  startedAt: instant.required(),
  sentAt: instant.required(),
  felt: Joi.string().valid('hard', 'right', 'easy'),
  adultInitials: Joi.string().trim().max(6),
  word: Joi.string().trim().max(280),
  looks: Joi.object({ by: Joi.string().valid('child', 'adult').required(), marks: markedLooksSchema.min(1).required() }),
}).required();
