import type { Metadata } from 'next';
import { NoPlan } from '@/features/plan/begin-plan';
import { PlanPage } from '@/features/plan/plan-page';
import { requireSignedIn } from '@/server/auth/current';
import { gamesOf } from '@/server/db/games';
import { plansOf } from '@/server/db/term-plans';
import { planToRead } from '@/server/plans/facts';
import { schoolDay } from '@/server/school-day';
import { shelved } from '../games/shelved';

export const metadata: Metadata = { title: 'Plan' };

export default async function TermPlanPage({ searchParams }: { searchParams: Promise<{ plan?: string; class?: string; week?: string }> }) {
  const who = await requireSignedIn();
  const today = schoolDay(new Date(), who.timeZone);
  const [{ plan: asked, class: classId, week }, plans] = await Promise.all([searchParams, plansOf(who.schoolId)]);
  const mayChange = who.role === 'teacher';
  const wanted = plans.find(({ id }) => id === asked) ?? plans.find(({ startsOn, endsOn }) => startsOn <= today && today <= endsOn) ?? plans[0];
  const plan = wanted && (await planToRead(who.schoolId, wanted.id, today));
  if (!plan) return <NoPlan today={today} mayChange={mayChange} />;
  const shelf = await shelved((await gamesOf(who.schoolId)).filter(({ putAway }) => !putAway));
  return (
    <PlanPage
      key={plan.id}
      plan={plan}
      plans={plans}
      shelf={shelf}
      today={today}
      mayChange={mayChange}
      {...(classId && week && { opened: { classId, week: Number(week) - 1 } })}
    />
  );
}
