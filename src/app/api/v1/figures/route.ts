import { isUuid } from '@/contract/ids';
import { whereFrom } from '@/core/forecast/where-from';
import { resolveLevel } from '@/core/rules/format/level';
import { lastFits } from '@/server/db/class-fits';
import { classById } from '@/server/db/classes';
import { gameById } from '@/server/db/games';
import { linesOfOthers, measuredByOthers } from '@/server/games/measured';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { starters } from '@/server/starters';

/** Where the figures of a game come from: `?game=` its id, with `&class=` for a class, or `?starter=` its name; `&level=` an id, else its middle level. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, now }) => {
  const asked = new URL(request.url).searchParams;
  const [gameId, classId] = [asked.get('game') ?? '', asked.get('class') ?? ''];
  const of = isUuid(gameId) ? await gameById(who.schoolId, gameId) : starters().find(({ id }) => id === asked.get('starter'));
  if (!of) throw notFound('game');
  const played = isUuid(classId) ? await classById(who.schoolId, classId, schoolDay(now, who.timeZone)) : null;
  if (classId !== '' && !played) throw notFound('class');
  const { game } = of;
  const named = game.levels.findIndex(({ id }) => id === asked.get('level'));
  const level = resolveLevel(game, named >= 0 ? named : Math.min(1, game.levels.length - 1));
  const own = played ? (await lastFits(who.schoolId)).get(played.id) : undefined;
  const levelId = game.levels[named >= 0 ? named : Math.min(1, game.levels.length - 1)]!.id;
  const shelved = isUuid(of.id) ? { id: of.id, game } : null;
  const byOthers = shelved ? (await measuredByOthers(who.schoolId, [shelved])).get(shelved.id) : undefined;
  const others = byOthers ? linesOfOthers(byOthers, levelId, own !== undefined) : [];
  return json({ lines: [...whereFrom(level, played?.ageYears ?? of.ageYears, own ?? byOthers?.fit ?? null), ...others] });
});
