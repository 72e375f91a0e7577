/** What a file of format 1 had to be: the schema of today with what format 1 wrote otherwise. */
import Joi from 'joi';
import { byDo } from './by-do';
import { ID, idSchema } from './course-format';
import { GAME_FORMAT_1 } from './formats';
import { commonEffects, commonOfPart, condsSchema, finishReason, gameSchema, groupSchema, LEVEL_SLOT, levelSchema, taskSchema } from './game-schema';

const effects = Joi.array()
  .items(
    byDo(
      ...commonEffects,
      Joi.object({ do: Joi.string().valid('restore').required(), group: idSchema.required() }),
      Joi.object({ do: Joi.string().valid('next').required(), what: Joi.string().valid('task', 'side').required() }),
      Joi.object({ do: Joi.string().valid('finish').required(), why: finishReason.required() }),
    ),
  )
  .max(12);

const part = Joi.object({
  ...commonOfPart,
  groups: Joi.object()
    .pattern(ID, groupSchema.keys({ end: Joi.string().valid('stay', 'wrap', 'finish').required() }))
    .required(),
  tasks: Joi.array().items(taskSchema).min(1).max(8).required(),
  rows: Joi.array()
    .items(
      Joi.object({
        if: condsSchema.required(),
        validity: Joi.string().valid('counts', 'void', 'replay').required(),
        do: effects.required(),
      }),
    )
    .min(1)
    .max(24)
    .required(),
  also: Joi.object().pattern(ID, effects),
});

const slot = new RegExp(LEVEL_SLOT.source.replace('stages', 'tasks'));

export const gameSchema1 = gameSchema.keys({
  format: Joi.string().valid(GAME_FORMAT_1).required(),
  parts: Joi.array().items(part).min(1).max(20).required(),
  levels: Joi.array()
    .items(levelSchema.keys({ set: Joi.object().pattern(slot, Joi.any()).required() }))
    .min(1)
    .max(6)
    .required(),
});
