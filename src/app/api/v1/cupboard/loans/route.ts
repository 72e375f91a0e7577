import { toLendSchema } from '@/contract/cupboard';
import { classById } from '@/server/db/classes';
import { addLoan, thingsOfSchool } from '@/server/db/cupboard';
import { audit } from '@/server/db/schools';
import { json, notFound, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** A class takes things home: all of them or none. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], body: toLendSchema }, async ({ body, who, deed, now }) => {
  const today = schoolDay(now, who.timeZone);
  const to = await classById(who.schoolId, body.classId, today);
  if (!to) throw notFound('class');
  if (body.dueOn < today) throw refuse(400, '/dueOn', 'That day has passed.', 'Choose the day by which it is to be back.');
  const lent = await once(who, deed, now, async (db) => {
    const things = await thingsOfSchool(who.schoolId, db, true);
    const ids = [];
    for (const [index, { thingId, n }] of body.things.entries()) {
      const thing = things.find(({ id }) => id === thingId);
      if (!thing) throw refuse(404, `/things/${index}`, 'There is no such thing in the cupboard.', 'Load the page again.');
      if (thing.n - thing.out < n)
        throw refuse(
          409,
          `/things/${index}/n`,
          `Of ${thing.name} only ${thing.n - thing.out} are left.`,
          'Lend fewer, or wait until others are back.',
        );
      ids.push(await addLoan(db, who.schoolId, { thingId, classId: to.id, n, lentOn: today, dueOn: body.dueOn }));
    }
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'things lent', subject: to.id, detail: { things: ids.length } }, now);
    return { ids };
  });
  return json(lent, 201);
});
