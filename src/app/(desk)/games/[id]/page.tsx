import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ChartTable } from '@/features/chart-table/chart-table';
import { requireSignedIn } from '@/server/auth/current';
import { ownThingsIn } from '@/core/course/own-things';
import { lastFits } from '@/server/db/class-fits';
import { classesOf } from '@/server/db/classes';
import { gameById, gamesOf } from '@/server/db/games';
import { isUuid } from '@/contract/ids';
import { fitsByOthers } from '@/server/games/measured';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'Chart table' };

interface Asked {
  readonly class?: string;
  readonly level?: string;
  readonly mend?: string;
}

export default async function ChartTablePage({ params, searchParams }: { params: Promise<{ id: string }>; searchParams: Promise<Asked> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const shelved = isUuid(id) ? await gameById(who.schoolId, id) : undefined;
  if (!shelved) notFound();
  const today = schoolDay(new Date(), who.timeZone);
  const [classes, fits, asked, games, others] = await Promise.all([
    classesOf(who.schoolId, today),
    lastFits(who.schoolId),
    searchParams,
    gamesOf(who.schoolId),
    fitsByOthers(who.schoolId, [shelved]),
  ]);
  return (
    <ChartTable
      key={shelved.id}
      id={shelved.id}
      game={shelved.game}
      ageYears={shelved.ageYears}
      mend={
        asked.class && asked.level && (asked.mend === 'easier' || asked.mend === 'harder')
          ? { classId: asked.class, levelId: asked.level, towards: asked.mend }
          : null
      }
      revision={shelved.revision}
      classes={classes.map(({ id: classId, name, ageYears, children }) => {
        const fitted = fits.get(classId);
        return { id: classId, name, ageYears, children, ...(fitted && { fitted }) };
      })}
      byOthers={others.get(shelved.id) ?? null}
      readOnly={who.role !== 'teacher'}
      today={today}
      teacher={who.name}
      ownThings={ownThingsIn(games.map(({ game }) => game))}
    />
  );
}
