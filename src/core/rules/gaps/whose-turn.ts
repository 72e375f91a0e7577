import type { Effect, Game, Part, Row } from '../format/game';
import { allRows } from '../format/rows';
import type { Gap } from './gap';

/** There is one way to change who plays: at a time that is the same throughout, or where the rules say so. */
export function whoseTurn(game: Game): Gap[] {
  const { sides } = game;
  if (sides.n === 1) return [];
  const said = game.parts.some((part) => [...allRows(part).map((row) => row.do), ...Object.values(part.also ?? {})].flat().some(handsOver));
  const inTurns = (turn: Game['sides']['turn'], parts = game.parts): Game => ({ ...game, parts, sides: { ...sides, turn } });
  if (said && sides.turn !== 'said')
    return [
      {
        kind: 'whose-turn',
        place: '/sides/turn',
        question: 'When does the turn change?',
        why: 'A rule hands over the turn, and the players take turns besides: two ways at once.',
        mends: [
          { label: 'When the rules say so', game: inTurns('said') },
          { label: 'Not by a rule', game: inTurns(sides.turn, game.parts.map(withoutTurn)) },
        ],
      },
    ];
  if (said || sides.turn !== 'said') return [];
  return [
    {
      kind: 'whose-turn',
      place: '/sides/turn',
      question: 'When does the turn change?',
      why: 'It changes when a rule says so, and no rule does: the first player plays to the end.',
      mends: [
        { label: 'After every try', game: inTurns('attempt') },
        { label: 'After a miss', game: inTurns('miss') },
      ],
    },
  ];
}

const handsOver = (effect: Effect) => effect.do === 'turn';
const kept = (effects: readonly Effect[]) => effects.filter((effect) => !handsOver(effect));
const rowKept = (row: Row): Row => ({ ...row, do: kept(row.do) });

const withoutTurn = (part: Part): Part => ({
  ...part,
  rows: part.rows.map(rowKept),
  stages: part.stages.map((stage) => (stage.rows ? { ...stage, rows: stage.rows.map(rowKept) } : stage)),
  ...(part.also && { also: Object.fromEntries(Object.entries(part.also).map(([flag, effects]) => [flag, kept(effects)])) }),
});
