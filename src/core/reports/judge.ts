/**
 * Judges a report: plays it again through the engine and says what does not add up, what cannot be, and what is hard to believe.
 * Nothing is changed; the verdict stands beside the report.
 *
 * Of several findings the gravest names the verdict: impossible, then incomplete, then sum, then doubtful, then clean. They are told in the
 * order of FOUND_IN_A_PLAY and FOUND_IN_A_TOTAL.
 * A report may hold every event, the parts typed at the end, or a total alone; of a total alone only whether it can be is judged.
 */
import { distancesOf } from '../course/geometry';
import { FASTEST_AIMED_S } from '../motion/assumed';
import type { Game } from '../rules/format/game';
import { measure, type Result } from '../rules/playing/measure';
import type { State } from '../rules/playing/program';
import type { Refusal } from '../rules/playing/refusals';
import { replay } from '../rules/playing/replay';
import { canBe, reachableTotals } from '../rules/playing/totals';
import { hardToBelieve } from './believable';
import {
  cannotBeSentence,
  FEW_ATTEMPTS,
  fasterThanTheClock,
  isAimedGame,
  kept,
  knownLevel,
  outOfReach,
  setUpKnown,
  tooMany,
  withinTheClock,
  type KnownLevel,
} from './reach';

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

/** Whether a score is rare among plays of children drawn from the class's spread: fewer than 8 of 20,000 are as good. */
export type Rare = (go: Go, result: Result) => boolean;

export interface ToJudge {
  readonly game: Game;
  readonly report: Report;
  /** Levels of this very game that were compiled before, by their place; it is filled as levels are met. */
  readonly levels?: Map<number, KnownLevel>;
  readonly isRare?: Rare;
}

export function judge({ game, report, levels = new Map(), isRare = () => false }: ToJudge): Verdict {
  const judged = report.goes.map((go) => judgeGo(game, go, levels, isRare));
  const reasons = judged.flatMap(({ found }, index) =>
    found.map(({ kind, code, place, sentence }): Reason => ({ kind, code, go: index, place: `/goes/${index}/${place}`, sentence })),
  );
  const kind = GRAVITY.find((grave) => reasons.some((reason) => reason.kind === grave)) ?? 'clean';
  return { kind, reasons, goes: judged.map(({ result, seconds }) => ({ result, seconds })) };
}

/** What is wrong with a go, and where in it. */
type Finding = Pick<Reason, 'kind' | 'code' | 'place' | 'sentence'>;

/** A go as its level makes of it. */
interface Played {
  readonly level: KnownLevel;
  readonly go: Go;
  readonly state: State;
  readonly refused: readonly { readonly index: number; readonly reason: Refusal }[];
  readonly result: Result;
  readonly isRare: Rare;
}

const found = (kind: Finding['kind'], code: ReasonCode, place: string, sentence: string): Finding => ({ kind, code, place, sentence });

function judgeGo(game: Game, go: Go, levels: Map<number, KnownLevel>, isRare: Rare): GoVerdict & { readonly found: readonly Finding[] } {
  const levelIndex = game.levels.findIndex((level) => level.id === go.level);
  if (levelIndex < 0) {
    const sentence = go.level === '' ? 'It does not say which level.' : `The level “${go.level}” is not one of this game's.`;
    return { result: null, seconds: 0, found: [found('incomplete', 'level', 'level', sentence)] };
  }
  const level = knownLevel(game, levelIndex, levels);
  if (!level) return { result: null, seconds: 0, found: [found('incomplete', 'rules', 'level', 'This game cannot be worked out by this version.')] };
  const total = go.events.length === 0;
  const { state, refused } = replay(level.program, go.events, go.counting);
  const result = measure(level.program, state);
  const played: Played = { level, go, state, refused, result, isRare };
  const findings = (total ? FOUND_IN_A_TOTAL : FOUND_IN_A_PLAY).flatMap((find) => find(played) ?? []);
  return total
    ? { result: { ...result, value: go.total, sum: `${go.total ?? '–'}`, finished: null }, seconds: 0, found: findings }
    : { result, seconds: result.seconds, found: findings };
}

