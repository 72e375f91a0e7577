import { cardFor } from '@/server/home/card';
import { familyOf } from '@/server/home/family';
import { json } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';

/** The card of the child whose token this is. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => json(await cardFor(await familyOf(request, now), now)));
