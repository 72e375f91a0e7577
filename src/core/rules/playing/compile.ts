/**
 * compile(game) turns the rules of one level into the tables of program.ts, which the engine runs.
 * There is one implementation of each rule: forecast, counter at home and the check of a report all use these tables.
 */
import { allRows } from '../format/rows';
import type { Amount, Cond, Effect, Game, Part, Task } from '../format/game';
import type { Outcome, Problem } from '../format/problem';
import {
  AT,
  B,
  Do,
  FINISH_REASONS,
  From,
  Look,
  Op,
  UNSET,
  type CompiledCond,
  type CompiledEffect,
  type CompiledGate,
  type CompiledGroup,
  type CompiledRow,
  type CompiledStage,
  type PartProgram,
  type Program,
  type RowSet,
} from './program';

const MOST_CELLS = 60_000;

/** Compiles a game that readGame admitted, already resolved to one level. A card too large to be played is said, with its place. */
export function compile(game: Game): Outcome<Program> {
  const sides = game.sides.n;
  // Players of a joint score share one block.
  const blocks = game.sides.score === 'joint' ? 1 : sides;
  const crowded = game.parts.findIndex((part) => new Set(allRows(part).flatMap((row) => row.if.map((cond) => cond.join(' ')))).size > MOST_CONDS);
  if (crowded >= 0) {
    const problem: Problem = {
      place: `/parts/${crowded}/rows`,
      reason: `the rules tell more than ${MOST_CONDS} conditions apart`,
      fix: 'Say the same with fewer, or in two parts.',
    };
    return { ok: false, problems: [problem] };
  }
  const parts: PartProgram[] = [];
  let base: number = AT.first;
  for (const [index, part] of game.parts.entries()) {
    const compiled = compilePart(part, index, base, game.sides.n > 1 && game.sides.turn === 'part');
    parts.push(compiled);
    base += compiled.blockSize * compiled.goes * blocks;
  }
  if (base > MOST_CELLS) {
    const problem: Problem = { place: '/parts', reason: 'the card is too large to be played', fix: 'Take fewer goes or fewer parts.' };
    return { ok: false, problems: [problem] };
  }
  const initial = new Int32Array(base);
  initial[AT.pausedSince] = -1;
  initial[AT.heldSince] = heldAtStart(parts[0]!, sides) ? 0 : -1;
  initial[AT.base] = AT.first;
  for (const part of parts) {
    for (let block = 0; block < part.goes * blocks; block += 1) begun(part, initial, part.base + block * part.blockSize);
  }
  return {
    ok: true,
    value: {
      game,
      parts,
      sides,
      turn: game.sides.turn,
      lastTurnLevel: game.sides.lastTurnLevel ?? false,
      joint: blocks < sides,
      size: base,
      initial,
    },
  };
}

/** True when an exercise off the clock comes before the first attempt. */
export function heldAtStart(part: PartProgram, sides: number): boolean {
  return sides === 1 && part.gates.some((gate) => gate.before === 'attempt' && !gate.onClock);
}

/** A block as it is before anything has happened. */
function begun(program: PartProgram, state: Int32Array, base: number): void {
  state[base + B.why] = -1;
  const { part } = program;
  for (const counter of part.counters) {
    const keepsLeast = allRows(part).some((row) => row.do.some((effect) => effect.do === 'keepMin' && effect.counter === counter));
    state[base + program.counterOffset(counter)] = part.startAt?.[counter] ?? (keepsLeast ? UNSET : 0);
  }
  for (const group of program.groups) state[base + group.offset + 1] = group.up < 0 ? group.full : group.full & ((1 << state[base + group.up]!) - 1);
  for (const gate of program.gates) if (gate.before === 'attempt') state[base + gate.offset] = gate.n;
}

