/** A frames game written in the grammar alone, for the tests: ten pins, ten frames, two balls a frame, extra balls after the last. */
import { sensibleStart } from '@/core/course/sensible-start';
import type { Effect, Game, Row } from '@/core/rules/format/game';

const scoreBall: Effect = { do: 'add', counter: 'points', amount: 'felled', timesCarry: true };
const nextFrame: readonly Effect[] = [
  { do: 'add', counter: 'frame', amount: 1 },
  { do: 'set', counter: 'ball', amount: 0 },
  { do: 'reset', group: 'pin' },
];
const counts = (conds: Row['if'], effects: readonly Effect[]): Row => ({ if: conds, validity: 'counts', do: [scoreBall, ...effects] });

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
        counters: ['points', 'frame', 'ball', 'extra'],
        groups: { pin: { kind: 'pin', n: pins, order: 'fixed', end: 'stay' } },
        stages: [{ id: 'bowl', at: 'pin', technique: 'roll', see: 'felled' }],
        gates: {},
        rows: [
          counts(
            [
              ['n.extra', '>=', 1],
              ['left.pin', '=', 0],
            ],
            [
              { do: 'add', counter: 'extra', amount: -1 },
              { do: 'reset', group: 'pin' },
            ],
          ),
          counts([['n.extra', '>=', 1]], [{ do: 'add', counter: 'extra', amount: -1 }]),
          counts(
            [
              ['n.ball', '=', 0],
              ['left.pin', '=', 0],
              ['n.frame', '<=', 8],
            ],
            [{ do: 'carry', next: 1, afterNext: 1 }, ...nextFrame],
          ),
          counts(
            [
              ['n.ball', '=', 0],
              ['left.pin', '=', 0],
            ],
            [{ do: 'set', counter: 'extra', amount: 2 }, ...nextFrame],
          ),
          counts([['n.ball', '=', 0]], [{ do: 'set', counter: 'ball', amount: 1 }]),
          counts(
            [
              ['left.pin', '=', 0],
              ['n.frame', '<=', 8],
            ],
            [{ do: 'carry', next: 1, afterNext: 0 }, ...nextFrame],
          ),
          counts([['left.pin', '=', 0]], [{ do: 'set', counter: 'extra', amount: 1 }, ...nextFrame]),
          counts([], nextFrame),
        ],
        clock: { kind: 'none', s: 0, per: 'part', inFlight: 'released' },
        stop: [
          {
            if: [
              ['n.frame', '>=', 10],
              ['n.extra', '<=', 0],
            ],
            why: 'rounds',
          },
        ],
        measure: { of: { sum: { points: 1 } }, unit: 'points', better: 'high' },
      },
    ],
  };
}
