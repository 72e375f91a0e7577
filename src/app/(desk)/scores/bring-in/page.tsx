import type { Metadata } from 'next';
import { BringInPage } from '@/features/scores/bring-in-page';
import { NoClasses } from '@/features/scores/no-classes';
import { requireSignedIn } from '@/server/auth/current';
import { batchesOf } from '@/server/db/batches';
import { classesOf } from '@/server/db/classes';
import { weeksOf } from '@/server/db/weeks';
import { schoolDay } from '@/server/school-calendar';

export const metadata: Metadata = { title: 'Files and messages' };

export default async function FilesAndMessagesPage({ searchParams }: { searchParams: Promise<{ class?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted } = await searchParams;
  const classes = await classesOf(who.schoolId, schoolDay(new Date(), who.timeZone));
  const chosen = classes.find((one) => one.id === wanted) ?? classes.at(-1);
  if (!chosen) return <NoClasses />;
  const [batches, weeks] = await Promise.all([batchesOf(chosen.id), weeksOf(chosen.id)]);
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
      key={chosen.id}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      classId={chosen.id}
      weeks={weeks.map(({ id, number }) => ({ id, number }))}
      batches={batches.map(({ madeAt, undoneAt, ...batch }) => ({ ...batch, madeWords: write.format(madeAt), undone: undoneAt !== null }))}
    />
  );
}
