/** What a score can be: figures that no play gives, and scores that no body makes in the time. Worked out once for a level and kept. */
import { distancesOf } from '../course/geometry';
import { FASTEST_AIMED_S, GROUND, THROWN } from '../motion/assumed';
import type { Game, Measure, Task } from '../rules/format/game';
import { levelGame } from '../rules/format/level';
import { capOf, CUT_SHORT, unfinishedRule } from '../rules/format/unfinished';
import { compile } from '../rules/playing/compile';
import { playsFrames } from '../rules/playing/frames';
import { B, FINISH_REASONS, UNSET, type PartProgram, type Program, type State } from '../rules/playing/program';
import { canBe, canBeTogether, goTotals, reachableParts, reachableTotals, type Known, type Parts, type Totals } from '../rules/playing/totals';
import { rawScore } from '../rules/playing/turns';
import { counted } from '../rules/telling/counted';
import { countersAsked } from './parts';
import type { Go } from './report';

/** Too few attempts to speak of an average. */
export const FEW_ATTEMPTS = 5;

/** What is worked out once for a level and kept by the caller. */
export interface KnownLevel {
  readonly program: Program;
  /** Totals by what they are of; filled as they are asked for. */
  readonly totals: Map<string, Totals>;
  readonly parts: Map<string, Parts>;
}

export function knownLevel(game: Game, levelIndex: number, levels: Map<number, KnownLevel>): KnownLevel | undefined {
  const known = levels.get(levelIndex);
  if (known) return known;
  const resolved = levelGame(game, levelIndex);
  const compiled = resolved.ok ? compile(resolved.value) : resolved;
  if (!compiled.ok) return undefined;
  const made: KnownLevel = { program: compiled.value, totals: new Map(), parts: new Map() };
  levels.set(levelIndex, made);
  return made;
}

export function kept(level: KnownLevel, of: string, work: () => Totals): Totals {
  const known = level.totals.get(of) ?? work();
  level.totals.set(of, known);
  return known;
}

/** What the set-up tells about what can be: fewer targets, pins or marks than the level has. An empty list of targets tells nothing. */
export function setUpKnown(game: Game, { setUp }: Go): Known {
  const targets = Object.values(game.course.targets).flat().length;
  const marks = distancesOf(game).length;
  return {
    ...(setUp.targets.length > 0 && setUp.targets.length < targets && { targets: setUp.targets.length }),
    ...(setUp.distancesM.length > 0 && setUp.distancesM.length < marks && { marks: setUp.distancesM.length }),
  };
}

/** What fits into the countdown of an aimed game of one part, at the fastest that anybody aims, throws and fetches. */
export function withinTheClock(level: KnownLevel, known: Known): Totals {
  const { program } = level;
  const { clock } = program.parts[0]!.part;
  const all = kept(level, `card ${JSON.stringify(known)}`, () => reachableTotals(program.game, known));
  if (program.parts.length > 1 || clock.kind !== 'down' || clock.per !== 'part' || !isAimedGame(program) || all.most !== null) return all;
  const seconds = clock.s;
  return kept(level, `clock ${JSON.stringify(known)}`, () =>
    reachableTotals(program.game, { ...known, mostAttempts: Math.floor(seconds / FASTEST_AIMED_S) }),
  );
}

export function cannotBeSentence({ least, most }: Totals, total: number, unit: string, { targets, marks }: Known): string {
  const set = [
    ...(targets === undefined ? [] : [`${targets} ${targets === 1 ? 'target' : 'targets'}`]),
    ...(marks === undefined ? [] : [`${marks} ${marks === 1 ? 'mark' : 'marks'}`]),
  ];
  const so = set.length === 0 ? '' : ` with ${set.join(' and ')} set out`;
  const told = `${total} ${counted(total, unit)}`;
  if (most !== null && total > most) return `${told} cannot be${so}: the most is ${most}.`;
  if (least !== null && total < least) return `${told} cannot be${so}: the least is ${least}.`;
  return `${told} cannot be made from what this game gives${so}.`;
}

interface Block {
  readonly part: PartProgram;
  readonly go: number;
  readonly base: number;
}

