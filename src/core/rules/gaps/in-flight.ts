import type { Part } from '../format/game';
import type { Change, Gap } from './gap';

export function inFlight(part: Part, at: string, change: Change): Gap[] {
  if (part.clock.kind !== 'down' || part.clock.inFlight !== undefined) return [];
  if (!part.stages.some((task) => task.asked !== 'whistle' && ['underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift'].includes(task.technique)))
    return [];
  return [
    {
      kind: 'in-flight',
      place: `${at}/clock/inFlight`,
      question: 'Does a ball count that is in the air when the time is up?',
      why: 'It happens in most goes, and each home would decide for itself.',
      mends: [
        change('It still counts', { clock: { ...part.clock, inFlight: 'released' } }),
        change('It does not count', { clock: { ...part.clock, inFlight: 'landed' } }),
      ],
    },
  ];
}
