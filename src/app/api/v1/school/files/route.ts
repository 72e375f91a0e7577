import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { fileAnswer } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { wholeSchool } from '@/server/keeping/whole-school';
import { schoolDay } from '@/server/school-day';

/** The whole school as files in open formats, in one ZIP. */
export const GET = teacherRoute({ roles: ['teacher'], lead: true }, async ({ who, now }) => {
  // Written down before it goes out: whoever has it has everything.
  await transact((db) => audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'school exported' }, now));
  const { body } = await wholeSchool(who.schoolId);
  return fileAnswer(body, 'application/zip', `lochside-school-${schoolDay(now, who.timeZone)}.zip`);
});