type Find = (played: Played) => Finding | null;

const fromHowFar: Find = ({ level: { program }, go }) =>
  go.setUp.distancesM.length === 0 && distancesOf(program.game).length > 0
    ? found('incomplete', 'set-up', 'setUp/distancesM', 'It does not say from how far it was played.')
    : null;

const againstTheRules: Find = ({ go, refused: [first] }) =>
  first ? found('impossible', 'rules', `events/${first.index}`, `It cannot have been so: ${refusedWords(go, first.index, first.reason)}.`) : null;

/** Typed parts, or successes alone: more than the rules can give, or than the clock has room for. */
const beyondReach: Find = ({ level, go, state }) => {
  if (go.counting === 'attempts') return null;
  const over = tooMany(level.program, state) ?? outOfReach(level, state, go);
  if (over) return found('impossible', 'reach', 'events', over);
  const fast = fasterThanTheClock(level.program, state);
  return fast ? found('doubtful', 'fast', 'events', fast) : null;
};

const otherSum: Find = ({ go, result }) =>
  go.total === result.value
    ? null
    : found('sum', go.total === null || result.value === null ? 'unfinished' : 'sum', 'total', sumSentence(go, result));

const otherUnit: Find = ({ go, result: { unit } }) =>
  go.unit === unit
    ? null
    : found(
        'incomplete',
        'unit',
        'unit',
        go.unit === '' ? `The score has no unit; this game counts ${unit}.` : `The score is in ${go.unit}; this game counts ${unit}.`,
      );

const tooFast: Find = ({ level, go, result: { attempts, seconds } }) =>
  isAimedGame(level.program) && go.counting !== 'parts' && attempts >= FEW_ATTEMPTS && seconds < attempts * FASTEST_AIMED_S
    ? found('doubtful', 'fast', 'events', `${attempts} throws in ${seconds} seconds is faster than anybody can throw and fetch.`)
    : null;

const tooMuchForABody: Find = ({ level: { program }, go, result: { value, seconds, attempts } }) => {
  const hard = hardToBelieve({ game: program.game, go, value, seconds, tries: attempts });
  return hard ? found('doubtful', 'body', 'events', hard) : null;
};

const rare: Find = ({ go, result, isRare }) =>
  isRare(go, result)
    ? found(
        'doubtful',
        'rare',
        'total',
        `${result.value} ${result.unit} is far beyond what children of this class have done: hardly one play in 2,500 is as good.`,
      )
    : null;

/** Only a total came: can it be? */
const totalOutOfReach: Find = ({ level, go, result: { unit } }) => {
  if (go.total === null) return null;
  const { program } = level;
  const known = setUpKnown(program.game, go);
  const totals = kept(level, `card ${JSON.stringify(known)}`, () => reachableTotals(program.game, known));
  if (!canBe(totals, go.total)) return found('impossible', 'reach', 'total', cannotBeSentence(totals, go.total, unit, known));
  const hard = hardToBelieve({ game: program.game, go, value: go.total, seconds: 0, tries: 0 });
  if (hard) return found('doubtful', 'body', 'total', hard);
  const inTime = withinTheClock(level, known);
  return canBe(inTime, go.total)
    ? null
    : found('doubtful', 'fast', 'total', `${go.total} ${unit} is more than can be thrown and fetched in the time: about ${inTime.most} at most.`);
};

const FOUND_IN_A_PLAY: readonly Find[] = [fromHowFar, againstTheRules, beyondReach, otherSum, otherUnit, tooFast, tooMuchForABody, rare];
const FOUND_IN_A_TOTAL: readonly Find[] = [fromHowFar, otherUnit, totalOutOfReach];

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
