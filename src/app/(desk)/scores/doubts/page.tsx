import type { Metadata } from 'next';
import { DoubtsPage } from '@/features/scores/doubts-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { doubtsOf } from '@/server/reports/doubts';
import { waitingOf } from '@/server/reports/waiting';
import { schoolDay } from '@/server/school-calendar';

export const metadata: Metadata = { title: 'To look at' };

export default async function ClassDoubtsPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const classes = await classesOf(who.schoolId, today);
  const chosen = classes.find((one) => one.id === wanted) ?? classes.at(-1);
  if (!chosen) return <NoClasses />;
  const [doubts, found] = await Promise.all([doubtsOf(chosen.id), waitingOf(who.schoolId, chosen.id, who.timeZone, today)]);
  return (
    <DoubtsPage
      key={chosen.id}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      classId={chosen.id}
      first={{ doubts, ...found }}
      readOnly={who.role !== 'teacher'}
    />
  );
}
