import Joi from 'joi';
import { uuidField } from '@/server/http/fields';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { settle, unsettle, type Settled } from '@/server/reports/settle';

const body = Joi.object<{ as: Settled | null; undo?: true }>({
  as: Joi.object({
    assignmentId: uuidField.required(),
    levelId: Joi.string().max(24).required(),
    total: Joi.number().integer().min(-100_000).max(10_000_000).allow(null).required(),
  })
    .allow(null)
    .required(),
  undo: Joi.boolean().valid(true),
}).required();

/** Whose an incoming score is; null sets it aside, undo opens it again. */
export const POST = teacherRoute({ roles: ['teacher'], told: 'message decided', body }, async ({ body: { as, undo }, who, deed, id, now }) => {
  if (undo) {
    await unsettle(who, deed, id(), now);
    return json({ verdict: null });
  }
  return json(await settle(who, deed, id(), as, now), 201);
});
