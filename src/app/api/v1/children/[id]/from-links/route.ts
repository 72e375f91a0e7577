import { fromLinksSchema } from '@/contract/child-settings';
import { childOfSchool } from '@/server/db/children';
import { setAsideFromLinks, takeBackFromLinks } from '@/server/db/decisions';
import { audit } from '@/server/db/schools';
import { json, notFound } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** A link got into other hands: everything that came by it is set aside in one act, or that act is taken back. Nothing is deleted. */
export const POST = teacherRoute({ roles: ['teacher'], body: fromLinksSchema }, async ({ body, who, deed, id, now }) => {
  const child = await childOfSchool(who.schoolId, id(), schoolDay(now, who.timeZone));
  if (!child) throw notFound('child');
  const done = await once(who, deed, now, async (db) => {
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: `link reports ${body.act}`, subject: child.id }, now);
    const reports =
      body.act === 'set-aside'
        ? await setAsideFromLinks(db, child.id, who.teacherId, now)
        : await takeBackFromLinks(db, child.id, who.teacherId, new Date(body.at), now);
    return { reports, at: now.toISOString() };
  });
  return json(done);
});
