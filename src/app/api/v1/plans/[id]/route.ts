import Joi from 'joi';
import { termDocumentSchema } from '@/contract/term-plan';
import type { TermDocument } from '@/core/plan/document';
import { deletePlan, planById, savePlan } from '@/server/db/term-plans';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

const kept = Joi.object<{ revision: number; document: TermDocument }>({
  revision: Joi.number().integer().min(1).max(1_000_000_000).required(),
  document: termDocumentSchema.required(),
});

/** Which revision is the newest: a window that has been out of sight asks whether it still has it. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id }) => {
  const plan = await planById(who.schoolId, id());
  if (!plan) throw notFound('plan');
  return json({ revision: plan.revision });
});

/** Autosave of the plan. The revision says what the window began with: two windows never overwrite each other. */
export const PUT = teacherRoute({ roles: ['teacher'], body: kept }, async ({ body: { revision, document }, who, id, now }) => {
  const saved = await transact((db) => savePlan(db, who.schoolId, id(), revision, document, now));
  if (saved) return json({ revision: revision + 1, savedAt: now.toISOString() });
  if (!(await planById(who.schoolId, id()))) throw notFound('plan');
  throw refuse(409, '/revision', 'This plan was changed in another window since you opened it here.', 'Open it again to go on from the newest form.');
});

export const DELETE = teacherRoute({ roles: ['teacher'] }, async ({ who, id, now }) => {
  await transact(async (db) => {
    if (!(await deletePlan(db, who.schoolId, id()))) throw notFound('plan');
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'plan deleted', subject: id() }, now);
  });
  return json({ ok: true });
});
