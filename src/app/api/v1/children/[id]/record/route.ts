import { everythingAbout } from '@/server/classes/erase-child';
import { childOfSchool } from '@/server/db/children';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { fileAnswer, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** Everything that is kept about a child, as a file for the family that asks. */
export const GET = teacherRoute({ roles: ['teacher'] }, async ({ who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const child = await childOfSchool(who.schoolId, id(), today);
  if (!child) throw notFound('child');
  const kept = await everythingAbout(child.id);
  await transact((db) => audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'child exported', subject: child.id }, now));
  return fileAnswer(
    JSON.stringify({ format: 'lochside.child/1', on: today, kept }, null, 1),
    'application/json; charset=utf-8',
    `child-${today}.json`,
  );
});
