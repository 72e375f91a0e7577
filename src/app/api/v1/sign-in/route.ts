import { signInSchema } from '@/contract/sign-in';
import { signInLimit } from '@/server/auth/limits';
import { passwordIs } from '@/server/auth/passwords';
import { openSession, sessionCookie } from '@/server/auth/sessions';
import { accountByEmail } from '@/server/db/teachers';
import { json, Refused, refuse } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';
import { settings } from '@/server/settings';

export const POST = openRoute({ body: signInSchema }, async ({ body: { email, password }, now }) => {
  const account = email.toLowerCase();
  const wait = await signInLimit.waitFor(account);
  if (wait > 0)
    throw new Refused(
      429,
      [{ place: '/email', reason: 'Too many wrong passwords for this account.', fix: `Try again in ${Math.ceil(wait / 60)} minutes.` }],
      { 'retry-after': `${wait}` },
    );
  const found = await accountByEmail(account);
  if (!(await passwordIs(found?.passwordHash, password)) || !found) {
    await signInLimit.failed(account);
    throw refuse(401, '/password', 'That address and password do not go together.', 'Check both and try again.');
  }
  await signInLimit.clear(account);
  const session = await openSession(found.teacherId, found.schoolId, now);
  const { secure } = settings();
  return json({ ok: true }, 200, {
    'set-cookie': sessionCookie(secure, session.token, session.maxAge),
  });
});
