/** The class's week: who has reported, what, against par, and who has not. */
import type { ScoreState, ScoreRow, EventRow, ClassWeek } from '@/contract/class-week';
import type { Uuid } from '@/contract/ids';
import { hasCredit, missingWords, type TookPart } from '@/core/progress/credit';
import { eventTotal } from '@/core/progress/event-total';
import { lookForsOf } from '@/core/sheet/teaching-points';
import { childrenOf, type Child } from '../db/children';
import { creditRuleOf } from '../db/classes';
import { diaryOfWeek } from '../db/diary';
import { lookMarksOfWeek } from '../db/look-marks';
import { groupedBy } from '../db/grouped';
import { playsOfClass, type ReportedPlay } from '../reports/plays';
import { assignmentsOfItem, gamesOfWeek } from '../db/week-games';
import { asksFilmAlone, versionBody, weeksOf, type ChildAssignment, type Week } from '../db/weeks';
import { dueMoment } from '../school-day';
import { betterOf } from '@/core/rules/playing/better';
import { bestOf } from './bests';

/** One game (the first where none is named) of the week with this id, or of the newest, of a class that the caller may see. */
export async function classWeek(classId: Uuid, weekId: Uuid | null, timeZone: string, today: string, itemId: Uuid | null = null): Promise<ClassWeek> {
  // What takes longest is read while the rest is asked for.
  const reading = playsOfClass(classId);
  reading.catch(() => undefined);
  const [weeks, children, creditRule] = await Promise.all([weeksOf(classId), childrenOf(classId, today), creditRuleOf(classId)]);
  const week = weeks.find((known) => known.id === weekId) ?? weeks[0];
  const listed = weeks.map(({ id, number, dueOn }) => ({ id, number, dueOn }));
  if (!week)
    return {
      weeks: listed,
      week: null,
      games: [],
      itemId: null,
      gameTitle: '',
      event: null,
      creditRule,
      restsOn: 0,
      filmAlone: false,
      better: 'high',
      unit: '',
      placeCount: 0,
      placeValues: [],
      lookFors: [],
      rows: [],
      reported: 0,
      toLookAt: 0,
    };
  const games = await gamesOfWeek(week.id);
  const chosen = games.find((one) => one.itemId === itemId) ?? games[0]!;
  const [assignmentsOfGames, plays, looked, diary, filmAlone] = await Promise.all([
    Promise.all(games.map(({ itemId: one }) => assignmentsOfItem(one))),
    reading,
    lookMarksOfWeek(week.id),
    diaryOfWeek(week.id),
    asksFilmAlone(week.id),
  ]);
  const assignments = assignmentsOfGames[games.indexOf(chosen)]!;
  const first = assignments.values().next().value;
  const game = first ? await versionBody(first.versionId) : null;
  const bestBefore = bestsBefore(plays, week, weeks);
  const byAssignment = groupedBy(plays, (play) => play.assignmentId);
  const part = game?.parts[0];
  const values = part?.groups[part.stages[0]?.from ?? '']?.value ?? [];
  const scoreRows = children.map((child): ScoreRow => {
    const assignment = assignments.get(child.id);
    const mine = (assignment && byAssignment.get(assignment.id)) ?? [];
    const seen = assignment && looked.get(assignment.id);
    const lines = diary.get(child.id) ?? [];
    const everything = assignmentsOfGames.flatMap((of) => of.get(child.id) ?? []);
    const part: TookPart = {
      reported: everything.some(
        ({ id }) => looked.get(id)?.film || (byAssignment.get(id) ?? []).some((play) => play.kind !== 'impossible' || play.counts !== null),
      ),
      signed: lines.some((entry) => entry.initials !== ''),
    };
    return {
      childId: child.id,
      name: `${child.firstName} ${child.initial}`,
      medium: child.medium,
      assignmentId: assignment?.id ?? null,
      levelName: game?.levels.find((level) => level.id === assignment?.levelId)?.name ?? '',
      par: assignment?.par ?? null,
      parLow: assignment?.parLow ?? null,
      parHigh: assignment?.parHigh ?? null,
      diaryMinutes: lines.reduce((sum, entry) => sum + entry.minutes, 0),
      looksTeacher: seen?.marks ?? [],
      film: seen?.film ?? false,
      comment: seen?.comment ?? '',
      credit: hasCredit(part, creditRule),
      missing: missingWords(part, creditRule),
      ...standing(mine, assignment !== undefined, filmAlone && seen?.film === true, bestBefore, dueMoment(week.dueOn, timeZone)),
    };
  });
  return {
    weeks: listed,
    week: { id: week.id, number: week.number, dueOn: week.dueOn, note: week.note },
    games,
    itemId: chosen.itemId,
    gameTitle: [week.title, game?.title ?? ''].filter(Boolean).join(': '),
    event: games.length > 1 ? await eventRows(children, assignmentsOfGames, byAssignment) : null,
    creditRule,
    restsOn: Math.max(0, ...[...assignments.values()].map((one) => one.restsOn)),
    filmAlone,
    better: game ? betterOf(game) : 'high',
    unit: part?.measure.unit ?? '',
    placeCount: values.length,
    placeValues: values,
    lookFors: game ? lookForsOf(game) : [],
    rows: scoreRows,
    reported: scoreRows.filter((row) => row.reports > 0 || row.state === 'counted').length,
    toLookAt: scoreRows.filter((row) => row.state === 'to-look-at').length,
  };
}

