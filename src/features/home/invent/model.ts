/** A game of a child's own while it is put together: what is put down, picked up, moved, taken off, answered. No interface here. */
import type { INVENT_OBSTACLES } from '@/core/invent/plan';
import { INVENT_FLOOR, MOST_MARKS, MOST_OBSTACLES, type InventedPlan } from '@/core/invent/plan';

export type InventPick = { readonly kind: 'target' } | { readonly kind: 'mark' | 'obstacle'; readonly index: number };

export type Putting = 'target' | 'mark' | (typeof INVENT_OBSTACLES)[number];

interface Spot {
  readonly xM: number;
  readonly yM: number;
}

const EDGE_M = 0.15;
const GRID_M = 0.05;
const STEP_OF_KEYS_M = 0.1;

const onGrid = (lengthM: number, mostM: number) => Math.round(Math.min(mostM - EDGE_M, Math.max(EDGE_M, lengthM)) / GRID_M) / Math.round(1 / GRID_M);

/** The spot of the grid nearest to it, with all of a thing on the floor. */
export const insideInvented = ({ xM, yM }: Spot): Spot => ({ xM: onGrid(xM, INVENT_FLOOR.widthM), yM: onGrid(yM, INVENT_FLOOR.depthM) });

export const MIDDLE: Spot = { xM: INVENT_FLOOR.widthM / 2, yM: INVENT_FLOOR.depthM / 2 };

/** One thing more on the floor, if there may be; the one target goes there. A mark farther down the list is worth a point more. */
export function withPutDown(plan: InventedPlan, putting: Putting, at: Spot): InventedPlan {
  const spot = insideInvented(at);
  if (putting === 'target') return { ...plan, target: { ...plan.target, ...spot } };
  if (putting === 'mark')
    return plan.marks.length < MOST_MARKS ? { ...plan, marks: [...plan.marks, { ...spot, points: plan.marks.length + 1 }] } : plan;
  return plan.obstacles.length < MOST_OBSTACLES ? { ...plan, obstacles: [...plan.obstacles, { ...spot, object: putting }] } : plan;
}

export function withMoved(plan: InventedPlan, what: InventPick, to: Spot): InventedPlan {
  const spot = insideInvented(to);
  if (what.kind === 'target') return { ...plan, target: { ...plan.target, ...spot } };
  if (what.kind === 'mark') return { ...plan, marks: plan.marks.map((mark, at) => (at === what.index ? { ...mark, ...spot } : mark)) };
  return { ...plan, obstacles: plan.obstacles.map((one, at) => (at === what.index ? { ...one, ...spot } : one)) };
}

/** The target stays: a game needs one. */
export function withTakenOff(plan: InventedPlan, what: InventPick): InventedPlan {
  if (what.kind === 'mark') return { ...plan, marks: plan.marks.filter((_, at) => at !== what.index) };
  if (what.kind === 'obstacle') return { ...plan, obstacles: plan.obstacles.filter((_, at) => at !== what.index) };
  return plan;
}

export const withPoints = (plan: InventedPlan, index: number, points: number): InventedPlan => ({
  ...plan,
  marks: plan.marks.map((mark, at) => (at === index ? { ...mark, points } : mark)),
});

export const isSame = (one: InventPick | null, other: InventPick): boolean =>
  one !== null && one.kind === other.kind && (one.kind === 'target' || other.kind === 'target' || one.index === other.index);

/** Where an arrow key takes a thing; null for another key. */
export function byKey(key: string, { xM, yM }: Spot): Spot | null {
  const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
  return by ? { xM: xM + by[0]! * STEP_OF_KEYS_M, yM: yM + by[1]! * STEP_OF_KEYS_M } : null;
}

/** How long a go lasts, as the value of a choice: "s60", "n10". */
export const stopId = ({ stop }: InventedPlan): string => (stop.kind === 'seconds' ? `s${stop.s}` : `n${stop.n}`);

export function withStop(plan: InventedPlan, id: string): InventedPlan {
  const figure = Number(id.slice(1));
  return { ...plan, stop: id.startsWith('s') ? { kind: 'seconds', s: figure } : { kind: 'attempts', n: figure } };
}
