/** A key with which another program of the school hands in reports. */
import Joi from 'joi';

export const schoolKeySchema = Joi.object<{ name: string }>({ name: Joi.string().trim().min(1).max(60).required() });
