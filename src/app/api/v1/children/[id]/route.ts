import type { Uuid } from '@/contract/ids';
import Joi from 'joi';
import { childOfSchool, enrol, leave, renameChild, saveSettings, type ChildSettings } from '@/server/db/children';
import { classById } from '@/server/db/classes';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

type Change =
  | { change: 'settings'; settings: ChildSettings }
  | { change: 'name'; firstName: string; initial: string }
  | { change: 'move'; classId: Uuid }
  | { change: 'leave' };

const body = Joi.alternatives<Change>(
  Joi.object({
    change: Joi.string().valid('settings').required(),
    settings: Joi.object({
      ageYears: Joi.number().integer().min(4).max(12).allow(null).required(),
      hand: Joi.string().valid('right', 'left', null).required(),
      stepCm: Joi.number().integer().min(20).max(110).allow(null).required(),
      form: Joi.string().valid('standing', 'seated', 'kneeling', 'two-hands', 'other-exercise').required(),
      medium: Joi.string().valid('screen', 'paper').required(),
    }).required(),
  }),
  Joi.object({
    change: Joi.string().valid('name').required(),
    firstName: Joi.string()
      .pattern(/^[\p{L}\p{M}'’.-]+$/u)
      .max(40)
      .required(),
    initial: Joi.string()
      .pattern(/^\p{L}\p{M}*\.$/u)
      .max(4)
      .allow('')
      .required(),
  }),
  Joi.object({ change: Joi.string().valid('move').required(), classId: Joi.string().max(36).required() }),
  Joi.object({ change: Joi.string().valid('leave').required() }),
).match('one');

export const PATCH = teacherRoute({ roles: ['teacher'], body }, async ({ body: change, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const child = await childOfSchool(who.schoolId, id(), today);
  if (!child) throw notFound('child');
  if (change.change === 'move') {
    const to = await classById(who.schoolId, change.classId, today).catch(() => undefined);
    if (!to) throw notFound('class');
    if (to.id === child.classId) throw refuse(409, '/classId', 'The child is in this class already.', 'Choose another class.');
  }
  await transact(async (db) => {
    switch (change.change) {
      case 'settings':
        return saveSettings(db, child.id, change.settings);
      case 'name':
        return renameChild(db, child.id, change);
      case 'move':
        await leave(db, child.id, today);
        await enrol(db, child.id, change.classId, today);
        break;
      case 'leave':
        await leave(db, child.id, today);
        break;
    }
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: `child ${change.change}`, subject: child.id }, now);
  });
  return json({ ok: true });
});
