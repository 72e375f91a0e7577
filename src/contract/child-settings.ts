/** What is kept of a child, and how it is changed. A surname does not get through: a first name without a space, and one initial. */
import Joi from 'joi';
import { childName, LONGEST_FIRST_NAME, type RosterChild } from '@/core/roster/read-roster';
import type { Uuid } from './ids';
import { ageYears } from './school-class';

const MOST_IN_A_CLASS = 60;

const firstName = Joi.string()
  .pattern(/^[\p{L}\p{M}'’.-]+$/u)
  .max(LONGEST_FIRST_NAME);
const initial = Joi.string()
  .pattern(/^\p{L}\p{M}*\.$/u)
  .max(4)
  .allow('');
/** The name of a child as it may be sent. */
export const childNameFields = { firstName: firstName.required(), initial: initial.required() };

const hand = Joi.string().valid('right', 'left', null);

export interface ChildSettingsForm {
  readonly ageYears: number | null;
  readonly hand: 'right' | 'left' | null;
  readonly stepCm: number | null;
  readonly form: 'standing' | 'seated' | 'kneeling' | 'two-hands' | 'other-exercise';
  readonly medium: 'screen' | 'paper';
}

const settings = {
  ageYears: ageYears.allow(null).required(),
  hand: hand.required(),
  stepCm: Joi.number().integer().min(20).max(110).allow(null).required().messages({
    '*': 'A step is 20 to 110 centimetres, or empty for the age.',
  }),
  form: Joi.string().valid('standing', 'seated', 'kneeling', 'two-hands', 'other-exercise').required(),
  medium: Joi.string().valid('screen', 'paper').required(),
};

export type ChildChange =
  | { readonly change: 'settings'; readonly settings: ChildSettingsForm }
  | { readonly change: 'name'; readonly firstName: string; readonly initial: string }
  | { readonly change: 'move'; readonly classId: Uuid }
  | { readonly change: 'leave' };

export const childChangeSchema = Joi.alternatives<ChildChange>(
  Joi.object({ change: Joi.string().valid('settings').required(), settings: Joi.object(settings).required() }),
  Joi.object({ change: Joi.string().valid('name').required(), ...childNameFields }),
  Joi.object({ change: Joi.string().valid('move').required(), classId: Joi.string().max(36).required() }),
  Joi.object({ change: Joi.string().valid('leave').required() }),
).match('one');

/** The form on the desk: the name as it is written, of which only first name and initial leave the page, and the class it moves to. */
export interface ChildForm extends ChildSettingsForm {
  readonly name: string;
  /** Null where it stays. */
  readonly classId: string | null;
}

export const childFormSchema = Joi.object<ChildForm>({
  ...settings,
  name: Joi.string()
    .trim()
    .max(60)
    .required()
    .custom((written: string, helpers) => (childName(written) ? written : helpers.message({ custom: 'Write a first name.' }))),
  classId: Joi.string().max(36).allow(null).required(),
});

export const rosterSchema = Joi.object<{ children: RosterChild[] }>({
  children: Joi.array()
    .items(Joi.object({ ...childNameFields, hand: hand.required(), ageYears: ageYears.allow(null).required() }))
    .min(1)
    .max(MOST_IN_A_CLASS)
    .required(),
});

export { MOST_IN_A_CLASS };

/** A teacher's note, which families do not see. */
export const noteSchema = Joi.object<{ words: string }>({ words: Joi.string().trim().max(1000).allow('').required() });

/** All that came by a child's links, set aside in one act; or that act taken back, by its moment. */
export type FromLinks = { readonly act: 'set-aside' } | { readonly act: 'take-back'; readonly at: string };

export const fromLinksSchema = Joi.object<FromLinks>({
  act: Joi.string().valid('set-aside', 'take-back').required(),
  at: Joi.string()
    .pattern(/^20\d{2}-[01]\d-[0-3]\dT[0-2]\d:[0-5]\d:[0-5]\d\.\d{3}Z$/)
    .custom((at: string, helpers) => (Number.isNaN(Date.parse(at)) ? helpers.error('string.pattern.base') : at))
    .when('act', { is: 'take-back', then: Joi.required(), otherwise: Joi.forbidden() }),
});

/** Everything about a child goes for good when its name is written. */
export const eraseSchema = Joi.object<{ name: string }>({ name: Joi.string().trim().max(60).required() });
