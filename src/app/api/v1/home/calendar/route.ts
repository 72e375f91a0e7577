import { assignmentsOfChild } from '@/server/db/weeks';
import { familyOf } from '@/server/home/family';
import { notFound } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';
import { calendarAnswer, calendarOf } from '@/server/weeks/notices';
import { titleOfWeek } from '@/server/weeks/week-standing';

/** The due day of this child's newest week as a calendar file. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const key = await familyOf(request, now);
  const week = (await assignmentsOfChild(key.childId, key.termId))[0]?.week;
  if (!week) throw notFound('week on this card');
  return calendarAnswer(week.number, calendarOf({ ...week, title: await titleOfWeek(week) }, now));
});
