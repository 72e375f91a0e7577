import type { Metadata } from 'next';
import { WeekList } from '@/features/weeks/week-list';
import { requireSignedIn } from '@/server/auth/current';
import { sentWeeks } from '@/server/db/weeks';
import { schoolDay } from '@/server/school-day';
import { dayPlus } from '@/core/measure/days';

export const metadata: Metadata = { title: 'Weeks' };

const SHOWN_DAYS = 400;

export default async function WeeksPage() {
  const who = await requireSignedIn();
  const now = new Date();
  const today = schoolDay(now, who.timeZone);
  const weeks = await sentWeeks(who.schoolId, dayPlus(today, -SHOWN_DAYS));
  const write = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
  const dayOf = (day: string) => write.format(new Date(`${day}T00:00:00Z`));
  return (
    <WeekList
      weeks={weeks.map((week) => ({
        id: week.id,
        classId: week.classId,
        className: week.className,
        number: week.number,
        gameTitle: week.gameTitle,
        games: week.games,
        gameId: week.gameId,
        sentOn: dayOf(schoolDay(week.sentAt, who.timeZone)),
        dueOn: dayOf(week.dueOn),
        dueWords: week.dueOn === today ? 'today' : week.dueOn > today ? 'open' : '',
        children: week.children,
        reported: week.reported,
        takenBack: week.takenBack,
      }))}
    />
  );
}
