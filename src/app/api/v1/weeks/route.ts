import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { sendWeek } from '@/server/weeks/send-week';
import { weekSchema } from '@/contract/week';
import { checkIds } from '@/server/weeks/week-schema';

export const POST = teacherRoute({ roles: ['teacher'], body: weekSchema }, async ({ body: week, who, now }) => {
  checkIds(week);
  const sent = await sendWeek({ ...week, schoolId: who.schoolId, teacherId: who.teacherId, today: schoolDay(now, who.timeZone) }, now);
  return json(sent, 201);
});
