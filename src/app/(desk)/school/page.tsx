import type { Metadata } from 'next';
import { PeoplePage } from '@/features/people/people-page';
import { requireLead } from '@/server/auth/current';
import { schoolPeople } from '@/server/db/people';

export const metadata: Metadata = { title: 'People' };

export default async function SchoolPage() {
  const who = await requireLead();
  return <PeoplePage {...await schoolPeople(who.schoolId, new Date())} ownId={who.teacherId} />;
}
