/** What a school lends: things, counted; who has them; what came back. */
import Joi from 'joi';
import { realDay } from './fields';
import type { Uuid } from './ids';

export interface SchoolThing {
  readonly id: Uuid;
  readonly name: string;
  readonly n: number;
  /** How many classes have, of all that did not come back. */
  readonly out: number;
}

export interface Loan {
  readonly id: Uuid;
  readonly thingId: Uuid;
  readonly thing: string;
  readonly classId: Uuid;
  readonly className: string;
  readonly n: number;
  readonly returned: number;
  readonly lentOn: string;
  readonly dueOn: string;
}

const id = Joi.string().max(36);
const MOST = 9999;

/** A thing and how many there are; none of it takes it out of the cupboard. */
export interface ThingKept {
  readonly name: string;
  readonly n: number;
}

export const thingKeptSchema = Joi.object<ThingKept>({
  name: Joi.string().trim().min(1).max(60).required(),
  n: Joi.number().integer().min(0).max(MOST).required(),
});

export interface ToLend {
  readonly classId: Uuid;
  readonly dueOn: string;
  readonly things: readonly { readonly thingId: Uuid; readonly n: number }[];
}

export const toLendSchema = Joi.object<ToLend>({
  classId: id.required(),
  dueOn: realDay.required(),
  things: Joi.array()
    .items(Joi.object({ thingId: id.required(), n: Joi.number().integer().min(1).max(MOST).required() }))
    .unique('thingId')
    .min(1)
    .max(60)
    .required(),
});

/** How many of a loan are back in all. */
export const returnedSchema = Joi.object<{ returned: number }>({ returned: Joi.number().integer().min(0).max(MOST).required() });
