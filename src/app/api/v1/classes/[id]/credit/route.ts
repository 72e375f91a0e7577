import Joi from 'joi';
import { CREDIT_RULES, type CreditRule } from '@/core/progress/credit';
import { classById, setCreditRule } from '@/server/db/classes';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

const body = Joi.object<{ rule: CreditRule }>({
  rule: Joi.string()
    .valid(...CREDIT_RULES)
    .required(),
});

/** What a teacher asks of a family for the credit of a week: a report or a signed log, or both. */
export const PUT = teacherRoute({ roles: ['teacher'], body }, async ({ body: { rule }, who, id, now }) => {
  const of = await classById(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!of) throw notFound('class');
  await transact(async (db) => {
    await setCreditRule(db, of.id, rule);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'credit rule', subject: of.id, detail: { rule } }, now);
  });
  return json({ rule });
});
