import type { Game } from '../format/game';
import { against, withPart, type Gap } from './gap';

export function tie(game: Game): Gap[] {
  if (!against(game) || game.card.combine === 'wins') return [];
  const index = game.parts.findIndex((part) => part.measure.tie === undefined);
  if (index < 0) return [];
  const part = game.parts[index]!;
  return [
    {
      kind: 'tie',
      place: `/parts/${index}/measure/tie`,
      question: 'What if two players come out level?',
      why: 'They play against each other, and nothing says how a tie is broken.',
      mends: [{ label: 'Then it is a draw', game: withPart(game, index, { measure: { ...part.measure, tie: [] } }) }],
    },
  ];
}
