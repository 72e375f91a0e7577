/** How steady a class is by its own reports. */
import { count, list, record, textField } from './fields';
import Joi from 'joi';
import type { AimCurve } from '@/core/progress/chance-by-distance';
import type { Fitted } from '@/core/progress/fit';

export interface FitOfClass {
  readonly group: Fitted;
  /** False while there are too few tries: the forecast is that of the age. */
  readonly calibrated: boolean;
  readonly aims: readonly AimCurve[];
}

const share = Joi.number().min(0).max(1);

export const classFitSchema = record<FitOfClass>({
  group: record({ skill: Joi.number(), low: Joi.number(), high: Joi.number(), attempts: count }),
  calibrated: Joi.boolean(),
  aims: list(
    record({
      aim: record({ technique: textField }),
      tries: count,
      from: list(record({ distanceM: Joi.number(), tries: count, hits: count })),
      curve: list(record({ distanceM: Joi.number(), chance: share, low: share, high: share })),
    }),
  ),
});
