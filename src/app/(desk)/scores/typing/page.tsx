import type { Metadata } from 'next';
import { NoClasses } from '@/features/scores/no-classes';
import { TypingPage } from '@/features/scores/typing-page';
import { requireSignedIn } from '@/server/auth/current';
import { chosenClass } from '@/server/classes/chosen';
import { isUuid } from '@/contract/ids';
import { schoolDay } from '@/server/school-day';
import { sheetsToType } from '@/server/scores/sheets';

export const metadata: Metadata = { title: 'Type in sheets' };

export default async function TypeInSheetsPage({ searchParams }: { searchParams: Promise<{ class?: string; week?: string; game?: string }> }) {
  const who = await requireSignedIn();
  const { class: wanted, week, game } = await searchParams;
  const today = schoolDay(new Date(), who.timeZone);
  const chosen = await chosenClass(who.schoolId, wanted, today);
  if (!chosen) return <NoClasses />;
  const { classes, classId } = chosen;
  const found = await sheetsToType(classId, { weekId: week && isUuid(week) ? week : null, itemId: game && isUuid(game) ? game : null }, today);
  return <TypingPage key={`${classId}${found.itemId}`} classes={classes} classId={classId} found={found} />;
}
