import type { Metadata } from 'next';
import { DeedsPage } from '@/features/people/deeds-page';
import { requireLead } from '@/server/auth/current';
import { deedsAsked, deedsDone, kindsOfDeed, MOST_DEEDS } from '@/server/db/audit';
import { peopleOf } from '@/server/db/people';

export const metadata: Metadata = { title: 'Who did what' };

export default async function WhoDidWhatPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const who = await requireLead();
  const asked = deedsAsked(await searchParams);
  const [deeds, people, kinds] = await Promise.all([deedsDone(who, asked), peopleOf(who.schoolId), kindsOfDeed(who.schoolId)]);
  return (
    <DeedsPage
      deeds={deeds}
      people={people.map(({ id, name }) => ({ id, name }))}
      kinds={kinds}
      shown={{ ...asked, by: asked.by ?? '' }}
      most={MOST_DEEDS}
    />
  );
}
