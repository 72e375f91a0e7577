import { closeSession, sessionCookie } from '@/server/auth/sessions';
import { json } from '@/server/http/answer';
import { sessionToken, teacherRoute } from '@/server/http/route';
import { settings } from '@/server/settings';

export const POST = teacherRoute({ roles: ['teacher', 'helper'], told: 'signed out', anyway: true }, async ({ request }) => {
  await closeSession(sessionToken(request)!);
  const { secure } = settings();
  return json({ ok: true }, 200, {
    'set-cookie': sessionCookie(secure),
  });
});
