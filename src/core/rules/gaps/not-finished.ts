import type { Part } from '../format/game';
import { unfinishedRule } from '../format/unfinished';
import type { Change, Gap } from './gap';

export function notFinished(part: Part, at: string, change: Change): Gap[] {
  if (part.unfinished !== undefined || part.measure.of === 'clock' || part.measure.of === 'minutes' || part.measure.of === 'done') return [];
  if (unfinishedRule(part) === 'as-it-stands' && part.measure.better === 'high' && part.clock.kind !== 'up') return [];
  return [
    {
      kind: 'not-finished',
      place: `${at}/unfinished`,
      question: 'What if it is stopped before the end?',
      why:
        part.measure.better === 'low'
          ? 'Fewer is better here, so that stopping early would look like the best score of all.'
          : 'Half of it is no score that could be compared with a whole one.',
      mends: [change('Write “not finished”', { unfinished: 'not-finished' }), change('It counts as it stands', { unfinished: 'as-it-stands' })],
    },
  ];
}
