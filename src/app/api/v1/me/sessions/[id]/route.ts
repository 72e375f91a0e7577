import { endSession } from '@/server/db/people';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** Ends a session of one's own, on whatever device it is. */
export const DELETE = teacherRoute({ roles: ['teacher', 'helper'], anyway: true }, async ({ who, id }) => {
  if (!(await endSession(who.teacherId, id()))) throw notFound('session');
  return json({ ended: true });
});
