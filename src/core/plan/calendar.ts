/** The weeks of a term: from its dates, its holidays and the day of the week on which a class has its lesson. */
import { dayPlus, daysBetween, mondayOf } from '../measure/days';

export interface Holiday {
  readonly from: string;
  /** The last day, itself free. */
  readonly to: string;
  readonly name: string;
}

export interface TermDates {
  readonly startsOn: string;
  readonly endsOn: string;
  readonly holidays: readonly Holiday[];
}

const WEEK = 7;
/** A plan has no more weeks than a page shows. */
export const MOST_WEEKS = 20;

/** The Mondays of its weeks, from the week of the first day to that of the last. */
export function weeksOfTerm({ startsOn, endsOn }: Pick<TermDates, 'startsOn' | 'endsOn'>): string[] {
  const first = mondayOf(startsOn);
  const n = endsOn < startsOn ? 0 : Math.floor(daysBetween(first, endsOn) / WEEK) + 1;
  return Array.from({ length: Math.min(n, MOST_WEEKS) }, (_, week) => dayPlus(first, week * WEEK));
}

export interface Lesson {
  readonly on: string;
  /** Why there is none: the name of the holiday, or empty where the term has not begun or is over. */
  readonly off: string | null;
}

/** The lesson of a class in a week; `weekday` counts from 1 for Monday. */
export function lessonIn({ startsOn, endsOn, holidays }: TermDates, monday: string, weekday: number): Lesson {
  const on = dayPlus(monday, weekday - 1);
  if (on < startsOn || on > endsOn) return { on, off: '' };
  return { on, off: holidays.find(({ from, to }) => from <= on && on <= to)?.name ?? null };
}

/** The day by which what is sent on a lesson's day is played: the one before the next lesson of that day of the week. */
export const dueAfter = (on: string): string => dayPlus(on, WEEK - 1);
