import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { PeoplePage } from '@/features/people/people-page';
import { requireSignedIn } from '@/server/auth/current';
import { lastBackup } from '@/server/backup/backup';
import { schoolPeople } from '@/server/db/people';

export const metadata: Metadata = { title: 'People' };

export default async function SchoolPage() {
  const who = await requireSignedIn();
  if (!who.isLead) notFound();
  const [people, backup] = await Promise.all([schoolPeople(who.schoolId, new Date()), lastBackup()]);
  return <PeoplePage {...people} ownId={who.teacherId} backupAt={backup?.toISOString() ?? null} />;
}
