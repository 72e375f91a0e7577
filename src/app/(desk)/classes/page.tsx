import type { Metadata } from 'next';
import { ClassList } from '@/features/classes/class-list';
import { requireSignedIn } from '@/server/auth/current';
import { leaversOf } from '@/server/db/children';
import { classesOf } from '@/server/db/classes';
import { schoolDay, schoolYearOf } from '@/server/school-day';
import { dayPlus } from '@/core/measure/days';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage({ searchParams }: { searchParams: Promise<{ new?: string }> }) {
  const who = await requireSignedIn();
  const asked = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const year = schoolYearOf(today);
  return (
    <ClassList
      classes={await classesOf(who.schoolId, today)}
      leavers={await leaversOf(who.schoolId, today)}
      mayChange={who.role === 'teacher'}
      adding={asked.new !== undefined && who.role === 'teacher'}
      yearName={year.name}
      nextYearName={schoolYearOf(dayPlus(year.endsOn, 1)).name}
    />
  );
}
