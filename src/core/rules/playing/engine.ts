/**
 * The engine: one function an event, over one flat state, in place and without allocation. Each is pure and total: it answers 0, or the number
 * of a refusal (refusals.ts), and a refused event leaves the state as it was; nothing throws. A try goes through attempt(): is it allowed now ·
 * what was seen of it · applyRules(), the first row that fits · does it end the part or change the turn. Events of the format are played on it
 * by replay.ts.
 */
import type { CountingWay } from '../format/play';
import type { FinishReason } from '../format/game';
import { clockMs, idle, unpause } from './clock';
import { heldAtStart } from './compile';
import { allHold, apply, holds, owe, popCount } from './effects';
import { AT, B, Do, FINISH_REASONS, From, Look, Mode, Phase, type PartProgram, type Program, type RowSet, type State } from './program';
import {
  EARLIER,
  FINISHED,
  LATE,
  MISSES_UNKNOWN,
  NO_CHOICE,
  NOT_BEGUN,
  NOT_IN_GAME,
  NOT_PAUSED,
  NOT_STANDING,
  NOT_YET,
  NOTHING_OWED,
  OWES,
  PAUSED,
  UNKNOWN_END,
} from './refusals';
import { blockOf, endPart, endSide, nextSide, reason, toSide } from './turns';

// Where things stand in the state, as names of this file: one that is imported is looked up anew at every use.
const {
  base: AT_BASE,
  clockT: AT_CLOCK_T,
  ending: AT_ENDING,
  fell: AT_FELL,
  go: AT_GO,
  heldSince: AT_HELD_SINCE,
  idleMs: AT_IDLE_MS,
  kept: AT_KEPT,
  lastT: AT_LAST_T,
  mode: AT_MODE,
  part: AT_PART,
  passed: AT_PASSED,
  pausedSince: AT_PAUSED_SINCE,
  phase: AT_PHASE,
  row: AT_ROW,
  side: AT_SIDE,
  sidesDone: AT_SIDES_DONE,
  startT: AT_START_T,
  why: AT_WHY,
} = AT;
const { attempts: B_ATTEMPTS, carryAfter: B_CARRY_AFTER, carryNext: B_CARRY_NEXT, stage: B_STAGE, successes: B_SUCCESSES, why: B_WHY } = B;
const PHASE_BETWEEN = Phase.between;
const PHASE_FINISHED = Phase.finished;
const PHASE_PLAYING = Phase.playing;
const MODE_ATTEMPTS = Mode.attempts;
const MODE_PARTS = Mode.parts;
const MODE_SUCCESSES = Mode.successes;
const DO_ADD = Do.add;
const DO_TURN = Do.turn;

/** How long after the whistle a ball that was in the air may be tapped in. Assumed. */
export const IN_FLIGHT_GRACE_MS = 3000;

const STOPPED = reason('stopped');
const ATTEMPTS = reason('attempts');
const TIME = reason('time');
const GIVEN_UP = reason('given-up');

const MODES: Readonly<Record<CountingWay, Mode>> = { attempts: MODE_ATTEMPTS, successes: MODE_SUCCESSES, parts: MODE_PARTS };

export function start(program: Program, counting: CountingWay = 'attempts'): State {
  const state = program.initial.slice();
  state[AT_MODE] = MODES[counting];
  return state;
}

/** Puts a state back to the start of a go, in place. */
export function restart(program: Program, state: State): void {
  const mode = state[AT_MODE]!;
  state.set(program.initial);
  state[AT_MODE] = mode;
}

/** True when no element that is up lies between two: either way one goes on to the next that is not done. */
export function isNext(mask: number, from: number, to: number): boolean {
  const [low, high] = from < to ? [from, to] : [to, from];
  for (let one = low + 1; one < high; one += 1) if ((mask & (1 << one)) !== 0) return false;
  return true;
}

/** Why no event of play is taken now; 0 when one is. */
function notNow(state: State, t: number): number {
  if (state[AT_PHASE] === PHASE_FINISHED) return FINISHED;
  if (t < state[AT_LAST_T]!) return EARLIER;
  if (state[AT_PHASE] === PHASE_BETWEEN) return NOT_BEGUN;
  return state[AT_PAUSED_SINCE]! >= 0 ? PAUSED : 0;
}

const partOf = (program: Program, state: State): PartProgram => program.parts[state[AT_PART]!]!;

const NO_END = -1;

/**
 * One try. `saw` is the index of the end, the mask of felled elements, the count, the length in millimetres or the face, as the task sees it;
 * `flags` the mask of what happened on the way; `kept` which of what fell the child let lie, where all others are put up again.
 */
