import type { Metadata } from 'next';
import { DataPage } from '@/features/keeping/data-page';
import { requireLead } from '@/server/auth/current';
import { peopleOf } from '@/server/db/people';
import { keepingRules } from '@/server/keeping/keep';
import { schoolDay } from '@/server/school-day';
import { settings } from '@/server/settings';

export const metadata: Metadata = { title: 'For data protection' };

export default async function ForDataProtection() {
  const who = await requireLead();
  const [rules, people] = await Promise.all([keepingRules(who.schoolId), peopleOf(who.schoolId)]);
  return (
    <DataPage rules={rules} schoolName={who.schoolName} address={settings().publicUrl} people={people} today={schoolDay(new Date(), who.timeZone)} />
  );
}
