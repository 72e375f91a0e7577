import type { Part, Row } from '../format/game';
import type { Change, Gap } from './gap';

export function badFeed(part: Part, at: string, change: Change): Gap[] {
  const index = part.stages.findIndex((task) => task.feeder === 'partner');
  if (index < 0) return [];
  const task = part.stages[index]!;
  if (task.ends?.some((end) => /feed/.test(end.id)) || task.see !== 'end') return [];
  const withEnd = (validity: Row['validity']): Partial<Part> => ({
    stages: part.stages.map((one, at_) =>
      at_ === index ? { ...one, ends: [...(one.ends ?? []), { id: 'bad-feed', label: 'Bad feed', says: 'the ball came badly', as: 'seldom' }] } : one,
    ),
    rows: [...part.rows, { if: [['end', '=', 'bad-feed']], validity, do: [] }],
  });
  return [
    {
      kind: 'bad-feed',
      place: `${at}/stages/${index}/ends`,
      question: 'What if the partner feeds it badly?',
      why: 'A ball that comes badly is not the fault of the one who throws.',
      mends: [change('Play it again', withEnd('again')), change('It counts as a try', withEnd('counts'))],
    },
  ];
}
