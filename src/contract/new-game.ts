/** A new game: from a skill, a way to play it and what is in the house; from a throw alone; or on a blank floor. */
import Joi from 'joi';
import { SKILLS, type Skill } from '@/core/sheet/teaching-points';
import { WAYS_OF, type BeginFrom } from '@/core/ways/begin';
import { WAYS } from '@/core/ways/ways';
import type { StartFrom } from '@/core/course/sensible-start';
import { AIMED_IDS, BALL_IDS, IMPLEMENT_IDS, THROWN_AT_IDS } from '@/core/objects/catalogue';
import { TECHNIQUES } from '@/core/rules/format/throw-rules';
import { ageYears } from './school-class';

export interface BlankFloor {
  readonly blank: true;
  readonly title: string;
  readonly ageYears: number;
}

const title = Joi.string().trim().max(60).empty('').default('Untitled game');

const startFromSchema = Joi.object<StartFrom>({
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

const metres = Joi.number().min(1).max(40).required();

export const beginSchema = Joi.object<BeginFrom>({
  title: Joi.string().trim().max(60).allow('').required(),
  skill: Joi.string()
    .valid(...SKILLS)
    .required(),
  way: Joi.string()
    .valid(...WAYS.map(({ id }) => id))
    .required(),
  implement: Joi.string()
    .valid(...IMPLEMENT_IDS)
    .required(),
  target: Joi.string()
    .valid(...AIMED_IDS)
    .allow(null)
    .required(),
  ageYears: ageYears.required(),
  floor: Joi.object({ widthM: metres, depthM: metres }).allow(null).required(),
}).custom((from: BeginFrom, helpers) =>
  WAYS_OF[from.skill as Skill].includes(from.way) ? from : helpers.message({ custom: 'This way to play does not suit that movement.' }),
);

export const newGameSchema = Joi.alternatives<StartFrom | BlankFloor | BeginFrom>().conditional(
  Joi.object({ blank: Joi.valid(true).required() }).unknown(),
  {
    then: Joi.object<BlankFloor>({ blank: Joi.valid(true).required(), title, ageYears: ageYears.required() }),
    otherwise: Joi.alternatives().conditional(Joi.object({ way: Joi.exist() }).unknown(), { then: beginSchema, otherwise: startFromSchema }),
  },
);
