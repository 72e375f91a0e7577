import { GATE_MS, ONE_TRY_S } from '../../motion/assumed';
import type { Game, Part } from '../format/game';
import type { Change, Gap } from './gap';

/** A second for each repetition of an exercise, as in the forecast. */
const ONE_REPETITION_S = GATE_MS.exercise / 1000;

export function noTime(game: Game, part: Part, at: string, change: Change): Gap[] {
  if (part.clock.kind !== 'down' || part.clock.per === 'item') return [];
  const gate = Object.entries(part.gates).find(([, one]) => one.before === 'attempt' && one.onClock && one.kind === 'exercise');
  const goal = part.stop.find((stop) => stop.why === 'goal' && stop.if.some(([operand, op]) => operand.startsWith('n.') && op !== '<='));
  const needed = Number(goal?.if.find(([operand]) => operand.startsWith('n.'))?.[2] ?? 0);
  if (!gate) return [];
  const [id, { n }] = gate;
  const each = n * ONE_REPETITION_S + ONE_TRY_S;
  const seconds = part.clock.s / (game.sides.turn === 'half-time' ? game.sides.n : 1);
  const tries = Math.floor(seconds / each);
  // A child who may miss needs about twice as many tries as it must succeed.
  const wanted = needed > 0 ? 2 * needed : 4;
  if (tries >= wanted) return [];
  const fits = Math.max(1, Math.floor((seconds / wanted - ONE_TRY_S) / ONE_REPETITION_S));
  const longer = Math.ceil((wanted * each) / 15) * 15 * (game.sides.turn === 'half-time' ? game.sides.n : 1);
  return [
    {
      kind: 'no-time',
      place: `${at}/gates/${id}/n`,
      question: `The clock has room for about ${tries} ${tries === 1 ? 'try' : 'tries'}. Is that meant?`,
      why: `${n} before every try and ${seconds} seconds in all leave time for ${tries}.`,
      mends: [
        change(`${fits} before every try`, { gates: { ...part.gates, [id]: { ...part.gates[id]!, n: fits } } }),
        change(`${longer} seconds`, { clock: { ...part.clock, s: longer } }),
      ],
    },
  ];
}
