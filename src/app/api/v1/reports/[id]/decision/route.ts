import Joi from 'joi';
import { CHOICES, type Choice } from '@/core/reports/decision';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { decide, undecide } from '@/server/reports/doubts';

const body = Joi.object<{ choice: Choice | null }>({
  choice: Joi.string()
    .valid(...CHOICES)
    .allow(null)
    .required(),
}).required();

/** What a teacher decides of a report; null takes the newest decision back. */
export const POST = teacherRoute({ roles: ['teacher'], told: 'report decided', body }, async ({ body: { choice }, who, deed, id, now }) => {
  if (choice === null) {
    await undecide(who, deed, id(), now);
    return json({ noticeId: null });
  }
  return json(await decide(who, deed, id(), choice, now), 201);
});
