import { eraseSchema } from '@/contract/child-settings';
import { eraseChild } from '@/server/classes/erase-child';
import { childOfSchool } from '@/server/db/children';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** Takes everything about a child away for good: asked once, by its name. */
export const POST = teacherRoute({ roles: ['teacher'], body: eraseSchema }, async ({ body: { name }, who, id, now }) => {
  const child = await childOfSchool(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!child) throw notFound('child');
  if (name.trim() !== `${child.firstName} ${child.initial}`.trim())
    throw refuse(400, '/name', 'This is not the name of the child.', `Write ${`${child.firstName} ${child.initial}`.trim()}.`);
  return json({ erased: true, ...(await eraseChild(who.schoolId, who.teacherId, child.id, now)) });
});
