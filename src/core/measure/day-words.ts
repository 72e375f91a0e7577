/** "Monday 30 November": a day (ISO 8601) as it is said. */
export function dayWords(day: string, tag = 'en-GB'): string {
  return new Intl.DateTimeFormat(tag, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}
