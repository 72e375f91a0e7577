/** The days on which something goes by the rules of its school. A school year is that of `schoolYearOf`. */
import { dayPlus } from '@/core/measure/days';
import { schoolYearOf } from '../school-day';

/** Nobody goes at once: a child that was taken off by mistake is there for so long. */
const LEAST_DAYS_AFTER_LEAVING = 30;

/** The first day of the school year so many years after the one that holds `day`. */
function yearBegins(day: string, years: number): string {
  const { startsOn } = schoolYearOf(day);
  return `${Number(startsOn.slice(0, 4)) + years}${startsOn.slice(4)}`;
}

/** Raw things that came on `day` are kept to the end of so many school years after: the day after that. */
export const rawGoesOn = (day: string, rawYears: number): string => yearBegins(day, 1 + rawYears);

/** Raw things from before this day are over on `today`. */
export const rawKeptSince = (today: string, rawYears: number): string => yearBegins(today, -rawYears);

/** `leftOn` is the first day on which the child was in no class. */
export function leaverGoesOn(leftOn: string, leaverYears: number): string {
  const byYear = yearBegins(dayPlus(leftOn, -1), 1 + leaverYears);
  const least = dayPlus(leftOn, LEAST_DAYS_AFTER_LEAVING);
  return byYear > least ? byYear : least;
}

/** What came on `day` is over so many days later. */
export const daysGoesOn = (day: string, days: number): string => dayPlus(day, days + 1);

/** The same day so many years later; 29 February becomes 1 March. */
export function yearsLater(day: string, years: number): string {
  const later = `${Number(day.slice(0, 4)) + years}${day.slice(4)}`;
  return day.endsWith('-02-29') && !isLeap(Number(later.slice(0, 4))) ? `${later.slice(0, 4)}-03-01` : later;
}

const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
