import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ClassPage } from '@/features/classes/class-page';
import { requireSignedIn } from '@/server/auth/current';
import { childrenOf } from '@/server/db/children';
import { classById, classesOf } from '@/server/db/classes';
import { isUuid } from '@/server/db/ids';
import { schoolDay } from '@/server/school-calendar';

export const metadata: Metadata = { title: 'Class' };

export default async function OneClassPage({ params }: { params: Promise<{ id: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const today = schoolDay(new Date(), who.timeZone);
  const found = isUuid(id) ? await classById(who.schoolId, id, today) : undefined;
  if (!found) notFound();
  const [children, classes] = await Promise.all([childrenOf(found.id, today), classesOf(who.schoolId, today)]);
  return (
    <ClassPage
      id={found.id}
      name={found.name}
      ageYears={found.ageYears}
      childrenList={children}
      otherClasses={classes.filter((one) => one.id !== found.id).map(({ id: classId, name }) => ({ id: classId, name }))}
      mayChange={who.role === 'teacher'}
    />
  );
}
