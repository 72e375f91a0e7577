/**
 * Judges a report: plays it again through the engine and says what does not add up, what cannot be, and what is hard to believe.
 * Nothing is changed; the verdict stands beside the report.
 *
 * Of several findings the gravest names the verdict: impossible, then incomplete, then sum, then doubtful, then clean.
 */
import { compile, type Program } from '../rules/compile';
import { playedMs, replay, type Refusal } from '../rules/engine';
import type { Game } from '../rules/game';
import { levelGame } from '../rules/level';
import { measure, type Result } from '../rules/measure';
import type { Go, Report } from './report';

export type VerdictKind = 'clean' | 'sum' | 'impossible' | 'doubtful' | 'incomplete';

export interface Reason {
  readonly kind: Exclude<VerdictKind, 'clean'>;
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

/** Nobody aims, throws and fetches faster than this, on average over a go. Assumed. */
const FASTEST_ATTEMPT_S = 1.2;
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
};

/** `programs` holds the levels of this very game that were compiled before, by their place; it is filled as levels are met. */
export function judge(game: Game, report: Report, programs: Map<number, Program> = new Map()): Verdict {
  const reasons: Reason[] = [];
  const goes = report.goes.map((go, index) => judgeGo(game, go, index, reasons, programs));
  const kind = GRAVITY.find((grave) => reasons.some((reason) => reason.kind === grave)) ?? 'clean';
  return { kind, reasons, goes };
}

function judgeGo(game: Game, go: Go, index: number, reasons: Reason[], programs: Map<number, Program>): GoVerdict {
  const say = (kind: Reason['kind'], place: string, sentence: string) =>
    reasons.push({ kind, go: index, place: `/goes/${index}/${place}`, sentence });
  const levelIndex = game.levels.findIndex((level) => level.id === go.level);
  if (levelIndex < 0) {
    say('incomplete', 'level', `The level “${go.level}” is not one of this game's.`);
    return { result: null, seconds: 0 };
  }
  let program = programs.get(levelIndex);
  if (!program) {
    const level = levelGame(game, levelIndex);
    const compiled = level.ok ? compile(level.value) : level;
    if (!compiled.ok) {
      say('incomplete', 'level', 'This game cannot be worked out by this version.');
      return { result: null, seconds: 0 };
    }
    program = compiled.value;
    programs.set(levelIndex, program);
  }
  const { state, refused } = replay(program, go.events);
  const result = measure(program, state);
  const seconds = Math.round(playedMs(state) / 1000);
  const first = refused[0];
  if (first) say('impossible', `events/${first.index}`, `It cannot have been so: ${REFUSED[first.reason]}.`);
  if (go.events.length === 0) say('incomplete', 'events', 'Only a total came; nothing says how it was made.');
  else if (go.total !== result.value) say('sum', 'total', `It says ${go.total} ${go.unit}; worked out it is ${result.sum}.`);
  if (go.unit !== result.unit) say('incomplete', 'unit', `The score is in ${go.unit || 'no unit'}; this game counts ${result.unit}.`);
  if (go.counting !== 'parts' && result.attempts >= FEW_ATTEMPTS && seconds < result.attempts * FASTEST_ATTEMPT_S)
    say('doubtful', 'events', `${result.attempts} throws in ${seconds} seconds is faster than anybody can throw and fetch.`);
  return { result, seconds };
}
