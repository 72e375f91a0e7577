import { newGameSchema } from '@/contract/new-game';
import { sensibleStart } from '@/core/course/sensible-start';
import { begun, nameOfBegun } from '@/core/ways/begin';
import { blankGame } from '@/core/ways/take-way';
import { wayById } from '@/core/ways/ways';
import { addGame } from '@/server/db/games';
import { audit } from '@/server/db/schools';
import { json } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';

export const POST = teacherRoute({ roles: ['teacher'], body: newGameSchema }, async ({ body: from, who, deed, now }) => {
  const game =
    'blank' in from
      ? blankGame(from.title, wayById('practice')!, from.ageYears)
      : 'way' in from
        ? begun({ ...from, title: nameOfBegun(from) }).game
        : sensibleStart(from);
  const made = await once(who, deed, now, async (db) => {
    const added = await addGame(db, who.schoolId, game, from.ageYears, now, who.teacherId);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'game made', subject: added }, now);
    return { id: added };
  });
  return json(made, 201);
});
