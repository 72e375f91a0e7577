import type { Metadata } from 'next';
import { NoClasses } from '@/features/scores/no-classes';
import { WeeksPage } from '@/features/scores/weeks-page';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { schoolDay } from '@/server/school-calendar';
import { classWeeks } from '@/server/scores/class-weeks';

export const metadata: Metadata = { title: 'Over the weeks' };

export default async function OverTheWeeksPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const classes = await classesOf(who.schoolId, today);
  const chosen = classes.find((one) => one.id === wanted) ?? classes.at(-1);
  if (!chosen) return <NoClasses />;
  return (
    <WeeksPage
      key={chosen.id}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      classId={chosen.id}
      found={await classWeeks(chosen.id, today)}
    />
  );
}
