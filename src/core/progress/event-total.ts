/** What a child's games of an event come to. Points are added only where all games count the same unit and more is better. */
import { counted } from '../rules/telling/counted';

export interface GameOfEvent {
  readonly unit: string;
  readonly better: 'high' | 'low';
  readonly best: number | null;
  readonly par: number | null;
}

export interface EventTotal {
  readonly played: number;
  readonly of: number;
  /** How many of the games that were played and have a par came to it. */
  readonly reachedPar: number;
  readonly withPar: number;
  /** Null where games of several units, or times, cannot be added. */
  readonly sum: { readonly value: number; readonly unit: string } | null;
}

export function eventTotal(games: readonly GameOfEvent[]): EventTotal {
  const played = games.flatMap(({ best, par, better, unit }) => (best === null ? [] : [{ best, par, better, unit }]));
  const withPar = played.flatMap(({ best, par, better }) => (par === null ? [] : [better === 'high' ? best >= par : best <= par]));
  const units = new Set(games.map(({ unit }) => unit));
  const addable = units.size === 1 && games.every(({ better }) => better === 'high');
  return {
    played: played.length,
    of: games.length,
    reachedPar: withPar.filter(Boolean).length,
    withPar: withPar.length,
    sum: addable && played.length > 0 ? { value: played.reduce((sum, { best }) => sum + best, 0), unit: games[0]!.unit } : null,
  };
}

/** "3 of 4 games, par in 2; 27 points in all". */
export function totalWords({ played, of, reachedPar, withPar, sum }: EventTotal): string {
  if (played === 0) return '';
  const par = withPar > 0 ? `, par in ${reachedPar}` : '';
  return `${played} of ${of} games${par}${sum ? `; ${sum.value} ${counted(sum.value, sum.unit)} in all` : ''}`;
}
