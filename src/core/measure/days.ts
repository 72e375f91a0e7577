/** Days are written as ISO 8601: "2027-03-05". Which day it is now is asked of the school's zone or of the phone, never here. */

/** The day so many days later; earlier where they are below zero. */
export function dayPlus(day: string, days: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return new Date(Date.UTC(year, month - 1, date + days)).toISOString().slice(0, 10);
}

/** So many days from the one to the other; below zero where the other is earlier. */
export const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 86_400_000;

/** The Monday of the week of a day. */
export const mondayOf = (day: string): string => dayPlus(day, -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7));

/** Whether there is such a day: “2027-02-30” is written like one and is none. */
export const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && dayPlus(text, 0) === text;

/** Making one takes longer than using it a hundred times. */
const writers = new Map<string, Intl.DateTimeFormat>();

function written(day: string, tag: string, length: 'long' | 'short'): string {
  const key = `${tag} ${length}`;
  let writer = writers.get(key);
  if (!writer) {
    writer = new Intl.DateTimeFormat(tag, { weekday: length, day: 'numeric', month: length, timeZone: 'UTC' });
    writers.set(key, writer);
  }
  return writer.format(new Date(`${day}T00:00:00Z`));
}

/** "Monday 30 November": a day as it is said. */
export const dayWords = (day: string, tag = 'en-GB'): string => written(day, tag, 'long');

/** "Mon 30 Nov" */
export const dayShort = (day: string, tag = 'en-GB'): string => written(day, tag, 'short');
