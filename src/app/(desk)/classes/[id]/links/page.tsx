import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { LinksPage } from '@/features/classes/links-page';
import { requireSignedIn } from '@/server/auth/current';
import { classById } from '@/server/db/classes';
import { direct } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { isUuid } from '@/contract/ids';
import { schoolDay } from '@/server/school-day';
import { settings } from '@/server/settings';
import { linksOf } from '@/server/weeks/links';

export const metadata: Metadata = { title: 'Links and codes' };

export default async function ClassLinksPage({ params }: { params: Promise<{ id: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const now = new Date();
  const today = schoolDay(now, who.timeZone);
  const found = isUuid(id) ? await classById(who.schoolId, id, today) : undefined;
  if (!found) notFound();
  const { term, links } = await linksOf(who.schoolId, found.id, today, now);
  await audit(direct(), { schoolId: who.schoolId, teacherId: who.teacherId, action: 'links shown', subject: found.id }, now);
  const { publicUrl } = settings();
  const { protocol, hostname } = new URL(publicUrl);
  return (
    <LinksPage
      className={found.name}
      termName={term.name}
      until={new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
        new Date(`${term.endsOn}T00:00:00Z`),
      )}
      links={links}
      plainHttp={protocol === 'http:' && !['127.0.0.1', 'localhost'].includes(hostname)}
      mayChange={who.role === 'teacher'}
    />
  );
}
