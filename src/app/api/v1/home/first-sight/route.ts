import { cardFor } from '@/server/home/card';
import { familyReading } from '@/server/home/family';
import { firstSightOf } from '@/server/home/first-sight';
import { json } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** The card of the child whose token this is, as it looks: small, for a page whose scripts have not come yet. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const family = await familyReading(request, now);
  const language = new URL(request.url).searchParams.get('language') ?? '';
  return json(await firstSightOf(await cardFor(family, now), language, schoolDay(now, family.timeZone)));
});