export function attempt(program: Program, state: State, t: number, saw: number, flags: number, kept = -1): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  const base = state[AT_BASE]!;
  const down = part.clockDownMs;
  const task = part.stages[state[base + B_STAGE]!]!;
  if (state[AT_MODE] === MODE_ATTEMPTS) for (let g = 0; g < part.gates.length; g += 1) if (state[base + part.gates[g]!.offset]! > 0) return OWES;
  if (task.hasEnds) {
    if (saw < 0 || (task.endMask & (1 << saw)) === 0) return UNKNOWN_END;
    if (state[AT_MODE] === MODE_SUCCESSES && (task.successMask & (1 << saw)) === 0) return MISSES_UNKNOWN;
  }
  const elapsed = clockMs(part, state, t);
  if (down > 0) {
    if (task.atWhistle) {
      if (elapsed < down) return NOT_YET;
    } else {
      const end = program.sides > 1 && program.turn === 'half-time' ? (down * (state[AT_SIDE]! + 1)) / program.sides : down;
      // In a countdown for each item only a find can be too late: that nothing was found is known when the time is up.
      if (elapsed > end + (part.inFlightCounts ? IN_FLIGHT_GRACE_MS : 0))
        if (part.clockPer !== 'item' || !task.hasEnds || (task.successMask & (1 << saw)) !== 0) return LATE;
    }
  }
  const from = task.from >= 0 ? part.groups[task.from]! : undefined;
  if (from && (state[base + from.offset + 1]! & (1 << state[base + from.offset]!)) === 0) return NOT_STANDING;
  let seen = saw;
  if (task.at >= 0) {
    const at = part.groups[task.at]!;
    const standing = state[base + at.offset + 1]!;
    if (task.see === 'felled') {
      if ((saw & ~standing) !== 0) return NOT_STANDING;
      if (kept >= 0 && (saw & (1 << kept)) === 0) return NO_CHOICE;
      state[AT_KEPT] = kept;
      // What fell lies there before the rules look at it.
      state[base + at.offset + 1] = standing & ~saw;
      state[AT_FELL] = saw;
      seen = popCount(saw);
    } else {
      if ((standing & (1 << state[base + at.offset]!)) === 0) return NOT_STANDING;
      state[AT_FELL] = 0;
    }
  }
  const sinceMs = t - state[AT_LAST_T]!;
  state[AT_LAST_T] = t;
  const success = task.hasEnds ? (task.successMask & (1 << saw)) !== 0 : task.see === 'felled' && seen > 0;
  if (success) state[base + B_SUCCESSES]! += 1;
  applyRules(
    program,
    part,
    state,
    base,
    task.hasEnds ? task.rowsFor[saw]! : task.rowsFor[0]!,
    task.hasEnds ? saw : NO_END,
    seen,
    flags,
    success,
    sinceMs,
  );
  if (state[AT_PHASE] === PHASE_PLAYING && state[AT_PART] === part.index && down > 0 && state[base + B_WHY]! < 0) {
    if (part.clockPer === 'item') state[AT_CLOCK_T] = t;
    else if (elapsed >= down && state[AT_BASE] === base)
      if (part.clockPer === 'side') endSide(program, part, state, TIME);
      else endPart(program, part, state, TIME);
  }
  return 0;
}

