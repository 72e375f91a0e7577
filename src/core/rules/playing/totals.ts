/**
 * Reachable totals: which scores a game can end with at all, by arithmetic alone. The engine itself is walked through every observation
 * from every state that differs in what the rules look at; time, and counters that no rule reads, do not tell states apart.
 */
import { allRows } from '../format/rows';
import { FASTEST_TRY_S } from '../../motion/assumed';
import { compile } from './compile';
import { AT, B, Phase, UNSET, type PartProgram, type Program, type State } from './program';
import { popCount } from './effects';
import { isNext, attempt, choose, start } from './engine';
import type { Game, Group, Measure, Part } from '../format/game';
import { capOf, unfinishedRule } from '../format/unfinished';

export interface Known {
  /** How many attempts were made, where that is known. */
  readonly attempts?: number;
  /** No more attempts than this. */
  readonly mostAttempts?: number;
  /** How long it took, seconds: no more tries than fit into it. */
  readonly seconds?: number;
  /** How many targets or pins were set up, where there were fewer than the rules have. */
  readonly targets?: number;
  /** How many marks were set out, where there were fewer than the rules have. */
  readonly marks?: number;
}

export interface Totals {
  readonly unit: string;
  /** Smallest and largest total; null: there is no bound, or none below the ceiling. */
  readonly least: number | null;
  readonly most: number | null;
  /** False when the rules have too many states to be walked through: the bounds are then the widest, and every total between them passes. */
  readonly exact: boolean;
  /** Totals between the bounds (and below the ceiling) that cannot be. */
  readonly cannotBe: readonly number[];
}

/** Totals above this are not walked to; whatever can be added up to it is taken to go on in the same way. */
const CEILING = 1200;
const MOST_STATES = 60_000;

const anything = (unit: string, least: number | null, most: number | null): Totals => ({ unit, least, most, exact: false, cannotBe: [] });

/** The totals that one player can reach on the whole card. Throws only on a game that was not read. */
export function reachableTotals(whole: Game, known: Known = {}): Totals {
  const game = asSetUp(whole, known);
  const { combine } = game.card;
  if (game.parts.length === 1) return describe(game.parts[0]!.measure.unit, valuesOfPart(game, 0, known));
  if (combine === 'list') return anything('', null, null);
  if (combine === 'wins') return { unit: 'won', least: 0, most: game.parts.length, exact: true, cannotBe: [] };
  const sets = game.parts.map((part, index): Values => ({ ...valuesOfPart(game, index, {}), optional: part.when !== undefined }));
  return describe(game.parts[0]!.measure.unit, sets.reduce(added));
}

/** What one player can reach in one go of one part, by its own measure or by another figure of it, such as one that breaks a tie. */
export function goTotals(whole: Game, index: number, rule: Measure, known: Known = {}): Totals {
  const game = asSetUp(whole, known);
  const parts = game.parts.map((part, at): Part =>
    at === index ? { ...part, unfinished: unfinishedRule(part), measure: rule, goes: { n: 1, keep: 'last' } } : part,
  );
  return describe(rule.unit, valuesOfPart({ ...game, parts }, index, known));
}

/** The game as it was really set up: groups of pins, targets and marks are no larger than what stood there. */
function asSetUp(game: Game, { targets = Infinity, marks = Infinity }: Known): Game {
  const most = (kind: Group['kind']) => Math.max(1, kind === 'place' ? marks : kind === 'pin' || kind === 'target' ? targets : Infinity);
  const tooLarge = ({ kind, n }: Group) => n > most(kind);
  if (!game.parts.some((part) => Object.values(part.groups).some(tooLarge))) return game;
  const kept = (group: Group): Group => {
    const n = Math.min(group.n, most(group.kind));
    return { ...group, n, ...(group.value && { value: group.value.slice(0, n) }), ...(group.labels && { labels: group.labels.slice(0, n) }) };
  };
  return {
    ...game,
    parts: game.parts.map((part) => ({
      ...part,
      groups: Object.fromEntries(Object.entries(part.groups).map(([id, group]) => [id, kept(group)])),
    })),
    course: { ...game.course, places: fewer(game.course.places, marks), targets: fewer(game.course.targets, targets) },
  };
}

