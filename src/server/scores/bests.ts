import type { Game } from '@/core/rules/format/game';

/** Whether more or less is better in what a game comes to. */
export const betterOf = (game: Game): 'high' | 'low' => (game.parts.length > 1 ? game.card.better : game.parts[0]!.measure.better);

/** The best of what counted; null for nothing. */
export function bestOf(counted: readonly number[], better: 'high' | 'low'): number | null {
  return counted.length === 0 ? null : better === 'high' ? Math.max(...counted) : Math.min(...counted);
}
