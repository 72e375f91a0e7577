import { keepingRulesSchema } from '@/contract/keeping';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { setKeepingRules } from '@/server/keeping/keep';

/** How long the school keeps what. */
export const PUT = teacherRoute({ roles: ['teacher'], lead: true, body: keepingRulesSchema }, async ({ body, who, now }) => {
  await transact(async (db) => {
    await setKeepingRules(db, who.schoolId, body);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'keeping rules', detail: body }, now);
  });
  return json({ ok: true });
});
