/** What does not count by itself: one short list for a class, each with its reason, its working and the answers to it. */
import type { Doubt } from '@/contract/to-look-at';
import type { Uuid } from '@/contract/ids';
import { answersTo, whatCounts, type Answer, type Choice } from '@/core/reports/decision';
import type { Game } from '@/core/rules/format/game';
import { dayWords } from '@/core/measure/days';
import { childrenWhoReported } from '../db/children';
import { addDecision, decisionsOfClass, reportOfSchool, withdrawDecision, type DecidedState } from '../db/decisions';
import { addAskNotice } from '../db/outbox';
import { versionBody, weeksOf } from '../db/weeks';
import { notFound, refuse } from '../http/answer';
import { once, type Deed } from '../http/once';
import { schoolDay } from '../school-day';
import { askNotice } from '../weeks/notices';
import { groupedBy } from '../db/grouped';
import { playsOfClass, type ReportedPlay } from './plays';

export async function doubtsOf(classId: Uuid): Promise<Doubt[]> {
  const [plays, children, weeks, decisions] = await Promise.all([
    playsOfClass(classId),
    childrenWhoReported(classId),
    weeksOf(classId),
    decisionsOfClass(classId),
  ]);
  const numbers = new Map(weeks.map((week) => [week.id, week.number]));
  const inDoubt = plays.filter((play) => numbers.has(play.weekId) && play.kind !== 'clean');
  const list = [...groupedBy(inDoubt, (play) => play.reportId).values()];
  const doubts = await Promise.all(
    list.map(async (goes): Promise<Doubt> => {
      const [first] = goes as [ReportedPlay, ...ReportedPlay[]];
      const game = await versionBody(first.versionId);
      const decision = decisions.findLast((one) => one.reportId === first.reportId && one.withdrawnAt === null);
      return {
        reportId: first.reportId,
        childName: children.get(first.childId) ?? '',
        weekNumber: numbers.get(first.weekId)!,
        gameTitle: game.title,
        way: first.way,
        receivedOn: dayWords(schoolDay(first.receivedAt, first.timeZone)),
        kind: first.kind,
        sentences: first.reasons.map(({ sentence }) => sentence),
        goes: goes.map((play) => ({
          level: game.levels.find((level) => level.id === play.levelId)?.name ?? `“${play.levelId}”`,
          sent: play.total,
          workedOut: play.value,
          unit: play.report.goes[play.goNumber - 1]!.unit,
        })),
        word: first.word,
        answers: answersOf(goes, unitOf(game)),
        choice: first.choice,
        decided: decision ? `${decision.by}, ${dayWords(schoolDay(decision.at, first.timeZone))}` : '',
      };
    }),
  );
  // The newest week first: it is what the teacher sits down for.
  return doubts.sort((a, b) => b.weekNumber - a.weekNumber || a.childName.localeCompare(b.childName, 'en-GB'));
}

const unitOf = (game: Game) => game.parts[0]!.measure.unit;

/** The answers by the go that is most in question: the first that has a reason. */
function answersOf(goes: readonly ReportedPlay[], unit: string): readonly Answer[] {
  const [first] = goes as [ReportedPlay, ...ReportedPlay[]];
  const asked = goes.find((play) => first.reasons.some((reason) => reason.go === play.goNumber - 1)) ?? first;
  return answersTo({
    kind: first.kind,
    codes: first.reasons.map(({ code }) => code),
    workedOut: asked.value,
    sent: asked.total,
    unit,
  });
}

const stateOf = (goes: readonly ReportedPlay[], choice: Choice | null): DecidedState => ({
  kind: goes[0]!.kind,
  reasons: goes[0]!.reasons.map(({ sentence }) => sentence),
  counts: goes.map((play) => whatCounts(play.kind, choice, play.value, play.total)),
});

interface Decider {
  readonly schoolId: Uuid;
  readonly teacherId: Uuid;
}

/** Keeps what a teacher decided, with what stood before and after; to ask the family also makes the text for it. */
export async function decide(
  { schoolId, teacherId }: Decider,
  deed: Deed | null,
  reportId: Uuid,
  choice: Choice,
  now: Date,
): Promise<{ noticeId: Uuid | null }> {
  const of = await reportOfSchool(schoolId, reportId);
  if (!of) throw notFound('report');
  const goes = (await playsOfClass(of.classId)).filter((play) => play.reportId === reportId);
  if (goes.length === 0) throw notFound('report');
  const game = await versionBody(goes[0]!.versionId);
  if (!answersOf(goes, unitOf(game)).some((answer) => answer.choice === choice) && goes[0]!.choice === null)
    throw refuse(409, '/choice', 'This cannot be answered so.', 'Take one of the answers beside it.');
  const children = await childrenWhoReported(of.classId);
  return once({ schoolId }, deed, now, async (db) => {
    await addDecision(db, { reportId, teacherId, choice, before: stateOf(goes, goes[0]!.choice), after: stateOf(goes, choice) }, now);
    if (choice !== 'ask-family') return { noticeId: null };
    const text = askNotice({
      childName: children.get(of.childId) ?? 'your child',
      title: game.title,
      sentences: goes[0]!.reasons.map(({ sentence }) => sentence),
    });
    return { noticeId: await addAskNotice(db, { schoolId, weekId: of.weekId, reportId, ...text }, now) };
  });
}

export async function undecide({ schoolId, teacherId }: Decider, deed: Deed | null, reportId: Uuid, now: Date): Promise<void> {
  if (!(await reportOfSchool(schoolId, reportId))) throw notFound('report');
  await once({ schoolId }, deed, now, async (db) => {
    if (!(await withdrawDecision(db, reportId, teacherId, now))) throw refuse(409, '', 'Nothing was decided of this report.', 'Open the list again.');
    return {};
  });
}
