import { gameById } from '@/server/db/games';
import { notFound } from '@/server/http/answer';
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
  return new Response(`${JSON.stringify({ ...shelved.game, ageYears: shelved.ageYears }, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${name}.lochside.json"`,
      'cache-control': 'no-store',
    },
  });
});
