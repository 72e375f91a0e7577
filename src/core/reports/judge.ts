/**
 * Judges a report: plays it again through the engine and says what does not add up, what cannot be, and what is hard to believe.
 * Nothing is changed; the verdict stands beside the report.
 *
 * Of several findings the gravest names the verdict: impossible, then incomplete, then sum, then doubtful, then clean.
 * A report may hold every event, the parts typed at the end, or a total alone; of a total alone only whether it can be is judged.
 */
import { FASTEST_AIMED_S } from '../motion/assumed';
import { GROUND, THROWN } from '../motion/assumed';
import { distancesOf } from '../course/geometry';
import { compile } from '../rules/playing/compile';
import { B, FINISH_REASONS, UNSET, type PartProgram, type Program } from '../rules/playing/program';
import { type State } from '../rules/playing/program';
import { type Refusal } from '../rules/playing/refusals';
import { rawScore } from '../rules/playing/turns';
import { counted } from '../rules/telling/counted';
import { replay } from '../rules/playing/replay';
import type { Game, Measure, Task } from '../rules/format/game';
import { levelGame } from '../rules/format/level';
import { measure, type Result } from '../rules/playing/measure';
import { capOf, CUT_SHORT, unfinishedRule } from '../rules/format/unfinished';
import { canBe, canBeTogether, goTotals, reachableParts, reachableTotals, type Known, type Parts, type Totals } from '../rules/playing/totals';
import { playsFrames } from '../rules/playing/frames';
import { hardToBelieve } from './believable';
import { countersAsked } from './parts';
import type { Go, Report } from './report';

export type VerdictKind = 'clean' | 'sum' | 'impossible' | 'doubtful' | 'incomplete';

/** What a finding is about, for what a person may answer to it. */
export type ReasonCode =
  | 'old-link'
  | 'level'
  | 'set-up'
  | 'rules'
  | 'reach'
  | 'sum'
  | 'unit'
  | 'fast'
  | 'body'
  | 'rare'
  | 'unfinished'
  | 'version'
  | 'closed'
  | 'nearer'
  | 'same-play'
  | 'beyond';

export interface Reason {
  readonly kind: Exclude<VerdictKind, 'clean'>;
  readonly code: ReasonCode;
  /** Which go, from 0. */
  readonly go: number;
  /** JSON Pointer into the report. */
  readonly place: string;
  readonly sentence: string;
}

export interface GoVerdict {
  /** What the engine makes of the go; null when it could not be played at all. */
  readonly result: Result | null;
  readonly seconds: number;
}

export interface Verdict {
  readonly kind: VerdictKind;
  readonly reasons: readonly Reason[];
  readonly goes: readonly GoVerdict[];
}

const GRAVITY: readonly VerdictKind[] = ['impossible', 'incomplete', 'sum', 'doubtful'];
/** Too few attempts to speak of an average. */
const FEW_ATTEMPTS = 5;

const REFUSED: Readonly<Record<Refusal, string>> = {
  finished: 'something was counted after the go had ended',
  late: 'a throw was counted after the clock had run out',
  earlier: 'the times go backwards',
  paused: 'something was counted while the clock was stopped',
  'not-paused': 'the clock was started again though it was running',
  owes: 'a throw was counted before the exercise that was owed',
  'nothing-owed': 'an exercise was counted that was not owed',
  'unknown-end': 'a throw ended in a way that this game does not have',
  'not-standing': 'something was hit that was not standing',
  'no-choice': 'a mark was chosen that could not be chosen',
  'not-in-this-game': 'something was counted that this game does not have',
  'not-begun': 'something was counted before the next part had begun',
  'not-yet': 'something was counted before it was time for it',
  'misses-unknown': 'a miss was counted though only successes were to be',
};

/** What is worked out once for a level and kept by the caller. */
export interface KnownLevel {
  readonly program: Program;
  /** Totals by what they are of; filled as they are asked for. */
  readonly totals: Map<string, Totals>;
  readonly parts: Map<string, Parts>;
}

/** Whether a score is rare among plays of children drawn from the class's spread: fewer than 8 of 20,000 are as good. */
export type Rare = (go: Go, result: Result) => boolean;

