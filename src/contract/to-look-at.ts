/** What does not count by itself: reports in doubt, and what came in and is nobody’s yet. */
import { count, figure, list, oneOf, record, textField, uuid } from './fields';
import Joi from 'joi';
import type { WayIn } from '@/core/reports/around';
import type { Answer, Choice } from '@/core/reports/decision';
import type { VerdictKind } from '@/core/reports/judge';
import type { Span } from '@/core/reports/read-message';
import type { Uuid } from './ids';

export interface GoInDoubt {
  readonly level: string;
  /** As it was sent, and as the engine works it out: "4 + 3 = 7". */
  readonly sent: number | null;
  readonly workedOut: number | null;
  readonly unit: string;
}

export interface Doubt {
  readonly reportId: Uuid;
  readonly childName: string;
  readonly weekNumber: number;
  readonly gameTitle: string;
  readonly way: WayIn;
  readonly receivedOn: string;
  readonly kind: VerdictKind;
  readonly sentences: readonly string[];
  readonly goes: readonly GoInDoubt[];
  readonly word: string;
  readonly answers: readonly Answer[];
  /** The answer that was given; null while it waits. */
  readonly choice: Choice | null;
  readonly decided: string;
}

export interface Waiting {
  readonly id: Uuid;
  readonly way: WayIn;
  readonly source: string;
  readonly receivedOn: string;
  readonly words: string;
  readonly spans: readonly Span[];
  /** 0 to 1; null for what was not read out of words. */
  readonly confidence: number | null;
  readonly sentence: string;
  /** What is proposed; null for what a person must say. */
  readonly childId: Uuid | null;
  readonly weekId: Uuid | null;
  readonly levelId: string;
  /** Null for “not finished”, undefined for nothing read. */
  readonly total?: number | null;
  readonly settledBy: string | null;
  readonly counted: boolean;
}

export interface MayBe {
  readonly children: readonly { readonly id: Uuid; readonly name: string }[];
  /** The games of the weeks. */
  readonly weeks: readonly {
    readonly id: Uuid;
    readonly number: number;
    readonly title: string;
    readonly unit: string;
    readonly levels: readonly { readonly id: string; readonly name: string }[];
    /** By child: what was asked of it. */
    readonly asked: Readonly<Record<Uuid, { readonly assignmentId: Uuid; readonly levelId: string }>>;
  }[];
}

export interface ToLookAt {
  readonly doubts: readonly Doubt[];
  readonly waiting: readonly Waiting[];
  readonly mayBe: MayBe;
}

const way = oneOf('link', 'paper', 'file', 'message', 'api');
const choice = oneOf('count-worked-out', 'keep-as-sent', 'set-aside', 'ask-family');

const doubt = record<Doubt>({
  reportId: uuid,
  childName: textField,
  weekNumber: count,
  gameTitle: textField,
  way,
  receivedOn: textField,
  kind: oneOf('clean', 'sum', 'impossible', 'doubtful', 'incomplete'),
  sentences: list(textField),
  goes: list(record({ level: textField, sent: figure, workedOut: figure, unit: textField })),
  word: textField,
  answers: list(record({ choice, label: textField })),
  choice: choice.allow(null),
  decided: textField,
});

const waiting = record<Waiting>({
  id: uuid,
  way,
  source: textField,
  receivedOn: textField,
  words: textField,
  spans: list(record({ from: count, to: count, what: textField })),
  confidence: figure,
  sentence: textField,
  childId: uuid.allow(null),
  weekId: uuid.allow(null),
  levelId: textField,
  total: figure.optional(),
  settledBy: textField.allow(null),
  counted: Joi.boolean(),
});

export const toLookAtSchema = record<ToLookAt>({
  doubts: list(doubt),
  waiting: list(waiting),
  mayBe: record({
    children: list(record({ id: uuid, name: textField })),
    weeks: list(
      record({
        id: uuid,
        number: count,
        title: textField,
        unit: textField,
        levels: list(record({ id: textField, name: textField })),
        asked: Joi.object().pattern(uuid, record({ assignmentId: uuid, levelId: textField })),
      }),
    ),
  }),
});
