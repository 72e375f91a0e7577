/** Frames of format 1 become stages only where they are exactly frames: whatever else is said of them keeps its meaning. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { todaysGame } from '@/core/rules/format/from-format-1';
import type { Game } from '@/core/rules/format/game';
import { readFrames } from '@/core/rules/format/read-frames';

interface Told {
  readonly parts: readonly Readonly<Record<string, unknown>>[];
}
const frames = JSON.parse(readFileSync(new URL('starters/loch-frames.json', import.meta.url), 'utf8')) as Told;
const withPart = (change: Readonly<Record<string, unknown>>) =>
  todaysGame({ ...frames, parts: [{ ...frames.parts[0]!, ...change }] } as unknown as Game).parts[0]!;
const stop = (frame: readonly unknown[], why: string) => ({ stop: [{ if: [frame, ['n.extra', '<=', 0]], why }] });

describe('frames of format 1', () => {
  it('are four stages', () => expect(readFrames(withPart({}))).toEqual({ frames: 10, pins: 6 }));
  it.each([
    ['another reason to end', stop(['n.frame', '>=', 10], 'goal')],
    ['an end at exactly so many', stop(['n.frame', '=', 10], 'rounds')],
    ['a score of the balls that are due', { measure: { of: { sum: { points: 1, extra: 1 } }, unit: 'points', better: 'high' } }],
    ['twice the points', { measure: { of: { sum: { points: 2 } }, unit: 'points', better: 'high' } }],
    [
      'a tie by the ball',
      { measure: { of: { sum: { points: 1 } }, unit: 'points', better: 'high', tie: [{ of: { sum: { ball: 1 } }, unit: 'balls', better: 'low' }] } },
    ],
  ])('with %s stay the rules that they were', (_, change) => {
    const part = withPart(change);
    expect(part.rows).toHaveLength(8);
    expect(part.stages).toHaveLength(1);
    expect(part.stop).toEqual((change as { stop?: unknown }).stop ?? frames.parts[0]!['stop']);
  });
});
