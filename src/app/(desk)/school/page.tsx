import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { PeoplePage } from '@/features/people/people-page';
import { requireSignedIn } from '@/server/auth/current';
import { lastBackup } from '@/server/backup/backup';
import { openLinksOf, peopleOf, rulesOf } from '@/server/db/people';

export const metadata: Metadata = { title: 'People' };

export default async function SchoolPage() {
  const who = await requireSignedIn();
  if (!who.isLead) notFound();
  const [people, links, rules, backup] = await Promise.all([
    peopleOf(who.schoolId),
    openLinksOf(who.schoolId, new Date()),
    rulesOf(who.schoolId),
    lastBackup(),
  ]);
  return <PeoplePage people={people} links={links} rules={rules} ownId={who.teacherId} backupAt={backup?.toISOString() ?? null} />;
}
