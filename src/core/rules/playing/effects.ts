/** What the rules look at and what they do: conditions and effects on the block of one part, go and side. */
import { playedMs } from './clock';
import {
  AT,
  B,
  Do,
  From,
  Look,
  Mode,
  Op,
  type CompiledCond,
  type CompiledEffect,
  type CompiledGroup,
  type PartProgram,
  type Program,
  type State,
} from './program';
import { blockOf } from './turns';

// Where things stand in the state, as names of this file: one that is imported is looked up anew at every use.
const {
  fell: AT_FELL,
  go: AT_GO,
  heldSince: AT_HELD_SINCE,
  kept: AT_KEPT,
  lastT: AT_LAST_T,
  mode: AT_MODE,
  passed: AT_PASSED,
  row: AT_ROW,
  side: AT_SIDE,
} = AT;
const { attempts: B_ATTEMPTS, carryNext: B_CARRY_NEXT, stage: B_STAGE } = B;
const DO_ADD = Do.add;
const DO_ADD_OTHERS = Do.addOthers;
const DO_GO = Do.go;
const DO_KEEP_MAX = Do.keepMax;
const DO_KEEP_MIN = Do.keepMin;
const DO_MARK = Do.mark;
const DO_OWE = Do.owe;
const DO_RESET = Do.reset;
const DO_RESTORE = Do.restore;
const DO_SET = Do.set;
const DO_STAGE = Do.stage;
const DO_TURN = Do.turn;
const FROM_CELL = From.cell;
const FROM_CELL_PLUS_ONE = From.cellPlusOne;
const FROM_FIXED = From.fixed;
const FROM_LEFT = From.left;
const FROM_SEEN = From.seen;
const FROM_VALUE = From.value;
const OP_AT_LEAST = Op.atLeast;
const OP_EQUAL = Op.equal;
const LOOK_AT = Look.at;
const LOOK_ATTEMPTS = Look.attempts;
const LOOK_CARRY = Look.carry;
const LOOK_COUNTER = Look.counter;
const LOOK_END = Look.end;
const LOOK_FLAG = Look.flag;
const LOOK_LEFT = Look.left;
const LOOK_PASSED = Look.passed;
const LOOK_ROW = Look.row;
const LOOK_SECONDS = Look.seconds;
const LOOK_SEEN = Look.seen;
const LOOK_STAGE = Look.stage;
const MODE_ATTEMPTS = Mode.attempts;

