import { familyReading } from '@/server/home/family';
import { myWeeks } from '@/server/home/my-weeks';
import { json, notFound } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';

/** Every week that the child whose card this is had; a slip, which others may pick up, tells nothing of it. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const family = await familyReading(request, now);
  if (family.scope === 'slip') throw notFound('card');
  return json(await myWeeks(family, now));
});
