/** What a family writes into the movement diary: entries with ids of their own, so that sending twice writes once. */
import Joi from 'joi';
import type { DiaryEntry } from '../db/diary';

const uuid = Joi.string().pattern(/^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);

export const diarySchema = Joi.object<{ entries: readonly DiaryEntry[] }>({
  entries: Joi.array()
    .items(
      Joi.object({
        id: uuid.required(),
        weekId: uuid.required(),
        day: Joi.string()
          .pattern(/^20\d{2}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
          .required(),
        what: Joi.string().trim().min(1).max(60).required(),
        minutes: Joi.number().integer().min(1).max(600).required(),
        initials: Joi.string().trim().max(6).allow('').required(),
        struck: Joi.boolean().required(),
      }),
    )
    .min(1)
    .max(50)
    .required(),
});
