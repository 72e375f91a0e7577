import { gamesOf } from '@/server/db/games';
import { setOf } from '@/server/games/measured';
import { fileAnswer, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

/** The shelf as one file, or `?folder=` one folder, or `?game=` one game; with `&measured=yes` what was measured with them, in sums. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'], told: 'games given out' }, async ({ request, who, now }) => {
  const asked = new URL(request.url).searchParams;
  const [folder, game] = [asked.get('folder'), asked.get('game')];
  const games = (await gamesOf(who.schoolId)).filter(
    (one) => !one.putAway && (folder === null || one.folder === folder) && (game === null || one.id === game),
  );
  if (games.length === 0) throw notFound('game');
  const title = game === null ? (folder ?? who.schoolName) : games[0]!.game.title;
  const set = await setOf(who.schoolId, title.slice(0, 60), games, asked.get('measured') === 'yes', schoolDay(now, who.timeZone));
  return fileAnswer(`${JSON.stringify(set, null, 2)}\n`, 'application/json', 'games.lochside.json');
});
