/**
 * The engine: step() runs the tables of compile() over one flat state, in place and without allocation. Pure and total: a wrong event is an
 * answer with a reason, never an exception. Events of the format are played on it by replay.ts.
 */
import {
  AT,
  B,
  Do,
  FINISH_REASONS,
  From,
  Look,
  Mode,
  Op,
  Phase,
  type CompiledCond,
  type CompiledEffect,
  type CompiledGroup,
  type PartProgram,
  heldAtStart,
  type Program,
  type RowSet,
} from './compile';
import type { FinishReason } from '../format/game';
import type { CountingWay } from '../format/play';
import { capOf } from '../format/unfinished';

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
  | 'not-in-this-game' // an event that the rules have no use for
  | 'not-begun' // the next part has not been started
  | 'not-yet' // the clock has not got there
  | 'misses-unknown'; // only successes are counted in this go

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
  'not-begun',
  'not-yet',
  'misses-unknown',
];
/** The refusal that an answer of step() stands for; undefined for 0. */
export const refusalOf = (answer: number): Refusal | undefined => REFUSALS[answer - 1];

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
const NOT_BEGUN = code('not-begun');
const NOT_YET = code('not-yet');
const MISSES_UNKNOWN = code('misses-unknown');

/** How long after the whistle a ball that was in the air may be tapped in. Assumed. */
export const IN_FLIGHT_GRACE_MS = 3000;

export const enum Kind {
  attempt,
  gateDone,
  tally,
  tallyCounter,
  choose,
  swap,
  pause,
  resume,
  void,
  begin,
  finish,
}

const MODES: Readonly<Record<CountingWay, Mode>> = { attempts: Mode.attempts, successes: Mode.successes, parts: Mode.parts };

export function start(program: Program, counting: CountingWay = 'attempts'): State {
  const state = program.initial.slice();
  state[AT.mode] = MODES[counting];
  return state;
}

/** Puts a state back to the start of a go, in place. */
export function restart(program: Program, state: State): void {
  const mode = state[AT.mode]!;
  state.set(program.initial);
  state[AT.mode] = mode;
}

/** Milliseconds of play so far in the part that is on: the time of the last event less what was not played. */
export function playedMs(state: State): number {
  return state[AT.lastT]! - state[AT.startT]! - state[AT.idleMs]!;
}

