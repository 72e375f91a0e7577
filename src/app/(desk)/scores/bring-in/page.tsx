import type { Metadata } from 'next';
import { BringInPage } from '@/features/scores/bring-in-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { batchesOf } from '@/server/db/batches';
import { chosenClass } from '@/server/classes/chosen';
import { schoolKeysOf } from '@/server/db/school-keys';
import { gamesOfWeek } from '@/server/db/week-games';
import { weeksOf } from '@/server/db/weeks';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'Files and messages' };

export default async function FilesAndMessagesPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const chosen = await chosenClass(who.schoolId, wanted, schoolDay(new Date(), who.timeZone));
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  const mayChange = who.role === 'teacher';
  const [batches, weeks, keys] = await Promise.all([batchesOf(classId), weeksOf(classId), mayChange ? schoolKeysOf(who.schoolId) : []]);
  const games = await Promise.all(
    weeks.map(async ({ id, number }) => (await gamesOfWeek(id)).map(({ itemId, title }) => ({ id: itemId, words: `week ${number}, ${title}` }))),
  );
  const write = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: who.timeZone,
  });
  return (
    <BringInPage
      key={classId}
      classes={classes}
      classId={classId}
      games={games.flat()}
      batches={batches.map(({ madeAt, undoneAt, ...batch }) => ({ ...batch, madeWords: write.format(madeAt), undone: undoneAt !== null }))}
      keys={
        mayChange
          ? keys.map(({ id, name, by, madeAt, usedAt }) => ({
              id,
              name,
              by,
              madeWords: write.format(madeAt),
              usedWords: usedAt ? write.format(usedAt) : '',
            }))
          : null
      }
    />
  );
}