/** Of every group of what is placed the first few. */
function fewer<T>(placed: Readonly<Record<string, readonly T[]>>, n: number): Record<string, readonly T[]> {
  return Object.fromEntries(Object.entries(placed).map(([id, list]) => [id, list.slice(0, Math.max(1, n))]));
}

/** True when this total can be. */
export function canBe(totals: Totals, total: number): boolean {
  if (!Number.isInteger(total)) return false;
  if (totals.least !== null && total < totals.least) return false;
  if (totals.most !== null && total > totals.most) return false;
  return !totals.cannotBe.includes(total);
}

/** What several counters of one go can come to together. */
export interface Parts {
  /** Every set of them up to the ceiling, as their figures with spaces between; beyond it everything passes. Null where there are too many to be told. */
  readonly sets: ReadonlySet<string> | null;
  readonly ceiling: number;
  /** The most of each; null where it goes on beyond the ceiling. */
  readonly most: readonly (number | null)[];
}

/** What the counters of one go of a part can come to together. Up to a low ceiling it is quick enough for a phone. */
export function reachableParts(whole: Game, index: number, counters: readonly string[], known: Known = {}, ceiling = CEILING): Parts {
  const game = asSetUp(whole, known);
  const program = aloneOf(game, index);
  const none: Parts = { sets: null, ceiling, most: counters.map(() => null) };
  if (!program || hasNoTotals(game.parts[index]!)) return none;
  const part = program.parts[0]!;
  const offsets = counters.map((counter) => part.base + part.counterOffset(counter));
  const sets = new Set<string>();
  const most = counters.map(() => -Infinity);
  const onlyWhole = endsWhole(part.part, known);
  const note = (state: State): boolean => {
    const figures = offsets.map((offset) => state[offset]!);
    if (figures.some((figure) => figure === UNSET)) return true;
    if (!onlyWhole || state[AT.phase] !== Phase.playing) {
      sets.add(figures.join(' '));
      figures.forEach((figure, at) => (most[at] = Math.max(most[at]!, figure)));
    }
    return figures.every((figure) => Math.abs(figure) <= ceiling);
  };
  if (!walkStates(program, known, counters, note)) return none;
  return { sets, ceiling, most: most.map((figure) => (figure > ceiling || figure === -Infinity ? null : figure)) };
}

/** True when these figures of the counters can be together. */
export function canBeTogether({ sets, ceiling }: Parts, figures: readonly number[]): boolean {
  return sets === null || figures.some((figure) => Math.abs(figure) > ceiling) || sets.has(figures.join(' '));
}

interface Values {
  readonly values: ReadonlySet<number>;
  readonly exact: boolean;
  /** True when values went on beyond the ceiling. */
  readonly endless: boolean;
  readonly optional?: boolean;
}

function describe(unit: string, { values, exact, endless }: Values): Totals {
  if (values.size === 0) return anything(unit, 0, null);
  const sorted = [...values].sort((a, b) => a - b);
  const least = sorted[0]!;
  const most = sorted.at(-1)!;
  if (!exact) return anything(unit, least < 0 ? null : Math.min(0, least), null);
  const cannotBe: number[] = [];
  for (let total = least + 1; total < Math.min(most, CEILING); total += 1) if (!values.has(total)) cannotBe.push(total);
  // Beyond the ceiling everything passes.
  return { unit, least, most: endless ? null : most, exact: true, cannotBe };
}

function added(one: Values, other: Values): Values {
  const values = new Set<number>(other.optional ? one.values : []);
  for (const a of one.values) for (const b of other.values) if (a + b <= CEILING * 2) values.add(a + b);
  return { values, exact: one.exact && other.exact, endless: one.endless || other.endless };
}

/** A time, and what is counted or measured at once, can come to anything. */
const hasNoTotals = (part: Part): boolean =>
  typeof part.measure.of === 'string' || part.stages.some((task) => task.see === 'count' || task.see === 'length');

/** What ends before its end has no score: only what it ends with can be typed. */
const endsWhole = (part: Part, { attempts, mostAttempts, seconds }: Known): boolean =>
  // Of so many tries not every go has come to its end.
  attempts === undefined &&
  mostAttempts === undefined &&
  seconds === undefined &&
  part.clock.kind !== 'down' &&
  unfinishedRule(part) === 'not-finished';

