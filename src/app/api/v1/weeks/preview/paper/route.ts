import { teacherRoute } from '@/server/http/route';
import { USUAL_LOOK } from '@/server/paper/job';
import { makePaper, paperAnswer } from '@/server/paper/make';
import { schoolDay } from '@/server/school-day';
import { previewWeek } from '@/server/weeks/send-week';
import { weekSchema } from '@/contract/week';
import { checkIds } from '@/server/weeks/week-schema';

/** The sheet as a child of the class would get it, without a code; nothing is sent. */
export const POST = teacherRoute({ roles: ['teacher'], body: weekSchema }, async ({ request, body: week, who, now }) => {
  checkIds(week);
  const { sheets } = await previewWeek({ ...week, schoolId: who.schoolId, teacherId: who.teacherId, today: schoolDay(now, who.timeZone) }, null);
  return paperAnswer(await makePaper({ look: USUAL_LOOK, sheets }, request.signal));
});
