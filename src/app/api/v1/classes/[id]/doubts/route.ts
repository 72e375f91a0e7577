import { classById } from '@/server/db/classes';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { doubtsOf } from '@/server/reports/doubts';
import { waitingOf } from '@/server/reports/waiting';
import { schoolDay } from '@/server/school-day';

/** What does not count by itself in this class. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const [doubts, found] = await Promise.all([doubtsOf(of.id), waitingOf(who.schoolId, of.id, who.timeZone, today)]);
  return json({ doubts, ...found });
});
