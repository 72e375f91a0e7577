import { createHash } from 'node:crypto';
import { classById } from '@/server/db/classes';
import { isUuid } from '@/contract/ids';
import { json, notFound } from '@/server/http/answer';
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
  const etag = `"${createHash('sha256').update(JSON.stringify(found)).digest('base64url').slice(0, 22)}"`;
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: { etag } });
  return json(found, 200, { etag });
});
