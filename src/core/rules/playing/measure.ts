import { allRows } from '../format/rows';
import { AT, B, FINISH_REASONS, Phase, UNSET, type PartProgram, type Program, type State } from './program';
import { playedMs } from './clock';
import { finishedWhy } from './engine';
import { rawScore } from './turns';
import { mmPerUnit } from '../format/length-unit';
import { capOf, CUT_SHORT, unfinishedRule } from '../format/unfinished';
import type { FinishReason, Measure } from '../format/game';
import { english } from '../../words/english';
import type { Words } from '../../words/words';
import { counted } from '../telling/counted';
import { catalogueIn } from '../telling/languages';
import { messages } from '../telling/messages.en-gb';

/** One product of the sum: so many times, worth so much each. `place` is the number of the mark, from 1, where it tells. */
export interface WorkingLine {
  readonly times: number;
  readonly each: number;
  readonly place: number | null;
  /** What is counted, in the game's own words: "full rounds". */
  readonly what?: string;
}

/** What one player has in one part. */
export interface PartResult {
  readonly part: string;
  readonly title: string;
  /** Null when it is written down as not finished, or nothing has been measured. */
  readonly value: number | null;
  readonly unit: string;
  readonly better: 'high' | 'low';
  readonly working: readonly WorkingLine[];
  /** "2 × 1 + 3 × 2 = 8": the sum as a teacher would write it. */
  readonly sum: string;
  /** Each go of the part, where it has several. */
  readonly goes: readonly (number | null)[];
  readonly finished: FinishReason | null;
  readonly attempts: number;
  readonly successes: number;
  readonly seconds: number;
  /** The figures that break a tie, in their order. */
  readonly tie: readonly number[];
}

export interface Result extends Omit<PartResult, 'part' | 'title' | 'goes' | 'tie'> {
  /** The parts that were played, for a card of several. */
  readonly parts: readonly PartResult[];
  /** What every player has, from the first; one entry in a game alone. Only the child's own result is a record. */
  readonly sides: readonly (number | null)[];
  /** True when several players made this score together: never a personal best. */
  readonly team: boolean;
}

/** What the play is worth so far, for the child (player 0) or another; without words, where thousands of plays are measured, its working is not told. */
export function measure(program: Program, state: State, side = 0, words: Words | null = english): Result {
  const { card } = program.game;
  const sides = Array.from({ length: program.sides }, (_, index) => index);
  const played = program.parts.filter((part) => reached(state, part));
  const bySide = sides.map((index) => played.map((part) => partResult(program, part, state, index, words)));
  const parts = bySide[side]!;
  const shared = {
    better: card.better,
    finished: finishedWhy(state),
    attempts: parts.reduce((sum, part) => sum + part.attempts, 0),
    successes: parts.reduce((sum, part) => sum + part.successes, 0),
    seconds: parts.reduce((sum, part) => sum + part.seconds, 0),
    team: program.joint && program.sides > 1,
    parts,
  };
  if (program.parts.length === 1) {
    const { part: _part, title: _title, goes: _goes, tie: _tie, ...only } = parts[0]!;
    return { ...only, ...shared, better: only.better, sides: bySide.map((one) => one[0]!.value) };
  }
  // A card that ended before all of its parts were begun: strokes that were not played are not the fewest.
  const left = program.parts.some((part) => part.whenLevel < 0 && !played.includes(part) && unfinishedRule(part.part) === 'not-finished');
  const short = left && shared.finished !== null && card.combine === 'sum';
  const values = bySide.map((_, index) => (short ? null : cardValue(program.game.card.combine, bySide, index)));
  return {
    ...shared,
    value: values[side]!,
    unit: card.combine === 'wins' ? messages.wins : parts[0]!.unit,
    working: [],
    sum: cardSum(program, parts, values[side]!, words),
    sides: values,
  };
}

function reached(state: State, part: PartProgram): boolean {
  const now = state[AT.part]!;
  // Left out, or over already.
  if (part.index !== now || state[AT.phase] === Phase.finished) return part.index === 0 || state[part.base + B.why]! >= 0;
  return part.index === 0 || state[AT.phase] !== Phase.between || state[AT.go]! > 0;
}

/** The card of one player: the parts added up, or how many of them were won; null when it adds up parts of which one was not finished. */
function cardValue(combine: 'sum' | 'wins' | 'list', bySide: readonly (readonly PartResult[])[], side: number): number | null {
  const mine = bySide[side]!;
  if (combine === 'list') return null;
  if (combine === 'sum')
    return mine.some((part) => part.value === null && part.finished !== null) ? null : mine.reduce((sum, part) => sum + (part.value ?? 0), 0);
  return mine.filter((part, index) => {
    if (part.finished === null || part.value === null) return false;
    return bySide.every((other, rival) => rival === side || beats(part, other[index]!));
  }).length;
}

