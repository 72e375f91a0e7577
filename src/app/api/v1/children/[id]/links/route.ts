import { renewKeys } from '@/server/db/access-keys';
import { childOfSchool } from '@/server/db/children';
import { audit, termAt } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { settings } from '@/server/settings';

/** New links for one child; the old ones stop working at once. */
export const POST = teacherRoute({ roles: ['teacher'] }, async ({ who, deed, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const child = await childOfSchool(who.schoolId, id(), today);
  if (!child) throw notFound('child');
  await once(who, deed, now, async (db) => {
    const term = await termAt(db, who.schoolId, today);
    await renewKeys(db, settings().serverKey, child.id, term.id, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'links renewed', subject: child.id }, now);
    return {};
  });
  return json({ ok: true });
});
