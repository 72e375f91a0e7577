import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ChartTable } from '@/features/chart-table/chart-table';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { gameById } from '@/server/db/games';
import { isUuid } from '@/server/db/ids';
import { schoolDay } from '@/server/school-calendar';

export const metadata: Metadata = { title: 'Chart table' };

export default async function ChartTablePage({ params }: { params: Promise<{ id: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const shelved = isUuid(id) ? await gameById(who.schoolId, id) : undefined;
  if (!shelved) notFound();
  const today = schoolDay(new Date(), who.timeZone);
  const classes = await classesOf(who.schoolId, today);
  return (
    <ChartTable
      key={shelved.id}
      id={shelved.id}
      game={shelved.game}
      ageYears={shelved.ageYears}
      revision={shelved.revision}
      classes={classes.map(({ id: classId, name, ageYears, children }) => ({ id: classId, name, ageYears, children }))}
      readOnly={who.role !== 'teacher'}
      today={today}
      teacher={who.name}
    />
  );
}
