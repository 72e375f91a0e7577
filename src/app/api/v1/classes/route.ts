import { newClassSchema } from '@/contract/school-class';
import { addClass } from '@/server/db/classes';
import { errorNumber } from '@/server/db/patience';
import { DUPLICATE } from '@/server/db/pool';
import { yearAt } from '@/server/db/schools';
import { json, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

export const POST = teacherRoute({ roles: ['teacher'], told: 'class made', body: newClassSchema }, async ({ body: added, who, deed, now }) => {
  try {
    const made = await once(who, deed, now, async (db) => {
      const year = await yearAt(db, who.schoolId, schoolDay(now, who.timeZone));
      return { id: await addClass(db, { schoolId: who.schoolId, yearId: year.id, ...added }, now) };
    });
    return json(made, 201);
  } catch (error) {
    if (errorNumber(error) === DUPLICATE) throw refuse(409, '/name', 'There is a class of this name already this year.', 'Choose another name.');
    throw error;
  }
});
