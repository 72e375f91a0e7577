import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { isUuid } from '@/contract/ids';
import { ClassTestPage } from '@/features/class-test/class-test-page';
import { requireSignedIn } from '@/server/auth/current';
import { testsListed } from '@/server/class-tests/class-tests';
import { classById } from '@/server/db/classes';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'Class test' };

export default async function OneClassTestPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ of?: string | string[] }>;
}) {
  const who = await requireSignedIn();
  const [{ id }, { of }] = await Promise.all([params, searchParams]);
  const found = isUuid(id) ? await classById(who.schoolId, id, schoolDay(new Date(), who.timeZone)) : undefined;
  if (!found) notFound();
  return (
    <ClassTestPage
      classId={found.id}
      className={found.name}
      first={await testsListed(found.id, found.ageYears, who.timeZone)}
      open={typeof of === 'string' && isUuid(of) ? of : null}
      mayStart={who.role === 'teacher'}
    />
  );
}
