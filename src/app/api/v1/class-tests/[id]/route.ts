import { testSheet } from '@/server/class-tests/class-tests';
import { holdTest, removeTest, testOfSchool } from '@/server/db/class-tests';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** A test with every child of its class and what was written down. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => json(await testSheet(who, id(), now)));

/** Takes a test back with all that was written down in it. */
export const DELETE = teacherRoute({ roles: ['teacher'] }, async ({ who, id, now }) => {
  const test = await testOfSchool(who.schoolId, id());
  if (!test) throw notFound('class test');
  await transact(async (db) => {
    if (!(await holdTest(db, test.id, 'change'))) throw notFound('class test');
    await removeTest(db, test.id);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'class test removed', subject: test.classId, detail: {} }, now);
  });
  return json({});
});
