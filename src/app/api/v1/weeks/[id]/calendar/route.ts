import { weekOfSchool } from '@/server/db/weeks';
import { notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { calendarAnswer, calendarOf } from '@/server/weeks/notices';
import { titleOfWeek } from '@/server/weeks/week-standing';

/** The due day of a week as a calendar file. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => {
  const week = await weekOfSchool(who.schoolId, id());
  if (!week) throw notFound('week');
  return calendarAnswer(week.number, calendarOf({ ...week, title: await titleOfWeek(week) }, now));
});
