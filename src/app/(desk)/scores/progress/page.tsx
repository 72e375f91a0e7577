import type { Metadata } from 'next';
import { NoClasses } from '@/features/scores/no-classes';
import { ProgressPage } from '@/features/scores/progress-page';
import { requireSignedIn } from '@/server/auth/current';
import { chosenClass } from '@/server/classes/chosen';
import { progressOfClass } from '@/server/progress/progress-of-class';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'Progress' };

export default async function ClassProgressPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const chosen = await chosenClass(who.schoolId, wanted, schoolDay(new Date(), who.timeZone));
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  return <ProgressPage key={classId} classes={classes} classId={classId} progress={await progressOfClass(classId, who.timeZone)} />;
}
