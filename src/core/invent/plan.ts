/** A game that a child made: things put on a small floor and a few slots filled, and the game that this comes to. No motion in here. */
import { distanceM } from '../course/geometry';
import { AIMED, type AimedId, type ImplementId } from '../objects/catalogue';

import { GAME_FORMAT } from '../rules/format/formats';
import type { Game } from '../rules/format/game';
import { partFromThrowRules, type ThrowRules } from '../rules/format/throw-rules';

export const INVENT_TARGETS = [
  'box',
  'laundry-basket',
  'bucket',
  'mixing-bowl',
  'bottle',
  'kitchen-roll',
  'cereal-box',
] as const satisfies readonly AimedId[];
export const INVENT_OBSTACLES = ['pillow', 'chair', 'towel-strip', 'box'] as const satisfies readonly AimedId[];
export const INVENT_BALLS = ['sock-ball', 'paper-ball', 'foam-ball'] as const satisfies readonly ImplementId[];

/** The small floor, metres. */
export const INVENT_FLOOR = { widthM: 4, depthM: 3 } as const;
export const MOST_MARKS = 4;
export const MOST_OBSTACLES = 6;
/** Nearer than this nobody has to throw, metres. */
const NEAREST_MARK_M = 0.5;

interface OnFloor {
  readonly xM: number;
  readonly yM: number;
}

export interface InventedPlan {
  readonly title: string;
  readonly technique: 'underarm' | 'overarm';
  readonly ball: (typeof INVENT_BALLS)[number];
  readonly target: OnFloor & { readonly object: (typeof INVENT_TARGETS)[number] };
  readonly marks: readonly (OnFloor & { readonly points: number })[];
  readonly obstacles: readonly (OnFloor & { readonly object: (typeof INVENT_OBSTACLES)[number] })[];
  readonly stop: { readonly kind: 'seconds'; readonly s: number } | { readonly kind: 'attempts'; readonly n: number };
  readonly afterMiss: 'again' | 'exercise';
}

export const emptyPlan: InventedPlan = {
  title: '',
  technique: 'underarm',
  ball: 'sock-ball',
  target: { object: 'box', xM: 3.2, yM: 1.5 },
  marks: [{ xM: 1.8, yM: 1.5, points: 1 }],
  obstacles: [],
  stop: { kind: 'attempts', n: 10 },
  afterMiss: 'again',
};

/** What is still wrong with it, in words for the child; empty when it can be played. */
export function planGaps(plan: InventedPlan): readonly string[] {
  return [
    ...(plan.title.trim() === '' ? [/*i18n*/ 'Give it a name.'] : []),
    ...(plan.marks.length === 0 ? [/*i18n*/ 'Put down a mark to throw from.'] : []),
    ...(plan.marks.some((mark) => distanceM(mark, plan.target) < NEAREST_MARK_M) ? [/*i18n*/ 'A mark is too near the target: move it back.'] : []),
  ];
}

/** The game that a plan comes to: one level, marks from the nearest to the farthest. */
export function gameFromPlan(plan: InventedPlan): Game {
  const marks = [...plan.marks].sort((a, b) => distanceM(a, plan.target) - distanceM(b, plan.target));
  const rules: ThrowRules = {
    technique: plan.technique,
    order: 'free',
    implement: plan.ball,
    target: plan.target.object,
    values: marks.map((mark) => mark.points),
    afterHit: 'choose',
    afterMiss: plan.afterMiss,
    exercise: { what: 'tap your heels', n: 4 },
    stop: plan.stop,
    inFlight: 'released',
    tipped: AIMED[plan.target.object].shape.kind === 'opening' ? 'nothing' : null,
  };
  return {
    format: GAME_FORMAT,
    title: plan.title.trim(),
    aim: '',
    kit: { implement: plan.ball, marker: 'sock' },
    course: {
      floor: { ...INVENT_FLOOR, surface: 'hard' },
      furniture: [],
      places: { mark: marks.map(({ xM, yM }) => ({ xM, yM })) },
      targets: { aim: [{ ...plan.target, turnRad: 0, standM: 0 }] },
      obstacles: plan.obstacles.map((obstacle) => ({ ...obstacle, turnRad: 0, standM: 0 })),
    },
    parts: [partFromThrowRules(rules)],
    card: { combine: 'sum', better: 'high' },
    sides: { n: 1, turn: 'none' },
    levels: [{ id: 'level-1', name: 'Paddle', set: {} }],
  };
}
