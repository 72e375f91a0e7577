import { noteSchema } from '@/contract/child-settings';
import { keepNote } from '@/server/db/child-notes';
import { childOfSchool } from '@/server/db/children';
import { transact } from '@/server/db/pool';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** A teacher's own note on a child; families do not see it. */
export const PUT = teacherRoute({ roles: ['teacher'], told: 'note written', body: noteSchema }, async ({ body: { words }, who, id, now }) => {
  const child = await childOfSchool(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!child) throw notFound('child');
  await transact((db) => keepNote(db, child.id, who.teacherId, words.trim(), now));
  return json({ kept: true });
});
