import { classById } from '@/server/db/classes';
import { isUuid } from '@/contract/ids';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { sheetsToType } from '@/server/scores/sheets';

/** The sheets of a game of a week, for typing them in. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const asked = new URL(request.url).searchParams;
  const one = (name: string) => {
    const value = asked.get(name);
    return value && isUuid(value) ? value : null;
  };
  return json(await sheetsToType(of.id, { weekId: one('week'), itemId: one('game') }, today));
});
