import { takenAsGameSchema } from '@/contract/invention';
import { gameFromPlan } from '@/core/invent/plan';
import { readGame } from '@/core/rules/format/read-game';
import { addGame } from '@/server/db/games';
import { inventionOfSchool, takenAs } from '@/server/db/inventions';
import { audit } from '@/server/db/schools';
import { json, notFound, Refused, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';

/** Puts a game that a child made on the school's shelf, without the child's name. */
export const POST = teacherRoute({ roles: ['teacher'], body: takenAsGameSchema }, async ({ body: { ageYears, title }, who, deed, id, now }) => {
  const invention = await inventionOfSchool(who.schoolId, id());
  if (!invention) throw notFound('game of a child');
  const read = readGame({ ...gameFromPlan(invention.plan), title, ageYears });
  if (!read.ok) throw new Refused(400, read.problems);
  const made = await once(who, deed, now, async (db) => {
    const added = await addGame(db, who.schoolId, read.value, ageYears, now, who.teacherId);
    if (!(await takenAs(db, invention.id, added))) throw refuse(409, '', 'It is on the shelf already.', 'Open it there.');
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'invention taken', subject: added, detail: {} }, now);
    return { id: added };
  });
  return json(made, 201);
});
