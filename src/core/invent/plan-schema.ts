/** Admits a plan that a child sent. Apart from the plan itself, so that Joi stays off the child's page. */
import Joi from 'joi';
import { INVENT_BALLS, INVENT_FLOOR, INVENT_OBSTACLES, INVENT_TARGETS, MOST_MARKS, MOST_OBSTACLES, type InventedPlan } from './plan';

const spot = {
  xM: Joi.number().min(0).max(INVENT_FLOOR.widthM).required(),
  yM: Joi.number().min(0).max(INVENT_FLOOR.depthM).required(),
};
const oneOf = (ids: readonly string[]) =>
  Joi.string()
    .valid(...ids)
    .required();

export const planSchema = Joi.object<InventedPlan>({
  title: Joi.string().trim().min(1).max(40).required(),
  technique: oneOf(['underarm', 'overarm']),
  ball: oneOf(INVENT_BALLS),
  target: Joi.object({ ...spot, object: oneOf(INVENT_TARGETS) }).required(),
  marks: Joi.array()
    .items(Joi.object({ ...spot, points: Joi.number().integer().min(1).max(20).required() }))
    .min(1)
    .max(MOST_MARKS)
    .required(),
  obstacles: Joi.array()
    .items(Joi.object({ ...spot, object: oneOf(INVENT_OBSTACLES) }))
    .max(MOST_OBSTACLES)
    .required(),
  stop: Joi.alternatives(
    Joi.object({ kind: Joi.string().valid('seconds').required(), s: Joi.number().integer().min(20).max(180).required() }),
    Joi.object({ kind: Joi.string().valid('attempts').required(), n: Joi.number().integer().min(3).max(30).required() }),
  ).required(),
  afterMiss: oneOf(['again', 'exercise']),
});
