import type { Metadata } from 'next';
import { TodayPage } from '@/features/today/today-page';
import { requireSignedIn } from '@/server/auth/current';
import { serverWorries } from '@/server/standing';
import { newsFor } from '@/server/today/news';
import { todayOf } from '@/server/today/today';

export const metadata: Metadata = { title: 'Today' };

export default async function DayPage() {
  const who = await requireSignedIn();
  const now = new Date();
  const [first, worries, news] = await Promise.all([todayOf(who.schoolId, who.timeZone, now), who.isLead ? serverWorries(now) : [], newsFor(who)]);
  return <TodayPage first={first} mayChange={who.role === 'teacher'} worries={worries} news={news} />;
}
