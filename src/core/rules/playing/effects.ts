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

export function popCount(mask: number): number {
  let bits = mask - ((mask >>> 1) & 0x55555555);
  bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333);
  return (((bits + (bits >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

export function holds(cond: CompiledCond, state: State, base: number, end: number, seen: number, flags: number): boolean {
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
    case Look.stage:
      found = state[base + B.stage]!;
      break;
    case Look.row:
      found = state[AT.row]!;
      break;
    case Look.passed:
      found = (state[AT.passed]! >>> cond.offset) & 1;
      break;
  }
  if (cond.op === Op.equal) return found === cond.value;
  return cond.op === Op.atLeast ? found >= cond.value : found <= cond.value;
}

export function allHold(conds: readonly CompiledCond[], state: State, base: number, end: number, seen: number, flags: number): boolean {
  for (let i = 0; i < conds.length; i += 1) if (!holds(conds[i]!, state, base, end, seen, flags)) return false;
  return true;
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

/** Owes what a gate asks for. */
export function owe(whole: Program, program: PartProgram, state: State, base: number, gateIndex: number): void {
  if (state[AT.mode] !== Mode.attempts) return;
  const gate = program.gates[gateIndex]!;
  state[base + gate.offset]! += gate.n;
  // Among several players the clock of the others runs on.
  if (!gate.onClock && whole.sides === 1 && state[AT.heldSince]! < 0) state[AT.heldSince] = state[AT.lastT]!;
}

const MOST_COUNTED = 1_000_000_000;

/** One effect, in place; a change of side waits for the end of the try. */
export function apply(whole: Program, program: PartProgram, state: State, base: number, effect: CompiledEffect, seen: number): void {
  const cell = base + effect.offset;
  switch (effect.do) {
    case Do.add:
      if (effect.from === From.fixed && !effect.timesCarry) state[cell]! += effect.amount;
      else {
        const more = amount(program, state, base, effect, seen) * (effect.timesCarry ? 1 + state[base + B.carryNext]! : 1);
        // Counters that feed each other double with every try: they stop before they wrap round.
        state[cell] = Math.max(-MOST_COUNTED, Math.min(MOST_COUNTED, state[cell]! + more));
      }
      return;
    case Do.addOthers: {
      const more = amount(program, state, base, effect, seen);
      for (let side = 0; side < whole.sides; side += 1) {
        if (side !== state[AT.side]) state[blockOf(whole, program, state[AT.go]!, side) + effect.offset]! += more;
      }
      return;
    }
    case Do.set:
      state[cell] = amount(program, state, base, effect, seen);
      return;
    case Do.keepMax:
      state[cell] = Math.max(state[cell]!, amount(program, state, base, effect, seen));
      return;
    case Do.keepMin:
      state[cell] = Math.min(state[cell]!, amount(program, state, base, effect, seen));
      return;
    case Do.go: {
      const group = program.groups[effect.group]!;
      let at = state[base + group.offset]! + effect.amount;
      if (at < 0) at = 0;
      if (at >= group.n) {
        state[AT.passed]! |= 1 << effect.group;
        at = group.end === 'wrap' ? 0 : group.n - 1;
        if (group.end === 'wrap')
          for (let g = 0; g < program.gates.length; g += 1) if (program.gates[g]!.before === 'round') owe(whole, program, state, base, g);
      }
      state[base + group.offset] = at;
      return;
    }
    case Do.mark: {
      const group = program.groups[effect.group]!;
      state[base + group.offset + 1]! &= ~(1 << state[base + group.offset]!);
      return;
    }
    case Do.reset:
      putUp(program.groups[effect.group]!, state, base);
      return;
    case Do.restore: {
      let back = state[AT.fell]!;
      // The one that was said, else the first.
      if (effect.amount === 1) back &= ~(state[AT.kept]! >= 0 ? 1 << state[AT.kept]! : back & -back);
      if (back > 0) state[base + program.groups[effect.group]!.offset + 1]! |= back;
      return;
    }
    case Do.owe:
      owe(whole, program, state, base, effect.group);
      return;
    case Do.stage:
      state[base + B.stage] = effect.amount < 0 ? (state[base + B.stage]! + 1) % program.stages.length : effect.amount;
      return;
    case Do.turn:
      return;
  }
}
