/** What the schemas of several resources share. What an answer holds beyond its schema is let through: an older page meets a newer server. */
import Joi from 'joi';
import { isDay } from '@/core/measure/days';

export const uuid = Joi.string().guid();
export const day = Joi.string().pattern(/^20\d{2}-\d{2}-\d{2}$/);

/** An id that a page has made, as the database takes it: no braces, no capitals. */
export const madeId = Joi.string().pattern(/^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);

/** A day that somebody sends: of this century, and one that there is. */
export const realDay = Joi.string()
  .pattern(/^20\d{2}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
  .custom((sent: string, helpers) => (isDay(sent) ? sent : helpers.error('string.pattern.base')));

export const textField = Joi.string().allow('');
export const count = Joi.number().integer().min(0);
export const figure = Joi.number().allow(null);
export const oneOf = (...values: readonly string[]) => Joi.string().valid(...values);
export const list = (of: Joi.Schema) => Joi.array().items(of);

/** Every field is there; what may be missing is said by `optional()`. */
export const record = <T>(fields: Readonly<Record<string, Joi.Schema>>) =>
  Joi.object<T>(fields).options({ presence: 'required', allowUnknown: true });
