/** The card as the desk checks it. A family's page does without Joi: see card-check.ts. */
import Joi from 'joi';
import type { Card } from './card';
import { count, day, figure, list, oneOf, record, textField, uuid } from './fields';

export const cardSchema = record<Card>({
  scope: oneOf('card', 'slip'),
  child: record({ name: textField, hand: oneOf('right', 'left').allow(null) }).allow(null),
  mark: Joi.string().max(24).optional(),
  exerciseSwapped: Joi.boolean(),
  weeks: list(
    record({
      id: uuid,
      number: count,
      dueOn: day,
      note: textField,
      title: textField,
      warmUp: textField,
      diary: textField,
      film: textField,
      filmAlone: Joi.boolean(),
      page: textField.optional(),
      kit: list(record({ name: textField, n: count, from: oneOf('home', 'school') })),
      games: list(
        record({
          assignmentId: uuid,
          opensOn: day.allow(null),
          game: Joi.object(),
          levelId: textField,
          setUp: Joi.object(),
          forms: list(Joi.object()).min(1),
          par: figure,
          best: figure,
          received: count,
        }),
      ),
      diaryEntries: list(record({ id: uuid, weekId: uuid, day, what: textField, minutes: count, initials: textField, struck: Joi.boolean() })),
    }),
  ),
});
