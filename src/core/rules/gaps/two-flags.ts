import type { Part } from '../format/game';
import type { Change, Gap } from './gap';

export function twoFlags(part: Part, at: string, change: Change): Gap[] {
  const telling = Object.values(part.also ?? {}).filter((effects) => effects.length > 0);
  if (telling.length < 2 || part.flagsTogether !== undefined) return [];
  return [
    {
      kind: 'two-flags',
      place: `${at}/flagsTogether`,
      question: 'What if two of these happen in one try?',
      why: 'A ball can touch two things on its way.',
      mends: [change('Both count', { flagsTogether: 'each' }), change('Only the first counts', { flagsTogether: 'one' })],
    },
  ];
}