export function popCount(mask: number): number {
  let bits = mask - ((mask >>> 1) & 0x55555555);
  bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333);
  return (((bits + (bits >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

/** True when no element that is up lies between two: either way one goes on to the next that is not done. */
export function isNext(mask: number, from: number, to: number): boolean {
  const [low, high] = from < to ? [from, to] : [to, from];
  for (let one = low + 1; one < high; one += 1) if ((mask & (1 << one)) !== 0) return false;
  return true;
}

function holds(cond: CompiledCond, state: State, base: number, end: number, seen: number, flags: number): boolean {
  let found: number;
  switch (cond.look) {
    case Look.end:
      found = end;
      break;
    case Look.seen:
      found = seen;
      break;
    case Look.attempts:
      found = state[base + B.attempts]!;
      break;
    case Look.carry:
      found = state[base + B.carryNext]!;
      break;
    case Look.seconds:
      found = Math.floor(playedMs(state) / 1000);
      break;
    case Look.left:
      found = popCount(state[base + cond.offset]!);
      break;
    case Look.at:
      found = state[base + cond.offset]! + 1;
      break;
    case Look.counter:
      found = state[base + cond.offset]!;
      break;
    case Look.flag:
      found = (flags >>> cond.offset) & 1;
      break;
  }
  if (cond.op === Op.equal) return found === cond.value;
  return cond.op === Op.atLeast ? found >= cond.value : found <= cond.value;
}

function allHold(conds: readonly CompiledCond[], state: State, base: number, end: number, seen: number, flags: number): boolean {
  for (let i = 0; i < conds.length; i += 1) if (!holds(conds[i]!, state, base, end, seen, flags)) return false;
  return true;
}

/** A reason as the number that step() takes. */
export const reason = (why: FinishReason) => FINISH_REASONS.indexOf(why);
const STOPPED = reason('stopped');
const ATTEMPTS = reason('attempts');
const TIME = reason('time');
const GOAL = reason('goal');
const TARGET_SCORE = reason('target-score');
const GIVEN_UP = reason('given-up');

function blockOf(program: Program, part: PartProgram, go: number, side: number): number {
  return program.joint ? part.base + go * part.blockSize : part.base + (go * program.sides + side) * part.blockSize;
}

/** Milliseconds that the running countdown has counted at this time. */
function clockMs(part: PartProgram, state: State, t: number): number {
  const running = t - state[AT.clockT]!;
  return part.clockPer === 'side' ? state[state[AT.base]! + B.usedMs]! + running : running;
}

function toSide(program: Program, part: PartProgram, state: State, side: number): void {
  const t = state[AT.lastT]!;
  if (part.clockPer === 'side') {
    state[state[AT.base]! + B.usedMs]! += t - state[AT.clockT]!;
    state[AT.clockT] = t;
  }
  state[AT.side] = side;
  state[AT.base] = blockOf(program, part, state[AT.go]!, side);
}

/** The next player whose part is not over. */
function nextSide(program: Program, part: PartProgram, state: State): void {
  const now = state[AT.side]!;
  for (let step = 1; step <= program.sides; step += 1) {
    const side = (now + step) % program.sides;
    // All have had as many turns as the one who reached the end.
    if (state[AT.ending]! > 0 && side <= now) return endPart(program, part, state, state[AT.ending]! - 1);
    if ((state[AT.sidesDone]! & (1 << side)) === 0) return toSide(program, part, state, side);
  }
}

/** One player has come to an end in this part. */
function endSide(program: Program, part: PartProgram, state: State, why: number): void {
  const base = state[AT.base]!;
  state[base + B.why] = why;
  state[base + B.playedMs] = playedMs(state);
  if (program.sides === 1 || program.joint) return endPart(program, part, state, why);
  state[AT.sidesDone]! |= 1 << state[AT.side]!;
  const reached = why === GOAL || why === TARGET_SCORE;
  const last = state[AT.side] === program.sides - 1;
  if (reached && !(program.lastTurnLevel && !last)) return endPart(program, part, state, why);
  if (reached) state[AT.ending] = why + 1;
  if (state[AT.sidesDone] === (1 << program.sides) - 1) return endPart(program, part, state, why);
  nextSide(program, part, state);
}

/** The part is over for everybody: on to the next go, the next part whose condition holds, or the end. */
function endPart(program: Program, part: PartProgram, state: State, why: number): void {
  const go = state[AT.go]!;
  const blocks = program.joint ? 1 : program.sides;
  for (let side = 0; side < blocks; side += 1) {
    const base = blockOf(program, part, go, side);
    if (state[base + B.why]! >= 0) continue;
    state[base + B.why] = why;
    state[base + B.playedMs] = playedMs(state);
  }
  state[AT.why] = why;
  state[AT.ending] = 0;
  if (go + 1 < part.goes) {
    state[AT.go] = go + 1;
    state[AT.phase] = Phase.between;
    return;
  }
  for (let next = part.index + 1; next < program.parts.length; next += 1) {
    const candidate = program.parts[next]!;
    if (candidate.whenLevel >= 0 && candidate.whenLevel !== (sidesLevel(program, state) ? 1 : 0)) continue;
    state[AT.part] = next;
    state[AT.go] = 0;
    state[AT.phase] = Phase.between;
    return;
  }
  state[AT.phase] = Phase.finished;
}

/** The sum of a part's measure for one side, or its time in milliseconds where time is what counts. */
export function rawScore(part: PartProgram, state: State, base: number): number {
  const { of } = part.part.measure;
  if (typeof of === 'string') return state[base + B.playedMs]!;
  let sum = 0;
  for (const [counter, weight] of Object.entries(of.sum)) sum += weight * state[base + part.counterOffset(counter)]!;
  return sum;
}

/** True when all players have won as many parts as each other (or, on a card that adds up, have the same sum). */
function sidesLevel(program: Program, state: State): boolean {
  const totals = new Array<number>(program.sides).fill(0);
  const wins = program.game.card.combine === 'wins';
  for (let p = 0; p <= state[AT.part]!; p += 1) {
    const part = program.parts[p]!;
    const most = capOf(part.part) ?? Infinity;
    const scores = totals.map((_, side) => Math.min(most, rawScore(part, state, blockOf(program, part, part.goes - 1, side))));
    const best = part.part.measure.better === 'high' ? Math.max(...scores) : Math.min(...scores);
    const alone = scores.filter((score) => score === best).length === 1;
    scores.forEach((score, side) => (totals[side]! += wins ? Number(alone && score === best) : score));
  }
  return totals.every((total) => total === totals[0]);
}

function amount(program: PartProgram, state: State, base: number, effect: CompiledEffect, seen: number): number {
  switch (effect.from) {
    case From.fixed:
      return effect.amount;
    case From.seen:
      return seen;
    case From.value: {
      const group = program.groups[effect.group]!;
      return group.values[state[base + group.offset]!]!;
    }
    case From.cell:
      return state[base + effect.amount]!;
    case From.cellPlusOne:
      return state[base + effect.amount]! + 1;
    case From.left:
      return popCount(state[base + effect.amount]!);
  }
}

function putUp(group: CompiledGroup, state: State, base: number): void {
  const up = group.up < 0 ? group.full : group.full & ((1 << Math.min(30, Math.max(0, state[base + group.up]!))) - 1);
  state[base + group.offset + 1] = up;
}

function owe(whole: Program, program: PartProgram, state: State, base: number, gateIndex: number): void {
  if (state[AT.mode] !== Mode.attempts) return;
  const gate = program.gates[gateIndex]!;
  state[base + gate.offset]! += gate.n;
  // Among several players the clock of the others runs on.
  if (!gate.onClock && whole.sides === 1 && state[AT.heldSince]! < 0) state[AT.heldSince] = state[AT.lastT]!;
}

const GOES_ON = -1;
const MOST_COUNTED = 1_000_000_000;

/** One effect, in place. Returns the reason when it ends the part for this player, else −1; a change of side waits for attempt(). */
function apply(whole: Program, program: PartProgram, state: State, base: number, effect: CompiledEffect, seen: number): number {
  const cell = base + effect.offset;
  switch (effect.do) {
    case Do.add:
      if (effect.from === From.fixed && !effect.timesCarry) state[cell]! += effect.amount;
      else {
        const more = amount(program, state, base, effect, seen) * (effect.timesCarry ? 1 + state[base + B.carryNext]! : 1);
        // Counters that feed each other double with every try: they stop before they wrap round.
        state[cell] = Math.max(-MOST_COUNTED, Math.min(MOST_COUNTED, state[cell]! + more));
      }
      return GOES_ON;
    case Do.addOthers: {
      const more = amount(program, state, base, effect, seen);
      for (let side = 0; side < whole.sides; side += 1) {
        if (side !== state[AT.side]) state[blockOf(whole, program, state[AT.go]!, side) + effect.offset]! += more;
      }
      return GOES_ON;
    }
    case Do.set:
      state[cell] = amount(program, state, base, effect, seen);
      return GOES_ON;
    case Do.keepMax:
      state[cell] = Math.max(state[cell]!, amount(program, state, base, effect, seen));
      return GOES_ON;
    case Do.keepMin:
      state[cell] = Math.min(state[cell]!, amount(program, state, base, effect, seen));
      return GOES_ON;
    case Do.go: {
      const group = program.groups[effect.group]!;
      let at = state[base + group.offset]! + effect.amount;
      if (at < 0) at = 0;
      if (at >= group.n) {
        if (group.end === 'finish') return GOAL;
        at = group.end === 'wrap' ? 0 : group.n - 1;
        if (group.end === 'wrap')
          for (let g = 0; g < program.gates.length; g += 1) if (program.gates[g]!.before === 'round') owe(whole, program, state, base, g);
      }
      state[base + group.offset] = at;
      return GOES_ON;
    }
    case Do.mark: {
      const group = program.groups[effect.group]!;
      state[base + group.offset + 1]! &= ~(1 << state[base + group.offset]!);
      return GOES_ON;
    }
    case Do.reset:
      putUp(program.groups[effect.group]!, state, base);
      return GOES_ON;
    case Do.restore: {
      const fell = state[AT.fell]!;
      if (fell > 0) state[base + program.groups[effect.group]!.offset + 1]! |= fell;
      return GOES_ON;
    }
    case Do.owe:
      owe(whole, program, state, base, effect.group);
      return GOES_ON;
    case Do.nextTask:
      state[base + B.task] = (state[base + B.task]! + 1) % program.tasks.length;
      return GOES_ON;
    case Do.nextSide:
      return GOES_ON;
    case Do.finish:
      return effect.amount;
  }
}

const NO_END = -1;

/**
 * One event on the state, in place. `a` is the index of the end, the mask of felled elements, the count, the length in millimetres,
 * the face, the gate, the row, the counter or the group; `b` the mask of flags, the number of a tally or the element chosen; `c` the
 * element of a tally. Returns 0 when taken, else the code of the refusal; a refused event leaves the state as it was.
 */
export function step(program: Program, state: State, kind: Kind, t: number, a: number, b: number, c = 0): number {
  if (state[AT.phase] === Phase.finished) return FINISHED;
  if (t < state[AT.lastT]!) return EARLIER;
  const part = program.parts[state[AT.part]!]!;
  if (state[AT.phase] === Phase.between) return between(program, part, state, kind, t, a);
  const base = state[AT.base]!;
  if (kind === Kind.resume) {
    if (state[AT.pausedSince]! < 0) return NOT_PAUSED;
    state[AT.lastT] = t;
    unpause(state, t);
    return 0;
  }
  const paused = state[AT.pausedSince]! >= 0;
  if (paused && kind !== Kind.finish) return PAUSED;
  const down = part.clockDownMs;

  switch (kind) {
    case Kind.attempt: {
      const task = part.tasks[state[base + B.task]!]!;
      if (state[AT.mode] === Mode.attempts) for (let g = 0; g < part.gates.length; g += 1) if (state[base + part.gates[g]!.offset]! > 0) return OWES;
      if (task.hasEnds) {
        if (a < 0 || (task.endMask & (1 << a)) === 0) return UNKNOWN_END;
        if (state[AT.mode] === Mode.successes && (task.successMask & (1 << a)) === 0) return MISSES_UNKNOWN;
      }
      const elapsed = clockMs(part, state, t);
      if (down > 0) {
        if (task.atWhistle) {
          if (elapsed < down) return NOT_YET;
        } else {
          const end = program.turn === 'half-time' && program.sides > 1 ? (down * (state[AT.side]! + 1)) / program.sides : down;
          // In a countdown for each item only a find can be too late: that nothing was found is known when the time is up.
          const mayBeLate = part.clockPer !== 'item' || !task.hasEnds || (task.successMask & (1 << a)) !== 0;
          if (mayBeLate && elapsed > end + (part.inFlightCounts ? IN_FLIGHT_GRACE_MS : 0)) return LATE;
        }
      }
      const from = task.from >= 0 ? part.groups[task.from]! : undefined;
      if (from && (state[base + from.offset + 1]! & (1 << state[base + from.offset]!)) === 0) return NOT_STANDING;
      let seen = a;
      if (task.at >= 0) {
        const at = part.groups[task.at]!;
        const standing = state[base + at.offset + 1]!;
        if (task.see === 'felled') {
          if ((a & ~standing) !== 0) return NOT_STANDING;
          // What fell lies there before the rules look at it.
          state[base + at.offset + 1] = standing & ~a;
          state[AT.fell] = a;
          seen = popCount(a);
        } else {
          if ((standing & (1 << state[base + at.offset]!)) === 0) return NOT_STANDING;
          state[AT.fell] = 0;
        }
      }
      state[AT.lastT] = t;
      const success = task.hasEnds ? (task.successMask & (1 << a)) !== 0 : task.see === 'felled' && seen > 0;
      if (success) state[base + B.successes]! += 1;
      attempt(program, part, state, base, task.hasEnds ? task.rowsFor[a]! : task.rowsFor[0]!, task.hasEnds ? a : NO_END, seen, b, success);
      if (state[AT.phase] === Phase.playing && state[AT.part] === part.index && down > 0 && state[base + B.why]! < 0) {
        if (part.clockPer === 'item') state[AT.clockT] = t;
        else if (elapsed >= down && state[AT.base] === base)
          if (part.clockPer === 'side') endSide(program, part, state, TIME);
          else endPart(program, part, state, TIME);
      }
      return 0;
    }
    case Kind.tally: {
      const row = part.rows[a];
      if (!row?.counts || b < 0) return NOT_IN_GAME;
      const group = row.tallyGroup >= 0 ? part.groups[row.tallyGroup]! : undefined;
      if (c < 0 || c >= (group?.n ?? 1)) return NO_CHOICE;
      state[AT.lastT] = t;
      for (const effect of row.effects) {
        if (effect.do !== Do.add) continue;
        if (effect.from === From.fixed) state[base + effect.offset]! += effect.amount * b;
        if (effect.from === From.value) state[base + effect.offset]! += part.groups[effect.group]!.values[c]! * b;
      }
      state[base + row.tally + c]! += b;
      state[base + B.attempts]! += b;
      if (rowIsSuccess(part, a)) state[base + B.successes]! += b;
      return 0;
    }
    case Kind.tallyCounter:
      state[AT.lastT] = t;
      state[base + a] = b;
      return 0;
    case Kind.gateDone: {
      const gate = part.gates[a];
      if (!gate) return NOT_IN_GAME;
      if (state[base + gate.offset] === 0) return NOTHING_OWED;
      state[AT.lastT] = t;
      // A gate of chance that says no stays shut: the child tries it again.
      if (gate.passes >= 0 && (gate.passes & (1 << b)) === 0) return 0;
      state[base + gate.offset] = 0;
      if (state[AT.heldSince]! >= 0 && part.gates.every((other) => other.onClock || state[base + other.offset] === 0)) {
        idle(state, t - state[AT.heldSince]!);
        state[AT.heldSince] = -1;
      }
      return 0;
    }
    case Kind.choose: {
      const group = part.groups[a];
      if (!group || b < 0 || b >= group.n) return NO_CHOICE;
      if (group.order === 'fixed' || (group.order === 'either-way' && !isNext(state[base + group.offset + 1]!, state[base + group.offset]!, b)))
        return NO_CHOICE;
      if ((state[base + group.offset + 1]! & (1 << b)) === 0) return NOT_STANDING;
      state[base + group.offset] = b;
      state[AT.lastT] = t;
      return 0;
    }
    case Kind.swap: {
      if (program.sides === 1) return NOT_IN_GAME;
      if (program.turn !== 'half-time' && program.turn !== 'none') return NOT_IN_GAME;
      if (program.turn === 'half-time') {
        if (state[AT.side] === program.sides - 1) return NOT_IN_GAME;
        if (clockMs(part, state, t) < (down * (state[AT.side]! + 1)) / program.sides) return NOT_YET;
      }
      state[AT.lastT] = t;
      toSide(program, part, state, (state[AT.side]! + 1) % program.sides);
      return 0;
    }
    case Kind.pause:
      state[AT.pausedSince] = t;
      state[AT.lastT] = t;
      return 0;
    case Kind.void:
      state[AT.lastT] = t;
      return 0;
    case Kind.begin:
      return NOT_IN_GAME;
    case Kind.finish: {
      state[AT.lastT] = t;
      if (paused) unpause(state, t);
      const over = down > 0 && clockMs(part, state, t) >= down;
      if (over && part.clockPer === 'part') endPart(program, part, state, TIME);
      // The time of one player is up: the next one's begins.
      else if (over && part.clockPer === 'side' && a === TIME) endSide(program, part, state, TIME);
      // Typed at the end: the part came to the end that is written.
      else if (state[AT.mode] === Mode.parts && a > STOPPED) endPart(program, part, state, a);
      // Only what goes well is tapped: that the last try was made is said, not counted.
      else if (state[AT.mode] === Mode.successes && a === ATTEMPTS && part.stops.some((stop) => stop.onAttempts))
        endSide(program, part, state, ATTEMPTS);
      else if (a === GIVEN_UP && program.parts.length > 1) endPart(program, part, state, GIVEN_UP);
      else {
        endPart(program, part, state, STOPPED);
        state[AT.phase] = Phase.finished;
      }
      return 0;
    }
  }
}

function idle(state: State, ms: number): void {
  state[AT.idleMs]! += ms;
  state[AT.clockT]! += ms;
}

function unpause(state: State, t: number): void {
  // While an exercise off the clock is owed the clock stands anyway.
  if (state[AT.heldSince]! < 0) idle(state, t - state[AT.pausedSince]!);
  state[AT.pausedSince] = -1;
}

/** Between two parts nothing happens but the start of the next, or the end of all. */
function between(program: Program, part: PartProgram, state: State, kind: Kind, t: number, a: number): number {
  if (kind === Kind.finish && a !== GIVEN_UP) {
    state[AT.lastT] = t;
    state[AT.phase] = Phase.finished;
    state[AT.why] = STOPPED;
    return 0;
  }
  if (kind !== Kind.begin) return NOT_BEGUN;
  state[AT.phase] = Phase.playing;
  state[AT.lastT] = t;
  state[AT.startT] = t;
  state[AT.clockT] = t;
  state[AT.idleMs] = 0;
  state[AT.heldSince] = heldAtStart(part, program.sides) ? t : -1;
  state[AT.pausedSince] = -1;
  state[AT.sidesDone] = 0;
  state[AT.ending] = 0;
  state[AT.side] = 0;
  state[AT.base] = blockOf(program, part, state[AT.go]!, 0);
  return 0;
}

function rowIsSuccess(part: PartProgram, rowIndex: number): boolean {
  const { successMask } = part.tasks[0]!;
  return part.rows[rowIndex]!.conds.some((cond) => cond.look === Look.end && (successMask & (1 << cond.value)) !== 0);
}

function attempt(
  program: Program,
  part: PartProgram,
  state: State,
  base: number,
  set: RowSet,
  end: number,
  seen: number,
  flags: number,
  success: boolean,
): void {
  let counted = true;
  let over = -1;
  let swap = false;
  const { rows, conds, needs } = set;
  let truth = 0;
  for (let c = 0; c < conds.length; c += 1) if (holds(conds[c]!, state, base, end, seen, flags)) truth |= 1 << c;
  for (let r = 0; r < rows.length; r += 1) {
    if ((truth & needs[r]!) !== needs[r]!) continue;
    const row = rows[r]!;
    counted = row.counts;
    if (counted) state[base + row.tally + (row.tallyGroup >= 0 ? state[base + part.groups[row.tallyGroup]!.offset]! : 0)]! += 1;
    const effects = row.effects;
    for (let e = 0; e < effects.length; e += 1) {
      const effect = effects[e]!;
      const ended = apply(program, part, state, base, effect, seen);
      if (ended >= 0) over = ended;
      else if (effect.do === Do.nextSide) swap = true;
    }
    if (counted) {
      // What this attempt carried is used up: the register behind it moves down, and the row adds its own.
      state[base + B.carryNext] = state[base + B.carryAfter]! + row.carryNext;
      state[base + B.carryAfter] = row.carryAfter;
    }
    // The balls that are due after the last frame are still this player's.
    if (program.turn === 'frame' && row.endsFrame && (part.ballsDue < 0 || state[base + part.ballsDue]! <= 0)) swap = true;
    break;
  }
  if (counted) state[base + B.attempts]! += 1;
  if (flags !== 0) {
    for (let f = 0; f < part.also.length; f += 1) {
      if ((flags & (1 << f)) === 0) continue;
      const effects = part.also[f]!;
      for (let e = 0; e < effects.length; e += 1) {
        const ended = apply(program, part, state, base, effects[e]!, seen);
        if (ended >= 0) over = ended;
      }
      if (part.oneFlag) break;
    }
  }
  for (let s = 0; over < 0 && s < part.stops.length; s += 1) {
    const stop = part.stops[s]!;
    // Where the misses are not known, nobody knows how many attempts there were.
    if (stop.onAttempts && state[AT.mode] === Mode.successes) continue;
    if (allHold(stop.conds, state, base, end, seen, flags)) over = stop.why;
  }
  if (over >= 0) return endSide(program, part, state, over);
  if (part.gatesBefore && counted && state[AT.mode] === Mode.attempts)
    for (let g = 0; g < part.gates.length; g += 1)
      if (part.gates[g]!.before === 'attempt') {
        state[base + part.gates[g]!.offset] = 0;
        owe(program, part, state, base, g);
      }
  if (program.sides > 1 && counted && (swap || program.turn === 'attempt' || (program.turn === 'miss' && !success))) nextSide(program, part, state);
}

export function finishedWhy(state: State): FinishReason | null {
  return state[AT.phase] === Phase.finished ? FINISH_REASONS[state[AT.why]!]! : null;
}
