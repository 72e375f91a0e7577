import type { Metadata } from 'next';
import { WeekBuilder } from '@/features/week-builder/week-builder';
import { resolveLevel } from '@/core/rules/format/level';
import { makesBreathless } from '@/core/levels/event-order';
import { thingsNeeded } from '@/core/sheet/set-up';
import { requireSignedIn } from '@/server/auth/current';
import { childrenOf } from '@/server/db/children';
import { lastFits } from '@/server/db/class-fits';
import { classesOf } from '@/server/db/classes';
import { gamesOf } from '@/server/db/games';
import { fitsByOthers } from '@/server/games/measured';
import { schoolDay } from '@/server/school-day';
import { shelved } from '../../games/shelved';

export const metadata: Metadata = { title: 'Build a week' };

export default async function NewWeekPage({
  searchParams,
}: {
  searchParams: Promise<{ class?: string; game?: string; level?: string; as?: string; due?: string }>;
}) {
  const who = await requireSignedIn();
  const asked = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const [classes, games, fits] = await Promise.all([classesOf(who.schoolId, today), gamesOf(who.schoolId), lastFits(who.schoolId)]);
  const offered = games.filter((game) => !game.putAway);
  const children = await Promise.all(classes.map((one) => childrenOf(one.id, today)));
  const [shelf, others] = await Promise.all([shelved(offered), fitsByOthers(who.schoolId, offered)]);
  return (
    <WeekBuilder
      today={today}
      asked={{
        ...(asked.class && { classId: asked.class }),
        ...(asked.game && { gameId: asked.game }),
        ...(asked.level && { levelId: asked.level }),
        ...(asked.as && { sentAs: asked.as }),
        ...(asked.due && { dueOn: asked.due }),
      }}
      mayChange={who.role === 'teacher'}
      classes={classes.map(({ id, name, ageYears }, index) => ({
        id,
        name,
        ageYears,
        ownTries: fits.get(id)?.attempts ?? 0,
        children: children[index]!.map((child) => ({
          id: child.id,
          name: `${child.firstName} ${child.initial}`,
          ageYears: child.ageYears ?? ageYears,
        })),
      }))}
      shelf={shelf}
      games={offered.map(({ id, game, ageYears }, index) => ({
        id,
        title: game.title,
        ageYears,
        levels: game.levels.map((level, at) => ({ id: level.id, name: level.name, seconds: shelf[index]!.levels[at]?.seconds ?? 0 })),
        runs: makesBreathless(game),
        things: thingsNeeded(resolveLevel(game, 0)),
        ...(others.get(id)?.others && { others: others.get(id)!.others! }),
      }))}
    />
  );
}
