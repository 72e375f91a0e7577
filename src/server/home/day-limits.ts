/** What one child may send in a day (UTC): more than any child plays, and far less than would slow the school down. */
import { utcDay } from '../db/reports';
import { settings } from '../settings';
import { refuse } from '../http/answer';

const MOST_A_DAY = { reports: 40, bytes: 2 * 1024 * 1024, inventions: 20, lines: 60 };

export const enoughToday = () =>
  refuse(
    429,
    'day',
    /*i18n*/ 'The school takes no more from one child today.',
    /*i18n*/ 'It is kept in this device, and sent by itself when the page is open tomorrow.',
  );

export const isWithinDay = (today: { readonly reports: number; readonly bytes: number }, bytes: number): boolean =>
  settings().limitsOff || (today.reports < MOST_A_DAY.reports && today.bytes + bytes <= MOST_A_DAY.bytes);

export function oneMoreToday(kind: 'inventions' | 'lines', made: number): void {
  if (made > MOST_A_DAY[kind]) throw enoughToday();
}

export const startOfUtcDay = (now: Date): Date => new Date(`${utcDay(now)}T00:00:00Z`);
