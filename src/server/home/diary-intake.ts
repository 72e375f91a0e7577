/** What a family writes into the movement diary: entries with ids of their own, so that sending twice writes once. */
import type { DiaryEntry } from '@/contract/diary';
import Joi from 'joi';
import { dayField, uuidField } from '../http/fields';

export const diarySchema = Joi.object<{ entries: readonly DiaryEntry[] }>({
  entries: Joi.array()
    .items(
      Joi.object({
        id: uuidField.required(),
        weekId: uuidField.required(),
        day: dayField.required(),
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
