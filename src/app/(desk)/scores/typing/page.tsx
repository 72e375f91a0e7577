import type { Metadata } from 'next';
import { NoClasses } from '@/features/scores/no-classes';
import { TypingPage } from '@/features/scores/typing-page';
import { requireSignedIn } from '@/server/auth/current';
import { classesOf } from '@/server/db/classes';
import { isUuid } from '@/server/db/ids';
import { schoolDay } from '@/server/school-calendar';
import { sheetsToType } from '@/server/scores/sheets';

export const metadata: Metadata = { title: 'Type in sheets' };

export default async function TypeInSheetsPage({ searchParams }: { searchParams: Promise<{ class?: string; week?: string; game?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted, week, game } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const classes = await classesOf(who.schoolId, today);
  const chosen = classes.find((one) => one.id === wanted) ?? classes.at(-1);
  if (!chosen) return <NoClasses />;
  const found = await sheetsToType(chosen.id, { weekId: week && isUuid(week) ? week : null, itemId: game && isUuid(game) ? game : null }, today);
  return <TypingPage key={`${chosen.id}${found.itemId}`} classes={classes.map(({ id, name }) => ({ id, name }))} classId={chosen.id} found={found} />;
}
