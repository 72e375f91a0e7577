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

/** How long after the whistle a ball that was in the air may be tapped in. Assumed. */
export const IN_FLIGHT_GRACE_MS = 3000;

const STOPPED = reason('stopped');
const ATTEMPTS = reason('attempts');
const TIME = reason('time');
const GIVEN_UP = reason('given-up');

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

/** True when no element that is up lies between two: either way one goes on to the next that is not done. */
export function isNext(mask: number, from: number, to: number): boolean {
  const [low, high] = from < to ? [from, to] : [to, from];
  for (let one = low + 1; one < high; one += 1) if ((mask & (1 << one)) !== 0) return false;
  return true;
}

/** Why no event of play is taken now; 0 when one is. */
function notNow(state: State, t: number): number {
  if (state[AT.phase] === Phase.finished) return FINISHED;
  if (t < state[AT.lastT]!) return EARLIER;
  if (state[AT.phase] === Phase.between) return NOT_BEGUN;
  return state[AT.pausedSince]! >= 0 ? PAUSED : 0;
}

const partOf = (program: Program, state: State): PartProgram => program.parts[state[AT.part]!]!;

const NO_END = -1;

/**
 * One try. `saw` is the index of the end, the mask of felled elements, the count, the length in millimetres or the face, as the task sees it;
 * `flags` the mask of what happened on the way; `kept` which of what fell the child let lie, where all others are put up again.
 */
export function attempt(program: Program, state: State, t: number, saw: number, flags: number, kept = -1): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  const base = state[AT.base]!;
  const down = part.clockDownMs;
  const task = part.stages[state[base + B.stage]!]!;
  if (state[AT.mode] === Mode.attempts) for (let g = 0; g < part.gates.length; g += 1) if (state[base + part.gates[g]!.offset]! > 0) return OWES;
  if (task.hasEnds) {
    if (saw < 0 || (task.endMask & (1 << saw)) === 0) return UNKNOWN_END;
    if (state[AT.mode] === Mode.successes && (task.successMask & (1 << saw)) === 0) return MISSES_UNKNOWN;
  }
  const elapsed = clockMs(part, state, t);
  if (down > 0) {
    if (task.atWhistle) {
      if (elapsed < down) return NOT_YET;
    } else {
      const end = program.turn === 'half-time' && program.sides > 1 ? (down * (state[AT.side]! + 1)) / program.sides : down;
      // In a countdown for each item only a find can be too late: that nothing was found is known when the time is up.
      const mayBeLate = part.clockPer !== 'item' || !task.hasEnds || (task.successMask & (1 << saw)) !== 0;
      if (mayBeLate && elapsed > end + (part.inFlightCounts ? IN_FLIGHT_GRACE_MS : 0)) return LATE;
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
      state[AT.kept] = kept;
      // What fell lies there before the rules look at it.
      state[base + at.offset + 1] = standing & ~saw;
      state[AT.fell] = saw;
      seen = popCount(saw);
    } else {
      if ((standing & (1 << state[base + at.offset]!)) === 0) return NOT_STANDING;
      state[AT.fell] = 0;
    }
  }
  const sinceMs = t - state[AT.lastT]!;
  state[AT.lastT] = t;
  const success = task.hasEnds ? (task.successMask & (1 << saw)) !== 0 : task.see === 'felled' && seen > 0;
  if (success) state[base + B.successes]! += 1;
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
  if (state[AT.phase] === Phase.playing && state[AT.part] === part.index && down > 0 && state[base + B.why]! < 0) {
    if (part.clockPer === 'item') state[AT.clockT] = t;
    else if (elapsed >= down && state[AT.base] === base)
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
  state[AT.row] = -1;
  state[AT.passed] = 0;
  let truth = 0;
  for (let c = 0; c < conds.length; c += 1) if (holds(conds[c]!, state, base, end, seen, flags)) truth |= 1 << c;
  for (let r = 0; r < rows.length; r += 1) {
    if ((truth & needs[r]!) !== needs[r]!) continue;
    const row = rows[r]!;
    state[AT.row] = row.index;
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
      if (effect.do === Do.turn) swap = true;
    }
    if (counted) {
      // What this attempt carried is used up: the register behind it moves down, and the row adds its own.
      state[base + B.carryNext] = state[base + B.carryAfter]! + row.carryNext;
      state[base + B.carryAfter] = row.carryAfter;
    }
    // The balls that are due after the last frame have a stage of their own: they are still this player's.
    if (program.turn === 'frame' && row.endsFrame && state[base + B.stage] === 0) swap = true;
    if (row.givesBack) idle(state, sinceMs);
    break;
  }
  if (counted) state[base + B.attempts]! += 1;
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

function rowIsSuccess(part: PartProgram, rowIndex: number): boolean {
  const { successMask } = part.stages[0]!;
  return part.rows[rowIndex]!.conds.some((cond) => cond.look === Look.end && (successMask & (1 << cond.value)) !== 0);
}

