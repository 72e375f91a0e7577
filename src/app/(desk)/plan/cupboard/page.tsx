import type { Metadata } from 'next';
import { CupboardPage } from '@/features/plan/cupboard-page';
import { daysBetween } from '@/core/measure/days';
import { weeksOfTerm } from '@/core/plan/calendar';
import { requireSignedIn } from '@/server/auth/current';
import { loansOut, thingsOfSchool } from '@/server/db/cupboard';
import { plansOf } from '@/server/db/term-plans';
import { planToRead } from '@/server/plans/facts';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'The cupboard' };

export default async function SchoolCupboardPage() {
  const who = await requireSignedIn();
  const today = schoolDay(new Date(), who.timeZone);
  const [things, loans, plans] = await Promise.all([thingsOfSchool(who.schoolId), loansOut(who.schoolId), plansOf(who.schoolId)]);
  const current = plans.find(({ startsOn, endsOn }) => startsOn <= today && today <= endsOn) ?? plans[0];
  const plan = current && (await planToRead(who.schoolId, current.id, today));
  const weeks = plan ? weeksOfTerm(plan.document) : [];
  const week = Math.max(
    0,
    weeks.findLastIndex((monday) => daysBetween(monday, today) >= 0),
  );
  return (
    <CupboardPage
      things={things}
      loans={loans}
      plan={plan ? { document: plan.document, facts: plan.facts } : null}
      week={week}
      today={today}
      mayChange={who.role === 'teacher'}
    />
  );
}
