/** Making one takes longer than using it a hundred times. */
const writers = new Map<string, Intl.DateTimeFormat>();

/** "Monday 30 November": a day (ISO 8601) as it is said. */
export function dayWords(day: string, tag = 'en-GB'): string {
  let writer = writers.get(tag);
  if (!writer) {
    writer = new Intl.DateTimeFormat(tag, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
    writers.set(tag, writer);
  }
  return writer.format(new Date(`${day}T00:00:00Z`));
}
