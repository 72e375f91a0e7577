import type { Game } from '../format/game';
import { readThrowRules, withThrowRules, type Tipped } from '../format/throw-rules';
import type { Gap } from './gap';

const TIPPED: readonly { readonly tipped: Tipped; readonly label: string }[] = [
  { tipped: 'nothing', label: 'No points' },
  { tipped: 'counts', label: 'It counts' },
  { tipped: 'again', label: 'Throw again' },
];

export function tipped(game: Game): Gap[] {
  const rules = readThrowRules(game);
  if (!rules || rules.tipped !== null || !game.parts[0]!.stages[0]!.ends?.some((end) => end.id === 'in')) return [];
  return [
    {
      kind: 'tipped',
      place: '/parts/0/stages/0/ends',
      question: 'What if the ball knocks the target over?',
      why: 'A light box or basket falls now and then.',
      mends: TIPPED.map(({ tipped: to, label }) => ({ label, game: withThrowRules(game, { ...rules, tipped: to }) })),
    },
  ];
}
