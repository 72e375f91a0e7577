'use client';
/** Days, figures, moments and the first day of a week as the school's country writes them and in its zone, whatever the browser is set to. */
import { createContext, use, useMemo, type ReactNode } from 'react';
import { I18nProvider, useLocale } from 'react-aria-components';

const Zone = createContext('UTC');

export function InLocale({ locale, timeZone, children }: { locale: string; timeZone: string; children: ReactNode }) {
  return (
    <I18nProvider locale={locale}>
      <Zone value={timeZone}>{children}</Zone>
    </I18nProvider>
  );
}

/** Writes an instant, ISO 8601, as the school does: the same on the server and in every browser. */
export function useMoment(): (instant: string) => string {
  const timeZone = use(Zone);
  const { locale } = useLocale();
  return useMemo(() => {
    const writer = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone });
    return (instant) => writer.format(new Date(instant));
  }, [locale, timeZone]);
}
