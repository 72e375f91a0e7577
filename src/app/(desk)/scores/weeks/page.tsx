import type { Metadata } from 'next';
import { NoClasses } from '@/features/scores/no-classes';
import { WeeksPage } from '@/features/scores/weeks-page';
import { requireSignedIn } from '@/server/auth/current';
import { classById } from '@/server/db/classes';
import { chosenClass } from '@/server/classes/chosen';
import { schoolDay } from '@/server/school-day';
import { classWeeks } from '@/server/scores/class-weeks';

export const metadata: Metadata = { title: 'Over the weeks' };

export default async function OverTheWeeksPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const chosen = await chosenClass(who.schoolId, wanted, today);
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  const [found, of] = await Promise.all([classWeeks(classId, today), classById(who.schoolId, classId, today)]);
  return <WeeksPage key={classId} classes={classes} classId={classId} ageYears={of!.ageYears} found={found} readOnly={who.role !== 'teacher'} />;
}
