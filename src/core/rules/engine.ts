/**
 * The engine: one step over a flat, mutable state; reduce() is copy + step. Total: a wrong event is an answer with a reason.
 */
import { AT, Do, FINISH_REASONS, Look, Op, type CompiledCond, type CompiledEffect, type Program } from './compile';
import type { FinishReason } from './game';
import type { PlayEvent } from './play';

export type State = Int32Array;

/** Why an event was not taken. */
export type Refusal =
  | 'finished' // the go is over
  | 'late' // after the clock ran out, and not a ball that was still in the air
  | 'earlier' // its time is before the event that came last
  | 'paused' // nothing happens while the clock is stopped
  | 'not-paused'
  | 'owes' // an exercise is owed first
  | 'nothing-owed'
  | 'unknown-end'
  | 'not-standing' // a pin or target that is not up
  | 'no-choice' // the order is not free, or there is no such element
  | 'not-in-this-game'; // an event that the rules have no use for

const REFUSALS: readonly Refusal[] = [
  'finished',
  'late',
  'earlier',
  'paused',
  'not-paused',
  'owes',
  'nothing-owed',
  'unknown-end',
  'not-standing',
  'no-choice',
  'not-in-this-game',
];
const code = (refusal: Refusal) => REFUSALS.indexOf(refusal) + 1;
const FINISHED = code('finished');
const LATE = code('late');
const EARLIER = code('earlier');
const PAUSED = code('paused');
const NOT_PAUSED = code('not-paused');
const OWES = code('owes');
const NOTHING_OWED = code('nothing-owed');
const UNKNOWN_END = code('unknown-end');
const NOT_STANDING = code('not-standing');
const NO_CHOICE = code('no-choice');
const NOT_IN_GAME = code('not-in-this-game');

/** How long after the whistle a ball that was in the air may be tapped in. Assumed. */
export const IN_FLIGHT_GRACE_MS = 3000;

export const enum Kind {
  attempt,
  gateDone,
  tally,
  choose,
  pause,
  resume,
  finish,
}

export function start(program: Program): State {
  const state = new Int32Array(program.size);
  restart(program, state);
  return state;
}

/** Puts a state back to the start of a go, in place. */
export function restart(program: Program, state: State): void {
  state.fill(0);
  state[AT.pausedSince] = -1;
  for (const group of program.groups) state[group.offset + 1] = group.full;
}

/** Milliseconds of play so far: the time of the last event less the pauses. */
export function playedMs(state: State): number {
  return state[AT.lastT]! - state[AT.pausedMs]!;
}

