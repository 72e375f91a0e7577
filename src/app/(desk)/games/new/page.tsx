import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { NewGame } from '@/features/games/new-game';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'A new game' };

export default async function NewGamePage() {
  const who = await requireSignedIn();
  if (who.role !== 'teacher') redirect('/games');
  const classes = await classesOf(who.schoolId, schoolDay(new Date(), who.timeZone));
  return <NewGame ages={classes.map(({ name, ageYears }) => ({ name, ageYears }))} />;
}
