import { childChangeSchema } from '@/contract/child-settings';
import { childOfSchool, enrol, leave, renameChild, saveSettings } from '@/server/db/children';
import { classById } from '@/server/db/classes';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

export const PATCH = teacherRoute({ roles: ['teacher'], body: childChangeSchema }, async ({ body: change, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const child = await childOfSchool(who.schoolId, id(), today);
  if (!child) throw notFound('child');
  if (change.change === 'move') {
    const to = await classById(who.schoolId, change.classId, today).catch(() => undefined);
    if (!to) throw notFound('class');
    if (to.id === child.classId) throw refuse(409, '/classId', 'The child is in this class already.', 'Choose another class.');
  }
  await transact(async (db) => {
    switch (change.change) {
      case 'settings':
        return saveSettings(db, child.id, change.settings);
      case 'name':
        return renameChild(db, child.id, change);
      case 'move':
        await leave(db, child.id, today);
        await enrol(db, child.id, change.classId, today);
        break;
      case 'leave':
        await leave(db, child.id, today);
        break;
    }
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: `child ${change.change}`, subject: child.id }, now);
  });
  return json({ ok: true });
});