const beats = (one: number, other: number, better: 'high' | 'low') => (better === 'high' ? one > other : one < other);

/** Best counted value of each child and like set-up in the weeks before this one. */
function bestsBefore(plays: readonly ReportedPlay[], week: Week, weeks: readonly Week[]): ReadonlyMap<string, number> {
  const earlier = new Set(weeks.filter((other) => other.sentAt < week.sentAt).map((other) => other.id));
  const bests = new Map<string, number>();
  if (earlier.size === 0) return bests;
  for (const play of plays) {
    if (!earlier.has(play.weekId) || play.counts === null || !play.asAsked) continue;
    const key = `${play.childId}|${play.likeKey}`;
    const before = bests.get(key);
    if (before === undefined || beats(play.counts, before, play.better)) bests.set(key, play.counts);
  }
  return bests;
}

/** The best that counted of each child in each game of an event, and what they come to. */
export async function eventRows(
  children: readonly Child[],
  games: readonly ReadonlyMap<Uuid, ChildAssignment>[],
  plays: ReadonlyMap<Uuid, readonly ReportedPlay[]>,
): Promise<EventRow[]> {
  const versions = await Promise.all(
    games.map(async (of) => {
      const first = of.values().next().value;
      return first ? versionBody(first.versionId) : null;
    }),
  );
  return children.map(({ id, firstName, initial }): EventRow => {
    const found = games.map((of, index) => {
      const assignment = of.get(id);
      const game = versions[index];
      const mine = (assignment && plays.get(assignment.id)) ?? [];
      const better = game ? betterOf(game) : 'high';
      return {
        best: bestOf(
          mine.flatMap((play) => (play.counts !== null && play.asAsked ? [play.counts] : [])),
          better,
        ),
        par: assignment?.par ?? null,
        doubt: mine.some((play) => play.kind !== 'clean' && play.choice === null),
        unit: game?.parts[0]!.measure.unit ?? '',
        better,
      };
    });
    return {
      childId: id,
      name: `${firstName} ${initial}`,
      bests: found.map(({ best, par, doubt }) => ({ best, par, doubt })),
      total: eventTotal(found),
    };
  });
}

function standing(mine: readonly ReportedPlay[], assigned: boolean, filmed: boolean, bestBefore: ReadonlyMap<string, number>, due: Date) {
  // Once through: a child may have thousands of goes.
  const reports = new Set<Uuid>();
  const sum = { successes: 0, attempts: 0, otherForms: 0, word: '', onTime: false };
  let looksHome: ScoreRow['looksHome'] = null;
  let best: ReportedPlay | null = null;
  let doubted: ReportedPlay | null = null;
  for (const play of mine) {
    if (play.goNumber === 1) reports.add(play.reportId);
    sum.successes += play.successes;
    sum.attempts += play.attempts;
    if (!play.asAsked) sum.otherForms += 1;
    else if (play.counts !== null && (best === null || beats(play.counts, best.counts!, play.better))) best = play;
    if (play.kind !== 'clean' && play.choice === null) doubted = play;
    if (play.word !== '') sum.word = play.word;
    if (!sum.onTime && play.receivedAt <= due) sum.onTime = true;
    if (play.looks !== undefined) looksHome = play.looks;
  }
  const last = mine.at(-1);
  const before = best ? bestBefore.get(`${best.childId}|${best.likeKey}`) : undefined;
  const state: ScoreState = !assigned ? 'not-assigned' : mine.length === 0 && !filmed ? 'not-yet' : doubted ? 'to-look-at' : 'counted';
  return {
    state,
    reports: reports.size,
    best: best?.counts ?? null,
    otherForms: sum.otherForms,
    looksHome,
    latest: last ? (last.counts ?? last.total) : null,
    personalBest: best !== null && before !== undefined && beats(best.counts!, before, best.better),
    successes: sum.successes,
    attempts: sum.attempts,
    reason: doubted?.reasons[0]?.sentence ?? '',
    late: mine.length > 0 && !sum.onTime,
    receivedAt: last?.receivedAt.toISOString() ?? null,
    felt: last?.felt ?? null,
    word: sum.word,
    typed: last?.way === 'paper',
  };
}