/** The rules on one try: the first row that fits, what is said of the flags, and then whether it ends and whose turn it is. */
function applyRules(
  program: Program,
  part: PartProgram,
  state: State,
  base: number,
  set: RowSet,
  end: number,
  seen: number,
  flags: number,
  success: boolean,
  sinceMs: number,
): void {
  let counted = true;
  let over = -1;
  let swap = false;
  const { rows, conds, needs } = set;
  state[AT_ROW] = -1;
  state[AT_PASSED] = 0;
  let truth = 0;
  for (let c = 0; c < conds.length; c += 1) if (holds(conds[c]!, state, base, end, seen, flags)) truth |= 1 << c;
  for (let r = 0; r < rows.length; r += 1) {
    if ((truth & needs[r]!) !== needs[r]!) continue;
    const row = rows[r]!;
    state[AT_ROW] = row.index;
    counted = row.counts;
    if (counted) state[base + row.tally + (row.tallyGroup >= 0 ? state[base + part.groups[row.tallyGroup]!.offset]! : 0)]! += 1;
    if (success && row.keeps)
      for (let k = 0; k < part.kept.length; k += 1) {
        const { offset, group } = part.kept[k]!;
        state[base + offset] = Math.max(state[base + offset]!, state[base + part.groups[group]!.offset]! + 1);
      }
    const effects = row.effects;
    for (let e = 0; e < effects.length; e += 1) {
      const effect = effects[e]!;
      apply(program, part, state, base, effect, seen);
      if (effect.do === DO_TURN) swap = true;
    }
    if (counted) {
      // What this attempt carried is used up: the register behind it moves down, and the row adds its own.
      state[base + B_CARRY_NEXT] = state[base + B_CARRY_AFTER]! + row.carryNext;
      state[base + B_CARRY_AFTER] = row.carryAfter;
    }
    // The balls that are due after the last frame have a stage of their own: they are still this player's.
    if (program.turn === 'frame' && row.endsFrame && state[base + B_STAGE] === 0) swap = true;
    if (row.givesBack) idle(state, sinceMs);
    break;
  }
  if (counted) state[base + B_ATTEMPTS]! += 1;
  if (flags !== 0) {
    for (let f = 0; f < part.also.length; f += 1) {
      if ((flags & (1 << f)) === 0) continue;
      const effects = part.also[f]!;
      for (let e = 0; e < effects.length; e += 1) {
        apply(program, part, state, base, effects[e]!, seen);
      }
      if (part.oneFlag) break;
    }
  }
  for (let s = 0; over < 0 && s < part.stops.length; s += 1) {
    const stop = part.stops[s]!;
    // Where the misses are not known, nobody knows how many attempts there were.
    if (stop.onAttempts && state[AT_MODE] === MODE_SUCCESSES) continue;
    if (allHold(stop.conds, state, base, end, seen, flags)) over = stop.why;
  }
  if (over >= 0) return endSide(program, part, state, over);
  if (part.gatesBefore && counted && state[AT_MODE] === MODE_ATTEMPTS)
    for (let g = 0; g < part.gates.length; g += 1)
      if (part.gates[g]!.before === 'attempt') {
        state[base + part.gates[g]!.offset] = 0;
        owe(program, part, state, base, g);
      }
  if (program.sides > 1 && counted && (swap || program.turn === 'attempt' || (program.turn === 'miss' && !success))) nextSide(program, part, state);
}

function rowIsSuccess(part: PartProgram, rowIndex: number): boolean {
  const { successMask } = part.stages[0]!;
  return part.rows[rowIndex]!.conds.some((cond) => cond.look === Look.end && (successMask & (1 << cond.value)) !== 0);
}

/** So many tries at once that a row speaks of, entered at the end; `element` of the row's group. */
export function tally(program: Program, state: State, t: number, rowIndex: number, n: number, element: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  const base = state[AT_BASE]!;
  const row = part.rows[rowIndex];
  if (!row?.counts || n < 0) return NOT_IN_GAME;
  const group = row.tallyGroup >= 0 ? part.groups[row.tallyGroup]! : undefined;
  if (element < 0 || element >= (group?.n ?? 1)) return NO_CHOICE;
  state[AT_LAST_T] = t;
  for (const effect of row.effects) {
    if (effect.do !== DO_ADD) continue;
    if (effect.from === From.fixed) state[base + effect.offset]! += effect.amount * n;
    if (effect.from === From.value) state[base + effect.offset]! += part.groups[effect.group]!.values[element]! * n;
  }
  state[base + row.tally + element]! += n;
  state[base + B_ATTEMPTS]! += n;
  if (rowIsSuccess(part, rowIndex)) state[base + B_SUCCESSES]! += n;
  return 0;
}

/** What a counter came to, entered at the end; `offset` of the counter in its block. */
export function tallyCounter(state: State, t: number, offset: number, n: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  state[AT_LAST_T] = t;
  state[state[AT_BASE]! + offset] = n;
  return 0;
}

/** An exercise, a rest or a toss of a coin was done; `face` is what the coin showed. */
export function gateDone(program: Program, state: State, t: number, gateIndex: number, face: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  const base = state[AT_BASE]!;
  const gate = part.gates[gateIndex];
  if (!gate) return NOT_IN_GAME;
  if (state[base + gate.offset] === 0) return NOTHING_OWED;
  state[AT_LAST_T] = t;
  // A gate of chance that says no stays shut: the child tries it again.
  if (gate.passes >= 0 && (gate.passes & (1 << face)) === 0) return 0;
  state[base + gate.offset] = 0;
  if (state[AT_HELD_SINCE]! >= 0 && part.gates.every((other) => other.onClock || state[base + other.offset] === 0)) {
    idle(state, t - state[AT_HELD_SINCE]!);
    state[AT_HELD_SINCE] = -1;
  }
  return 0;
}