function popCount(mask: number): number {
  let bits = mask - ((mask >>> 1) & 0x55555555);
  bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333);
  return (((bits + (bits >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

function holds(cond: CompiledCond, state: State, end: number, seen: number): boolean {
  let found: number;
  switch (cond.look) {
    case Look.end:
      found = end;
      break;
    case Look.seen:
      found = seen;
      break;
    case Look.attempts:
      found = state[AT.attempts]!;
      break;
    case Look.carry:
      found = state[AT.carryNext]!;
      break;
    case Look.seconds:
      found = Math.floor((state[AT.lastT]! - state[AT.pausedMs]!) / 1000);
      break;
    case Look.left:
      found = popCount(state[cond.offset]!);
      break;
    case Look.at:
      found = state[cond.offset]! + 1;
      break;
    case Look.counter:
      found = state[cond.offset]!;
      break;
  }
  if (cond.op === Op.equal) return found === cond.value;
  return cond.op === Op.atLeast ? found >= cond.value : found <= cond.value;
}

function allHold(conds: readonly CompiledCond[], state: State, end: number, seen: number): boolean {
  for (let i = 0; i < conds.length; i += 1) if (!holds(conds[i]!, state, end, seen)) return false;
  return true;
}

function finish(state: State, why: number): void {
  state[AT.phase] = 1;
  state[AT.why] = why;
}

const GOAL = FINISH_REASONS.indexOf('goal');
const TIME = FINISH_REASONS.indexOf('time');

function apply(program: Program, state: State, effect: CompiledEffect, seen: number): void {
  const times = effect.timesCarry ? 1 + state[AT.carryNext]! : 1;
  switch (effect.do) {
    case Do.addFixed:
      state[effect.offset]! += effect.amount * times;
      return;
    case Do.addSeen:
      state[effect.offset]! += seen * times;
      return;
    case Do.addValue: {
      const group = program.groups[effect.group]!;
      state[effect.offset]! += group.values[state[group.offset]!]! * times;
      return;
    }
    case Do.setFixed:
      state[effect.offset] = effect.seen ? seen : effect.amount;
      return;
    case Do.keepMax:
      state[effect.offset] = Math.max(state[effect.offset]!, effect.seen ? seen : effect.amount);
      return;
    case Do.keepMin:
      state[effect.offset] = Math.min(state[effect.offset]!, effect.seen ? seen : effect.amount);
      return;
    case Do.go: {
      const group = program.groups[effect.group]!;
      let at = state[group.offset]! + effect.amount;
      if (at < 0) at = 0;
      if (at >= group.n) {
        if (group.end === 'finish') finish(state, GOAL);
        at = group.end === 'wrap' ? 0 : group.n - 1;
      }
      state[group.offset] = at;
      return;
    }
    case Do.mark: {
      const group = program.groups[effect.group]!;
      state[group.offset + 1]! &= ~(1 << state[group.offset]!);
      return;
    }
    case Do.reset: {
      const group = program.groups[effect.group]!;
      state[group.offset + 1] = group.full;
      return;
    }
    case Do.owe:
      state[effect.offset]! += effect.amount;
      return;
    case Do.nextTask:
      state[AT.task] = (state[AT.task]! + 1) % program.tasks.length;
      return;
    case Do.finish:
      finish(state, effect.amount);
      return;
  }
}

/**
 * One event on the state, in place. `a` is the index of the end, the mask of felled elements, the count, the length in millimetres,
 * the gate, the row or the element chosen; `b` the mask of flags, or of a tally its number; `c` of a tally its element.
 * Returns 0 when taken, else the code of the refusal; a refused event leaves the state as it was.
 */
export function step(program: Program, state: State, kind: Kind, t: number, a: number, b: number, c = 0): number {
  if (state[AT.phase] !== 0) return FINISHED;
  if (t < state[AT.lastT]!) return EARLIER;
  if (kind === Kind.resume) {
    if (state[AT.pausedSince]! < 0) return NOT_PAUSED;
    state[AT.pausedMs]! += t - state[AT.pausedSince]!;
    state[AT.pausedSince] = -1;
    state[AT.lastT] = t;
    return 0;
  }
  const paused = state[AT.pausedSince]! >= 0;
  if (paused && kind !== Kind.finish) return PAUSED;
  const clockMs = (paused ? state[AT.pausedSince]! : t) - state[AT.pausedMs]!;
  const down = program.clockDownMs;

  switch (kind) {
    case Kind.attempt: {
      if (down > 0 && clockMs > down + (program.inFlightCounts ? IN_FLIGHT_GRACE_MS : 0)) return LATE;
      for (let g = 0; g < program.gates.length; g += 1) if (state[program.gates[g]!.offset]! > 0) return OWES;
      const task = program.tasks[state[AT.task]!]!;
      let seen = a;
      if (task.see === 'end') {
        if (a < 0 || a >= task.ends.length) return UNKNOWN_END;
      } else if (task.see === 'felled') {
        const standing = task.at >= 0 ? state[program.groups[task.at]!.offset + 1]! : 0;
        if ((a & ~standing) !== 0) return NOT_STANDING;
        // What fell lies there before the rules look at it.
        if (task.at >= 0) state[program.groups[task.at]!.offset + 1]! &= ~a;
        seen = popCount(a);
      }
      // A target that was taken away or a mark that is out cannot be tried again; it is the child's choice to move on.
      const from = task.from >= 0 ? program.groups[task.from]! : undefined;
      if (from && (state[from.offset + 1]! & (1 << state[from.offset]!)) === 0) return NOT_STANDING;
      state[AT.lastT] = t;
      if (task.see === 'end' && (task.successMask & (1 << a)) !== 0) state[AT.successes]! += 1;
      attempt(program, state, task.see === 'end' ? a : -1, seen, b);
      if (state[AT.phase] === 0 && down > 0 && clockMs >= down) finish(state, TIME);
      return 0;
    }
    case Kind.tally: {
      const row = program.rows[a];
      if (!row || row.validity !== 'counts') return NOT_IN_GAME;
      const group = row.tallyGroup >= 0 ? program.groups[row.tallyGroup]! : undefined;
      if (c < 0 || c >= (group?.n ?? 1)) return NO_CHOICE;
      state[AT.lastT] = t;
      for (const effect of row.effects) {
        if (effect.do === Do.addFixed) state[effect.offset]! += effect.amount * b;
        if (effect.do === Do.addValue) state[effect.offset]! += program.groups[effect.group]!.values[c]! * b;
      }
      state[row.tally + c]! += b;
      state[AT.attempts]! += b;
      if (tallyIsSuccess(program, a)) state[AT.successes]! += b;
      return 0;
    }
    case Kind.gateDone: {
      const gate = program.gates[a];
      if (!gate) return NOT_IN_GAME;
      if (state[gate.offset] === 0) return NOTHING_OWED;
      state[gate.offset] = 0;
      state[AT.lastT] = t;
      return 0;
    }
    case Kind.choose: {
      const group = program.groups[a];
      if (!group || b < 0 || b >= group.n) return NO_CHOICE;
      const apart = Math.abs(b - state[group.offset]!);
      if (group.order === 'fixed' || (group.order === 'either-way' && apart > 1)) return NO_CHOICE;
      if ((state[group.offset + 1]! & (1 << b)) === 0) return NOT_STANDING;
      state[group.offset] = b;
      state[AT.lastT] = t;
      return 0;
    }
    case Kind.pause:
      state[AT.pausedSince] = t;
      state[AT.lastT] = t;
      return 0;
    case Kind.finish:
      if (paused) {
        state[AT.pausedMs]! += t - state[AT.pausedSince]!;
        state[AT.pausedSince] = -1;
      }
      state[AT.lastT] = t;
      finish(state, down > 0 && clockMs >= down ? TIME : 0);
      return 0;
  }
}

function tallyIsSuccess(program: Program, rowIndex: number): boolean {
  const successMask = program.tasks[0]!.successMask;
  return program.rows[rowIndex]!.conds.some((cond) => cond.look === Look.end && (successMask & (1 << cond.value)) !== 0);
}

function attempt(program: Program, state: State, end: number, seen: number, flags: number): void {
  const rows = program.rows;
  let counted = true;
  for (let r = 0; r < rows.length; r += 1) {
    const row = rows[r]!;
    if (!allHold(row.conds, state, end, seen)) continue;
    counted = row.validity !== 'replay';
    if (counted) state[row.tally + (row.tallyGroup >= 0 ? state[program.groups[row.tallyGroup]!.offset]! : 0)]! += 1;
    const effects = row.effects;
    for (let e = 0; e < effects.length; e += 1) apply(program, state, effects[e]!, seen);
    if (counted) {
      // What this attempt carried is used up: the register behind it moves down, and the row adds its own.
      state[AT.carryNext] = state[AT.carryAfter]! + row.carryNext;
      state[AT.carryAfter] = row.carryAfter;
    }
    break;
  }
  if (counted) state[AT.attempts]! += 1;
  for (let f = 0; f < program.also.length; f += 1) {
    if ((flags & (1 << f)) === 0) continue;
    const effects = program.also[f]!;
    for (let e = 0; e < effects.length; e += 1) apply(program, state, effects[e]!, seen);
  }
  if (state[AT.phase] !== 0) return;
  for (let s = 0; s < program.stops.length; s += 1) {
    if (allHold(program.stops[s]!.conds, state, end, seen)) {
      finish(state, program.stops[s]!.why);
      return;
    }
  }
}

/** An event of the format as the numbers that step() takes, or the reason why it cannot be one of this game. */
function encode(program: Program, state: State, event: PlayEvent): { kind: Kind; a: number; b: number; c: number } | Refusal {
  const task = program.tasks[state[AT.task]!]!;
  switch (event.do) {
    case 'attempt': {
      let flags = 0;
      for (const flag of event.flags ?? []) {
        const index = task.flags.indexOf(flag);
        if (index < 0) return 'not-in-this-game';
        flags |= 1 << index;
      }
      const of = (a: number | undefined) => (a === undefined ? ('not-in-this-game' as const) : { kind: Kind.attempt, a, b: flags, c: 0 });
      switch (task.see) {
        case 'end':
          return event.end === undefined || !task.ends.includes(event.end) ? 'unknown-end' : of(task.ends.indexOf(event.end));
        case 'felled':
          return of(event.felled?.reduce((mask, pin) => mask | (1 << pin), 0));
        case 'count':
          return of(event.count);
        case 'length':
          return of(event.lengthMm);
        case 'face':
          return of(event.face);
        case 'text':
          return of(0);
      }
    }
    // falls through never: every case above returns
    case 'gateDone':
      return { kind: Kind.gateDone, a: program.gates.findIndex((gate) => gate.id === event.gate), b: 0, c: 0 };
    case 'tally':
      return { kind: Kind.tally, a: event.row, b: event.n, c: event.at ?? 0 };
    case 'choose':
      return { kind: Kind.choose, a: program.groups.findIndex((group) => group.id === event.group), b: event.to, c: 0 };
    case 'pause':
      return { kind: Kind.pause, a: 0, b: 0, c: 0 };
    case 'resume':
      return { kind: Kind.resume, a: 0, b: 0, c: 0 };
    case 'finish':
      return { kind: Kind.finish, a: 0, b: 0, c: 0 };
    case 'swap':
    case 'void':
      return 'not-in-this-game';
  }
}

export interface Reduced {
  readonly state: State;
  readonly refusal: Refusal | null;
}

/** The state after one more event; the given state is not changed. A refused event gives the same state and the reason. */
export function reduce(program: Program, state: State, event: PlayEvent): Reduced {
  const encoded = encode(program, state, event);
  if (typeof encoded === 'string') return { state, refusal: encoded };
  const next = state.slice();
  const refused = step(program, next, encoded.kind, event.t, encoded.a, encoded.b, encoded.c);
  return refused === 0 ? { state: next, refusal: null } : { state, refusal: REFUSALS[refused - 1]! };
}

export interface Replayed {
  readonly state: State;
  /** The events that the engine refused, by their number in the list. */
  readonly refused: readonly { readonly index: number; readonly reason: Refusal }[];
}

/** Plays a whole list of events. Refused events are left out and told. */
export function replay(program: Program, events: readonly PlayEvent[]): Replayed {
  let state = start(program);
  const refused: { index: number; reason: Refusal }[] = [];
  events.forEach((event, index) => {
    const reduced = reduce(program, state, event);
    state = reduced.state;
    if (reduced.refusal) refused.push({ index, reason: reduced.refusal });
  });
  return { state, refused };
}

/**
 * The list without the last attempt, exercise or count, and without the choices of a mark made after it; replaying it is the undo. Pauses
 * stay: they happened.
 */
export function undo(events: readonly PlayEvent[]): readonly PlayEvent[] {
  const last = events.findLastIndex((event) => event.do === 'attempt' || event.do === 'gateDone' || event.do === 'tally');
  return last < 0 ? events : events.filter((event, index) => index < last || (index > last && event.do !== 'choose' && event.do !== 'finish'));
}

export function finishedWhy(state: State): FinishReason | null {
  return state[AT.phase] === 0 ? null : FINISH_REASONS[state[AT.why]!]!;
}
