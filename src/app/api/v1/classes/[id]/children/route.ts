import { MOST_IN_A_CLASS, rosterSchema } from '@/contract/child-settings';
import { addChild, childrenOf } from '@/server/db/children';
import { classById } from '@/server/db/classes';
import { audit } from '@/server/db/schools';
import { json, notFound, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

export const POST = teacherRoute({ roles: ['teacher'], body: rosterSchema }, async ({ body: { children }, who, deed, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const to = await classById(who.schoolId, id(), today);
  if (!to) throw notFound('class');
  const added = await once(who, deed, now, async (db) => {
    const there = await childrenOf(to.id, today, db);
    if (there.length + children.length > MOST_IN_A_CLASS)
      throw refuse(409, '/children', `A class holds at most ${MOST_IN_A_CLASS} children; there are ${there.length}.`, 'Make a second class.');
    const ids = [];
    for (const child of children)
      ids.push(await addChild(db, who.schoolId, to.id, child, today, now, { hand: child.hand, ageYears: child.ageYears }));
    await audit(
      db,
      { schoolId: who.schoolId, teacherId: who.teacherId, action: 'children added', subject: to.id, detail: { number: ids.length } },
      now,
    );
    return ids;
  });
  return json({ ids: added }, 201);
});