/** `oneAfterTheOther`: each player plays the whole part, so that each has a clock of their own. */
function compilePart(part: Part, index: number, base: number, oneAfterTheOther: boolean): PartProgram {
  let size: number = B.first;
  const counterBase = B.first + 2 * Object.keys(part.groups).length;
  const counterOffset = (counter: string) => counterBase + part.counters.indexOf(counter);
  const groups: CompiledGroup[] = Object.entries(part.groups).map(([id, group]) => {
    const offset = size;
    size += 2;
    return {
      id,
      kind: group.kind,
      n: group.n,
      order: group.order,
      end: group.end,
      full: group.n >= 31 ? -1 : (1 << group.n) - 1,
      values: Int32Array.from(group.value ?? []),
      offset,
      up: group.up === undefined ? -1 : counterOffset(group.up),
    };
  });
  const groupIndex = (id: string | undefined) => groups.findIndex((group) => group.id === id);
  size += part.counters.length;
  const gates: CompiledGate[] = Object.entries(part.gates).map(([id, gate]) => ({
    id,
    offset: size++,
    n: gate.n,
    onClock: gate.onClock,
    before: gate.before ?? null,
    passes: gate.kind === 'face' ? (gate.passes ?? []).reduce((mask, face) => mask | (1 << face), 0) : -1,
    faces: gate.kind === 'face' ? Math.max(1, gate.faces?.length ?? 2) : 0,
  }));
  const allEnds = [...new Set(part.stages.flatMap((task) => task.ends?.map((end) => end.id) ?? []))];
  const flags = [...new Set(part.stages.flatMap((task) => task.flags ?? []))];

  const everyRow = allRows(part);
  const numberOf = (space: string, name: string) =>
    space === 'stage'
      ? part.stages.findIndex((stage) => stage.id === name)
      : space === 'row'
        ? everyRow.findIndex((row) => row.id === name)
        : allEnds.indexOf(name);

  const compileCond = ([operand, op, value]: Cond): CompiledCond => {
    const [space, name] = operand.split('.') as [string, string | undefined];
    const compiledOp = op === '=' ? Op.equal : op === '>=' ? Op.atLeast : Op.atMost;
    const number = typeof value === 'number' ? value : numberOf(space, value);
    const make = (look: Look, offset = 0) => ({ look, offset, op: compiledOp, value: number });
    switch (space) {
      case 'end':
        return make(Look.end);
      case 'stage':
        return make(Look.stage);
      case 'row':
        return make(Look.row);
      case 'passed':
        return make(Look.passed, groupIndex(name));
      case 'attempts':
        return make(Look.attempts);
      case 'carry':
        return make(Look.carry);
      case 'time':
        return make(Look.seconds);
      case 'left':
        return make(Look.left, groups[groupIndex(name)]!.offset + 1);
      case 'at':
        return make(Look.at, groups[groupIndex(name)]!.offset);
      case 'n':
        return make(Look.counter, counterOffset(name!));
      case 'flag':
        return make(Look.flag, flags.indexOf(name!));
      default:
        return make(Look.seen);
    }
  };

  const amountOf = (amount: Amount, of: string | undefined): { from: From; amount: number; group: number } => {
    if (typeof amount === 'number') return { from: From.fixed, amount, group: -1 };
    if (amount === 'value') return { from: From.value, amount: 0, group: groupIndex(of) };
    const [space, name] = amount.split('.') as [string, string | undefined];
    if (name === undefined) return { from: From.seen, amount: 0, group: -1 };
    if (space === 'n') return { from: From.cell, amount: counterOffset(name), group: -1 };
    const { offset } = groups[groupIndex(name)]!;
    return space === 'at' ? { from: From.cellPlusOne, amount: offset, group: -1 } : { from: From.left, amount: offset + 1, group: -1 };
  };

  const compileEffect = (effect: Exclude<Effect, { do: 'carry' }>): CompiledEffect => {
    const make = (what: Do, rest: Partial<CompiledEffect> = {}): CompiledEffect => ({
      do: what,
      offset: 0,
      from: From.fixed,
      amount: 0,
      group: -1,
      timesCarry: false,
      ...rest,
    });
    const counted = (what: Do, of: { counter: string; amount: Amount; of?: string; timesCarry?: boolean }) =>
      make(what, { offset: counterOffset(of.counter), timesCarry: of.timesCarry ?? false, ...amountOf(of.amount, of.of) });
    switch (effect.do) {
      case 'add':
        return counted(effect.for === 'others' ? Do.addOthers : Do.add, effect);
      case 'set':
        return counted(Do.set, effect);
      case 'keepMax':
        return counted(Do.keepMax, effect);
      case 'keepMin':
        return counted(Do.keepMin, effect);
      case 'go':
        return make(Do.go, { group: groupIndex(effect.group), amount: { next: 1, back: -1, first: -99, stay: 0 }[effect.to] });
      case 'mark':
        return make(Do.mark, { group: groupIndex(effect.group) });
      case 'reset':
        return make(Do.reset, { group: groupIndex(effect.group) });
      case 'restore':
        return make(Do.restore, { group: groupIndex(effect.group), amount: effect.but ?? 0 });
      case 'owe':
        return make(Do.owe, { group: gates.findIndex((gate) => gate.id === effect.gate) });
      case 'stage':
        return make(Do.stage, { amount: effect.to === 'next' ? -1 : part.stages.findIndex((stage) => stage.id === effect.to) });
      case 'turn':
        return make(Do.turn);
    }
  };
  const compileEffects = (effects: readonly Effect[]) => effects.filter((effect) => effect.do !== 'carry').map(compileEffect);

  // Rules of the whole part first, so that a count typed for one names the same row whatever the stages say.
  const from = [...part.rows.map(() => part.stages[0]!.from), ...part.stages.flatMap((stage) => (stage.rows ?? []).map(() => stage.from))];
  const rows: CompiledRow[] = everyRow.map((row, rowIndex) => {
    const valued = row.do.find((effect) => effect.do === 'add' && effect.amount === 'value');
    const tallyGroup = valued && 'of' in valued ? groupIndex(valued.of) : groupIndex(from[rowIndex]);
    const tally = size;
    size += tallyGroup >= 0 ? groups[tallyGroup]!.n : 1;
    return {
      index: rowIndex,
      conds: row.if.map(compileCond),
      counts: row.validity === 'counts' || row.validity === 'gone',
      keeps: row.validity === 'counts',
      givesBack: row.validity === 'never',
      effects: compileEffects(row.do),
      ...carryOf(row.do),
      endsFrame: row.do.some((effect) => effect.do === 'reset' && part.groups[effect.group]!.kind !== 'place'),
      tally,
      tallyGroup,
    };
  });

  let stageRow = part.rows.length;
  const stages = part.stages.map((task): CompiledStage => {
    const own = rows.slice(stageRow, (stageRow += task.rows?.length ?? 0));
    const asked = [...own, ...rows.slice(0, part.rows.length)];
    const hasEnds = task.see === 'end' || task.see === 'text';
    return {
      id: task.id,
      see: task.see,
      hasEnds,
      ends: allEnds,
      endMask: maskOf(task, allEnds, () => true),
      successMask: maskOf(task, allEnds, (as) => as === 'success'),
      flags,
      from: groupIndex(task.from),
      at: groupIndex(task.at),
      atWhistle: task.asked === 'whistle',
      rowsFor: hasEnds ? allEnds.map((_, end) => rowSet(rowsForEnd(asked, end))) : [rowSet(rowsForEnd(asked, -1))],
    };
  });

  return {
    part,
    index,
    base,
    blockSize: size,
    goes: part.goes.n,
    groups,
    counterOffset,
    gates,
    keepsOne: [...everyRow.map((row) => row.do), ...Object.values(part.also ?? {})]
      .flat()
      .some((effect) => effect.do === 'restore' && effect.but === 1),
    gatesBefore: gates.some((gate) => gate.before === 'attempt'),
    stages,
    rows,
    kept: Object.entries(part.kept ?? {}).map(([counter, { farthest }]) => ({ offset: counterOffset(counter), group: groupIndex(farthest) })),
    also: flags.map((flag) => compileEffects(part.also?.[flag] ?? [])),
    oneFlag: part.flagsTogether === 'one',
    stops: part.stop.map((stop) => ({
      conds: stop.if.map(compileCond),
      why: FINISH_REASONS.indexOf(stop.why),
      onAttempts: stop.if.some(([operand]) => operand === 'attempts'),
    })),
    clockDownMs: part.clock.kind === 'down' ? part.clock.s * 1000 : 0,
    clockPer: oneAfterTheOther && part.clock.per === 'part' ? 'side' : part.clock.per,
    inFlightCounts: part.clock.inFlight === 'released',
    whenLevel: whenLevel(part),
    successesTell: successesTell(part),
  };
}

