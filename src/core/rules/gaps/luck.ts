import { IMPLEMENTS } from '../../objects/catalogue';
import type { Part } from '../format/game';
import type { Change, Gap } from './gap';

export function luck(part: Part, at: string, change: Change): Gap[] {
  if (part.measure.of === 'done' || !part.stages.every((task) => task.see === 'face' && IMPLEMENTS_OF_CHANCE.test(task.what ?? 'coin'))) return [];
  return [
    {
      kind: 'luck',
      place: `${at}/measure`,
      question: 'Who does best here is mostly luck. Is it to be ranked?',
      why: 'A coin decides; comparing children by it would compare their luck.',
      mends: [change('Write down only that it is done', { measure: { of: 'done', unit: 'done', better: 'high' } })],
    },
  ];
}

const IMPLEMENTS_OF_CHANCE = new RegExp(`\\b(${IMPLEMENTS.coin.name}|die|dice|draw)\\b`, 'i');
