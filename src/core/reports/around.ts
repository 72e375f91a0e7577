/**
 * What a report cannot say of itself: what had been asked, what came before, and what came by another way. Each finding is a reason that
 * waits for a person; it never changes the report.
 *
 * The order in which they are told: a link that had been replaced, an older form of the game, a week that has closed, another level, nearer than sent, the same play by
 * another way, far beyond the child's own scores.
 */
import { playedAsAsked, type HomeForm } from '../sheet/home-form';
import type { Game } from '../rules/format/game';
import type { Reason, Verdict } from './judge';
import type { ToldReport, UsedSetUp } from './report';

/** How a report came in. */
export type WayIn = 'link' | 'paper' | 'file' | 'message' | 'api';

export const WAY_WORDS: Readonly<Record<WayIn, string>> = {
  link: 'by link',
  paper: 'on paper',
  file: 'in a file',
  message: 'in a message',
  api: 'from another program',
};

export interface Around {
  readonly way: WayIn;
  /** It came by a link that had been replaced or had ended. */
  readonly byOldLink: boolean;
  readonly assigned: UsedSetUp;
  readonly levelId: string;
  /** The forms that the week offers, as asked first; empty for what was sent before there were forms. */
  readonly forms: readonly HomeForm[];
  /** Whole days since the week closed; null while it is open. */
  readonly closedDays: number | null;
  /** The number of the version that was played, where it says one, and of the one that was sent. */
  readonly version: { readonly played: number; readonly sent: number } | null;
  /** What counted of this child before, on a like set-up. */
  readonly before: Counted;
  /** The first report of the same game and week with the same scores that came by another way; null for none. */
  readonly same: { readonly way: WayIn; readonly on: string } | null;
}

/** Scores that counted, summed up: one more is added without going through those before. */
export interface Counted {
  readonly n: number;
  readonly mean: number;
  /** The sum of squared deviations from the mean. */
  readonly squares: number;
  readonly least: number;
  readonly most: number;
}

export const NONE_COUNTED: Counted = { n: 0, mean: 0, squares: 0, least: Infinity, most: -Infinity };

/** With one more score (Welford's update, B. P. Welford, Technometrics 4, 1962). */
export function withCounted({ n, mean, squares, least, most }: Counted, value: number): Counted {
  const nextMean = mean + (value - mean) / (n + 1);
  return {
    n: n + 1,
    mean: nextMean,
    squares: squares + (value - mean) * (value - nextMean),
    least: Math.min(least, value),
    most: Math.max(most, value),
  };
}

/** The scores of a report's goes as a key: the same scores give the same. */
export const scoresKey = (values: readonly (number | null)[]): string => JSON.stringify(values);

/** A week takes scores for so many days after its due day, as late; then it has closed. Assumed. */
export const OPEN_AFTER_DUE_DAYS = 14;

/** Fewer scores say too little of a child's own spread. Assumed. */
const ENOUGH_BEFORE = 4;
/** So many standard deviations beyond what a child's own scores foretell. Assumed. */
const FAR_BEYOND = 3.5;
/** The spread is taken as at least this share of the mean, and at least one and a half: a few equal scores are not certainty. Assumed. */
const LEAST_SPREAD_SHARE = 0.15;
const LEAST_SPREAD = 1.5;

export function reasonsAround(game: Game, report: ToldReport, verdict: Verdict, around: Around): readonly Reason[] {
  const reasons: Reason[] = [];
  const say = (code: Reason['code'], go: number, place: string, sentence: string) => reasons.push({ kind: 'doubtful', code, go, place, sentence });
  const { version, closedDays, way } = around;
  if (around.byOldLink) say('old-link', 0, '/receivedAt', 'It came by a link that had been replaced or had ended.');
  if (version && version.played !== version.sent)
    say('version', 0, '/version', `It was played on version ${version.played} of the game; version ${version.sent} was sent.`);
  if (closedDays !== null)
    say(
      'closed',
      0,
      '/receivedAt',
      `The week had closed ${closedDays === 0 ? 'on that day' : closedDays === 1 ? 'a day before' : `${closedDays} days before`}.`,
    );
  report.goes.forEach((go, index) => {
    if (way === 'link') return;
    const sent = game.levels.find((level) => level.id === around.levelId);
    const played = game.levels.find((level) => level.id === go.level);
    if (played && sent && played !== sent) {
      say('level', index, `/goes/${index}/level`, `It was played at ${played.name}; ${sent.name} was sent.`);
      return;
    }
    const nearest = nearerThanSent(go.setUp, around.assigned);
    const [asked] = around.forms;
    if (nearest && !(asked && playedAsAsked(asked, around.assigned, go))) say('nearer', index, `/goes/${index}/setUp/distancesM`, nearest);
  });
  const { same } = around;
  if (same) say('same-play', 0, '/goes', `The same score came ${WAY_WORDS[same.way]} on ${same.on}: it may be the same play.`);
  const [asked] = around.forms;
  verdict.goes.forEach(({ result }, index) => {
    const like = asked === undefined || playedAsAsked(asked, around.assigned, report.goes[index]!);
    const beyond = result?.value != null && like ? beyondOwn(result.value, result.better, around.before) : null;
    if (beyond) say('beyond', index, `/goes/${index}/total`, `${result!.value} ${result!.unit} is far beyond this child's own scores: ${beyond}.`);
  });
  return reasons;
}

/** The verdict with what stands around the report. Nothing of the judge's is taken back. */
export function withReasons(verdict: Verdict, reasons: readonly Reason[]): Verdict {
  if (reasons.length === 0) return verdict;
  return { ...verdict, kind: verdict.kind === 'clean' ? 'doubtful' : verdict.kind, reasons: [...verdict.reasons, ...reasons] };
}

function nearerThanSent(used: UsedSetUp, assigned: UsedSetUp): string | null {
  const nearer = used.distancesM
    .map((length, index) => ({ length, sent: assigned.distancesM[index] }))
    .filter((one): one is { length: number; sent: number } => one.sent !== undefined && one.length < one.sent - NEARER_M);
  const [first] = nearer.sort((a, b) => a.length / a.sent - b.length / b.sent);
  return first ? `It was played from ${first.length.toFixed(1)} m; ${first.sent.toFixed(1)} m was sent.` : null;
}

/** Pacing is not exact: a quarter of a metre is not told. Assumed. */
const NEARER_M = 0.25;

/** What the child had before, in words, when a score is far beyond it; else null. */
function beyondOwn(value: number, better: 'high' | 'low', { n, mean, squares, least, most }: Counted): string | null {
  if (n < ENOUGH_BEFORE) return null;
  const spread = Math.sqrt(squares / (n - 1));
  // The spread of a further score around the mean of n of them.
  const foretold = Math.max(spread, LEAST_SPREAD_SHARE * Math.abs(mean), LEAST_SPREAD) * Math.sqrt(1 + 1 / n);
  const ahead = better === 'high' ? value - mean : mean - value;
  return ahead > FAR_BEYOND * foretold ? `${n} before, from ${least} to ${most}` : null;
}
