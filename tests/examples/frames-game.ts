/** A frames game with any number of pins, for the tests: ten frames, two balls a frame, extra balls after the last. */
import { sensibleStart } from '@/core/course/sensible-start';
import type { Game } from '@/core/rules/format/game';
import { stagesOfFrames, stopOfFrames } from '@/core/rules/format/read-frames';

const FRAMES = 10;

export function framesGame(pins: number): Game {
  const base = sensibleStart({ title: 'Frames', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'bottle', ageYears: 8 });
  return {
    ...base,
    course: { ...base.course, places: {}, targets: {} },
    levels: [{ id: 'level-1', name: 'Paddle', set: {} }],
    parts: [
      {
        id: 'main',
        goes: { n: 1, keep: 'best' },
        counters: ['points', 'frame'],
        groups: { pin: { kind: 'pin', n: pins, order: 'fixed', end: 'stay' } },
        stages: stagesOfFrames({ id: 'bowl', at: 'pin', technique: 'roll', see: 'felled' }, { points: 'points', frame: 'frame', pin: 'pin' }, FRAMES),
        gates: {},
        rows: [],
        clock: { kind: 'none', s: 0, per: 'part', inFlight: 'released' },
        stop: stopOfFrames('frame', FRAMES),
        measure: { of: { sum: { points: 1 } }, unit: 'points', better: 'high' },
      },
    ],
  };
}