function maskOf(task: Task, ends: readonly string[], wanted: (as: 'success' | 'failure' | 'seldom') => boolean): number {
  return (task.ends ?? []).reduce((mask, end) => (wanted(end.as) ? mask | (1 << ends.indexOf(end.id)) : mask), 0);
}

/** The rows that an attempt with this end may match, in order, without the conditions that the end alone settles. */
function rowsForEnd(rows: readonly CompiledRow[], end: number): CompiledRow[] {
  const found: CompiledRow[] = [];
  for (const row of rows) {
    if (row.conds.some((cond) => cond.look === Look.end && cond.value !== end)) continue;
    const rest = row.conds.filter((cond) => cond.look !== Look.end);
    found.push(rest.length === row.conds.length ? row : { ...row, conds: rest });
    // Nothing behind a row that always matches is ever reached.
    if (rest.length === 0) break;
  }
  return found;
}

/** Conditions that one set of rows may tell apart, so that their truth fits an integer; compile() refuses more. */
const MOST_CONDS = 31;

function rowSet(rows: readonly CompiledRow[]): RowSet {
  const conds: CompiledCond[] = [];
  const needs = rows.map((row) => {
    let need = 0;
    for (const cond of row.conds) {
      let index = conds.findIndex((one) => one.look === cond.look && one.offset === cond.offset && one.op === cond.op && one.value === cond.value);
      if (index < 0) index = conds.push(cond) - 1;
      need |= 1 << index;
    }
    return need;
  });
  return { rows, conds, needs: Int32Array.from(needs) };
}

