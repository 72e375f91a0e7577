import { classById } from '@/server/db/classes';
import { isUuid } from '@/contract/ids';
import { notFound, tagged } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { classWeek } from '@/server/scores/class-week';

/** The class's week, polled by the scores page with an ETag. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const asked = new URL(request.url).searchParams;
  const week = asked.get('week');
  const game = asked.get('game');
  const found = await classWeek(of.id, week && isUuid(week) ? week : null, who.timeZone, today, game && isUuid(game) ? game : null);
  return tagged(request, found);
});
