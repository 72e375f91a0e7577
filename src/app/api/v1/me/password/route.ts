import { newPasswordSchema } from '@/contract/people';
import { json } from '@/server/http/answer';
import { sessionToken, teacherRoute } from '@/server/http/route';
import { changeOwnPassword } from '@/server/people/oneself';

/** A new password of one's own; every other session is over with it. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], anyway: true, body: newPasswordSchema }, async ({ request, body, who, now }) => {
  await changeOwnPassword(who, sessionToken(request)!, body, now);
  return json({ ok: true });
});
