/** How steady a class is by its own reports. */
import { count, list, record, textField } from './fields';
import Joi from 'joi';
import type { AimCurve } from '@/core/progress/chance-by-distance';
import type { DoesItFit } from '@/core/progress/does-it-fit';
import type { Fitted } from '@/core/progress/fit';

export interface FitOfClass {
  readonly group: Fitted;
  /** False while there are too few tries: the forecast is that of the age. */
  readonly calibrated: boolean;
  readonly aims: readonly AimCurve[];
  readonly fits: DoesItFit;
}

const share = Joi.number().min(0).max(1);
const seen = { tries: count, told: share, seen: share, low: share, high: share };
const scores = record({ log: Joi.number(), brier: Joi.number() });
const doesItFitSchema = record<DoesItFit>({
  tries: count,
  tenths: list(record({ ...seen, tenth: count })),
  byDistance: list(record({ ...seen, fromM: Joi.number(), toM: Joi.number() })),
  byWeek: list(record({ ...seen, week: Joi.number() })),
  byFamily: list(record({ ...seen, family: textField })),
  scores: record({ fit: scores, age: scores, tries: count }).allow(null),
  alarms: list(record({ kind: textField })),
});

export const classFitSchema = record<FitOfClass>({
  group: record({ skill: Joi.number(), low: Joi.number(), high: Joi.number(), attempts: count }),
  calibrated: Joi.boolean(),
  fits: doesItFitSchema,
  aims: list(
    record({
      aim: record({ technique: textField }),
      tries: count,
      from: list(record({ distanceM: Joi.number(), tries: count, hits: count })),
      curve: list(record({ distanceM: Joi.number(), chance: share, low: share, high: share })),
    }),
  ),
});
