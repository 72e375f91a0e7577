import { weekChangeSchema } from '@/contract/week';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { takeBackWeek, weekOfSchool } from '@/server/db/weeks';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** A week that was sent by mistake is taken off the cards, or put on them again. What came in is kept and shown either way. */
export const PATCH = teacherRoute({ roles: ['teacher'], body: weekChangeSchema }, async ({ body: { takenBack }, who, id, now }) => {
  const week = await weekOfSchool(who.schoolId, id());
  if (!week) throw notFound('week');
  await transact(async (db) => {
    await takeBackWeek(db, week.id, takenBack ? now : null);
    const action = takenBack ? 'week taken back' : 'week put back';
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action, subject: week.id }, now);
  });
  return json({ takenBack });
});
