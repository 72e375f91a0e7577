/**
 * What was reported, as it stands now: each play with the judge's verdict, what stands around it, what a person decided, and what counts.
 * The findings that come from other reports are made anew at every reading, so that they hold after an undo or another decision.
 */
import type { Uuid } from '@/contract/ids';
import { NONE_COUNTED, OPEN_AFTER_DUE_DAYS, reasonsAround, scoresKey, withCounted, withReasons, type Counted } from '@/core/reports/around';
import { whatCounts } from '@/core/reports/decision';
import type { GoVerdict, Verdict } from '@/core/reports/judge';
import type { ToldReport } from '@/core/reports/report';
import { dayWords } from '@/core/measure/days';
import { cache } from '../caches';
import { homeFormsOf } from '../db/home-forms';
import { markOf, markOfAll, sameMark, stampsOf, storedPlays, type ReportsMark, type ReportStamp, type StoredPlay, type Whose } from '../db/reports';
import { groupedBy } from '../db/grouped';
import { knownVersion } from '../db/weeks';
import { dueMoment, schoolDay } from '../school-day';
import { betterOf } from '@/core/rules/playing/better';

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
  readonly looks: ToldReport['looks'];
  /** A word to the teacher; empty for none. */
  readonly word: string;
}

/** Of what was asked for: the reports that stand and their mark, what is known of each, and where each child stands after them. */
interface Known {
  readonly mark: ReportsMark;
  readonly stamps: readonly ReportStamp[];
  readonly plays: Promise<readonly ReportedPlay[]>;
  readonly reports: Map<Uuid, { readonly mark: ReportsMark; readonly stored: readonly StoredPlay[] }>;
  readonly children: Map<Uuid, Standing>;
}

/** Where a child stands after the reports that were gone through, in their order: one more is added without going through those before. */
interface Standing {
  readonly through: readonly ReportStamp[];
  readonly byReport: Map<Uuid, readonly ReportedPlay[]>;
  /** What counted, by like set-up. */
  readonly counted: Map<string, Counted>;
  /** By assignment and scores of the goes, the first report by each way. */
  readonly received: Map<string, readonly { readonly way: StoredPlay['way']; readonly on: string }[]>;
}

/** By class and by child; the mark from the database tells when something is to be read again, whoever wrote. */
const ofClasses = cache<Known>('plays of a class', 24);
const ofChildren = cache<Known>('plays of a child', 200);

/** The plays of a class, oldest report first; what was read last holds as long as nothing of it has changed in the database. */
export const playsOfClass = (classId: Uuid): Promise<readonly ReportedPlay[]> => playsOf(ofClasses, classId, { classId });

/** The plays of one child. */
export const playsOfChild = (childId: Uuid): Promise<readonly ReportedPlay[]> => playsOf(ofChildren, childId, { childId });

async function playsOf(known: typeof ofClasses, key: Uuid, whose: Whose): Promise<readonly ReportedPlay[]> {
  const mark = await markOf(whose);
  const kept = known.get(key);
  if (kept && sameMark(kept.mark, mark)) return kept.plays;
  return readAgain(known, key, (kept && (await withLater(kept, whose, mark))) ?? (await stampsOf(whose)));
}

/** Where reports were only added: those that were known and the later ones. Undefined where anything else has changed. */
async function withLater(kept: Known, whose: Whose, mark: ReportsMark): Promise<readonly ReportStamp[] | undefined> {
  const last = kept.stamps.at(-1);
  if (!last) return undefined;
  const latest = kept.stamps.reduce((id, { reportId }) => (reportId > id ? reportId : id), last.reportId);
  const later = await stampsOf(whose, latest);
  const inOrder = later.every(({ receivedMs }) => receivedMs >= last.receivedMs);
  return inOrder && sameMark(markOfAll(later, kept.mark), mark) ? [...kept.stamps, ...later] : undefined;
}

/** Reads what is new or has changed since it was read last, and works out anew where the children stand whose it is. */
function readAgain(known: typeof ofClasses, key: Uuid, stamps: readonly ReportStamp[]): Promise<readonly ReportedPlay[]> {
  const before = known.get(key);
  const next = { mark: markOfAll(stamps), stamps, reports: new Map(), children: new Map() } as Omit<Known, 'plays'>;
  const plays = work(before, next, stamps);
  known.set(key, { ...next, plays });
  // What failed is not kept.
  plays.catch(() => known.delete(key));
  return plays;
}