/** True when one result is better than another, by the value and then by what breaks a tie. */
function beats(one: PartResult, other: PartResult): boolean {
  if (one.value === null || other.value === null) return one.value !== null;
  if (one.value !== other.value) return one.better === 'high' ? one.value > other.value : one.value < other.value;
  for (const [index, figure] of one.tie.entries()) if (figure !== other.tie[index]) return figure > other.tie[index]!;
  return false;
}

const UNTOLD: { readonly working: readonly WorkingLine[]; readonly sum: string } = { working: [], sum: '' };

function cardSum(program: Program, parts: readonly PartResult[], value: number | null, words: Words | null): string {
  if (!words) return '';
  const { combine } = program.game.card;
  const { plain } = catalogueIn(words);
  const told = parts.map((part) => `${words.own(part.title)} ${part.value === null ? plain.notFinished : part.value}`);
  if (combine === 'list') return told.join(', ');
  if (combine === 'wins') return `${value ?? 0} ${plain.wins}`;
  const done = parts.filter((part) => part.value !== null);
  if (value !== null) return `${told.join(' + ')} = ${value}`;
  return `${told.join(' + ')}: ${done.length} / ${program.parts.length}, ${plain.notFinished}`;
}

function partResult(program: Program, part: PartProgram, state: State, side: number, words: Words | null): PartResult {
  const blocks = program.joint ? 1 : program.sides;
  const now = state[AT.part] === part.index;
  const last = now ? state[AT.go]! - (state[AT.phase] === Phase.between ? 1 : 0) : part.goes - 1;
  const bases = Array.from({ length: Math.max(0, last) + 1 }, (_, go) => part.base + (go * blocks + (program.joint ? 0 : side)) * part.blockSize);
  const goes = bases.map((base, go) => blockValue(part, state, base, now && go === last));
  const better = part.part.measure.better;
  const kept = keptGo(goes, part.part.goes.keep, better);
  const base = bases[kept.at]!;
  const counted = goes.filter((value) => value !== null);
  // A sum of goes is whole when each of them is.
  const lacks = state[AT.phase] === Phase.finished && counted.length < part.goes && unfinishedRule(part.part) === 'not-finished';
  const added = counted.length === 0 || lacks ? null : counted.reduce((sum, one) => sum + one, 0);
  const value = part.part.goes.keep === 'sum' ? added : goes[kept.at]!;
  const { working, sum } = words ? workingOf(part, state, base, goes[kept.at]!, words) : UNTOLD;
  const why = state[base + B.why]!;
  return {
    part: part.part.id,
    title: part.part.title ?? `${messages.part} ${part.index + 1}`,
    value,
    unit: part.part.measure.unit,
    better,
    working: part.goes === 1 || part.part.goes.keep !== 'sum' ? working : [],
    sum: words && goes.length > 1 ? goesSum(goes, part.part.goes.keep, value, sum, words) : sum,
    goes: part.goes > 1 ? goes : [],
    finished: why < 0 ? null : FINISH_REASONS[why]!,
    attempts: bases.reduce((total, one) => total + state[one + B.attempts]!, 0),
    successes: bases.reduce((total, one) => total + state[one + B.successes]!, 0),
    seconds: Math.round(bases.reduce((total, one) => total + blockMs(state, one), 0) / 1000),
    tie: (part.part.measure.tie ?? []).map((rule) => {
      const figure = measured({ ...part, part: { ...part.part, measure: rule } }, state, base) ?? (rule.better === 'high' ? -UNSET : UNSET);
      return rule.better === 'high' ? figure : -figure;
    }),
  };
}

function blockMs(state: State, base: number): number {
  return state[base + B.why]! >= 0 ? state[base + B.playedMs]! : state[AT.base] === base ? playedMs(state) : 0;
}

function keptGo(goes: readonly (number | null)[], keep: 'best' | 'last' | 'sum', better: 'high' | 'low'): { at: number } {
  if (keep === 'last' || keep === 'sum') return { at: goes.length - 1 };
  let at = 0;
  goes.forEach((value, index) => {
    const best = goes[at]!;
    if (value !== null && (best === null || (better === 'high' ? value > best : value < best))) at = index;
  });
  return { at };
}

function goesSum(goes: readonly (number | null)[], keep: 'best' | 'last' | 'sum', value: number | null, sum: string, words: Words): string {
  const { plain } = catalogueIn(words);
  const told = goes.map((one) => (one === null ? plain.notFinished : `${one}`));
  if (keep === 'sum') return `${told.join(' + ')} = ${value ?? plain.notFinished}`;
  return `${keep === 'best' ? plain.bestOf : plain.lastOf} ${told.join(', ')}: ${sum}`;
}

function blockValue(part: PartProgram, state: State, base: number, now: boolean): number | null {
  const why = state[base + B.why]!;
  const ended = why < 0 ? undefined : FINISH_REASONS[why];
  if (why < 0 && !now) return null;
  const { of } = part.part.measure;
  const cut = (ended !== undefined && CUT_SHORT.has(ended)) || (of === 'clock' && ended === 'time');
  if (cut && unfinishedRule(part.part) === 'not-finished') return null;
  if (of === 'done') return ended ? 1 : 0;
  return measured(part, state, base);
}

