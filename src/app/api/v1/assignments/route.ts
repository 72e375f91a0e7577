import { classesOf } from '@/server/db/classes';
import { json, refuse } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';
import { schoolAsking, sentToClass } from '@/server/reports/by-key';
import { schoolDay } from '@/server/school-day';

/** What was sent to a class, for another program of the school: `?class=` its name or id. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const { schoolId, timeZone } = await schoolAsking(request, now);
  const today = schoolDay(now, timeZone);
  const wanted = new URL(request.url).searchParams.get('class');
  const classes = await classesOf(schoolId, today);
  const of = classes.find((one) => one.id === wanted || one.name === wanted);
  if (!of)
    throw refuse(404, 'class', 'There is no such class this year.', `Say one of: ${classes.map(({ name }) => name).join(', ') || 'none yet'}.`);
  return json(await sentToClass(of, today));
});
