/** What a week has before a teacher changes it. */
import { WARM_UPS } from '@/core/sheet/warm-ups';

export const USUAL_WARM_UP = WARM_UPS[0]!.words;
export const USUAL_DIARY = 'Write down how many minutes you moved each day.';

/** The day a week after this one, ISO 8601. */
export function inAWeek(day: string): string {
  const date = new Date(`${day}T12:00:00Z`);
  date.setUTCDate(date.getUTCDate() + 7);
  return date.toISOString().slice(0, 10);
}
