import { cardItemOf } from '@/server/home/card';
import { familyReading } from '@/server/home/family';
import { json, notFound } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** One game that was sent to the child whose card this is, in any term, as it is played: to play it again. */
export const GET = openRoute({ origin: false }, async ({ request, id, now }) => {
  const family = await familyReading(request, now);
  const item = family.scope === 'card' ? await cardItemOf(family.childId, id(), schoolDay(now, family.timeZone)) : undefined;
  if (!item) throw notFound('game');
  return json(item);
});
