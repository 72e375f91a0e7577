import { allRows } from '../format/rows';
import type { Cond, Part } from '../format/game';
import type { Change, Gap } from './gap';

export function pastTarget(part: Part, at: string, change: Change): Gap[] {
  const gaps: Gap[] = [];
  part.stop.forEach((stop, index) => {
    const exact = stop.if.findIndex(([operand, op, value]) => operand.startsWith('n.') && op === '=' && Number(value) > 0);
    if (exact < 0) return;
    const counter = stop.if[exact]![0].slice(2);
    const steps = allRows(part)
      .flatMap((row) => row.do)
      .filter((effect) => effect.do === 'add' && effect.counter === counter);
    const jumps = steps.some((effect) => effect.do === 'add' && (typeof effect.amount !== 'number' || Math.abs(effect.amount) > 1));
    const turnsBack = allRows(part).some((row) => row.if.some(([operand, op]) => operand === `n.${counter}` && op === '>='));
    if (!jumps || turnsBack) return;
    const atLeast = stop.if.map((cond, rank): Cond => (rank === exact ? [cond[0], '>=', cond[2]] : cond));
    gaps.push({
      kind: 'past-target',
      place: `${at}/stop/${index}`,
      question: 'What if the score goes past the one that was aimed for?',
      why: 'It asks for exactly that score, and one try can jump over it.',
      mends: [change('That many or more will do', { stop: part.stop.map((one, rank) => (rank === index ? { ...one, if: atLeast } : one)) })],
    });
  });
  return gaps;
}
