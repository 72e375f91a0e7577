import type { Game } from '../format/game';
import { against, type Gap, type Mend } from './gap';

export function whoCalls(game: Game): Gap[] {
  if (!against(game) || game.calls !== undefined) return [];
  const mend = (label: string, calls: NonNullable<Game['calls']>): Mend => ({ label, game: { ...game, calls } });
  return [
    {
      kind: 'who-calls',
      place: '/calls',
      question: 'Who says what a doubtful try was?',
      why: 'Two who play against each other see it differently.',
      mends: [mend('The one who played', 'thrower'), mend('The partner', 'partner'), mend('Play it again', 'again')],
    },
  ];
}
