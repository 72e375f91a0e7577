import type { Metadata } from 'next';
import { ScoresPage } from '@/features/scores/scores-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { isUuid } from '@/server/db/ids';
import { schoolDay } from '@/server/school-calendar';
import { classWeek } from '@/server/scores/class-week';

export const metadata: Metadata = { title: 'Scores' };

export default async function ScoresOfClassPage({ searchParams }: { searchParams: Promise<{ class?: string; week?: string; game?: string }> }) {
  const who = await requireSignedIn();
  const { class: wantedClass, week, game } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const classes = await classesOf(who.schoolId, today);
  const chosen = classes.find((one) => one.id === wantedClass) ?? classes.at(-1);
  if (!chosen) return <NoClasses />;
  const first = await classWeek(chosen.id, week && isUuid(week) ? week : null, who.timeZone, today, game && isUuid(game) ? game : null);
  return (
    <ScoresPage
      key={`${chosen.id}${first.week?.id}${first.itemId}`}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      classId={chosen.id}
      first={first}
      readOnly={who.role !== 'teacher'}
    />
  );
}
