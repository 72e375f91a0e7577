/** What is to be looked at, as the rows of one table: reports in doubt and scores that are nobody's yet. No interface here. */
import type { Doubt, ToLookAt, Waiting } from '@/contract/to-look-at';
import type { Choice } from '@/core/reports/decision';

export const CHOSEN: Readonly<Record<Choice, string>> = {
  'count-worked-out': 'counted as worked out',
  'keep-as-sent': 'kept as sent',
  'set-aside': 'set aside',
  'ask-family': 'the family is asked',
};

export type DoubtEntry =
  | { readonly on: 'doubt'; readonly id: string; readonly open: boolean; readonly doubt: Doubt }
  | { readonly on: 'waiting'; readonly id: string; readonly open: boolean; readonly waiting: Waiting };

/** What is open first, each kind in the order in which it came. */
export function entriesOf({ doubts, waiting }: Pick<ToLookAt, 'doubts' | 'waiting'>): readonly DoubtEntry[] {
  const all: DoubtEntry[] = [
    ...doubts.map((doubt): DoubtEntry => ({ on: 'doubt', id: doubt.reportId, open: doubt.choice === null, doubt })),
    ...waiting.map((one): DoubtEntry => ({ on: 'waiting', id: one.id, open: one.settledBy === null, waiting: one })),
  ];
  return [...all.filter((one) => one.open), ...all.filter((one) => !one.open)];
}

/** Whose it is, or where it came from. */
export const whoOf = (entry: DoubtEntry): string => (entry.on === 'doubt' ? entry.doubt.childName : entry.waiting.source);

/** The week of a report; what belongs to no week yet comes last. */
export const weekOf = (entry: DoubtEntry): number | null => (entry.on === 'doubt' ? entry.doubt.weekNumber : null);

/** Why it waits, or what was decided. */
export function whyOf(entry: DoubtEntry): string {
  if (entry.on === 'doubt') {
    const { choice, decided, sentences } = entry.doubt;
    return choice ? `${CHOSEN[choice]}, ${decided}` : (sentences[0] ?? '');
  }
  const { settledBy, counted, sentence } = entry.waiting;
  return settledBy ? `${counted ? 'counted' : 'set aside'}, ${settledBy}` : sentence;
}
