import { schoolKeySchema } from '@/contract/school-key';
import { hashToken, newSchoolKey } from '@/server/auth/tokens';
import { transact } from '@/server/db/pool';
import { addSchoolKey } from '@/server/db/school-keys';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** A key for another program of the school: told once, here. */
export const POST = teacherRoute({ roles: ['teacher'], body: schoolKeySchema }, async ({ body: { name }, who, now }) => {
  const key = newSchoolKey();
  const id = await transact(async (db) => {
    const added = await addSchoolKey(db, { schoolId: who.schoolId, teacherId: who.teacherId, name: name.trim(), tokenHash: hashToken(key) }, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'school key made', subject: added, detail: { name } }, now);
    return added;
  });
  return json({ id, key }, 201);
});
