import { LANGUAGES } from '@/core/words/compiled/languages';

export const KEPT_AS = 'lochside language';

/**
 * What this device was set to; else the first language of the browser that is among `ours`, by its two letters; else English. It also runs before
 * the scripts of the page have come: it knows nothing but what it is handed.
 */
export function deviceLanguage(keptAs: string, ours: readonly string[]): string {
  try {
    const kept = localStorage.getItem(keptAs);
    if (kept !== null) return kept;
  } catch {
    // A browser that keeps nothing is asked each time.
  }
  return navigator.languages.map((one) => one.slice(0, 2)).find((one) => ours.includes(one)) ?? 'en';
}

/** The two letters of each. */
export const OURS: readonly string[] = LANGUAGES.map(({ tag }) => tag.slice(0, 2));
