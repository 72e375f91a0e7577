/**
 * compile(game) turns the rules of one level into tables over one flat Int32Array; step() in engine.ts runs them.
 * There is one implementation of each rule: forecast, counter at home and the check of a report all use these tables.
 */
import type { Amount, Cond, Effect, FinishReason, Game, Part } from './game';
import type { Outcome, Problem } from './problem';

/** Version of the rules' meaning; stored with every verdict. Raise it when a play could come out differently. */
export const ENGINE_VERSION = 1;

/** Places in the state before the groups, counters, gates and tallies of the game. */
export const AT = {
  phase: 0,
  why: 1,
  lastT: 2,
  pausedMs: 3,
  pausedSince: 4,
  attempts: 5,
  task: 6,
  carryNext: 7,
  carryAfter: 8,
  successes: 9,
  first: 10,
} as const;

export const FINISH_REASONS: readonly FinishReason[] = ['stopped', 'time', 'goal', 'attempts', 'cap', 'all-out', 'target-score', 'rounds'];

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
}

export interface CompiledCond {
  readonly look: Look;
  /** Offset in the state, for looks that have one. */
  readonly offset: number;
  readonly op: Op;
  readonly value: number;
}

export const enum Do {
  addFixed,
  addSeen,
  addValue,
  setFixed,
  keepMax,
  keepMin,
  go,
  mark,
  reset,
  owe,
  nextTask,
  finish,
}

export interface CompiledEffect {
  readonly do: Do;
  /** Offset in the state that the effect changes. */
  readonly offset: number;
  readonly amount: number;
  readonly group: number;
  readonly timesCarry: boolean;
  /** For keepMax and keepMin with what was seen. */
  readonly seen: boolean;
}

export interface CompiledRow {
  readonly conds: readonly CompiledCond[];
  readonly validity: 'counts' | 'void' | 'replay';
  readonly effects: readonly CompiledEffect[];
  /** How often the next ball, and the one after it, count extra because of this row. */
  readonly carryNext: number;
  readonly carryAfter: number;
  /** Where this row's tally starts, and the group whose element tells the tallies apart (−1: one tally). */
  readonly tally: number;
  readonly tallyGroup: number;
}

export interface CompiledGroup {
  readonly id: string;
  readonly n: number;
  readonly order: 'fixed' | 'either-way' | 'free';
  readonly end: 'stay' | 'wrap' | 'finish';
  readonly full: number;
  readonly values: Int32Array;
  /** Offset of the current element; the mask of those still up stands behind it. */
  readonly offset: number;
}

export interface CompiledTask {
  readonly id: string;
  readonly see: Part['tasks'][number]['see'];
  readonly ends: readonly string[];
  readonly successMask: number;
  readonly flags: readonly string[];
  readonly from: number;
  readonly at: number;
}

export interface Program {
  readonly game: Game;
  readonly part: Part;
  readonly size: number;
  readonly groups: readonly CompiledGroup[];
  readonly counterOffset: (counter: string) => number;
  readonly gates: readonly { readonly id: string; readonly offset: number }[];
  readonly tasks: readonly CompiledTask[];
  readonly rows: readonly CompiledRow[];
  readonly also: readonly (readonly CompiledEffect[])[];
  readonly stops: readonly { readonly conds: readonly CompiledCond[]; readonly why: number }[];
  readonly clockDownMs: number;
  readonly inFlightCounts: boolean;
}