/** `levels` holds the levels of this very game that were compiled before, by their place; it is filled as levels are met. */
export function judge(game: Game, report: Report, levels: Map<number, KnownLevel> = new Map(), isRare: Rare = () => false): Verdict {
  const reasons: Reason[] = [];
  const goes = report.goes.map((go, index) => judgeGo(game, go, index, reasons, levels, isRare));
  const kind = GRAVITY.find((grave) => reasons.some((reason) => reason.kind === grave)) ?? 'clean';
  return { kind, reasons, goes };
}

function judgeGo(game: Game, go: Go, index: number, reasons: Reason[], levels: Map<number, KnownLevel>, isRare: Rare): GoVerdict {
  const say: Say = (kind, code, place, sentence) => reasons.push({ kind, code, go: index, place: `/goes/${index}/${place}`, sentence });
  const levelIndex = game.levels.findIndex((level) => level.id === go.level);
  if (levelIndex < 0) {
    say('incomplete', 'level', 'level', go.level === '' ? 'It does not say which level.' : `The level “${go.level}” is not one of this game's.`);
    return { result: null, seconds: 0 };
  }
  const level = knownLevel(game, levelIndex, levels);
  if (!level) {
    say('incomplete', 'rules', 'level', 'This game cannot be worked out by this version.');
    return { result: null, seconds: 0 };
  }
  const { program } = level;
  if (go.setUp.distancesM.length === 0 && distancesOf(program.game).length > 0)
    say('incomplete', 'set-up', 'setUp/distancesM', 'It does not say from how far it was played.');

  if (go.events.length === 0) return judgeTotal(level, go, say);

  const { state, refused } = replay(program, go.events, go.counting);
  const result = measure(program, state);
  for (const first of refused.slice(0, 1))
    say('impossible', 'rules', `events/${first.index}`, `It cannot have been so: ${refusedWords(go, first.index, first.reason)}.`);
  const over = go.counting === 'attempts' ? null : (tooMany(program, state) ?? outOfReach(level, state, go));
  if (over) say('impossible', 'reach', 'events', over);
  else if (go.counting !== 'attempts') {
    const fast = fasterThanTheClock(program, state);
    if (fast) say('doubtful', 'fast', 'events', fast);
  }
  if (go.total !== result.value) say('sum', go.total === null || result.value === null ? 'unfinished' : 'sum', 'total', sumSentence(go, result));
  judgeUnit(go, result.unit, say);
  if (isAimed(program) && go.counting !== 'parts' && result.attempts >= FEW_ATTEMPTS && result.seconds < result.attempts * FASTEST_AIMED_S)
    say('doubtful', 'fast', 'events', `${result.attempts} throws in ${result.seconds} seconds is faster than anybody can throw and fetch.`);
  const hard = hardToBelieve({ game: program.game, go, value: result.value, seconds: result.seconds, tries: result.attempts });
  if (hard) say('doubtful', 'body', 'events', hard);
  if (isRare(go, result))
    say(
      'doubtful',
      'rare',
      'total',
      `${result.value} ${result.unit} is far beyond what children of this class have done: hardly one play in 2,500 is as good.`,
    );
  return { result, seconds: result.seconds };
}

type Say = (kind: Reason['kind'], code: ReasonCode, place: string, sentence: string) => void;

function knownLevel(game: Game, levelIndex: number, levels: Map<number, KnownLevel>): KnownLevel | undefined {
  const known = levels.get(levelIndex);
  if (known) return known;
  const resolved = levelGame(game, levelIndex);
  const compiled = resolved.ok ? compile(resolved.value) : resolved;
  if (!compiled.ok) return undefined;
  const made: KnownLevel = { program: compiled.value, totals: new Map(), parts: new Map() };
  levels.set(levelIndex, made);
  return made;
}

