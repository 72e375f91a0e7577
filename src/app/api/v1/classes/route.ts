import { newClassSchema } from '@/contract/school-class';
import { addClass } from '@/server/db/classes';
import { DUPLICATE, errorNumber, transact } from '@/server/db/pool';
import { yearAt } from '@/server/db/schools';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

export const POST = teacherRoute({ roles: ['teacher'], body: newClassSchema }, async ({ body: added, who, now }) => {
  try {
    const id = await transact(async (db) => {
      const year = await yearAt(db, who.schoolId, schoolDay(now, who.timeZone));
      return addClass(db, { schoolId: who.schoolId, yearId: year.id, ...added }, now);
    });
    return json({ id }, 201);
  } catch (error) {
    if (errorNumber(error) === DUPLICATE) throw refuse(409, '/name', 'There is a class of this name already this year.', 'Choose another name.');
    throw error;
  }
});