async function work(before: Known | undefined, next: Omit<Known, 'plays'>, stamps: readonly ReportStamp[]): Promise<readonly ReportedPlay[]> {
  // What another request is reading just now is waited for, not read twice.
  await before?.plays.catch(() => undefined);
  const isKnown = ({ reportId, mark }: ReportStamp) => {
    const kept = before?.reports.get(reportId);
    return kept !== undefined && (kept.mark === mark || sameMark(kept.mark, mark));
  };
  const due = stamps.filter((one) => !isKnown(one));
  const read = groupedBy(await storedPlays(due.map(({ reportId }) => reportId)), (play) => play.reportId);
  const anew = new Set(due);
  for (const stamp of stamps) {
    const { reportId, mark } = stamp;
    next.reports.set(reportId, anew.has(stamp) ? { mark, stored: read.get(reportId) ?? [] } : before!.reports.get(reportId)!);
  }
  for (const [childId, mine] of groupedBy(stamps, (one) => one.childId)) {
    const kept = before?.children.get(childId);
    const same = kept?.through.every((one, index) => {
      const now = mine[index];
      return one === now || (one.reportId === now?.reportId && sameMark(one.mark, now.mark));
    });
    const from: Standing = kept && same ? kept : { through: [], byReport: new Map(), counted: new Map(), received: new Map() };
    const more = mine.slice(from.through.length).flatMap(({ reportId }) => next.reports.get(reportId)!.stored);
    if (more.length > 0) await goThrough(from, more);
    next.children.set(childId, { ...from, through: mine });
  }
  const plays: ReportedPlay[] = [];
  for (const { reportId, childId } of stamps) plays.push(...(next.children.get(childId)!.byReport.get(reportId) ?? []));
  return plays;
}

/** Lets go of what was read, after something was taken away for good. */
export function forgetPlays(): void {
  ofClasses.clear();
  ofChildren.clear();
}

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

/** Goes through further plays in the order in which they came; those of one report follow each other. */
async function goThrough({ byReport, counted, received }: Standing, stored: readonly StoredPlay[]): Promise<void> {
  const closedDays = closedDaysOf();
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
    const values = goes.map((play) => play.value ?? play.report.goes[play.goNumber - 1]!.total);
    const alike = `${first.assignmentId} ${scoresKey(values)}`;
    const others = received.get(alike) ?? [];
    const own = `${first.childId}|${like(first)}`;
    const before = counted.get(own) ?? NONE_COUNTED;
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
      same: others.find((other) => other.way !== first.way) ?? null,
    });
    const { kind, reasons } = withReasons(verdict, around);
    const found: ReportedPlay[] = [];
    for (const play of goes) {
      const go = play.report.goes[play.goNumber - 1]!;
      const counts = whatCounts(kind, play.choice, play.value, go.total);
      if (counts !== null && play.asAsked) counted.set(own, withCounted(counted.get(own) ?? NONE_COUNTED, counts));
      // Written out: an object made by spreading so many fields is ten times slower to read, and views read thousands.
      found.push({
        reportId: play.reportId,
        assignmentId: play.assignmentId,
        childId: play.childId,
        versionId: play.versionId,
        version: play.version,
        weekId: play.weekId,
        dueOn: play.dueOn,
        timeZone: play.timeZone,
        assignedLevelId: play.assignedLevelId,
        setUp: play.setUp,
        par: play.par,
        homeFormsId: play.homeFormsId,
        asAsked: play.asAsked,
        goNumber: play.goNumber,
        value: play.value,
        attempts: play.attempts,
        successes: play.successes,
        seconds: play.seconds,
        receivedAt: play.receivedAt,
        way: play.way,
        byOldLink: play.byOldLink,
        batchId: play.batchId,
        choice: play.choice,
        report: play.report,
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
    byReport.set(first.reportId, found);
    if (first.choice !== 'set-aside' && !others.some((other) => other.way === first.way))
      received.set(alike, [
        ...others,
        {
          way: first.way,
          // Said of few, so it is worked out when it is.
          get on() {
            return dayWords(schoolDay(first.receivedAt, first.timeZone));
          },
        },
      ]);
  }
}

/** As much of a result as is stored with the play. */
function resultOf(play: StoredPlay, better: 'high' | 'low'): NonNullable<GoVerdict['result']> {
  const { value, attempts, successes, seconds } = play;
  const unit = play.report.goes[play.goNumber - 1]!.unit;
  return { value, unit, better, working: [], sum: `${value}`, finished: null, attempts, successes, seconds, parts: [], sides: [value], team: false };
}
