import Joi from 'joi';

/**
 * One of several records told apart by their field `do`: only the one that is meant is tried, which is quicker than trying each and
 * says what is wrong with that one.
 */
export function byDo(...kinds: readonly Joi.ObjectSchema[]): Joi.AlternativesSchema {
  return Joi.alternatives()
    .conditional('.do', { switch: kinds.map((kind) => ({ is: kind.extract('do'), then: kind })) })
    .messages({ 'alternatives.any': '{{#label}} must name what it does in “do”, and have the fields of that' });
}
