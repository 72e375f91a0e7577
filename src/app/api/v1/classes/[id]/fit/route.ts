import { classById } from '@/server/db/classes';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { fitAndCurves } from '@/server/progress/curves';
import { schoolDay } from '@/server/school-day';

/** How steady a class is by its own reports, and how often it hits from how far. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => {
  const of = await classById(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!of) throw notFound('class');
  return json(await fitAndCurves(of.id));
});
