/**
 * Points that are fair: for any game in which a child chooses among places or targets of different worth, whole points for which it pays
 * about the same to choose any of them, by what a success takes: per second where a clock runs, per try where tries are counted.
 */
import { childTables, type ChildTables, type TaskTables } from '../forecast/attempts';
import { simulateGo } from '../forecast/simulate';
import type { Game, Group, Part, Row } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { compile } from '../rules/playing/compile';
import { start } from '../rules/playing/engine';
import { measure } from '../rules/playing/measure';
import type { PartProgram, Program } from '../rules/playing/program';

/** What a success is tried for at each of some places or targets of a part: its group, and successes a second, or a try. */
export interface ChosenRates {
  readonly part: number;
  readonly stage: number;
  readonly group: string;
  readonly rates: readonly number[];
}

/** A group of a part that has values of its own, chosen from or not: where it is tried from, or what is aimed at. */
function valuedGroup(part: Part, stage: number): string | undefined {
  const { from, at } = part.stages[stage]!;
  const valued = [from, at].filter((id) => id !== undefined && (part.groups[id]?.value?.length ?? 0) > 1);
  return valued.find((id) => part.groups[id!]!.order === 'free') ?? valued[0];
}

/** Share of the tries from one place at one target that end each way; the ends in the order of the task. */
function endShares({ ends, endIndex }: TaskTables, which: number): readonly number[] {
  const n = endIndex.length;
  return Array.from({ length: n }, (_, end) => (ends[which * n + end]! - (end === 0 ? 0 : ends[which * n + end - 1]!)) / 2 ** 32);
}

/** Milliseconds that are owed on the clock after a try that ended so: by the first rule that speaks of that end alone, or of any. */
function owedMs(part: Part, end: string, gateMs: readonly number[]): number {
  const speaks = ({ if: conds }: Row) => conds.every(([look, op, value]) => look === 'end' && op === '=' && value === end);
  const owed = (part.rows.find(speaks)?.do ?? []).flatMap((effect) => (effect.do === 'owe' ? effect.gate : []));
  return Object.entries(part.gates).reduce((sum, [id, gate], at) => (owed.includes(id) && gate.onClock ? sum + gate.n * gateMs[at]! : sum), 0);
}

function ratesOfStage(compiled: PartProgram, tables: ChildTables, stage: number, group: string): readonly number[] {
  const { part, index } = compiled;
  const task = tables.parts[index]![stage]!;
  const { from, ends = [] } = part.stages[stage]!;
  if (task.endIndex.length === 0 || task.aims.every(({ chance }) => chance === null)) return [];
  const before = Object.values(part.gates).reduce(
    (sum, gate, at) => (gate.before === 'attempt' && gate.onClock ? sum + gate.n * tables.gateMs[index]![at]! : sum),
    0,
  );
  const rateOf = (which: number) => {
    const shares = endShares(task, which);
    const success = shares.reduce((sum, share, end) => (ends[end]?.as === 'success' ? sum + share : sum), 0);
    if (part.clock.kind === 'none') return success;
    const owed = shares.reduce((sum, share, end) => sum + share * owedMs(part, ends[end]!.id, tables.gateMs[index]!), 0);
    const ms = task.aimLeastMs + task.aimSpreadMs / 2 + task.airMs[which]! + task.fetchMs[which]! + owed + before;
    return (1000 * success) / ms;
  };
  return group === from
    ? Array.from({ length: task.places }, (_, place) =>
        Math.max(...Array.from({ length: task.targets }, (__, at) => rateOf(place * task.targets + at))),
      )
    : Array.from({ length: task.targets }, (_, at) => rateOf(at));
}

/** The rates of every group with values of a level that is resolved, for a child of this age; empty where nothing is aimed at. */
export function chosenRates(level: Game, ageYears: number): readonly ChosenRates[] {
  const compiled = compile(level);
  if (!compiled.ok) return [];
  const tables = childTables(compiled.value, { ageYears });
  return compiled.value.parts.flatMap((part) =>
    part.part.stages.flatMap((_, stage): ChosenRates[] => {
      const group = valuedGroup(part.part, stage);
      const rates = group === undefined ? [] : ratesOfStage(part, tables, stage, group);
      if (group === undefined || rates.length !== part.part.groups[group]!.value!.length || rates.some((rate) => rate <= 0)) return [];
      return [{ part: part.index, stage, group, rates }];
    }),
  );
}

/** The first value is 1 to 10, and no other more than a child adds up in its head. */
const [MOST_FIRST, MOST_POINTS] = [10, 20];
/** Smaller points are taken where they are less fair by no more than this; of a game that is begun, where they are easier to add. Assumed. */
const NEARLY = 0.01;
export const EASY_TO_ADD = 0.2;

/** How much more the best of some is worth than the worst, as a share. */
export const unevenness = (worths: readonly number[]): number => Math.max(...worths) / Math.max(1e-9, Math.min(...worths)) - 1;

