/** Days as the school counts them: in its own time zone, though all times are stored in UTC. No other module asks which day it is. */
import { TZDate } from '@date-fns/tz';
import { endOfDay, format } from 'date-fns';
import { dayPlus } from '@/core/measure/days';

/** How days are written there. Assumed: as in Britain, but in the zones of the United States as they do. */
export function localeOf(timeZone: string): string {
  return /^(US|America\/(New_York|Chicago|Denver|Los_Angeles|Phoenix|Anchorage|Detroit|Boise|Indiana|Kentucky))|^Pacific\/Honolulu/.test(timeZone)
    ? 'en-US'
    : 'en-GB';
}

/** "2027-03-05": the day it is now at the school. */
export function schoolDay(now: Date, timeZone: string): string {
  return format(new TZDate(now.getTime(), timeZone), 'yyyy-MM-dd');
}

const QUARTER_MS = 900_000;

/** The same for many moments. Zones differ by quarters of an hour: of each quarter it is asked once. */
export function schoolDays(timeZone: string): (at: Date) => string {
  const known = new Map<number, string>();
  return (at) => {
    const quarter = Math.floor(at.getTime() / QUARTER_MS);
    const day = known.get(quarter) ?? schoolDay(at, timeZone);
    known.set(quarter, day);
    return day;
  };
}

/** The last moment of a due day at the school, in UTC. */
export function dueMoment(dueOn: string, timeZone: string): Date {
  const [year, month, day] = dueOn.split('-').map(Number) as [number, number, number];
  return new Date(endOfDay(new TZDate(year, month - 1, day, timeZone)).getTime());
}

/** A family's link works until two weeks after its term. */
const AFTER_TERM_DAYS = 14;

export function linkLives(termEndsOn: string, now: Date, timeZone: string): boolean {
  return schoolDay(now, timeZone) <= dayPlus(termEndsOn, AFTER_TERM_DAYS);
}

/** School years that begin in August, as in Scotland; the name is "2026–27". */
export function schoolYearOf(day: string): { name: string; startsOn: string; endsOn: string } {
  const year = Number(day.slice(0, 4)) - (Number(day.slice(5, 7)) < 8 ? 1 : 0);
  return { name: `${year}–${String(year + 1).slice(2)}`, startsOn: `${year}-08-01`, endsOn: `${year + 1}-07-31` };
}

/** Three terms of a school year. Links last for a term. */
export function termOf(day: string): { name: string; startsOn: string; endsOn: string } {
  const { startsOn } = schoolYearOf(day);
  const year = Number(startsOn.slice(0, 4));
  const month = Number(day.slice(5, 7));
  if (month >= 8) return { name: 'Autumn term', startsOn: `${year}-08-01`, endsOn: `${year}-12-31` };
  if (month <= 4) return { name: 'Spring term', startsOn: `${year + 1}-01-01`, endsOn: `${year + 1}-04-30` };
  return { name: 'Summer term', startsOn: `${year + 1}-05-01`, endsOn: `${year + 1}-07-31` };
}
