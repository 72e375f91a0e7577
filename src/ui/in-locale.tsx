'use client';
/** Days, figures and the first day of a week as the school's country writes them, whatever the browser is set to. */
import type { ReactNode } from 'react';
import { I18nProvider } from 'react-aria-components';

export function InLocale({ locale, children }: { locale: string; children: ReactNode }) {
  return <I18nProvider locale={locale}>{children}</I18nProvider>;
}
