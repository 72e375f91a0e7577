import { schoolKeySchema } from '@/contract/school-key';
import { hashToken, newSchoolKey } from '@/server/auth/tokens';
import { addSchoolKey } from '@/server/db/school-keys';
import { audit } from '@/server/db/schools';
import { json, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';

/** A key for another program of the school: told once, here, and kept nowhere. */
export const POST = teacherRoute({ roles: ['teacher'], body: schoolKeySchema }, async ({ body: { name }, who, deed, now }) => {
  const key = newSchoolKey();
  let mine = false;
  const made = await once(who, deed, now, async (db) => {
    const added = await addSchoolKey(db, { schoolId: who.schoolId, teacherId: who.teacherId, name: name.trim(), tokenHash: hashToken(key) }, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'school key made', subject: added, detail: { name } }, now);
    mine = true;
    return { id: added };
  });
  if (!mine) throw refuse(409, '', 'This key was made already, and its words are told once.', 'Withdraw it and make another.');
  return json({ ...made, key }, 201);
});
