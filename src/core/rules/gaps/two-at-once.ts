import type { Effect, Part, Row } from '../format/game';
import type { Change, Gap } from './gap';

/** A fixed amount for "one falls" does not say what two give. */
export function twoAtOnce(part: Part, at: string, change: Change): Gap[] {
  const found = part.rows.findIndex(
    (row, index) =>
      part.stages.some((task) => task.see === 'felled') &&
      row.do.some((effect) => effect.do === 'add' && typeof effect.amount === 'number' && scores(part, effect)) &&
      row.if.some(([operand, op, value]) => operand === 'felled' && op === '>=' && value === 1) &&
      !part.rows.some(
        (other, rank) => rank < index && other.if.some(([operand, op, value]) => operand === 'felled' && op !== '<=' && Number(value) >= 2),
      ),
  );
  if (found < 0) return [];
  const row = part.rows[found]!;
  const group = Object.entries(part.groups).find(([, one]) => one.kind === 'pin' || one.kind === 'target')?.[0];
  const each = part.rows.map((one, index) =>
    index === found
      ? { ...one, do: one.do.map((effect) => (effect.do === 'add' && scores(part, effect) ? { ...effect, amount: 'felled' as const } : effect)) }
      : one,
  );
  const one: Row = {
    ...row,
    if: row.if.map((cond) => (cond[0] === 'felled' ? ['felled', '>=', 2] : cond)),
    do: [...row.do, ...(group ? [{ do: 'restore' as const, group, but: 1 as const }] : [])],
  };
  const back: Row = { if: [['felled', '>=', 2]], validity: 'gone', do: group ? [{ do: 'restore', group }] : [] };
  return [
    {
      kind: 'two-at-once',
      place: `${at}/rows/${found}`,
      question: 'What if two fall at once?',
      why: 'One try can fell two, and the rule speaks of one.',
      mends: [
        change('Each counts', { rows: each }),
        change('One counts: the child chooses which, the others are put back', {
          rows: [...part.rows.slice(0, found), one, ...part.rows.slice(found)],
        }),
        change('It does not count: put them back', { rows: [...part.rows.slice(0, found), back, row, ...part.rows.slice(found + 1)] }),
      ],
    },
  ];
}

function scores(part: Part, effect: Effect): boolean {
  return 'counter' in effect && typeof part.measure.of !== 'string' && effect.counter in part.measure.of.sum;
}
