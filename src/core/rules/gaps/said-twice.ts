import type { Cond, Part, Row } from '../format/game';
import type { Change, Gap } from './gap';

const catchesAll = (row: Row) => row.if.length === 0;

const condKey = (conds: readonly Cond[]) => JSON.stringify([...conds].map((cond) => cond.join(' ')).sort());

export function saidTwice(part: Part, at: string, change: Change): Gap[] {
  const gaps: Gap[] = [];
  const without = (index: number) => part.rows.filter((_, rank) => rank !== index);
  part.rows.forEach((row, index) => {
    const earlier = part.rows.findIndex((other, rank) => rank < index && (catchesAll(other) || condKey(other.if) === condKey(row.if)));
    if (earlier < 0) return;
    gaps.push({
      kind: 'said-twice',
      place: `${at}/rows/${index}`,
      question: 'Which of two rules holds?',
      why: `Rule ${earlier + 1} already speaks of this, so that rule ${index + 1} never comes to bear.`,
      mends: [change('Keep the first', { rows: without(index) }), change('Keep the second', { rows: without(earlier) })],
    });
  });
  return gaps;
}
