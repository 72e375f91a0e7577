/** What a person decides of a report that does not count by itself. */
import type { ReasonCode, VerdictKind } from './judge';

export const CHOICES = ['count-worked-out', 'keep-as-sent', 'set-aside', 'ask-family'] as const;
/** What a person answers to a doubt. */
export type Choice = (typeof CHOICES)[number];

/** A clean score counts by itself; any other when a person has said how: as worked out, or as it was sent. */
export function whatCounts(kind: VerdictKind, choice: Choice | null, workedOut: number | null, sent: number | null): number | null {
  switch (choice) {
    case 'count-worked-out':
      return workedOut;
    case 'keep-as-sent':
      return sent;
    case 'set-aside':
    case 'ask-family':
      return null;
    case null:
      return kind === 'clean' ? workedOut : null;
  }
}

export interface Answer {
  readonly choice: Choice;
  readonly label: string;
}

/** What is in doubt of a report: its verdict, and for its best go what the engine worked out and what was sent. */
export interface InDoubt {
  readonly kind: VerdictKind;
  readonly codes: readonly ReasonCode[];
  readonly workedOut: number | null;
  readonly sent: number | null;
  readonly unit: string;
}

/**
 * The two to four answers to a doubt, the likeliest first. What cannot be is never counted; the same play is counted once or, when there
 * were two plays, twice; where the sum is wrong, both figures are offered.
 */
export function answersTo({ kind, codes, workedOut, sent, unit }: InDoubt): readonly Answer[] {
  const said = (value: number | null) => (value === null ? '“not finished”' : `${value} ${unit}`);
  const ask: Answer = { choice: 'ask-family', label: 'Ask the family' };
  const aside: Answer = { choice: 'set-aside', label: 'Set aside' };
  if (kind === 'impossible') return [ask, aside];
  if (codes.includes('same-play'))
    return [
      { choice: 'set-aside', label: 'The same play: count it once' },
      { choice: 'count-worked-out', label: `Two plays: count ${said(workedOut)} too` },
    ];
  // Without a level that the game has, or without an end, nothing was worked out.
  const known = workedOut !== null || codes.includes('unfinished');
  const both = known && workedOut !== sent;
  return [
    ...(known
      ? [{ choice: 'count-worked-out', label: both ? `Count ${said(workedOut)}, as worked out` : `Count ${said(workedOut)} all the same` } as const]
      : []),
    ...(both || !known ? [{ choice: 'keep-as-sent', label: `Keep ${said(sent)}, as sent` } as const] : []),
    ask,
    aside,
  ];
}
