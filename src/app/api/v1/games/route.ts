import { newGameSchema } from '@/contract/new-game';
import { sensibleStart } from '@/core/course/sensible-start';
import { blankGame } from '@/core/ways/take-way';
import { wayById } from '@/core/ways/ways';
import { addGame } from '@/server/db/games';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

export const POST = teacherRoute({ roles: ['teacher'], body: newGameSchema }, async ({ body: from, who, now }) => {
  const game = 'blank' in from ? blankGame(from.title, wayById('practice')!, from.ageYears) : sensibleStart(from);
  const id = await transact(async (db) => {
    const added = await addGame(db, who.schoolId, game, from.ageYears, now);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'game made', subject: added }, now);
    return added;
  });
  return json({ id }, 201);
});
