/** What a teacher saw of a movement: marks, whether a film was handed in, one comment. */
import Joi from 'joi';
import { markedLooksSchema, type MarkedLook } from '@/core/reports/look-marks';

export interface LookedAt {
  readonly marks: readonly MarkedLook[];
  readonly film: boolean;
  readonly comment: string;
}

export const lookedAtSchema = Joi.object<LookedAt>({
  marks: markedLooksSchema.required(),
  film: Joi.boolean().default(false),
  comment: Joi.string().trim().max(280).allow('').default(''),
});
