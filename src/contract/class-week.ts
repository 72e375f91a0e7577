/** The class's week: who has reported, what, against par, and who has not. */
import { count, day, figure, list, oneOf, record, textField, uuid } from './fields';
import Joi from 'joi';
import type { CreditRule } from '@/core/progress/credit';
import type { EventTotal } from '@/core/progress/event-total';
import type { MarkedLook } from '@/core/reports/look-marks';
import type { Report } from '@/core/reports/report';
import type { Uuid } from './ids';

export interface GameOfWeek {
  readonly itemId: Uuid;
  readonly title: string;
}

export type ScoreState = 'counted' | 'to-look-at' | 'not-yet' | 'not-assigned';

export interface ScoreRow {
  readonly childId: Uuid;
  readonly name: string;
  readonly medium: 'screen' | 'paper';
  readonly assignmentId: Uuid | null;
  readonly levelName: string;
  readonly par: number | null;
  readonly parLow: number | null;
  readonly parHigh: number | null;
  readonly state: ScoreState;
  readonly reports: number;
  readonly best: number | null;
  /** Goes at another level, with the other hand, or on a set-up that is not equal: told, not compared. */
  readonly otherForms: number;
  readonly latest: number | null;
  /** The best of this week beats everything this child did before on a like set-up. */
  readonly personalBest: boolean;
  readonly successes: number;
  readonly attempts: number;
  readonly reason: string;
  readonly late: boolean;
  readonly receivedAt: string | null;
  readonly felt: string | null;
  readonly typed: boolean;
  /** What was seen of the movement: the newest marks from home, and the teacher's. */
  readonly looksHome: Report['looks'] | null;
  readonly looksTeacher: readonly MarkedLook[];
  /** A film was handed in by the school's own channel; the teacher's one comment. */
  readonly film: boolean;
  readonly comment: string;
  readonly credit: boolean;
  /** What is missing for the credit, in words. */
  readonly missing: string;
  /** What the family wrote into the movement diary of the week. */
  readonly diaryMinutes: number;
  /** The family's newest word to the teacher. */
  readonly word: string;
}

/** All games of an event, for one child. */
export interface EventRow {
  readonly childId: Uuid;
  readonly name: string;
  readonly bests: readonly { readonly best: number | null; readonly par: number | null; readonly doubt: boolean }[];
  readonly total: EventTotal;
}

export interface ClassWeek {
  readonly weeks: readonly { readonly id: Uuid; readonly number: number; readonly dueOn: string }[];
  readonly week: { readonly id: Uuid; readonly number: number; readonly dueOn: string; readonly note: string } | null;
  /** The games of the week, in their order, and the one that is shown. */
  readonly games: readonly GameOfWeek[];
  readonly itemId: Uuid | null;
  readonly gameTitle: string;
  /** Of a week of several games: every child's games and total. */
  readonly event: readonly EventRow[] | null;
  readonly creditRule: CreditRule;
  /** What the forecast rests on: attempts of this class; 0 for what is assumed for its age. */
  readonly restsOn: number;
  readonly filmAlone: boolean;
  readonly better: 'high' | 'low';
  readonly unit: string;
  readonly placeCount: number;
  readonly placeValues: readonly number[];
  /** What the movement is looked at for. */
  readonly lookFors: readonly string[];
  readonly rows: readonly ScoreRow[];
  readonly reported: number;
  readonly toLookAt: number;
}

const marks = list(record({ look: textField, mark: oneOf('yes', 'sometimes', 'not-yet') }));

const scoreRow = record<ScoreRow>({
  childId: uuid,
  name: textField,
  medium: oneOf('screen', 'paper'),
  assignmentId: uuid.allow(null),
  levelName: textField,
  par: figure,
  parLow: figure,
  parHigh: figure,
  state: oneOf('counted', 'to-look-at', 'not-yet', 'not-assigned'),
  reports: count,
  best: figure,
  otherForms: count,
  latest: figure,
  personalBest: Joi.boolean(),
  successes: count,
  attempts: count,
  reason: textField,
  late: Joi.boolean(),
  receivedAt: Joi.string().isoDate().allow(null),
  felt: textField.allow(null),
  typed: Joi.boolean(),
  looksHome: record({ marks }).unknown().allow(null).optional(),
  looksTeacher: marks,
  film: Joi.boolean(),
  comment: textField,
  credit: Joi.boolean(),
  missing: textField,
  diaryMinutes: count,
  word: textField,
});

const eventRow = record<EventRow>({
  childId: uuid,
  name: textField,
  bests: list(record({ best: figure, par: figure, doubt: Joi.boolean() })),
  total: record({ played: count, of: count, reachedPar: count, withPar: count, sum: record({ value: Joi.number(), unit: textField }).allow(null) }),
});

export const classWeekSchema = record<ClassWeek>({
  weeks: list(record({ id: uuid, number: count, dueOn: day })),
  week: record({ id: uuid, number: count, dueOn: day, note: textField }).allow(null),
  games: list(record({ itemId: uuid, title: textField })),
  itemId: uuid.allow(null),
  gameTitle: textField,
  event: list(eventRow).allow(null),
  creditRule: oneOf('either', 'both'),
  restsOn: count,
  filmAlone: Joi.boolean(),
  better: oneOf('high', 'low'),
  unit: textField,
  placeCount: count,
  placeValues: list(Joi.number()),
  lookFors: list(textField),
  rows: list(scoreRow),
  reported: count,
  toLookAt: count,
});