/**
 * Whole points for rates of success: those of the least unevenness, or within so much of it the smallest. For a least worth every other
 * point is best the smallest that is worth as much, so the least worths are gone through: there are no better points.
 */
export function fairPoints(rates: readonly number[], within = NEARLY): readonly number[] {
  if (rates.length === 0) return [];
  const found: { readonly points: readonly number[]; readonly uneven: number; readonly sum: number }[] = [];
  for (const [at, rate] of rates.entries())
    for (let point = 1; point <= (at === 0 ? MOST_FIRST : MOST_POINTS); point += 1) {
      const least = point * rate;
      const points = rates.map((other) => Math.max(1, Math.ceil(least / other - 1e-9)));
      if (points[0]! > MOST_FIRST || points.some((one) => one > MOST_POINTS)) continue;
      found.push({ points, uneven: unevenness(points.map((one, index) => one * rates[index]!)), sum: points.reduce((sum, one) => sum + one, 0) });
    }
  // Rates so far apart that no points make them even: one for the easiest, the most for the rest.
  if (found.length === 0) return rates.map((rate) => Math.min(MOST_POINTS, Math.max(1, Math.round(rates[0]! / rate))));
  const best = Math.min(...found.map(({ uneven }) => uneven));
  return found.filter(({ uneven }) => uneven <= best + within).reduce((small, one) => (one.sum < small.sum ? one : small)).points;
}

const withValues = (part: Part, group: string, value: readonly number[]): Part => ({
  ...part,
  groups: { ...part.groups, [group]: { ...part.groups[group]!, value } },
});

/** The game with fair points at this level for a child of this age; null where nothing that is aimed at has points of its own. */
export function withFairPoints(game: Game, levelIndex: number, ageYears: number, within = NEARLY): Game | null {
  const chosen = chosenRates(resolveLevel(game, levelIndex), ageYears);
  if (chosen.length === 0) return null;
  const parts = game.parts.map((part, index) =>
    chosen.reduce((now, { part: of, group, rates }) => (of === index ? withValues(now, group, fairPoints(rates, within)) : now), part),
  );
  return { ...game, parts };
}

/** The ages of 4 to 12 at which the points of this level are fair: nothing worth more than `most` times another. */
export function fairAges(game: Game, levelIndex: number, most = 1.6): readonly number[] {
  const level = resolveLevel(game, levelIndex);
  return [4, 5, 6, 7, 8, 9, 10, 11, 12].filter((ageYears) => {
    const chosen = chosenRates(level, ageYears);
    return chosen.length > 0 && chosen.every((one) => 1 + unevenness(worthsOf(level, one)) <= most);
  });
}

/** What a second, or a try, is worth at each element with the points that it has now. */
export const worthsOf = (level: Game, { part, group, rates }: ChosenRates): readonly number[] =>
  rates.map((rate, index) => rate * (level.parts[part]!.groups[group]!.value![index] ?? 1));

const PLAYS = 400;
const SEED = 7_311;

/** Scores of goes in which a child always chooses one element, by playing them: the mean for each. Null where nobody chooses. */
export function alwaysScores(level: Game, ageYears: number, plays = PLAYS): readonly number[] | null {
  const compiled = compile(level);
  const [one] = chosenRates(level, ageYears);
  if (!compiled.ok || !one || !isChosen(level.parts[one.part]!.groups[one.group]!)) return null;
  const tables = childTables(compiled.value, { ageYears });
  const byPlace = level.parts[one.part]!.stages[one.stage]!.from === one.group;
  return one.rates.map((_, index) => meanScore(compiled.value, always(tables, one, byPlace, index), plays));
}

const isChosen = ({ order }: Group) => order === 'free';

/** Thresholds that always come to one of n. */
const alwaysOneOf = (n: number, index: number) => Uint32Array.from({ length: n }, (_, at) => (at < index ? 0 : 0xffffffff));

function always(tables: ChildTables, { part, stage }: ChosenRates, byPlace: boolean, index: number): ChildTables {
  const change = (task: TaskTables): TaskTables =>
    byPlace
      ? { ...task, pickPlace: alwaysOneOf(task.places, index) }
      : { ...task, pickTarget: Uint32Array.from(Array.from({ length: task.places }, () => [...alwaysOneOf(task.targets, index)]).flat()) };
  return { ...tables, parts: tables.parts.map((stages, at) => stages.map((task, of) => (at === part && of === stage ? change(task) : task))) };
}

function meanScore(program: Program, tables: ChildTables, plays: number): number {
  const state = start(program);
  let sum = 0;
  for (let play = 0; play < plays; play += 1) {
    simulateGo(program, tables, state, SEED, play, { fetchMs: 0, exerciseMs: 0 });
    sum += measure(program, state, 0, null).value ?? 0;
  }
  return sum / plays;
}