export function popCount(mask: number): number {
  let bits = mask - ((mask >>> 1) & 0x55555555);
  bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333);
  return (((bits + (bits >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

export function holds(cond: CompiledCond, state: State, base: number, end: number, seen: number, flags: number): boolean {
  let found: number;
  switch (cond.look) {
    case LOOK_END:
      found = end;
      break;
    case LOOK_SEEN:
      found = seen;
      break;
    case LOOK_ATTEMPTS:
      found = state[base + B_ATTEMPTS]!;
      break;
    case LOOK_CARRY:
      found = state[base + B_CARRY_NEXT]!;
      break;
    case LOOK_SECONDS:
      found = Math.floor(playedMs(state) / 1000);
      break;
    case LOOK_LEFT:
      found = popCount(state[base + cond.offset]!);
      break;
    case LOOK_AT:
      found = state[base + cond.offset]! + 1;
      break;
    case LOOK_COUNTER:
      found = state[base + cond.offset]!;
      break;
    case LOOK_FLAG:
      found = (flags >>> cond.offset) & 1;
      break;
    case LOOK_STAGE:
      found = state[base + B_STAGE]!;
      break;
    case LOOK_ROW:
      found = state[AT_ROW]!;
      break;
    case LOOK_PASSED:
      found = (state[AT_PASSED]! >>> cond.offset) & 1;
      break;
  }
  if (cond.op === OP_EQUAL) return found === cond.value;
  return cond.op === OP_AT_LEAST ? found >= cond.value : found <= cond.value;
}

export function allHold(conds: readonly CompiledCond[], state: State, base: number, end: number, seen: number, flags: number): boolean {
  for (let i = 0; i < conds.length; i += 1) if (!holds(conds[i]!, state, base, end, seen, flags)) return false;
  return true;
}

function amount(program: PartProgram, state: State, base: number, effect: CompiledEffect, seen: number): number {
  switch (effect.from) {
    case FROM_FIXED:
      return effect.amount;
    case FROM_SEEN:
      return seen;
    case FROM_VALUE: {
      const group = program.groups[effect.group]!;
      return group.values[state[base + group.offset]!]!;
    }
    case FROM_CELL:
      return state[base + effect.amount]!;
    case FROM_CELL_PLUS_ONE:
      return state[base + effect.amount]! + 1;
    case FROM_LEFT:
      return popCount(state[base + effect.amount]!);
  }
}

function putUp(group: CompiledGroup, state: State, base: number): void {
  const up = group.up < 0 ? group.full : group.full & ((1 << Math.min(30, Math.max(0, state[base + group.up]!))) - 1);
  state[base + group.offset + 1] = up;
}

/** Owes what a gate asks for. */
export function owe(whole: Program, program: PartProgram, state: State, base: number, gateIndex: number): void {
  if (state[AT_MODE] !== MODE_ATTEMPTS) return;
  const gate = program.gates[gateIndex]!;
  state[base + gate.offset]! += gate.n;
  // Among several players the clock of the others runs on.
  if (!gate.onClock && whole.sides === 1 && state[AT_HELD_SINCE]! < 0) state[AT_HELD_SINCE] = state[AT_LAST_T]!;
}

const MOST_COUNTED = 1_000_000_000;

/** One effect, in place; a change of side waits for the end of the try. */
export function apply(whole: Program, program: PartProgram, state: State, base: number, effect: CompiledEffect, seen: number): void {
  const cell = base + effect.offset;
  switch (effect.do) {
    case DO_ADD:
      if (effect.from === FROM_FIXED && !effect.timesCarry) state[cell]! += effect.amount;
      else {
        const more = amount(program, state, base, effect, seen) * (effect.timesCarry ? 1 + state[base + B_CARRY_NEXT]! : 1);
        // Counters that feed each other double with every try: they stop before they wrap round.
        state[cell] = Math.max(-MOST_COUNTED, Math.min(MOST_COUNTED, state[cell]! + more));
      }
      return;
    case DO_ADD_OTHERS: {
      const more = amount(program, state, base, effect, seen);
      for (let side = 0; side < whole.sides; side += 1) {
        if (side !== state[AT_SIDE]) state[blockOf(whole, program, state[AT_GO]!, side) + effect.offset]! += more;
      }
      return;
    }
    case DO_SET:
      state[cell] = amount(program, state, base, effect, seen);
      return;
    case DO_KEEP_MAX:
      state[cell] = Math.max(state[cell]!, amount(program, state, base, effect, seen));
      return;
    case DO_KEEP_MIN:
      state[cell] = Math.min(state[cell]!, amount(program, state, base, effect, seen));
      return;
    case DO_GO: {
      const group = program.groups[effect.group]!;
      let at = state[base + group.offset]! + effect.amount;
      if (at < 0) at = 0;
      if (at >= group.n) {
        state[AT_PASSED]! |= 1 << effect.group;
        at = group.end === 'wrap' ? 0 : group.n - 1;
        if (group.end === 'wrap')
          for (let g = 0; g < program.gates.length; g += 1) if (program.gates[g]!.before === 'round') owe(whole, program, state, base, g);
      }
      state[base + group.offset] = at;
      return;
    }
    case DO_MARK: {
      const group = program.groups[effect.group]!;
      state[base + group.offset + 1]! &= ~(1 << state[base + group.offset]!);
      return;
    }
    case DO_RESET:
      putUp(program.groups[effect.group]!, state, base);
      return;
    case DO_RESTORE: {
      let back = state[AT_FELL]!;
      // The one that was said, else the first.
      if (effect.amount === 1) back &= ~(state[AT_KEPT]! >= 0 ? 1 << state[AT_KEPT]! : back & -back);
      if (back > 0) state[base + program.groups[effect.group]!.offset + 1]! |= back;
      return;
    }
    case DO_OWE:
      owe(whole, program, state, base, effect.group);
      return;
    case DO_STAGE:
      state[base + B_STAGE] = effect.amount < 0 ? (state[base + B_STAGE]! + 1) % program.stages.length : effect.amount;
      return;
    case DO_TURN:
      return;
  }
}
