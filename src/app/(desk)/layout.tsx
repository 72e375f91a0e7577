import type { ReactNode } from 'react';
import { DeskBar } from '@/features/desk/desk-bar';
import { deskPersonOf, requireSignedIn } from '@/server/auth/current';
import { localeOf } from '@/server/school-day';
import { InLocale } from '@/ui/in-locale';

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const who = await requireSignedIn();
  return (
    <InLocale locale={localeOf(who.timeZone)} timeZone={who.timeZone}>
      <DeskBar who={deskPersonOf(who)} />
      {children}
    </InLocale>
  );
}
