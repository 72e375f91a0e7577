import type { Game } from '../format/game';

/** Whether more or less is better in what a game comes to. */
export const betterOf = ({ parts, card }: Pick<Game, 'parts' | 'card'>): 'high' | 'low' =>
  parts.length > 1 ? card.better : parts[0]!.measure.better;
