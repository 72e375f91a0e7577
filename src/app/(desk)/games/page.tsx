import type { Metadata } from 'next';
import { GameShelf } from '@/features/games/shelf';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { gamesOf } from '@/server/db/games';
import { schoolDay } from '@/server/school-day';
import { starters } from '@/server/starters';
import { shelved } from './shelved';

export const metadata: Metadata = { title: 'Games' };

export default async function GamesPage() {
  const who = await requireSignedIn();
  const [games, classes] = await Promise.all([gamesOf(who.schoolId), classesOf(who.schoolId, schoolDay(new Date(), who.timeZone))]);
  return (
    <GameShelf
      games={await shelved(games)}
      starters={await shelved(starters().map((starter) => ({ ...starter, id: starter.id as never, putAway: false, sent: 0 })))}
      mayChange={who.role === 'teacher'}
      ages={classes.map(({ name, ageYears }) => ({ name, ageYears }))}
    />
  );
}
