/** What is being entered of the next try and is not written down yet. No interface here. */
import type { Task } from '@/core/rules/format/game';
import type { PlayEvent } from '@/core/rules/format/play';
import { readFigure } from '@/core/words/read-figure';

/** What was seen of a try, as the format writes it. */
export type Seen = Omit<Extract<PlayEvent, { do: 'attempt' }>, 'do' | 't'>;

export interface Entering {
  /** Counted so far, tap by tap. */
  readonly count?: number;
  /** Pins that were tapped as fallen. */
  readonly felled?: readonly number[];
  /** A length or a word, as it is typed. */
  readonly written?: string;
  /** What happened on the way. */
  readonly flags?: readonly string[];
}

export const NOTHING_ENTERED: Entering = {};

export const isEntering = ({ count = 0, felled = [], written = '', flags = [] }: Entering): boolean =>
  count > 0 || felled.length > 0 || written.trim() !== '' || flags.length > 0;

/** Centimetres that may be typed for a length. */
export const CENTIMETRES = { least: 0, most: 10_000, whole: false } as const;

/** What is shown when a go ends is what is kept: a count, pins and a length that can be read, as a try; null for nothing. */
export function seenOf({ see }: Pick<Task, 'see'>, { count = 0, felled = [], written = '', flags = [] }: Entering): Seen | null {
  const happened = flags.length > 0 ? { flags } : {};
  if (see === 'count') return count > 0 ? { count, ...happened } : null;
  if (see === 'felled') return felled.length > 0 ? { felled: [...felled].sort((a, b) => a - b), ...happened } : null;
  if (see !== 'length') return null;
  const length = readFigure(written, CENTIMETRES);
  return length.ok && length.value !== null ? { lengthMm: Math.round(length.value * 10), ...happened } : null;
}
