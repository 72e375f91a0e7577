/**
 * What was reported, as it stands now: each play with the judge's verdict, what stands around it, what a person decided, and what counts.
 * The findings that come from other reports are made anew at every reading, so that they hold after an undo or another decision.
 */
import type { Uuid } from '@/contract/ids';
import { OPEN_AFTER_DUE_DAYS, reasonsAround, withReasons } from '@/core/reports/around';
import { whatCounts } from '@/core/reports/decision';
import type { GoVerdict, Verdict } from '@/core/reports/judge';
import type { Report } from '@/core/reports/report';
import { dayWords } from '@/core/measure/days';
import { cache } from '../caches';
import { homeFormsOf } from '../db/home-forms';
import { markOfClassPlays, storedPlaysOfChild, storedPlaysOfClass, type StoredPlay } from '../db/reports';
import { knownVersion } from '../db/weeks';
import { dueMoment, schoolDay } from '../school-day';
import { betterOf } from '../scores/bests';

export interface ReportedPlay extends StoredPlay {
  readonly levelId: string;
  /** The same for plays that are like each other, when both were played as asked. */
  readonly likeKey: string;
  /** The total as it was sent; null for “not finished”. */
  readonly total: number | null;
  readonly better: 'high' | 'low';
  /** What counts: a clean score by itself, any other by what a person decided. Null for nothing. */
  readonly counts: number | null;
  readonly felt: string | null;
  readonly looks: Report['looks'];
  /** A word to the teacher; empty for none. */
  readonly word: string;
}

/** By class; the mark from the database tells when it is to be read again, whoever wrote. */
const known = cache<{ readonly mark: string; readonly plays: Promise<readonly ReportedPlay[]> }>('plays of a class', 24);

/** The plays of a class; what was read last holds as long as nothing of it has changed in the database. */
export async function playsOfClass(classId: Uuid): Promise<readonly ReportedPlay[]> {
  const mark = await markOfClassPlays(classId);
  const kept = known.get(classId);
  if (kept?.mark === mark) return kept.plays;
  const plays = storedPlaysOfClass(classId).then(standing);
  known.set(classId, { mark, plays });
  // What failed is not kept.
  plays.catch(() => known.delete(classId));
  return plays;
}

/** Lets go of what was read, after something was taken away for good. */
export function forgetPlays(): void {
  known.clear();
}

/** The plays of one child. */
export const playsOfChild = async (childId: Uuid): Promise<ReportedPlay[]> => standing(await storedPlaysOfChild(childId));

const DAY_MS = 86_400_000;

/** Whole days since the week closed when a play came; null while it was open. Each due day is worked out once. */
function closedDaysOf(): (play: StoredPlay) => number | null {
  const due = new Map<string, number>();
  return ({ dueOn, timeZone, receivedAt }) => {
    const key = `${dueOn} ${timeZone}`;
    const dueMs = due.get(key) ?? dueMoment(dueOn, timeZone).getTime();
    due.set(key, dueMs);
    const days = (receivedAt.getTime() - dueMs) / DAY_MS - OPEN_AFTER_DUE_DAYS;
    return days > 0 ? Math.floor(days) : null;
  };
}

/** Plays in the order in which they came; those of one report follow each other. */
async function standing(stored: readonly StoredPlay[]): Promise<ReportedPlay[]> {
  const found: ReportedPlay[] = [];
  const closedDays = closedDaysOf();
  const counted = new Map<string, number[]>();
  const received = new Map<string, { reportId: Uuid; way: StoredPlay['way']; on: string; values: (number | null)[] }[]>();
  for (let at = 0; at < stored.length;) {
    const first = stored[at]!;
    const goes = stored.slice(at, at + first.report.goes.length);
    at += goes.length;
    const { game } = await knownVersion(first.versionId);
    const better = betterOf(game);
    const like = (play: StoredPlay) => {
      const go = play.report.goes[play.goNumber - 1]!;
      return `${play.versionId}|${go.level}|${go.form}`;
    };
    const others = received.get(first.assignmentId) ?? [];
    const own = `${first.childId}|${like(first)}`;
    const before = counted.get(own) ?? [];
    const verdict: Verdict = {
      kind: first.kind,
      reasons: first.reasons,
      goes: goes.map((play): GoVerdict => ({ result: play.value === null ? null : resultOf(play, better), seconds: play.seconds })),
    };
    const around = reasonsAround(game, first.report, verdict, {
      way: first.way,
      byOldLink: first.byOldLink,
      assigned: first.setUp,
      levelId: first.assignedLevelId,
      forms: await homeFormsOf(first.homeFormsId),
      closedDays: closedDays(first),
      version: first.version.played === null ? null : { played: first.version.played, sent: first.version.sent },
      before,
      others,
    });
    const { kind, reasons } = withReasons(verdict, around);
    for (const play of goes) {
      const go = play.report.goes[play.goNumber - 1]!;
      const counts = whatCounts(kind, play.choice, play.value, go.total);
      if (counts !== null && play.asAsked) counted.set(own, [...(counted.get(own) ?? []), counts]);
      found.push({
        ...play,
        kind,
        reasons,
        levelId: go.level,
        likeKey: like(play),
        total: go.total,
        better,
        counts,
        felt: play.report.felt ?? null,
        looks: play.report.looks,
        word: play.report.word ?? '',
      });
    }
    if (first.choice !== 'set-aside')
      received.set(first.assignmentId, [
        ...others,
        {
          reportId: first.reportId,
          way: first.way,
          // Said of few, so it is worked out when it is.
          get on() {
            return dayWords(schoolDay(first.receivedAt, first.timeZone));
          },
          values: goes.map((play) => play.value ?? play.report.goes[play.goNumber - 1]!.total),
        },
      ]);
  }
  return found;
}

/** As much of a result as is stored with the play. */
function resultOf(play: StoredPlay, better: 'high' | 'low'): NonNullable<GoVerdict['result']> {
  const { value, attempts, successes, seconds } = play;
  const unit = play.report.goes[play.goNumber - 1]!.unit;
  return { value, unit, better, working: [], sum: `${value}`, finished: null, attempts, successes, seconds, parts: [], sides: [value], team: false };
}
