import type { Game } from '../format/game';
import type { Gap } from './gap';

/** Seconds and points do not add up. */
export function mixedUnits(game: Game): Gap[] {
  if (game.parts.length < 2 || game.card.combine !== 'sum') return [];
  const units = [...new Set(game.parts.map(({ measure }) => `${measure.unit}, ${measure.better === 'high' ? 'more' : 'less'} is better`))];
  if (units.length < 2) return [];
  const combined = (combine: 'list' | 'wins'): Game => ({ ...game, card: { ...game.card, combine } });
  return [
    {
      kind: 'mixed-units',
      place: '/card/combine',
      question: `The parts are scored in ${units.join(' and in ')}. How do they make one score?`,
      why: 'Added up they would mean nothing.',
      mends: [
        { label: 'Each part has a score of its own', game: combined('list') },
        ...(game.sides.n > 1 ? [{ label: 'Who wins more parts has won', game: combined('wins') }] : []),
      ],
    },
  ];
}
