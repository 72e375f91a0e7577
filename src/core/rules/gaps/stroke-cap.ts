import type { Part } from '../format/game';
import type { Change, Gap } from './gap';

export function strokeCap(part: Part, at: string, change: Change): Gap[] {
  if (part.measure.better !== 'low' || typeof part.measure.of === 'string' || part.stages.some((task) => task.see === 'length')) return [];
  if (part.stop.some((stop) => stop.why === 'cap' || stop.if.some(([operand]) => operand === 'attempts'))) return [];
  const counter = Object.keys(part.measure.of.sum)[0]!;
  const cap = (most: number) => change(`Stop at ${most}`, { stop: [...part.stop, { if: [[`n.${counter}`, '>=', most]], why: 'cap' }] });
  return [
    {
      kind: 'stroke-cap',
      place: `${at}/stop`,
      question: 'How many strokes at the most?',
      why: 'Without a most one bad hole goes on until nobody wants to play.',
      mends: [cap(8), cap(12)],
    },
  ];
}
