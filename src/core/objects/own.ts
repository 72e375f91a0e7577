/** A thing of the teacher's own, by its size. What it is most like is told beside it and gives its weight, its substitutes and its cautions. */
import Joi from 'joi';
import type { AimedShape } from './shapes';

export interface OwnThing {
  readonly name: string;
  readonly shape: AimedShape;
}

const size = Joi.number().min(0.02).max(5).required();
const height = Joi.number().min(0).max(3).required();
const kind = (name: AimedShape['kind']) => Joi.string().valid(name).required();

export const ownThingSchema = Joi.object<OwnThing>({
  name: Joi.string().trim().min(1).max(30).required(),
  shape: Joi.alternatives(
    Joi.object({ kind: kind('opening'), outline: Joi.string().valid('rectangle').required(), widthM: size, depthM: size, rimM: height }),
    Joi.object({ kind: kind('opening'), outline: Joi.string().valid('round').required(), diameterM: size, rimM: height }),
    Joi.object({ kind: kind('upright'), widthM: size, heightM: size }),
    Joi.object({ kind: kind('flat'), diameterM: size, heightM: height }),
    Joi.object({ kind: kind('gate'), widthM: size, postM: Joi.number().min(0.01).max(1).required() }),
    Joi.object({ kind: kind('face'), widthM: size, heightM: size }),
    Joi.object({ kind: kind('mouth'), widthM: size, depthM: size, heightM: size }),
    Joi.object({ kind: kind('block'), widthM: size, depthM: size, heightM: size }),
  ).required(),
});
