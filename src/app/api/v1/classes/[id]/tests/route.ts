import { testToStartSchema } from '@/contract/class-test';
import { marksFor, testsListed } from '@/server/class-tests/class-tests';
import { addClassTest } from '@/server/db/class-tests';
import { classById } from '@/server/db/classes';
import { audit } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** The tests of a class, and where marks would lie for the next. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => {
  const of = await classById(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!of) throw notFound('class');
  return json(await testsListed(of.id, of.ageYears, who.timeZone));
});

/** A new test: its marks are those that tell most of a class of this age. */
export const POST = teacherRoute({ roles: ['teacher'], body: testToStartSchema }, async ({ body: { family, rolled }, who, deed, id, now }) => {
  const of = await classById(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!of) throw notFound('class');
  const made = await once(who, deed, now, async (db) => {
    const testId = await addClassTest(db, { classId: of.id, family, marksM: marksFor(family, of.ageYears), rolled, by: who.teacherId }, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'class test', subject: of.id, detail: { family } }, now);
    return { id: testId };
  });
  return json(made, 201);
});
