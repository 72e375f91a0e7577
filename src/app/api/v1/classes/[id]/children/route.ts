import Joi from 'joi';
import { LONGEST_FIRST_NAME, type RosterChild } from '@/core/roster/read-roster';
import { addChild, childrenOf } from '@/server/db/children';
import { classById } from '@/server/db/classes';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

const MOST_IN_A_CLASS = 60;

/** First name without a space and at most one initial: a surname does not get through. */
const body = Joi.object<{ children: RosterChild[] }>({
  children: Joi.array()
    .items(
      Joi.object({
        firstName: Joi.string()
          .pattern(/^[\p{L}\p{M}'’.-]+$/u)
          .max(LONGEST_FIRST_NAME)
          .required(),
        initial: Joi.string()
          .pattern(/^\p{L}\p{M}*\.$/u)
          .max(4)
          .allow('')
          .required(),
        hand: Joi.string().valid('right', 'left', null).required(),
        ageYears: Joi.number().integer().min(4).max(12).allow(null).required(),
      }),
    )
    .min(1)
    .max(MOST_IN_A_CLASS)
    .required(),
});

export const POST = teacherRoute({ roles: ['teacher'], body }, async ({ body: { children }, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const to = await classById(who.schoolId, id(), today);
  if (!to) throw notFound('class');
  const added = await transact(async (db) => {
    const there = await childrenOf(to.id, today, db);
    if (there.length + children.length > MOST_IN_A_CLASS)
      throw refuse(409, '/children', `A class holds at most ${MOST_IN_A_CLASS} children; there are ${there.length}.`, 'Make a second class.');
    const ids = [];
    for (const child of children)
      ids.push(await addChild(db, who.schoolId, to.id, child, today, now, { hand: child.hand, ageYears: child.ageYears }));
    await audit(
      db,
      { schoolId: who.schoolId, teacherId: who.teacherId, action: 'children added', subject: to.id, detail: { number: ids.length } },
      now,
    );
    return ids;
  });
  return json({ ids: added }, 201);
});
