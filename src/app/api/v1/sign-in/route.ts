import { setTimeout as sleep } from 'node:timers/promises';
import { signInSchema } from '@/contract/sign-in';
import { browserOf, knownCookie } from '@/server/auth/known-browser';
import { heldBackMs, signInLimit } from '@/server/auth/limits';
import { passwordIs } from '@/server/auth/passwords';
import { openSession, sessionCookie } from '@/server/auth/sessions';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { accountByEmail } from '@/server/db/teachers';
import { json, Refused, refuse } from '@/server/http/answer';
import { addressOf } from '@/server/http/address';
import { browserNamed } from '@/server/people/browser-named';
import { checkFactor } from '@/server/people/check-factor';
import { openRoute } from '@/server/http/route';
import { settings } from '@/server/settings';

export const POST = openRoute({ body: signInSchema }, async ({ request, body: { email, password, code }, now }) => {
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
  const note = (action: string) =>
    found &&
    transact((db) =>
      audit(db, { schoolId: found.schoolId, teacherId: action === 'sign-in failed' ? null : found.teacherId, action, subject: found.teacherId }, now),
    );
  if (!(await passwordIs(found?.passwordHash, password)) || !found) {
    await note('sign-in failed');
    throw refuse(401, '/password', 'That address and password do not go together.', 'Check both and try again.');
  }
  const factor = await checkFactor(found.teacherId, code, now);
  if (factor === 'asked') throw refuse(401, '/code', 'Now the six figures of your authenticator.', 'Without it: one of your codes to recover by.');
  if (factor === 'wrong') {
    await note('sign-in failed');
    throw refuse(
      401,
      '/code',
      'This code does not fit, or it was used already.',
      'Wait for the next one. Without the telephone: one of your codes to recover by.',
    );
  }
  await signInLimit.clear(account, browser);
  await note(factor === 'recovered' ? 'signed in by recovery code' : 'signed in');
  const session = await openSession(found.teacherId, found.schoolId, now, browserNamed(request));
  const { secure } = settings();
  const answer = json({ ok: true }, 200, { 'set-cookie': sessionCookie(secure, session.token, session.maxAge) });
  answer.headers.append('set-cookie', knownCookie(account));
  return answer;
});
