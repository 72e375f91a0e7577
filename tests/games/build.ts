/** Writes games in few words: what differs is said, the rest is usual. */
import type { Clock, Cond, Effect, End, Game, Gate, Group, Measure, PlacedTarget, Part, Row, Stop, Task } from '@/core/rules/game';
import { GAME_FORMAT } from '@/core/rules/formats';
import type { PlayEvent } from '@/core/rules/play';

export const add = (
  counter: string,
  amount: Extract<Effect, { do: 'add' }>['amount'] = 1,
  more: Partial<Extract<Effect, { do: 'add' }>> = {},
): Effect => ({
  do: 'add',
  counter,
  amount,
  ...more,
});
export const go = (group: string, to: 'next' | 'back' | 'first' = 'next'): Effect => ({ do: 'go', group, to });
export const owe = (gate: string): Effect => ({ do: 'owe', gate });
export const reset = (group: string): Effect => ({ do: 'reset', group });
export const finish: Effect = { do: 'finish', why: 'goal' };

/** A rule for an end, with what else must hold. */
export const on = (end: string, effects: readonly Effect[] = [], more: readonly Cond[] = [], validity: Row['validity'] = 'counts'): Row => ({
  if: [['end', '=', end], ...more],
  validity,
  do: effects,
});
export const when = (conds: readonly Cond[], effects: readonly Effect[] = [], validity: Row['validity'] = 'counts'): Row => ({
  if: conds,
  validity,
  do: effects,
});

/** Ends as "id: what it is", success first, a dash before what is none. */
export const ends = (...written: readonly string[]): End[] =>
  written.map((one) => {
    const [, dash, id, says] = /^(-?)(\S+): (.+)$/.exec(one)!;
    return { id: id!, label: says!.slice(0, 30), says: says!, as: dash ? 'failure' : 'success' };
  });

export const down = (s: number, more: Partial<Clock> = {}): Clock => ({ kind: 'down', s, per: 'part', ...more });
export const NONE: Clock = { kind: 'none', s: 0, per: 'part' };
export const WATCH: Clock = { kind: 'up', s: 0, per: 'part' };
export const after = (n: number): Stop => ({ if: [['attempts', '>=', n]], why: 'attempts' });
export const sum = (of: Readonly<Record<string, number>>, unit: string, more: Partial<Measure> = {}): Measure => ({
  of: { sum: of },
  unit,
  better: 'high',
  ...more,
});
export const TIME: Measure = { of: 'clock', unit: 'seconds', better: 'low' };

export const marks = (n: number, more: Partial<Group> = {}): Group => ({ kind: 'place', n, order: 'fixed', end: 'stay', ...more });
export const targets = (n: number, more: Partial<Group> = {}): Group => ({
  kind: 'target',
  n,
  order: n === 1 ? 'fixed' : 'free',
  end: 'stay',
  ...more,
});
export const pins = (n: number, more: Partial<Group> = {}): Group => ({ kind: 'pin', n, order: 'fixed', end: 'stay', ...more });

export const exercise = (what: string, n: number, more: Partial<Gate> = {}): Gate => ({ kind: 'exercise', what, n, onClock: true, ...more });

type PartSaid = Pick<Part, 'counters' | 'rows' | 'measure'> & { readonly tasks: readonly (Partial<Task> & Pick<Task, 'see'>)[] } & Partial<
    Omit<Part, 'tasks'>
  >;

export const part = ({ tasks, ...said }: PartSaid): Part => ({
  id: 'main',
  goes: { n: 1, keep: 'best' },
  groups: {},
  gates: {},
  clock: NONE,
  stop: [],
  ...said,
  tasks: tasks.map((task, index) => ({ id: `task-${index + 1}`, technique: 'underarm', ...task })),
});

/** The object that a group of targets or pins is made of. */
type Objects = Readonly<Record<string, PlacedTarget['object']>>;

/** A game whose groups are laid out in rows: marks on the left, what is aimed at on the right. */
export function game(title: string, parts: readonly Part[], objects: Objects = {}, more: Partial<Game> = {}): Game {
  const places: Record<string, { xM: number; yM: number }[]> = {};
  const aimed: Record<string, PlacedTarget[]> = {};
  for (const { groups } of parts)
    for (const [id, { kind, n }] of Object.entries(groups)) {
      const row = (xM: number, gapM: number) => Array.from({ length: n }, (_, index) => ({ xM, yM: 0.5 + index * gapM }));
      if (kind === 'place') places[id] = row(1, 0.6);
      if (kind === 'target' || kind === 'pin')
        aimed[id] = row(5, 0.3).map((spot) => ({ ...spot, object: objects[id] ?? 'laundry-basket', turnRad: 0, standM: 0 }));
    }
  return {
    format: GAME_FORMAT,
    title,
    ageYears: 8,
    aim: 'Play it as well as you can',
    kit: { implement: 'sock-ball', marker: 'sock' },
    course: { floor: { widthM: 12, depthM: 12, surface: 'hard' }, furniture: [], places, targets: aimed },
    parts,
    card: { combine: 'sum', better: parts[0]!.measure.better },
    sides: { n: 1, turn: 'none' },
    levels: [{ id: 'level-1', name: 'Only', set: {} }],
    ...more,
  };
}

/** Tries that ended so, so many seconds apart. */
export const tries = (words: string, everyS = 4): PlayEvent[] =>
  words.split(' ').map((end, index) => ({ do: 'attempt', t: (index + 1) * everyS * 1000, end }));
/** How many fell with each ball. */
export const fell = (...counts: readonly number[]): PlayEvent[] => counts.map((count, index) => ({ do: 'attempt', t: (index + 1) * 4000, count }));
/** Events one after the other, each some seconds behind the one before, whatever their own times. */
export function inTurn(everyS: number, ...lists: readonly (readonly (PlayEvent | Omit<PlayEvent, 't'>)[])[]): PlayEvent[] {
  return lists.flat().map((event, index) => ({ ...event, t: (index + 1) * everyS * 1000 }) as PlayEvent);
}

export interface Practised {
  /** The row of the practice that it is a kind of. */
  readonly kind: string;
  readonly game: Game;
  readonly play: readonly PlayEvent[];
  /** Worked by hand; null for not finished. */
  readonly value: number | null;
}
