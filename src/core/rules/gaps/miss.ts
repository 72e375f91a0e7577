import type { Part, Row } from '../format/game';
import type { Change, Gap } from './gap';

const namesEnd = (row: Row, end: string) => row.if.every(([operand, , value]) => operand !== 'end' || value === end);

export function misses(part: Part, at: string, change: Change): Gap[] {
  const gaps: Gap[] = [];
  part.stages.forEach((task, index) => {
    for (const end of task.ends ?? []) {
      const told = [...(task.rows ?? []), ...part.rows].some((row) => namesEnd(row, end.id) && row.if.every(([operand]) => operand === 'end'));
      if (told) continue;
      const row = (validity: Row['validity']): Row => ({ if: [['end', '=', end.id]], validity, do: [] });
      gaps.push({
        kind: 'miss',
        place: `${at}/stages/${index}/ends`,
        question: `What happens after “${end.label}”?`,
        why: 'Every home would decide it for itself, and scores could not be compared.',
        mends: [
          change('Nothing; the try is used up', { rows: [...part.rows, row('counts')] }),
          change('Play it again', { rows: [...part.rows, row('again')] }),
        ],
      });
    }
  });
  return gaps;
}
