import { newTermPlanSchema } from '@/contract/term-plan';
import { addPlan } from '@/server/db/term-plans';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { begunPlan } from '@/server/plans/begin';
import { schoolDay } from '@/server/school-day';

/** A plan for a term is begun: empty, or from one that was. */
export const POST = teacherRoute({ roles: ['teacher'], body: newTermPlanSchema }, async ({ body, who, deed, now }) => {
  const document = await begunPlan(who.schoolId, body, schoolDay(now, who.timeZone));
  const begun = await once(who, deed, now, async (db) => {
    const id = await addPlan(db, who.schoolId, document, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'plan begun', subject: id }, now);
    return { id };
  });
  return json(begun, 201);
});