/** One go of one part, of one player. */
function aloneOf(game: Game, index: number): Program | undefined {
  const part = game.parts[index]!;
  const alone: Game = {
    ...game,
    parts: [{ ...part, goes: { n: 1, keep: 'last' } }],
    sides: { n: 1, turn: 'none' },
    card: { combine: 'sum', better: part.measure.better },
  };
  const compiled = compile(alone);
  return compiled.ok ? compiled.value : undefined;
}

function valuesOfPart(game: Game, index: number, known: Known): Values {
  const part = game.parts[index]!;
  const { measure: rule, goes } = part;
  if (rule.of === 'done') return { values: new Set([0, 1]), exact: true, endless: false };
  if (hasNoTotals(part)) return { values: new Set([0]), exact: false, endless: true };
  const alone = aloneOf(game, index);
  if (!alone) return { values: new Set([0]), exact: false, endless: true };
  const once = walk(alone, known);
  let values = once;
  if (goes.keep === 'sum') for (let go = 1; go < goes.n; go += 1) values = { ...added(values, once), endless: once.endless };
  return values;
}

/** Cells of a block that can make a difference to what happens next or to the value. */
function tellingCells(program: PartProgram, known: Known): number[] {
  const { part } = program;
  const used = new Set<string>();
  const operands = [...allRows(part).flatMap((row) => row.if), ...part.stop.flatMap((stop) => stop.if)].map(([operand]) => operand);
  const effects = [...allRows(part).flatMap((row) => row.do), ...Object.values(part.also ?? {}).flat()];
  for (const operand of operands) if (operand.startsWith('n.')) used.add(operand.slice(2));
  for (const effect of effects)
    if ('amount' in effect && typeof effect.amount === 'string' && effect.amount.startsWith('n.')) used.add(effect.amount.slice(2));
  for (const group of Object.values(part.groups)) if (group.up) used.add(group.up);
  if (typeof part.measure.of !== 'string') for (const counter of Object.keys(part.measure.of.sum)) used.add(counter);
  return [
    B.stage,
    B.carryNext,
    B.carryAfter,
    ...(operands.includes('attempts') || known.attempts !== undefined ? [B.attempts] : []),
    ...program.groups.flatMap((group) => [group.offset, group.offset + 1]),
    ...part.counters.filter((counter) => used.has(counter)).map((counter) => program.counterOffset(counter)),
  ];
}

/** Elements that no rule tells apart may be counted instead of listed: a checklist of fifteen things has sixteen states, not thousands. */
function alike(part: Part, groupId: string): boolean {
  const group = part.groups[groupId]!;
  const looked = allRows(part).some((row) => row.if.some(([operand]) => operand === `at.${groupId}`));
  const moved = allRows(part).some((row) => row.do.some((effect) => effect.do === 'go' && effect.group === groupId));
  return group.order === 'free' && !looked && !moved && new Set(group.value ?? [0]).size === 1;
}

function flagSets(flags: number): number[] {
  if (flags === 0) return [0];
  if (flags <= 3) return Array.from({ length: 1 << flags }, (_, set) => set);
  return [0, ...Array.from({ length: flags }, (_, flag) => 1 << flag)];
}

interface Try {
  readonly choices: readonly (readonly [group: number, element: number])[];
  readonly a: number;
  readonly flags: number;
}

/** Every way in which the next attempt can go, as the rules can tell it. */
function triesFrom(program: PartProgram, state: State): Try[] {
  const base = state[AT.base]!;
  const task = program.stages[state[base + B.stage]!]!;
  const choicesOf = (index: number): (readonly [number, number])[][] => {
    if (index < 0) return [[]];
    const group = program.groups[index]!;
    if (group.order === 'fixed' || task.see === 'felled') return [[]];
    const at = state[base + group.offset]!;
    const up = Array.from({ length: group.n }, (_, one) => one).filter(
      (one) => (state[base + group.offset + 1]! & (1 << one)) !== 0 && (group.order === 'free' || isNext(state[base + group.offset + 1]!, at, one)),
    );
    return (alike(program.part, group.id) ? up.slice(0, 1) : up).map((one) => (one === at ? [] : [[index, one] as const]));
  };
  const seen: number[] = [];
  if (task.hasEnds) for (let end = 0; end < task.ends.length; end += 1) if (task.endMask & (1 << end)) seen.push(end);
  if (task.see === 'face') for (let face = 0; face < (program.part.stages[state[base + B.stage]!]!.faces?.length ?? 2); face += 1) seen.push(face);
  if (task.see === 'felled') {
    const standing = task.at >= 0 ? state[base + program.groups[task.at]!.offset + 1]! : 0;
    let mask = 0;
    seen.push(0);
    for (let bit = 0; bit < 30; bit += 1) if (standing & (1 << bit)) seen.push((mask |= 1 << bit));
  }
  const tries: Try[] = [];
  for (const from of choicesOf(task.from))
    for (const at of choicesOf(task.at))
      for (const a of seen) for (const flags of flagSets(task.flags.length)) tries.push({ choices: [...from, ...at], a, flags });
  return tries;
}

