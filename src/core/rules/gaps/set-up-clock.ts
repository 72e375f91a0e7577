import type { Effect, Part } from '../format/game';
import type { Change, Gap } from './gap';

export function setUpClock(part: Part, at: string, change: Change): Gap[] {
  if (part.clock.kind !== 'down' || Object.values(part.gates).some((gate) => gate.kind === 'set-up')) return [];
  const isSet = (effect: Effect) =>
    effect.do === 'reset' && ['pin', 'target'].includes(part.groups[effect.group]!.kind) && part.groups[effect.group]!.n > 1;
  const row = part.rows.findIndex((one) => one.do.some(isSet));
  if (row < 0) return [];
  const withGate = (onClock: boolean): Partial<Part> => ({
    gates: { ...part.gates, 'set-up': { kind: 'set-up', what: 'set all up again', n: 1, onClock } },
    rows: part.rows.map((one) => (one.do.some(isSet) ? { ...one, do: [...one.do, { do: 'owe', gate: 'set-up' }] } : one)),
  });
  return [
    {
      kind: 'set-up-clock',
      place: `${at}/rows/${row}`,
      question: 'Does the clock run while all is set up again?',
      why: 'Setting up takes longer than a throw; homes would differ by half the time.',
      mends: [change('The clock runs on', withGate(true)), change('The clock waits', withGate(false))],
    },
  ];
}
