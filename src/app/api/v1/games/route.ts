import Joi from 'joi';
import { sensibleStart, type StartFrom } from '@/core/course/sensible-start';
import { BALL_IDS, THROWN_AT_IDS } from '@/core/objects/catalogue';
import { TECHNIQUES } from '@/core/rules/throw-rules';
import { blankGame } from '@/core/ways/take-way';
import { wayById } from '@/core/ways/ways';
import { addGame } from '@/server/db/games';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

interface BlankFloor {
  readonly blank: true;
  readonly title: string;
  readonly ageYears: number;
}

const body = Joi.alternatives<StartFrom | BlankFloor>().conditional(Joi.object({ blank: Joi.valid(true).required() }).unknown(), {
  then: Joi.object<BlankFloor>({
    blank: Joi.valid(true).required(),
    title: Joi.string().trim().min(1).max(60).required(),
    ageYears: Joi.number().integer().min(4).max(12).required(),
  }),
  otherwise: Joi.object<StartFrom>({
    title: Joi.string().trim().min(1).max(60).required(),
    aim: Joi.string().trim().max(140).allow('').required(),
    technique: Joi.string()
      .valid(...TECHNIQUES)
      .required(),
    implement: Joi.string()
      .valid(...BALL_IDS)
      .required(),
    target: Joi.string()
      .valid(...THROWN_AT_IDS)
      .required(),
    ageYears: Joi.number().integer().min(4).max(12).required(),
  }),
});

export const POST = teacherRoute({ roles: ['teacher'], body }, async ({ body: from, who, now }) => {
  const game = 'blank' in from ? blankGame(from.title, wayById('practice')!, from.ageYears) : sensibleStart(from);
  const id = await transact(async (db) => {
    const added = await addGame(db, who.schoolId, game, from.ageYears, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'game made', subject: added }, now);
    return added;
  });
  return json({ id }, 201);
});
