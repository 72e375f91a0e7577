import { setTimeout as sleep } from 'node:timers/promises';
import { signInSchema } from '@/contract/sign-in';
import { browserOf, knownCookie } from '@/server/auth/known-browser';
import { heldBackMs, signInLimit } from '@/server/auth/limits';
import { passwordIs } from '@/server/auth/passwords';
import { openSession, sessionCookie } from '@/server/auth/sessions';
import { accountByEmail } from '@/server/db/teachers';
import { json, Refused, refuse } from '@/server/http/answer';
import { addressOf } from '@/server/http/address';
import { openRoute } from '@/server/http/route';
import { settings } from '@/server/settings';

export const POST = openRoute({ body: signInSchema }, async ({ request, body: { email, password }, now }) => {
  const account = email.toLowerCase();
  const browser = browserOf(request, account);
  // Counted before anything is checked: many at once are no way round it.
  const wait = browser === 'known' ? 0 : await signInLimit.addressTried(addressOf(request));
  if (wait > 0)
    throw new Refused(429, [{ place: '/email', reason: 'Too many tries from this address.', fix: `Try again in ${Math.ceil(wait / 60)} minutes.` }], {
      'retry-after': `${wait}`,
    });
  await sleep(heldBackMs(await signInLimit.tried(account, browser)));
  const found = await accountByEmail(account);
  if (!(await passwordIs(found?.passwordHash, password)) || !found)
    throw refuse(401, '/password', 'That address and password do not go together.', 'Check both and try again.');
  await signInLimit.clear(account, browser);
  const session = await openSession(found.teacherId, found.schoolId, now);
  const { secure } = settings();
  const answer = json({ ok: true }, 200, { 'set-cookie': sessionCookie(secure, session.token, session.maxAge) });
  answer.headers.append('set-cookie', knownCookie(account));
  return answer;
});
