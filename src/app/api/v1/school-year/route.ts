import Joi from 'joi';
import { moveUp } from '@/server/classes/move-up';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

const body = Joi.object<{ names: Record<string, string> }>({
  names: Joi.object()
    .pattern(/^[0-9a-f-]{36}$/, Joi.string().trim().min(1).max(60))
    .required(),
});

/** Moves every class of this year up to the next school year; children keep their records, the oldest leave. */
export const POST = teacherRoute({ roles: ['teacher'], body }, async ({ body: { names }, who, now }) =>
  json(await moveUp(who, names, schoolDay(now, who.timeZone), now), 201),
);
