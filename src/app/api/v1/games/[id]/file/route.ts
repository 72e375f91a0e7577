import { gameById } from '@/server/db/games';
import { fileAnswer, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** The game as a file of the published format, to keep or to give to another school. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id }) => {
  const shelved = await gameById(who.schoolId, id());
  if (!shelved) throw notFound('game');
  const name =
    shelved.game.title
      .replace(/[^A-Za-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .toLowerCase() || 'game';
  const file = `${JSON.stringify({ ...shelved.game, ageYears: shelved.ageYears }, null, 2)}\n`;
  return fileAnswer(file, 'application/json', `${name}.lochside.json`);
});