/** The mark, target or thing that comes next, where the child may choose. */
export function choose(program: Program, state: State, t: number, groupIndex: number, element: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const base = state[AT_BASE]!;
  const group = partOf(program, state).groups[groupIndex];
  if (!group || element < 0 || element >= group.n) return NO_CHOICE;
  const up = state[base + group.offset + 1]!;
  if (group.order === 'fixed' || (group.order === 'either-way' && !isNext(up, state[base + group.offset]!, element))) return NO_CHOICE;
  if ((up & (1 << element)) === 0) return NOT_STANDING;
  state[base + group.offset] = element;
  state[AT_LAST_T] = t;
  return 0;
}

/** The players change over, where the rules leave the moment to them. */
export function swap(program: Program, state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  if (program.sides === 1) return NOT_IN_GAME;
  if (program.turn !== 'half-time' && program.turn !== 'none') return NOT_IN_GAME;
  if (program.turn === 'half-time') {
    if (state[AT_SIDE] === program.sides - 1) return NOT_IN_GAME;
    if (clockMs(part, state, t) < (part.clockDownMs * (state[AT_SIDE]! + 1)) / program.sides) return NOT_YET;
  }
  state[AT_LAST_T] = t;
  toSide(program, part, state, (state[AT_SIDE]! + 1) % program.sides);
  return 0;
}

export function pause(state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  state[AT_PAUSED_SINCE] = t;
  state[AT_LAST_T] = t;
  return 0;
}

export function resume(state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== PAUSED) return refused || NOT_PAUSED;
  state[AT_LAST_T] = t;
  unpause(state, t);
  return 0;
}

/** Something that an adult said does not count. */
export function voided(state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  state[AT_LAST_T] = t;
  return 0;
}

/** The next go or part begins. */
export function begin(program: Program, state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== NOT_BEGUN) return refused || NOT_IN_GAME;
  const part = partOf(program, state);
  state[AT_PHASE] = PHASE_PLAYING;
  state[AT_LAST_T] = t;
  state[AT_START_T] = t;
  state[AT_CLOCK_T] = t;
  state[AT_IDLE_MS] = 0;
  state[AT_HELD_SINCE] = heldAtStart(part, program.sides) ? t : -1;
  state[AT_PAUSED_SINCE] = -1;
  state[AT_SIDES_DONE] = 0;
  state[AT_ENDING] = 0;
  state[AT_SIDE] = 0;
  state[AT_BASE] = blockOf(program, part, state[AT_GO]!, 0);
  return 0;
}

/** The time is up, the last try was made, it is given up or stopped; `why` is a number of reason(). */
export function finish(program: Program, state: State, t: number, why: number): number {
  const refused = notNow(state, t);
  if (refused !== 0 && refused !== PAUSED && refused !== NOT_BEGUN) return refused;
  if (refused === NOT_BEGUN) {
    if (why === GIVEN_UP) return NOT_BEGUN;
    state[AT_LAST_T] = t;
    state[AT_PHASE] = PHASE_FINISHED;
    state[AT_WHY] = STOPPED;
    return 0;
  }
  const part = partOf(program, state);
  const down = part.clockDownMs;
  state[AT_LAST_T] = t;
  if (refused === PAUSED) unpause(state, t);
  const over = down > 0 && clockMs(part, state, t) >= down;
  if (over && part.clockPer === 'part') endPart(program, part, state, TIME);
  // The time of one player is up: the next one's begins.
  else if (over && part.clockPer === 'side' && why === TIME) endSide(program, part, state, TIME);
  // Typed at the end: the part came to the end that is written.
  else if (state[AT_MODE] === MODE_PARTS && why > STOPPED) endPart(program, part, state, why);
  // Only what goes well is tapped: that the last try was made is said, not counted.
  else if (state[AT_MODE] === MODE_SUCCESSES && why === ATTEMPTS && part.stops.some((stop) => stop.onAttempts))
    endSide(program, part, state, ATTEMPTS);
  else if (why === GIVEN_UP && program.parts.length > 1) endPart(program, part, state, GIVEN_UP);
  else {
    endPart(program, part, state, STOPPED);
    state[AT_PHASE] = PHASE_FINISHED;
  }
  return 0;
}

export function finishedWhy(state: State): FinishReason | null {
  return state[AT_PHASE] === PHASE_FINISHED ? FINISH_REASONS[state[AT_WHY]!]! : null;
}
