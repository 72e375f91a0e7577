import { rosterToTakeSchema } from '@/contract/school-roster';
import { takeRoster } from '@/server/classes/take-roster';
import { transact } from '@/server/db/pool';
import { json } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** The list of the school's own system: told what it would change, or taken over. */
export const POST = teacherRoute({ roles: ['teacher'], body: rosterToTakeSchema }, async ({ body, who, deed, now }) => {
  const today = schoolDay(now, who.timeZone);
  if (!body.apply) return json(await transact((db) => takeRoster(db, who, body, today, now)));
  // What is kept of a deed holds no name: only how much was done.
  const done = await once(who, deed, now, async (db) => {
    const { newClasses, added, moved, renamed, stay, left } = await takeRoster(db, who, body, today, now);
    return { newClasses: newClasses.length, added, moved: moved.length, renamed, stay, left };
  });
  return json(done, 201);
});
