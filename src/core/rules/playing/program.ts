/**
 * What compile() makes of a game and the engine plays on: one flat Int32Array with a head (AT) and then one block for each part, go and side
 * of the card. All offsets in the tables are from the start of a block, so that the same tables serve every side and every go.
 */
import type { FinishReason, Game, Part, Task } from '../format/game';

/** Version of the rules' meaning; stored with every verdict. Raise it when a play could come out differently. */
export const ENGINE_VERSION = 3;

/** Of a go: changed in place by every event. */
export type State = Int32Array;

/** Places in the head of the state. */
export const AT = {
  phase: 0,
  why: 1,
  lastT: 2,
  /** Milliseconds of this part that were not played: pauses, and exercises off the clock. */
  idleMs: 3,
  /** Since when the clock has been stopped; −1: it runs. */
  pausedSince: 4,
  /** Since when an exercise off the clock has been owed; −1: none. */
  heldSince: 5,
  part: 6,
  go: 7,
  side: 8,
  /** Where the block of this part, go and side begins. */
  base: 9,
  startT: 10,
  /** The moment from which the running clock counts, moved on by what was not played. */
  clockT: 11,
  sidesDone: 12,
  /** Why the part will end when the others have had their turn, plus one; 0: it will not. */
  ending: 13,
  /** How the go is counted: a Mode. */
  mode: 14,
  /** What fell in the attempt that came last. */
  fell: 15,
  /** The rule that spoke of it, by its number; −1 for none. */
  row: 16,
  /** The groups that it led past their last element, as bits. */
  passed: 17,
  /** The one of them that the child said should stay down; −1 where it did not say. */
  kept: 18,
  first: 19,
} as const;

export const enum Phase {
  playing,
  finished,
  between,
}

export const enum Mode {
  attempts,
  successes,
  parts,
}

/** Places in a block before its groups, counters, gates and tallies. */
export const B = { attempts: 0, successes: 1, stage: 2, carryNext: 3, carryAfter: 4, usedMs: 5, why: 6, playedMs: 7, first: 8 } as const;

/** The value of a counter that keeps the smallest before there is one. */
export const UNSET = 0x7fffffff;

export const FINISH_REASONS: readonly FinishReason[] = [
  'stopped',
  'time',
  'goal',
  'attempts',
  'cap',
  'all-out',
  'target-score',
  'rounds',
  'given-up',
];

export const enum Op {
  equal,
  atLeast,
  atMost,
}

export const enum Look {
  end,
  seen,
  attempts,
  carry,
  seconds,
  left,
  at,
  counter,
  flag,
  stage,
  row,
  passed,
}

export interface CompiledCond {
  readonly look: Look;
  /** Offset in the block, or the bit of a flag, for looks that have one. */
  readonly offset: number;
  readonly op: Op;
  readonly value: number;
}

export const enum Do {
  add,
  addOthers,
  set,
  keepMax,
  keepMin,
  go,
  mark,
  reset,
  restore,
  owe,
  stage,
  turn,
}

export const enum From {
  fixed,
  seen,
  value,
  cell,
  cellPlusOne,
  left,
}

export interface CompiledEffect {
  readonly do: Do;
  /** Offset in the block that the effect changes. */
  readonly offset: number;
  /** Where the amount comes from, and the number, the group or the offset that goes with it. */
  readonly from: From;
  readonly amount: number;
  readonly group: number;
  readonly timesCarry: boolean;
}

export interface CompiledRow {
  /** Its number in the part's list. */
  readonly index: number;
  readonly conds: readonly CompiledCond[];
  /** The try is used up. */
  readonly counts: boolean;
  /** It may be the farthest that succeeded. */
  readonly keeps: boolean;
  /** It never was: the clock gives back what passed since the event before it. */
  readonly givesBack: boolean;
  readonly effects: readonly CompiledEffect[];
  /** How often the next ball, and the one after it, count extra because of this row. */
  readonly carryNext: number;
  readonly carryAfter: number;
  /** The set stands again after this row: a frame is over. */
  readonly endsFrame: boolean;
  /** Where this row's tally starts, and the group whose element tells the tallies apart (−1: one tally). */
  readonly tally: number;
  readonly tallyGroup: number;
}

/** Rows in their order, with each of their conditions once: an attempt looks at every condition once and then compares bits. */
export interface RowSet {
  readonly rows: readonly CompiledRow[];
  readonly conds: readonly CompiledCond[];
  /** For each row the bits of the conditions that must hold. */
  readonly needs: Int32Array;
}

export interface CompiledGroup {
  readonly id: string;
  readonly kind: Part['groups'][string]['kind'];
  readonly n: number;
  readonly order: 'fixed' | 'either-way' | 'free';
  readonly end: 'stay' | 'wrap' | 'finish';
  readonly full: number;
  readonly values: Int32Array;
  /** Offset of the current element; the mask of those still up stands behind it. */
  readonly offset: number;
  /** Offset of the counter that says how many a reset puts up; −1: all. */
  readonly up: number;
}

export interface CompiledStage {
  readonly id: string;
  readonly see: Task['see'];
  readonly hasEnds: boolean;
  /** The ends of the whole part; an attempt names one by its place here. */
  readonly ends: readonly string[];
  /** Those of this task, as bits. */
  readonly endMask: number;
  readonly successMask: number;
  readonly flags: readonly string[];
  readonly from: number;
  readonly at: number;
  readonly atWhistle: boolean;
  /** The rows that may match an attempt with each end; for a task without ends the one list of all. */
  readonly rowsFor: readonly RowSet[];
}

export interface CompiledGate {
  readonly id: string;
  readonly offset: number;
  readonly n: number;
  readonly onClock: boolean;
  readonly before: 'attempt' | 'round' | null;
  /** Faces that let the child go on, as bits; −1: no chance in it. */
  readonly passes: number;
  /** How many faces a toss can show; 0: no chance in it. */
  readonly faces: number;
}

export interface PartProgram {
  readonly part: Part;
  readonly index: number;
  /** Where the first block of this part begins, and how long a block is. */
  readonly base: number;
  readonly blockSize: number;
  readonly goes: number;
  readonly groups: readonly CompiledGroup[];
  readonly counterOffset: (counter: string) => number;
  readonly gates: readonly CompiledGate[];
  readonly gatesBefore: boolean;
  /** Of several that fell at once all but one may be put up again: the child says which. */
  readonly keepsOne: boolean;
  readonly stages: readonly CompiledStage[];
  readonly rows: readonly CompiledRow[];
  /** Counters that hold the farthest place of a group from which a try succeeded. */
  readonly kept: readonly { readonly offset: number; readonly group: number }[];
  readonly also: readonly (readonly CompiledEffect[])[];
  readonly oneFlag: boolean;
  readonly stops: readonly { readonly conds: readonly CompiledCond[]; readonly why: number; readonly onAttempts: boolean }[];
  readonly clockDownMs: number;
  readonly clockPer: 'part' | 'item' | 'side';
  readonly inFlightCounts: boolean;
  /** What the card must be like for this part to be played: 1 level, 0 not level, −1 it does not matter. */
  readonly whenLevel: number;
  /** True when the score can be told from the successes alone, so that nobody has to tap a miss. */
  readonly successesTell: boolean;
}

export interface Program {
  readonly game: Game;
  readonly parts: readonly PartProgram[];
  readonly sides: number;
  readonly turn: Game['sides']['turn'];
  readonly lastTurnLevel: boolean;
  readonly joint: boolean;
  readonly size: number;
  /** The state at the start of a go. */
  readonly initial: Int32Array;
}
