import type { Metadata } from 'next';
import { TodayPage } from '@/features/today/today-page';
import { requireSignedIn } from '@/server/auth/current';
import { todayOf } from '@/server/today/today';

export const metadata: Metadata = { title: 'Today' };

export default async function DayPage() {
  const who = await requireSignedIn();
  return <TodayPage first={await todayOf(who.schoolId, who.timeZone, new Date())} mayChange={who.role === 'teacher'} />;
}
