import { thingKeptSchema } from '@/contract/cupboard';
import { keepThing, thingsOfSchool, wasLent } from '@/server/db/cupboard';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** How many there are of a thing that the school lends. */
export const PUT = teacherRoute({ roles: ['teacher'], body: thingKeptSchema }, async ({ body, who, now }) => {
  await transact(async (db) => {
    const there = (await thingsOfSchool(who.schoolId, db, true)).find(({ name }) => name.toLowerCase() === body.name.toLowerCase());
    if (there && body.n < there.out)
      throw refuse(409, '/n', `${there.out} of it are out just now.`, 'Say first what came back, or give at least that number.');
    if (there && body.n === 0 && (await wasLent(db, there.id)))
      throw refuse(409, '/n', 'It was lent before, and that is kept.', 'Leave it in the cupboard with one, or with what is left.');
    await keepThing(db, who.schoolId, { ...body, name: there?.name ?? body.name });
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'cupboard changed', detail: { n: body.n } }, now);
  });
  return json({ ok: true });
});