/** Compiles a game that readGame admitted, already resolved to one level. What this version does not play yet is said, with its place. */
export function compile(game: Game): Outcome<Program> {
  const problems = notPlayedYet(game);
  if (problems.length > 0) return { ok: false, problems };
  const part = game.parts[0]!;
  let size: number = AT.first;
  const groups: CompiledGroup[] = Object.entries(part.groups).map(([id, group]) => {
    const offset = size;
    size += 2;
    return {
      id,
      n: group.n,
      order: group.order,
      end: group.end,
      full: group.n >= 31 ? -1 : (1 << group.n) - 1,
      values: Int32Array.from(group.value ?? []),
      offset,
    };
  });
  const groupIndex = (id: string | undefined) => groups.findIndex((group) => group.id === id);
  const counterBase = size;
  size += part.counters.length;
  const counterOffset = (counter: string) => counterBase + part.counters.indexOf(counter);
  const gates = Object.keys(part.gates).map((id) => ({ id, offset: size++ }));
  const ends = part.tasks.flatMap((task) => task.ends?.map((end) => end.id) ?? []);
  const allEnds = [...new Set(ends)];

  const compileCond = ([operand, op, value]: Cond): CompiledCond => {
    const [space, name] = operand.split('.') as [string, string | undefined];
    const compiledOp = op === '=' ? Op.equal : op === '>=' ? Op.atLeast : Op.atMost;
    const number = typeof value === 'number' ? value : allEnds.indexOf(value);
    const make = (look: Look, offset = 0) => ({ look, offset, op: compiledOp, value: number });
    switch (space) {
      case 'end':
        return make(Look.end);
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
      default:
        return make(Look.seen);
    }
  };

  const compileEffect = (effect: Exclude<Effect, { do: 'carry' }>): CompiledEffect => {
    const make = (what: Do, rest: Partial<CompiledEffect> = {}): CompiledEffect => ({
      do: what,
      offset: 0,
      amount: 0,
      group: -1,
      timesCarry: false,
      seen: false,
      ...rest,
    });
    const amountOf = (amount: Amount) => ({ amount: typeof amount === 'number' ? amount : 0, seen: typeof amount !== 'number' });
    switch (effect.do) {
      case 'add': {
        const rest = { offset: counterOffset(effect.counter), timesCarry: effect.timesCarry ?? false, ...amountOf(effect.amount) };
        if (effect.amount === 'value') return make(Do.addValue, { ...rest, group: groupIndex(effect.of) });
        return make(typeof effect.amount === 'number' ? Do.addFixed : Do.addSeen, rest);
      }
      case 'set':
        return make(Do.setFixed, { offset: counterOffset(effect.counter), ...amountOf(effect.amount) });
      case 'keepMax':
        return make(Do.keepMax, { offset: counterOffset(effect.counter), ...amountOf(effect.amount) });
      case 'keepMin':
        return make(Do.keepMin, { offset: counterOffset(effect.counter), ...amountOf(effect.amount) });
      case 'go':
        return make(Do.go, { group: groupIndex(effect.group), amount: { next: 1, back: -1, first: -99, stay: 0 }[effect.to] });
      case 'mark':
        return make(Do.mark, { group: groupIndex(effect.group) });
      case 'reset':
        return make(Do.reset, { group: groupIndex(effect.group) });
      case 'owe':
        return make(Do.owe, { offset: gates.find((gate) => gate.id === effect.gate)!.offset, amount: part.gates[effect.gate]!.n });
      case 'next':
        return make(Do.nextTask);
      case 'finish':
        return make(Do.finish, { amount: FINISH_REASONS.indexOf(effect.why) });
    }
  };

  const rows: CompiledRow[] = part.rows.map((row) => {
    const valued = row.do.find((effect) => effect.do === 'add' && effect.amount === 'value');
    const tallyGroup = valued && 'of' in valued ? groupIndex(valued.of) : groupIndex(part.tasks[0]!.from);
    const tally = size;
    size += tallyGroup >= 0 ? groups[tallyGroup]!.n : 1;
    return {
      conds: row.if.map(compileCond),
      validity: row.validity,
      effects: row.do.filter((effect) => effect.do !== 'carry').map(compileEffect),
      ...carryOf(row.do),
      tally,
      tallyGroup,
    };
  });

  const flags = part.tasks[0]!.flags ?? [];
  return {
    ok: true,
    value: {
      game,
      part,
      size,
      groups,
      counterOffset,
      gates,
      tasks: part.tasks.map((task) => ({
        id: task.id,
        see: task.see,
        ends: allEnds,
        successMask: (task.ends ?? []).reduce((mask, end) => (end.as === 'success' ? mask | (1 << allEnds.indexOf(end.id)) : mask), 0),
        flags: task.flags ?? [],
        from: groupIndex(task.from),
        at: groupIndex(task.at),
      })),
      rows,
      also: flags.map((flag) => (part.also?.[flag] ?? []).filter((effect) => effect.do !== 'carry').map(compileEffect)),
      stops: part.stop.map((stop) => ({ conds: stop.if.map(compileCond), why: FINISH_REASONS.indexOf(stop.why) })),
      clockDownMs: part.clock.kind === 'down' ? part.clock.s * 1000 : 0,
      inFlightCounts: part.clock.inFlight === 'released',
    },
  };
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

function notPlayedYet(game: Game): Problem[] {
  const problems: Problem[] = [];
  const say = (place: string, reason: string) =>
    problems.push({ place, reason, fix: 'The format allows it; this version of the engine does not play it yet.' });
  if (game.parts.length > 1) say('/parts', 'a card of several parts');
  if (game.sides.n > 1) say('/sides/n', 'more than one side');
  const part = game.parts[0]!;
  if (part.clock.per !== 'part') say('/parts/0/clock/per', 'a clock for each item or side');
  if (Object.values(part.gates).some((gate) => gate.before)) say('/parts/0/gates', 'a gate before each attempt or round');
  if (part.rows.some((row) => row.do.some((effect) => effect.do === 'next' && effect.what === 'side'))) say('/parts/0/rows', 'a change of side');
  return problems;
}
