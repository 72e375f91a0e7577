/** The card as the desk checks it. A family's page does without Joi: see card-check.ts. */
import Joi from 'joi';
import type { Card } from './card';
import { count, day, figure, list, oneOf, record, text, uuid } from './fields';

export const cardSchema = record<Card>({
  scope: oneOf('card', 'slip'),
  child: record({ name: text, hand: oneOf('right', 'left').allow(null) }).allow(null),
  mark: Joi.string().max(24).optional(),
  exerciseSwapped: Joi.boolean(),
  weeks: list(
    record({
      id: uuid,
      number: count,
      dueOn: day,
      note: text,
      title: text,
      warmUp: text,
      diary: text,
      film: text,
      filmAlone: Joi.boolean(),
      kit: list(record({ name: text, n: count, from: oneOf('home', 'school') })),
      games: list(
        record({
          assignmentId: uuid,
          opensOn: day.allow(null),
          game: Joi.object(),
          levelId: text,
          setUp: Joi.object(),
          forms: list(Joi.object()).min(1),
          par: figure,
          best: figure,
          received: count,
        }),
      ),
      diaryEntries: list(record({ id: uuid, weekId: uuid, day, what: text, minutes: count, initials: text, struck: Joi.boolean() })),
    }),
  ),
});
