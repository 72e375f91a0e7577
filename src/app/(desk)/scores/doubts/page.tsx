import type { Metadata } from 'next';
import { DoubtsPage } from '@/features/scores/doubts-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { chosenClass } from '@/server/classes/chosen';
import { doubtsOf } from '@/server/reports/doubts';
import { waitingOf } from '@/server/reports/waiting';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'To look at' };

export default async function ClassDoubtsPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const chosen = await chosenClass(who.schoolId, wanted, today);
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  const [doubts, found] = await Promise.all([doubtsOf(classId), waitingOf(who.schoolId, classId, who.timeZone, today)]);
  return <DoubtsPage key={classId} classes={classes} classId={classId} first={{ doubts, ...found }} readOnly={who.role !== 'teacher'} />;
}