function whenLevel(part: Part): number {
  const cond = part.when?.find(([operand]) => operand === 'card.level');
  return cond ? Number(cond[2]) : -1;
}

/** Misses that change nothing but what is owed next, and end nothing, need not be known. */
function successesTell(part: Part): boolean {
  const task = part.stages[0]!;
  if (part.stages.length > 1 || task.see !== 'end' || !task.ends?.some((end) => end.as === 'success')) return false;
  if (part.measure.of === 'clock' || part.measure.of === 'minutes') return false;
  const failures = new Set(task.ends.filter((end) => end.as !== 'success').map((end) => end.id));
  const mayFail = (conds: readonly Cond[]) => {
    const ends = conds.filter(([operand]) => operand === 'end').map(([, , value]) => String(value));
    return ends.length === 0 || ends.some((end) => failures.has(end));
  };
  const endsByWhatIsSeen = part.stop.some(({ if: conds }) => conds.some(([operand]) => operand === 'end' || operand === 'row') && mayFail(conds));
  return !endsByWhatIsSeen && allRows(part).every((row) => !mayFail(row.if) || row.do.every((effect) => effect.do === 'owe'));
}

function carryOf(effects: readonly Effect[]): { carryNext: number; carryAfter: number } {
  let carryNext = 0;
  let carryAfter = 0;
  for (const effect of effects) {
    if (effect.do !== 'carry') continue;
    carryNext += effect.next;
    carryAfter += effect.afterNext;
  }
  return { carryNext, carryAfter };
}
