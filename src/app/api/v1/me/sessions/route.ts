import { hashToken } from '@/server/auth/tokens';
import { endSessions } from '@/server/db/people';
import { transact } from '@/server/db/pool';
import { json } from '@/server/http/answer';
import { sessionToken, teacherRoute } from '@/server/http/route';

/** Ends every session of one's own but this one. */
export const DELETE = teacherRoute({ roles: ['teacher', 'helper'], anyway: true }, async ({ request, who }) => {
  const here = hashToken(sessionToken(request)!);
  return json({ ended: await transact((db) => endSessions(db, who.teacherId, here)) });
});
