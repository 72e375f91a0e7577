import Joi from 'joi';
import { RACK_TEXT } from '@/core/forecast/racks';
import { isUuid } from '@/server/db/ids';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-calendar';
import { sendWeek, type WeekToSend } from '@/server/weeks/send-week';

const day = Joi.string().pattern(/^20\d{2}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/);
const id = Joi.string().max(36);
const levelId = Joi.string().max(24);
const words = (most: number) => Joi.string().trim().max(most).allow('');

const body = Joi.object<Omit<WeekToSend, 'schoolId' | 'teacherId' | 'today'>>({
  classId: id.required(),
  games: Joi.array()
    .items(
      Joi.object({
        gameId: id.required(),
        levelId: levelId.required(),
        levels: Joi.object().pattern(id, levelId).max(200),
        opensOn: day.allow(null),
      }),
    )
    .min(1)
    .max(20)
    .required(),
  title: words(60).default(''),
  kit: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(1).max(60).required(),
        n: Joi.number().integer().min(1).max(99).required(),
        from: Joi.string().valid('home', 'school').required(),
      }),
    )
    .max(40)
    .default([]),
  dueOn: day.required(),
  warmUp: words(280).required(),
  diary: words(280).required(),
  film: words(280).default(''),
  note: words(280).required(),
  racks: Joi.object().pattern(Joi.string().max(600), Joi.string().pattern(RACK_TEXT)).max(40).default({}),
});

export const POST = teacherRoute({ roles: ['teacher'], body }, async ({ body: week, who, now }) => {
  if (!isUuid(week.classId)) throw notFound('class');
  if (!week.games.every(({ gameId }) => isUuid(gameId))) throw notFound('game');
  const sent = await sendWeek({ ...week, schoolId: who.schoolId, teacherId: who.teacherId, today: schoolDay(now, who.timeZone) }, now);
  return json(sent, 201);
});
