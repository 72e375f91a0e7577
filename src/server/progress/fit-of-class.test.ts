import { describe, expect, it } from 'vitest';
import type { ReportedPlay } from '../reports/plays';
import { tellingOf } from './fit-of-class';

const play = (childId: string, goNumber: number, kind = 'clean') =>
  ({ childId, goNumber, kind, choice: null, reasons: [] }) as unknown as ReportedPlay;

describe('what tells of skill', () => {
  it('is what a child played last, in its order, so that one flooded link does not outvote a class', () => {
    const flood = Array.from({ length: 900 }, (_, n) => play('a', n));
    const told = tellingOf([play('b', 1), ...flood, play('b', 2), play('a', 900, 'impossible')]);
    expect(told.filter(({ childId }) => childId === 'a').map(({ goNumber }) => goNumber)).toEqual(Array.from({ length: 500 }, (_, n) => 400 + n));
    expect([told[0], told.at(-1)]).toMatchObject([
      { childId: 'b', goNumber: 1 },
      { childId: 'b', goNumber: 2 },
    ]);
  });
});
