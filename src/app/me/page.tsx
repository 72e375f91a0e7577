import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { DeskBar } from '@/features/desk/desk-bar';
import { MePage } from '@/features/people/me-page';
import { deskPersonOf, requireAnyway } from '@/server/auth/current';
import { sessionCookieName } from '@/server/auth/sessions';
import { oneself } from '@/server/people/oneself';
import { localeOf } from '@/server/school-day';
import { settings } from '@/server/settings';
import { InLocale } from '@/ui/in-locale';

export const metadata: Metadata = { title: 'About you' };

/** Outside of the desk: who still lacks a second factor that the school asks for comes no farther than here. */
export default async function AboutMePage() {
  const who = await requireAnyway();
  const token = (await cookies()).get(sessionCookieName(settings().secure))!.value;
  return (
    <InLocale locale={localeOf(who.timeZone)} timeZone={who.timeZone}>
      <DeskBar who={deskPersonOf(who)} />
      <MePage me={await oneself(who, token, new Date())} />
    </InLocale>
  );
}