function blocksOf(program: Program): Block[] {
  const sides = program.joint ? 1 : program.sides;
  return program.parts.flatMap((part) =>
    Array.from({ length: part.goes * sides }, (_, block) => ({ part, go: Math.floor(block / sides), base: part.base + block * part.blockSize })),
  );
}

/** More successes, or more attempts, than the rules allow. */
export function tooMany(program: Program, state: State): string | null {
  for (const { part, base } of blocksOf(program)) {
    const limit = part.stops.find((stop) => stop.onAttempts && stop.conds.length === 1)?.conds[0]!.value;
    const successes = state[base + B.successes]!;
    if (limit === undefined) continue;
    if (successes > limit) return `${successes} hits in ${limit} tries cannot be.`;
    const attempts = state[base + B.attempts]!;
    if (attempts > limit) return `${attempts} tries were counted; there are only ${limit}.`;
  }
  return null;
}

/** A figure of a go, typed or added up from successes alone, that the rules cannot give. */
export function outOfReach(level: KnownLevel, state: State, go: Go): string | null {
  const { program } = level;
  const known = setUpKnown(program.game, go);
  for (const { part, base } of blocksOf(program)) {
    const why = FINISH_REASONS[state[base + B.why]!];
    // What was not played, or is written down as not finished, has no figures.
    if (why === undefined || typeof part.part.measure.of === 'string' || (CUT_SHORT.has(why) && unfinishedRule(part.part) === 'not-finished'))
      continue;
    const figures: readonly Measure[] = [part.part.measure, ...(part.part.measure.tie ?? [])];
    for (const [at, rule] of figures.entries()) {
      if (typeof rule.of === 'string') continue;
      const raw = rawScore({ ...part, part: { ...part.part, measure: rule } }, state, base);
      const value = Math.min(raw, capOf({ ...part.part, measure: rule }) ?? Infinity);
      if (Math.abs(value) >= UNSET) continue;
      const totals = kept(level, `go ${part.index} ${at} ${JSON.stringify(known)}`, () => goTotals(program.game, part.index, rule, known));
      if (!canBe(totals, value)) return cannotBeSentence(totals, value, rule.unit, known);
    }
    const together = outOfReachTogether(level, part, state, base, known);
    if (together) return together;
  }
  return null;
}

/** Figures each of which may be, and which no play gives together: more loose hits than a round has. */
function outOfReachTogether(level: KnownLevel, part: PartProgram, state: State, base: number, known: Known): string | null {
  const counters = countersAsked(part.part);
  if (counters.length === 0 || part.part.goes.n > 1 || playsFrames(part)) return null;
  const of = `parts ${part.index} ${JSON.stringify(known)}`;
  const parts = level.parts.get(of) ?? reachableParts(level.program.game, part.index, counters, known);
  level.parts.set(of, parts);
  const figures = counters.map((counter) => state[base + part.counterOffset(counter)]!);
  if (figures.some((figure) => figure === UNSET) || canBeTogether(parts, figures)) return null;
  const told = (figure: number, at: number) => `${figure} ${counted(figure, part.part.counterWords?.[counters[at]!] ?? counters[at]!)}`;
  const over = figures.findIndex((figure, at) => parts.most[at] !== null && figure > parts.most[at]!);
  if (over >= 0) return `${told(figures[over]!, over)} cannot be: the most is ${parts.most[over]}.`;
  return `${figures.map(told).join(' and ')} cannot be together.`;
}

/** More successes in a countdown than anybody can aim, throw and fetch in that time. */
export function fasterThanTheClock(program: Program, state: State): string | null {
  for (const { part, base } of blocksOf(program)) {
    const { clock, stages } = part.part;
    if (clock.kind !== 'down' || clock.per === 'item' || !stages.every(isAimedTask)) continue;
    const successes = state[base + B.successes]!;
    if (successes >= FEW_ATTEMPTS && clock.s < successes * FASTEST_AIMED_S)
      return `${successes} hits in ${clock.s} seconds is faster than anybody can throw and fetch.`;
  }
  return null;
}

function isAimedTask(task: Task): boolean {
  return (task.technique in THROWN || task.technique in GROUND) && task.see !== 'count';
}

/** Whether every try of a game is aimed, so that the skill of a child tells in its score. */
export function isAimedGame(program: Program): boolean {
  return program.parts.every((part) => part.part.stages.every(isAimedTask));
}
