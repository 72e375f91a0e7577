/** A new game: from a skill and what is in the house, or on a blank floor. */
import Joi from 'joi';
import type { StartFrom } from '@/core/course/sensible-start';
import { BALL_IDS, THROWN_AT_IDS } from '@/core/objects/catalogue';
import { TECHNIQUES } from '@/core/rules/format/throw-rules';
import { ageYears } from './school-class';

export interface BlankFloor {
  readonly blank: true;
  readonly title: string;
  readonly ageYears: number;
}

const title = Joi.string().trim().max(60).empty('').default('Untitled game');

export const startFromSchema = Joi.object<StartFrom>({
  title,
  aim: Joi.string().trim().max(140).allow('').required(),
  technique: Joi.string()
    .valid(...TECHNIQUES)
    .required(),
  implement: Joi.string()
    .valid(...BALL_IDS)
    .required(),
  target: Joi.string()
    .valid(...THROWN_AT_IDS)
    .required(),
  ageYears: ageYears.required(),
});

export const newGameSchema = Joi.alternatives<StartFrom | BlankFloor>().conditional(Joi.object({ blank: Joi.valid(true).required() }).unknown(), {
  then: Joi.object<BlankFloor>({ blank: Joi.valid(true).required(), title, ageYears: ageYears.required() }),
  otherwise: startFromSchema,
});
