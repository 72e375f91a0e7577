/** Fields that several bodies have: an id made by a page, and a day. */
import Joi from 'joi';
import { realDay } from '@/contract/fields';

export const uuidField = Joi.string().pattern(/^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);

/** ISO 8601, a day of this century that there is. */
export const dayField = realDay;
