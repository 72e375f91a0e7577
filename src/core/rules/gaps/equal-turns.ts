import type { Game } from '../format/game';
import { against, type Gap } from './gap';

export function equalTurns(game: Game): Gap[] {
  if (!against(game) || game.sides.lastTurnLevel !== undefined || !['attempt', 'miss', 'frame', 'said'].includes(game.sides.turn)) return [];
  const race = game.parts.some((part) => part.stop.some((stop) => stop.why === 'goal' || stop.why === 'target-score'));
  if (!race) return [];
  return [
    {
      kind: 'equal-turns',
      place: '/sides/lastTurnLevel',
      question: 'When one is there first, do the others still have their turn?',
      why: 'The one who begins has had a turn more.',
      mends: [
        { label: 'Yes, equal turns', game: { ...game, sides: { ...game.sides, lastTurnLevel: true } } },
        { label: 'No, it is over at once', game: { ...game, sides: { ...game.sides, lastTurnLevel: false } } },
      ],
    },
  ];
}
