import Joi from 'joi';
import { keyOfWritten } from '@/server/db/access-keys';
import { childOfSchool } from '@/server/db/children';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** Which child of this school a slip's code belongs to. */
export const POST = teacherRoute(
  {
    roles: ['teacher', 'helper'],
    told: 'score typed by its code',
    body: Joi.object<{ code: string }>({ code: Joi.string().min(8).max(64).required() }),
  },
  async ({ body: { code }, who, now }) => {
    const today = schoolDay(now, who.timeZone);
    const key = await keyOfWritten(code, now);
    const child = key && (await childOfSchool(who.schoolId, key.childId, today));
    if (!child) throw refuse(404, '/code', 'This code is not one of this term.', 'Type the name of the child instead.');
    return json({ childId: child.id });
  },
);
