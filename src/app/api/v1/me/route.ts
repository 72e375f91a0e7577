import { ownNameSchema } from '@/contract/people';
import { setName } from '@/server/db/people';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { sessionToken, teacherRoute } from '@/server/http/route';
import { oneself } from '@/server/people/oneself';

export const GET = teacherRoute({ roles: ['teacher', 'helper'], anyway: true }, async ({ request, who, now }) =>
  json(await oneself(who, sessionToken(request)!, now)),
);

export const PATCH = teacherRoute({ roles: ['teacher', 'helper'], anyway: true, body: ownNameSchema }, async ({ body: { name }, who, now }) => {
  await transact(async (db) => {
    await setName(db, who.teacherId, name);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'own name changed', subject: who.teacherId }, now);
  });
  return json({ ok: true });
});
