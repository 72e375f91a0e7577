import { signInRulesSchema } from '@/contract/people';
import { factorKept, setRules } from '@/server/db/people';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** How long sessions last, and whether everybody has a second factor. */
export const PUT = teacherRoute({ roles: ['teacher'], lead: true, body: signInRulesSchema }, async ({ body, who, now }) => {
  if (body.secondFactorAsked && (await factorKept(who.teacherId)).sealed === null)
    throw refuse(409, '/secondFactorAsked', 'You have no second factor yourself yet.', 'Set yours up on your own page first.');
  await transact(async (db) => {
    await setRules(db, who.schoolId, body);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'sign-in rules', detail: body }, now);
  });
  return json({ ok: true });
});
