import type { Cond, Part, Row } from '../format/game';
import { ruleLists, type Change, type Gap } from './gap';

const catchesAll = (row: Row) => row.if.length === 0;

const condKey = (conds: readonly Cond[]) => JSON.stringify([...conds].map((cond) => cond.join(' ')).sort());

export function saidTwice(part: Part, at: string, change: Change): Gap[] {
  return ruleLists(part, at).flatMap(({ place, rows, put }) =>
    rows.flatMap((row, index): Gap[] => {
      const earlier = rows.findIndex((other, rank) => rank < index && (catchesAll(other) || condKey(other.if) === condKey(row.if)));
      if (earlier < 0) return [];
      const without = (taken: number) => put(rows.filter((_, rank) => rank !== taken));
      return [
        {
          kind: 'said-twice',
          place: `${place}/${index}`,
          question: 'Which of two rules holds?',
          why: `Rule ${earlier + 1} already speaks of this, so that rule ${index + 1} never comes to bear.`,
          mends: [change('Keep the first', without(index)), change('Keep the second', without(earlier))],
        },
      ];
    }),
  );
}
