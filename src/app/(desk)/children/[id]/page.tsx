import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ChildPage } from '@/features/children/child-page';
import { requireSignedIn } from '@/server/auth/current';
import { countAbout } from '@/server/classes/erase-child';
import { isUuid } from '@/contract/ids';
import { childRecord } from '@/server/progress/child-record';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'A child' };

export default async function OneChildPage({ params }: { params: Promise<{ id: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const record = isUuid(id) ? await childRecord(who.schoolId, id, who.timeZone, schoolDay(new Date(), who.timeZone)) : undefined;
  if (!record) notFound();
  return <ChildPage record={record} about={await countAbout(record.id)} mayChange={who.role === 'teacher'} />;
}
