import type { Metadata } from 'next';
import { EveningPage, type ChildOfEvening } from '@/features/scores/evening-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { chosenClass } from '@/server/classes/chosen';
import { childrenOf } from '@/server/db/children';
import { breath } from '@/server/progress/breath';
import { childRecord } from '@/server/progress/child-record';
import { progressOfClass } from '@/server/progress/progress-of-class';
import { schoolDay } from '@/server/school-day';
import { classWeeks } from '@/server/scores/class-weeks';

export const metadata: Metadata = { title: 'Parents’ evening' };

export default async function ParentsEveningPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const chosen = await chosenClass(who.schoolId, wanted, today);
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  const [progress, children, weeks] = await Promise.all([
    progressOfClass(classId, who.timeZone),
    childrenOf(classId, today),
    classWeeks(classId, today),
  ]);
  const told: ChildOfEvening[] = [];
  for (const { id } of children) {
    await breath();
    const record = await childRecord(who.schoolId, id, who.timeZone, today);
    if (!record) continue;
    told.push({
      id,
      name: record.name,
      weeks: record.weeks.filter(({ games }) => games.some((game) => game.best !== null || game.film)).length,
      bests: record.bests.map(({ gameTitle, levelName, unit, first, best, goes }) => ({ gameTitle, levelName, unit, first, best, goes })),
      // Only what the child itself has shown: never the class's figures as its own.
      aims: record.own ? record.aims.slice(0, 2) : [],
      next: record.next && { gameTitle: record.next.gameTitle, advice: record.next.advice },
      movedDays: record.weeks.reduce((sum, { diary }) => sum + diary.filter(({ struck }) => !struck).length, 0),
    });
  }
  return (
    <EveningPage
      key={classId}
      classes={classes}
      classId={classId}
      schoolName={who.schoolName}
      today={today}
      progress={progress}
      weeks={weeks.weeks.length}
      pupils={told}
    />
  );
}