function walk(program: Program, known: Known): Values {
  const part = program.parts[0]!;
  const { of } = part.part.measure;
  const cap = capOf(part.part) ?? Infinity;
  const sum = typeof of === 'string' ? [] : Object.entries(of.sum).map(([counter, weight]) => [part.counterOffset(counter), weight] as const);
  const valueOf = (state: State) => {
    let value = 0;
    for (const [offset, weight] of sum) {
      const figure = state[part.base + offset]!;
      if (figure === UNSET) return null;
      value += weight * figure;
    }
    return Math.min(value, cap);
  };
  const values = new Set<number>();
  let endless = false;
  const exact = walkStates(program, known, [], (state) => {
    const value = valueOf(state);
    const attempts = state[part.base + B.attempts]!;
    const ended = !endsWhole(part.part, known) || state[AT.phase] !== Phase.playing;
    if (value !== null && ended && (known.attempts === undefined || attempts === known.attempts)) values.add(value);
    const within = Math.abs(value ?? 0) <= CEILING;
    if (!within && state[AT.phase] === Phase.playing) endless = true;
    return within;
  });
  return { values, exact, endless: endless || !exact };
}

/**
 * Walks the engine through every state of one go that the rules can tell apart, in the order of the attempts that lead to it, so that what is met
 * again later can do no more. `note` is shown each, and says whether to go on from it; `counters` are told apart besides those that the rules look
 * at. False when there are too many.
 */
function walkStates(program: Program, known: Known, counters: readonly string[], note: (state: State) => boolean): boolean {
  const part = program.parts[0]!;
  const cells = [...new Set([...tellingCells(part, known), ...counters.map((counter) => part.counterOffset(counter))])];
  const aliked = new Set(part.groups.filter((group) => alike(part.part, group.id)).map((group) => group.offset));
  // Two characters a cell: a tenth of the time that figures in words take.
  const codes = new Uint16Array(2 * cells.length);
  const keyOf = (state: State) => {
    const base = state[AT.base]!;
    cells.forEach((cell, at) => {
      const value = aliked.has(cell) ? 0 : aliked.has(cell - 1) ? popCount(state[base + cell]!) : state[base + cell]!;
      codes[2 * at] = value;
      codes[2 * at + 1] = value >>> 16;
    });
    return String.fromCharCode.apply(null, codes as unknown as number[]);
  };
  const most = known.attempts ?? Math.min(known.mostAttempts ?? Infinity, (known.seconds ?? Infinity) / FASTEST_TRY_S);
  const seen = new Set<string>();
  let frontier: State[] = [start(program)];
  seen.add(keyOf(frontier[0]!));
  note(frontier[0]!);
  while (frontier.length > 0) {
    const next: State[] = [];
    for (const state of frontier) {
      for (const { choices, a, flags } of triesFrom(part, state)) {
        const after = state.slice();
        for (const gate of part.gates) after[part.base + gate.offset] = 0;
        after[AT.heldSince] = -1;
        for (const [group, element] of choices) choose(program, after, 0, group, element);
        const task = part.stages[after[part.base + B.stage]!]!;
        if (attempt(program, after, task.atWhistle ? part.clockDownMs : 0, a, flags) !== 0) continue;
        const goesOn = note(after);
        if (!goesOn || after[AT.phase] !== Phase.playing || after[part.base + B.attempts]! >= most) continue;
        const key = keyOf(after);
        if (seen.has(key)) continue;
        seen.add(key);
        if (seen.size > MOST_STATES) return false;
        next.push(after);
      }
    }
    frontier = next;
  }
  return true;
}
