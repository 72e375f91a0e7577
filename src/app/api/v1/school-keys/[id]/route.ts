import { transact } from '@/server/db/pool';
import { revokeSchoolKey } from '@/server/db/school-keys';
import { audit } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** Withdraws a key: it opens nothing from now on. What came with it stays. */
export const DELETE = teacherRoute({ roles: ['teacher'] }, async ({ who, id, now }) => {
  const key = id();
  const revoked = await transact(async (db) => {
    const done = await revokeSchoolKey(db, who.schoolId, key, now);
    if (done) await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'school key withdrawn', subject: key }, now);
    return done;
  });
  if (!revoked) throw notFound('key');
  return json({ withdrawn: true });
});
