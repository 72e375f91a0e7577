import { joinedKnownSchema, joinedSchema } from '@/contract/people';
import { hashToken } from '@/server/auth/tokens';
import { factorKept, linkByToken } from '@/server/db/people';
import { json } from '@/server/http/answer';
import { bearerOf } from '@/server/http/bearer';
import { openRoute } from '@/server/http/route';
import { deadLink, isKnown, join, joinKnown, PEOPLE_TOKEN, schoolNameOf } from '@/server/people/links';
import { signedInAnswer } from '@/server/people/signed-in-answer';

/** Whose link it is, before a password is chosen. */
export const GET = openRoute({ origin: false }, async ({ request, now }) => {
  const link = await linkByToken(hashToken(bearerOf(request, PEOPLE_TOKEN, deadLink)), now);
  if (!link) throw deadLink();
  const [school, known] = await Promise.all([schoolNameOf(link.schoolId), isKnown(link)]);
  return json({ name: link.name, email: link.email, reset: link.reset, school, known });
});

/** Chooses the password; who has no second factor is signed in by it. */
export const POST = openRoute({ body: joinedSchema }, async ({ request, body: { token, password }, now }) => {
  const joined = await join(token, password, now);
  if ((await factorKept(joined.teacherId)).sealed) return json({ signedIn: false }, 201);
  return signedInAnswer(request, joined, { signedIn: true }, 201, now);
});

/** Comes in with the account that signs in to another school. */
export const PUT = openRoute({ body: joinedKnownSchema }, async ({ request, body, now }) =>
  signedInAnswer(request, await joinKnown(request, body, now), { signedIn: true }, 201, now),
);
