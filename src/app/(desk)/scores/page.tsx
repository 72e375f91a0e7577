import type { Metadata } from 'next';
import { ScoresPage } from '@/features/scores/scores-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { chosenClass } from '@/server/classes/chosen';
import { isUuid } from '@/contract/ids';
import { schoolDay } from '@/server/school-day';
import { classWeek } from '@/server/scores/class-week';

export const metadata: Metadata = { title: 'Scores' };

export default async function ScoresOfClassPage({ searchParams }: { searchParams: Promise<{ class?: string; week?: string; game?: string }> }) {
  const who = await requireSignedIn();
  const { class: wantedClass, week, game } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const chosen = await chosenClass(who.schoolId, wantedClass, today);
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  const first = await classWeek(classId, week && isUuid(week) ? week : null, who.timeZone, today, game && isUuid(game) ? game : null);
  return (
    <ScoresPage
      key={`${classId}${first.week?.id}${first.itemId}${game}`}
      whole={game === 'all'}
      classes={classes}
      classId={classId}
      first={first}
      readOnly={who.role !== 'teacher'}
    />
  );
}
