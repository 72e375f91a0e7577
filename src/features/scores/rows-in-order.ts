/** Which rows of a class's week are shown, and by what they are put in order. */
import type { ScoreRow } from '@/contract/class-week';

export type Column = 'child' | 'level' | 'best' | 'par' | 'latest' | 'hits' | 'felt' | 'credit' | 'received' | 'state';

export const SHOWN = ['all', 'to-look-at', 'not-yet', 'no-credit', 'par-reached', 'below-par', 'own-best', 'paper'] as const;
export type Shown = (typeof SHOWN)[number];

const STATES: Readonly<Record<ScoreRow['state'], number>> = { 'to-look-at': 0, counted: 1, 'not-yet': 2, 'not-assigned': 3 };
const FELT: Readonly<Record<string, number>> = { hard: 0, right: 1, easy: 2 };

export function isShown(row: ScoreRow, shown: Shown, better: 'high' | 'low'): boolean {
  const reached = row.best !== null && row.par !== null ? (better === 'high' ? row.best >= row.par : row.best <= row.par) : null;
  switch (shown) {
    case 'all':
      return true;
    case 'to-look-at':
    case 'not-yet':
      return row.state === shown;
    case 'no-credit':
      return !row.credit && row.state !== 'not-assigned';
    case 'par-reached':
      return reached === true;
    case 'below-par':
      return reached === false;
    case 'own-best':
      return row.personalBest;
    case 'paper':
      return row.medium === 'paper';
  }
}

/** What a row is ordered by; null comes last in either order. */
export function orderKeyOf(row: ScoreRow, column: Column): string | number | null {
  switch (column) {
    case 'child':
      return row.name;
    case 'level':
      return row.levelName || null;
    case 'best':
      return row.best;
    case 'par':
      return row.par;
    case 'latest':
      return row.reports > 0 ? row.latest : null;
    case 'hits':
      return row.attempts > 0 ? row.successes / row.attempts : null;
    case 'felt':
      return row.felt === null ? null : (FELT[row.felt] ?? null);
    case 'credit':
      return row.credit ? 1 : 0;
    case 'received':
      return row.receivedAt;
    case 'state':
      return STATES[row.state];
  }
}
