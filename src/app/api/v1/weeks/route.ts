import Joi from 'joi';
import { RACK_TEXT } from '@/core/forecast/racks';
import { isUuid, type Uuid } from '@/server/db/ids';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-calendar';
import { sendWeek } from '@/server/weeks/send-week';

const body = Joi.object<{
  classId: Uuid;
  gameId: Uuid;
  levelId: string;
  dueOn: string;
  warmUp: string;
  diary: string;
  note: string;
  racks: Record<string, string>;
}>({
  classId: Joi.string().max(36).required(),
  gameId: Joi.string().max(36).required(),
  levelId: Joi.string().max(24).required(),
  dueOn: Joi.string()
    .pattern(/^20\d{2}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
    .required(),
  warmUp: Joi.string().trim().max(280).allow('').required(),
  diary: Joi.string().trim().max(280).allow('').required(),
  note: Joi.string().trim().max(280).allow('').required(),
  racks: Joi.object().pattern(Joi.string().max(600), Joi.string().pattern(RACK_TEXT)).max(40).default({}),
});

export const POST = teacherRoute({ roles: ['teacher'], body }, async ({ body: week, who, now }) => {
  if (!isUuid(week.classId)) throw notFound('class');
  if (!isUuid(week.gameId)) throw notFound('game');
  const sent = await sendWeek({ ...week, schoolId: who.schoolId, teacherId: who.teacherId, today: schoolDay(now, who.timeZone) }, now);
  return json(sent, 201);
});
