import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { dayWords } from '@/core/measure/days';
import { WeekPage } from '@/features/weeks/week-page';
import { requireSignedIn } from '@/server/auth/current';
import { childrenOf } from '@/server/db/children';
import { isUuid } from '@/contract/ids';
import { noticesOf } from '@/server/db/outbox';
import { weekOfSchool } from '@/server/db/weeks';
import { schoolDay } from '@/server/school-day';
import { standingOf } from '@/server/weeks/week-standing';

export const metadata: Metadata = { title: 'Week' };

export default async function SentWeekPage({ params }: { params: Promise<{ id: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const week = isUuid(id) ? await weekOfSchool(who.schoolId, id) : undefined;
  if (!week) notFound();
  const today = schoolDay(new Date(), who.timeZone);
  const [standing, notices, children] = await Promise.all([
    standingOf(week, today),
    noticesOf(who.schoolId, week.id),
    childrenOf(week.classId, today),
  ]);
  const moment = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: who.timeZone });
  return (
    <WeekPage
      mayChange={who.role === 'teacher'}
      week={{
        id: week.id,
        classId: week.classId,
        className: week.className,
        number: week.number,
        dueWords: dayWords(week.dueOn),
        open: week.dueOn >= today,
        note: week.note,
        takenBack: week.takenBack,
        ...standing,
        games: standing.games.map(({ opensOn, ...game }) => ({ ...game, opensWords: opensOn ? dayWords(opensOn) : '' })),
        onPaper: children.filter((child) => child.medium === 'paper').length,
        notices: notices.map(({ madeAt, ...notice }) => ({ ...notice, madeWords: moment.format(madeAt) })),
      }}
    />
  );
}