/** Only a total came: can it be? */
function judgeTotal(level: KnownLevel, go: Go, say: Say): GoVerdict {
  const { program } = level;
  const empty = measure(program, replay(program, []).state);
  const unit = empty.unit;
  judgeUnit(go, unit, say);
  if (go.total !== null) {
    const known = setUpKnown(program.game, go);
    const totals = kept(level, `card ${JSON.stringify(known)}`, () => reachableTotals(program.game, known));
    const inTime = canBe(totals, go.total) ? withinTheClock(level, known) : totals;
    const hard = hardToBelieve({ game: program.game, go, value: go.total, seconds: 0, tries: 0 });
    if (!canBe(totals, go.total)) say('impossible', 'reach', 'total', cannotBeSentence(totals, go.total, unit, known));
    else if (hard) say('doubtful', 'body', 'total', hard);
    else if (!canBe(inTime, go.total))
      say('doubtful', 'fast', 'total', `${go.total} ${unit} is more than can be thrown and fetched in the time: about ${inTime.most} at most.`);
  }
  return { result: { ...empty, value: go.total, sum: `${go.total ?? '–'}`, finished: null }, seconds: 0 };
}

function kept(level: KnownLevel, of: string, work: () => Totals): Totals {
  const known = level.totals.get(of) ?? work();
  level.totals.set(of, known);
  return known;
}

/** What the set-up tells about what can be: fewer targets, pins or marks than the level has. An empty list of targets tells nothing. */
function setUpKnown(game: Game, { setUp }: Go): Known {
  const targets = Object.values(game.course.targets).flat().length;
  const marks = distancesOf(game).length;
  return {
    ...(setUp.targets.length > 0 && setUp.targets.length < targets && { targets: setUp.targets.length }),
    ...(setUp.distancesM.length > 0 && setUp.distancesM.length < marks && { marks: setUp.distancesM.length }),
  };
}

/** What fits into the countdown of an aimed game of one part, at the fastest that anybody aims, throws and fetches. */
function withinTheClock(level: KnownLevel, known: Known): Totals {
  const { program } = level;
  const { clock } = program.parts[0]!.part;
  const all = kept(level, `card ${JSON.stringify(known)}`, () => reachableTotals(program.game, known));
  if (program.parts.length > 1 || clock.kind !== 'down' || clock.per !== 'part' || !isAimed(program) || all.most !== null) return all;
  const seconds = clock.s;
  return kept(level, `clock ${JSON.stringify(known)}`, () =>
    reachableTotals(program.game, { ...known, mostAttempts: Math.floor(seconds / FASTEST_AIMED_S) }),
  );
}

function cannotBeSentence({ least, most }: Totals, total: number, unit: string, { targets, marks }: Known): string {
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

function judgeUnit(go: Go, unit: string, say: Say): void {
  if (go.unit === unit) return;
  say(
    'incomplete',
    'unit',
    'unit',
    go.unit === '' ? `The score has no unit; this game counts ${unit}.` : `The score is in ${go.unit}; this game counts ${unit}.`,
  );
}

function sumSentence(go: Go, result: Result): string {
  if (result.value === null) return `It says ${go.total} ${go.unit}; the play was not finished.`;
  if (go.total === null) return `It says “not finished”; worked out it is ${result.sum}.`;
  return `It says ${go.total} ${go.unit}; worked out it is ${result.sum}.`;
}

/** Why an event was not taken, after "refused:". */
export const refusalWords = (reason: Refusal): string => REFUSED[reason];

function refusedWords(go: Go, index: number, reason: Refusal): string {
  const event = go.events[index]!;
  if (reason === 'not-standing' && event.do === 'attempt' && (event.count !== undefined || event.felled))
    return `a ball felled ${event.count ?? event.felled!.length}, more than were standing`;
  return REFUSED[reason];
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
function tooMany(program: Program, state: State): string | null {
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
function outOfReach(level: KnownLevel, state: State, go: Go): string | null {
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
function fasterThanTheClock(program: Program, state: State): string | null {
  for (const { part, base } of blocksOf(program)) {
    const { clock, tasks } = part.part;
    if (clock.kind !== 'down' || clock.per === 'item' || !tasks.every(isAimedTask)) continue;
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
export function isAimed(program: Program): boolean {
  return program.parts.every((part) => part.part.tasks.every(isAimedTask));
}