/** So many tries at once that a row speaks of, entered at the end; `element` of the row's group. */
export function tally(program: Program, state: State, t: number, rowIndex: number, n: number, element: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  const base = state[AT.base]!;
  const row = part.rows[rowIndex];
  if (!row?.counts || n < 0) return NOT_IN_GAME;
  const group = row.tallyGroup >= 0 ? part.groups[row.tallyGroup]! : undefined;
  if (element < 0 || element >= (group?.n ?? 1)) return NO_CHOICE;
  state[AT.lastT] = t;
  for (const effect of row.effects) {
    if (effect.do !== Do.add) continue;
    if (effect.from === From.fixed) state[base + effect.offset]! += effect.amount * n;
    if (effect.from === From.value) state[base + effect.offset]! += part.groups[effect.group]!.values[element]! * n;
  }
  state[base + row.tally + element]! += n;
  state[base + B.attempts]! += n;
  if (rowIsSuccess(part, rowIndex)) state[base + B.successes]! += n;
  return 0;
}

/** What a counter came to, entered at the end; `offset` of the counter in its block. */
export function tallyCounter(state: State, t: number, offset: number, n: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  state[AT.lastT] = t;
  state[state[AT.base]! + offset] = n;
  return 0;
}

/** An exercise, a rest or a toss of a coin was done; `face` is what the coin showed. */
export function gateDone(program: Program, state: State, t: number, gateIndex: number, face: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const part = partOf(program, state);
  const base = state[AT.base]!;
  const gate = part.gates[gateIndex];
  if (!gate) return NOT_IN_GAME;
  if (state[base + gate.offset] === 0) return NOTHING_OWED;
  state[AT.lastT] = t;
  // A gate of chance that says no stays shut: the child tries it again.
  if (gate.passes >= 0 && (gate.passes & (1 << face)) === 0) return 0;
  state[base + gate.offset] = 0;
  if (state[AT.heldSince]! >= 0 && part.gates.every((other) => other.onClock || state[base + other.offset] === 0)) {
    idle(state, t - state[AT.heldSince]!);
    state[AT.heldSince] = -1;
  }
  return 0;
}

/** The mark, target or thing that comes next, where the child may choose. */
export function choose(program: Program, state: State, t: number, groupIndex: number, element: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  const base = state[AT.base]!;
  const group = partOf(program, state).groups[groupIndex];
  if (!group || element < 0 || element >= group.n) return NO_CHOICE;
  const up = state[base + group.offset + 1]!;
  if (group.order === 'fixed' || (group.order === 'either-way' && !isNext(up, state[base + group.offset]!, element))) return NO_CHOICE;
  if ((up & (1 << element)) === 0) return NOT_STANDING;
  state[base + group.offset] = element;
  state[AT.lastT] = t;
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
    if (state[AT.side] === program.sides - 1) return NOT_IN_GAME;
    if (clockMs(part, state, t) < (part.clockDownMs * (state[AT.side]! + 1)) / program.sides) return NOT_YET;
  }
  state[AT.lastT] = t;
  toSide(program, part, state, (state[AT.side]! + 1) % program.sides);
  return 0;
}

export function pause(state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  state[AT.pausedSince] = t;
  state[AT.lastT] = t;
  return 0;
}

export function resume(state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== PAUSED) return refused || NOT_PAUSED;
  state[AT.lastT] = t;
  unpause(state, t);
  return 0;
}

/** Something that an adult said does not count. */
export function voided(state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== 0) return refused;
  state[AT.lastT] = t;
  return 0;
}

/** The next go or part begins. */
export function begin(program: Program, state: State, t: number): number {
  const refused = notNow(state, t);
  if (refused !== NOT_BEGUN) return refused || NOT_IN_GAME;
  const part = partOf(program, state);
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

/** The time is up, the last try was made, it is given up or stopped; `why` is a number of reason(). */
export function finish(program: Program, state: State, t: number, why: number): number {
  const refused = notNow(state, t);
  if (refused !== 0 && refused !== PAUSED && refused !== NOT_BEGUN) return refused;
  if (refused === NOT_BEGUN) {
    if (why === GIVEN_UP) return NOT_BEGUN;
    state[AT.lastT] = t;
    state[AT.phase] = Phase.finished;
    state[AT.why] = STOPPED;
    return 0;
  }
  const part = partOf(program, state);
  const down = part.clockDownMs;
  state[AT.lastT] = t;
  if (refused === PAUSED) unpause(state, t);
  const over = down > 0 && clockMs(part, state, t) >= down;
  if (over && part.clockPer === 'part') endPart(program, part, state, TIME);
  // The time of one player is up: the next one's begins.
  else if (over && part.clockPer === 'side' && why === TIME) endSide(program, part, state, TIME);
  // Typed at the end: the part came to the end that is written.
  else if (state[AT.mode] === Mode.parts && why > STOPPED) endPart(program, part, state, why);
  // Only what goes well is tapped: that the last try was made is said, not counted.
  else if (state[AT.mode] === Mode.successes && why === ATTEMPTS && part.stops.some((stop) => stop.onAttempts))
    endSide(program, part, state, ATTEMPTS);
  else if (why === GIVEN_UP && program.parts.length > 1) endPart(program, part, state, GIVEN_UP);
  else {
    endPart(program, part, state, STOPPED);
    state[AT.phase] = Phase.finished;
  }
  return 0;
}

export function finishedWhy(state: State): FinishReason | null {
  return state[AT.phase] === Phase.finished ? FINISH_REASONS[state[AT.why]!]! : null;
}
