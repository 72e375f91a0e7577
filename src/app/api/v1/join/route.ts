import { joinedSchema } from '@/contract/people';
import { knownCookie } from '@/server/auth/known-browser';
import { openSession, sessionCookie } from '@/server/auth/sessions';
import { hashToken } from '@/server/auth/tokens';
import { factorKept, linkByToken } from '@/server/db/people';
import { json } from '@/server/http/answer';
import { bearerOf } from '@/server/http/bearer';
import { openRoute } from '@/server/http/route';
import { deadLink, join, PEOPLE_TOKEN, schoolNameOf } from '@/server/people/links';
import { browserNamed } from '@/server/people/browser-named';
import { settings } from '@/server/settings';

/** Whose link it is, before a password is chosen. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const link = await linkByToken(hashToken(bearerOf(request, PEOPLE_TOKEN, deadLink)), now);
  if (!link) throw deadLink();
  return json({ name: link.name, email: link.email, reset: link.reset, school: await schoolNameOf(link.schoolId) });
});

/** Chooses the password; who has no second factor is signed in by it. */
export const POST = openRoute({ body: joinedSchema }, async ({ request, body: { token, password }, now }) => {
  const joined = await join(token, password, now);
  if ((await factorKept(joined.teacherId)).sealed) return json({ signedIn: false }, 201);
  const session = await openSession(joined.teacherId, joined.schoolId, now, browserNamed(request));
  const answer = json({ signedIn: true }, 201, { 'set-cookie': sessionCookie(settings().secure, session.token, session.maxAge) });
  answer.headers.append('set-cookie', knownCookie(joined.email));
  return answer;
});
