import { notFound, tagged } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { planToRead } from '@/server/plans/facts';
import { schoolDay } from '@/server/school-day';

/** What a plan is worked out from, each class fitted to all that has come in. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, id, now }) => {
  const plan = await planToRead(who.schoolId, id(), schoolDay(now, who.timeZone), { now, timeZone: who.timeZone });
  if (!plan) throw notFound('plan');
  return tagged(request, { facts: plan.facts });
});
