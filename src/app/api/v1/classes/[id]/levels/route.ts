import { isUuid } from '@/contract/ids';
import { MOST_GAMES_OF_A_WEEK } from '@/contract/week';
import { classById } from '@/server/db/classes';
import { gameById } from '@/server/db/games';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { levelsForClass } from '@/server/progress/levels-for-class';
import { schoolDay } from '@/server/school-day';

/** For each child of a class the level of some games (?games=id,id) that its reports speak for, and why. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const asked = [...new Set((new URL(request.url).searchParams.get('games') ?? '').split(','))];
  if (asked.length > MOST_GAMES_OF_A_WEEK || !asked.every(isUuid))
    throw refuse(400, '/games', 'That is no list of games.', `Name one to ${MOST_GAMES_OF_A_WEEK} games by their ids, with commas between.`);
  const games = await Promise.all(asked.map((gameId) => gameById(who.schoolId, gameId)));
  if (games.some((game) => !game)) throw notFound('game');
  return json({
    games: await levelsForClass(
      of,
      games.flatMap((one) => (one ? [{ id: one.id, game: one.game }] : [])),
      today,
    ),
  });
});
