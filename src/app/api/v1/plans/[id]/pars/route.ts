import { planById } from '@/server/db/term-plans';
import { notFound, tagged } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { parsOfPlan } from '@/server/plans/pars';
import { schoolDay } from '@/server/school-day';

export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, id, now }) => {
  const plan = await planById(who.schoolId, id());
  if (!plan) throw notFound('plan');
  return tagged(request, { pars: await parsOfPlan(who.schoolId, plan, schoolDay(now, who.timeZone)) });
});
