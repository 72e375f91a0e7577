import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { previewWeek } from '@/server/weeks/send-week';
import { weekSchema } from '@/contract/week';
import { checkIds } from '@/server/weeks/week-schema';

/** The card as a child of the class would see it; nothing is sent. */
export const POST = teacherRoute({ roles: ['teacher'], body: weekSchema }, async ({ body: week, who, now }) => {
  checkIds(week);
  const { card } = await previewWeek({ ...week, schoolId: who.schoolId, teacherId: who.teacherId, today: schoolDay(now, who.timeZone) }, null);
  return json(card);
});
