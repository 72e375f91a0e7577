/** Fields that several bodies have: an id made by a page, and a day. */
import { madeId, realDay } from '@/contract/fields';

export const uuidField = madeId;

/** ISO 8601, a day of this century that there is. */
export const dayField = realDay;
