import type { ReactNode } from 'react';
import { DeskBar } from '@/features/desk/desk-bar';
import { requireSignedIn } from '@/server/auth/current';
import { localeOf } from '@/server/school-day';
import { InLocale } from '@/ui/in-locale';

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const who = await requireSignedIn();
  return (
    <InLocale locale={localeOf(who.timeZone)} timeZone={who.timeZone}>
      <DeskBar name={who.name} schoolName={who.schoolName} isLead={who.isLead} />
      {children}
    </InLocale>
  );
}
