import { cardFor } from '@/server/home/card';
import { familyReading } from '@/server/home/family';
import { json, refuse } from '@/server/http/answer';
import { GAMES_OF } from '@/contract/card-check';
import { openRoute } from '@/server/http/route';

/**
 * The card of the child whose token this is, for a page that reads games of format 2. A page of the version before, still open on a phone, does
 * not: it is asked to wait, on which it plays on with the card that it has, and sends; opened again it is today's page.
 */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const family = await familyReading(request, now);
  if (new URL(request.url).searchParams.get('games') !== GAMES_OF)
    throw refuse(429, '', 'This page is older than the school’s.', 'Close it and open the link again.');
  return json(await cardFor(family, now));
});
