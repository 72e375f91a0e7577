/** Films marked one after the other by keys: where one stands. No interface here. */
import { LOOK_MARKS, type LookMark } from '@/core/reports/look-marks';
import type { LookMarks } from '@/core/reports/marked-looks';

export interface Marking {
  /** The look-for that is marked next; as many as there are when all are. */
  readonly at: number;
  readonly marks: LookMarks;
}

export const UNMARKED: Marking = { at: 0, marks: {} };

/** What a key means: a mark for the one that is next, a step back, keep and on, or no film. */
export type FilmKey = { readonly do: 'mark'; readonly mark: LookMark } | { readonly do: 'back' | 'keep' | 'no-film' };

export function filmKey(key: string): FilmKey | null {
  const mark = LOOK_MARKS[Number(key) - 1];
  if (mark) return { do: 'mark', mark };
  switch (key) {
    case 'Backspace':
    case 'ArrowUp':
      return { do: 'back' };
    case 'Enter':
      return { do: 'keep' };
    case 'n':
    case 'N':
      return { do: 'no-film' };
    default:
      return null;
  }
}

export function marked({ at, marks }: Marking, lookFors: readonly string[], mark: LookMark): Marking {
  const look = lookFors[at];
  return look === undefined ? { at, marks } : { at: at + 1, marks: { ...marks, [look]: mark } };
}

export const steppedBack = ({ at, marks }: Marking): Marking => ({ at: Math.max(0, at - 1), marks });
