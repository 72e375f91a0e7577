import { withdrawLink } from '@/server/db/people';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** Withdraws a link that was not used yet. */
export const DELETE = teacherRoute({ roles: ['teacher'], lead: true }, async ({ who, id, now }) => {
  const link = id();
  const done = await transact(async (db) => {
    if (!(await withdrawLink(db, who.schoolId, link))) return false;
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'person link withdrawn', subject: link }, now);
    return true;
  });
  if (!done) throw notFound('link');
  return json({ withdrawn: true });
});
