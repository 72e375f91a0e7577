import { schoolYearSchema } from '@/contract/school-class';
import { moveUp } from '@/server/classes/move-up';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** Moves every class of this year up to the next school year; children keep their records, the oldest leave. */
export const POST = teacherRoute({ roles: ['teacher'], body: schoolYearSchema }, async ({ body: { names }, who, deed, now }) =>
  json(await moveUp(who, deed, names, schoolDay(now, who.timeZone), now), 201),
);