/** The figure of a measure; null when there is none yet. */
function measured(part: PartProgram, state: State, base: number): number | null {
  const { of } = part.part.measure;
  if (of === 'clock') return Math.round(blockMs(state, base) / 1000);
  if (of === 'minutes') return Math.floor(blockMs(state, base) / 60_000);
  if (of === 'done') return state[base + B.why]! >= 0 ? 1 : 0;
  if (Object.keys(of.sum).some((counter) => state[base + part.counterOffset(counter)] === UNSET)) return null;
  return Math.round(Math.min(rawScore(part, state, base), capOf(part.part) ?? Infinity) / mmPerUnit(part.part, part.part.measure));
}

function workingOf(part: PartProgram, state: State, base: number, value: number | null, words: Words): { working: WorkingLine[]; sum: string } {
  const { measure: rule } = part.part;
  if (value === null) return { working: [], sum: catalogueIn(words).plain.notFinished };
  if (typeof rule.of === 'string') return { working: [], sum: `${value}` };
  const weights = Object.entries(rule.of.sum);
  const byRow = linesOf(part, state, base, new Map(weights));
  if (byRow.length > 0 && total(byRow) === value && part.part.goes.n === 1 && !isCounted(part, rule))
    return { working: byRow, sum: sumWords(byRow, value, words) };
  const byCounter = weights
    .map(([counter, each]): WorkingLine => ({
      times: Math.round(state[base + part.counterOffset(counter)]! / mmPerUnit(part.part, rule)),
      each,
      place: null,
      ...(part.part.counterWords?.[counter] ? { what: part.part.counterWords[counter] } : {}),
    }))
    .filter((line, index) => line.times !== 0 || index === 0);
  const told = byCounter.length > 1 || byCounter.some((line) => line.each !== 1 || line.what !== undefined);
  if (!told) return { working: [], sum: `${value}` };
  const all = total(byCounter);
  const sum = sumWords(byCounter, all, words);
  return { working: byCounter, sum: all === value ? sum : words.own(messages.countedAs, { sum, n: value }) };
}

/** A measure of named counters (rounds and extras, strokes and penalties) is told by its counters. */
function isCounted(part: PartProgram, rule: Measure): boolean {
  return typeof rule.of !== 'string' && Object.keys(rule.of.sum).some((counter) => part.part.counterWords?.[counter] !== undefined);
}

const total = (lines: readonly WorkingLine[]) => lines.reduce((sum, line) => sum + line.times * line.each, 0);

/** "2 × 1 + 3 × 2 = 8", or in the game's own words "4 full rounds × 5 = 20, and 3 more = 23". */
function sumWords(lines: readonly WorkingLine[], value: number, words: Words): string {
  if (lines.every((line) => line.what === undefined)) return `${lines.map((line) => `${line.times} × ${line.each}`).join(' + ')} = ${value}`;
  const term = (line: WorkingLine) =>
    `${line.times}${line.what ? ` ${counted(line.times, line.what, words)}` : ''}${line.each === 1 ? '' : ` × ${line.each}`}`;
  if (lines.length === 1) return lines[0]!.each === 1 ? term(lines[0]!) : `${term(lines[0]!)} = ${value}`;
  if (lines.length === 2 && lines[0]!.each !== 1)
    return `${term(lines[0]!)} = ${lines[0]!.times * lines[0]!.each}, ${catalogueIn(words).plain.and} ${term(lines[1]!)} = ${value}`;
  return `${lines.map(term).join(' + ')} = ${value}`;
}

function linesOf(program: PartProgram, state: State, base: number, weights: ReadonlyMap<string, number>): WorkingLine[] {
  const lines: WorkingLine[] = [];
  allRows(program.part).forEach((row, index) => {
    const compiled = program.rows[index]!;
    const group = compiled.tallyGroup >= 0 ? program.groups[compiled.tallyGroup]! : undefined;
    for (let place = 0; place < (group?.n ?? 1); place += 1) {
      const times = state[base + compiled.tally + place]!;
      let each = 0;
      for (const effect of row.do) {
        if (effect.do !== 'add') continue;
        const amount = effect.amount === 'value' ? (group?.values[place] ?? 0) : typeof effect.amount === 'number' ? effect.amount : 0;
        each += amount * (weights.get(effect.counter) ?? 0);
      }
      if (times > 0 && each !== 0) lines.push({ times, each, place: group && group.n > 1 ? place + 1 : null });
    }
  });
  return mergeLike(lines);
}

/** Lines worth the same from the same mark become one. */
function mergeLike(lines: readonly WorkingLine[]): WorkingLine[] {
  const merged: WorkingLine[] = [];
  for (const line of lines) {
    const like = merged.findIndex((other) => other.each === line.each && other.place === line.place);
    if (like >= 0) merged[like] = { ...line, times: merged[like]!.times + line.times };
    else merged.push(line);
  }
  return merged;
}
