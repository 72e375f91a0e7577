/** The first page: all classes of a school on one day. What is worked out of reports is kept with them, so that only what is new is gone through. */
import type { ClassToday, LastFit, Today, WeekOut } from '@/contract/today';
import type { Uuid } from '@/contract/ids';
import { dayPlus, daysBetween } from '@/core/measure/days';
import type { JudgedFit } from '@/core/progress/level-fit';
import { byDay, usualByDay } from '@/core/progress/tide';
import { classesOf, type ClassSummary } from '../db/classes';
import { countOfGames } from '../db/games';
import { groupedBy } from '../db/grouped';
import { filmsOfSchool, unlinkedByClass, waitingByClass, weeksWithGames, type WeekWithGames } from '../db/today';
import { gamesWithAssignments } from '../db/week-games';
import { versionBody } from '../db/weeks';
import { plannedNext } from '../plans/planned-next';
import { playsOfClass, type ReportedPlay } from '../reports/plays';
import { schoolDay, schoolDays } from '../school-day';
import { fitOfWeek } from '../scores/fit-of-week';

/** What lies further back says nothing of today. */
const SINCE_DAYS = 150;
const MOST_WEEKS = 12;
/** A week that is over is shown for so long, while nothing else is out. */
const OVER_SHOWN_DAYS = 7;
/** The newest weeks that are asked whether their level fitted. */
const JUDGED_WEEKS = 3;

export async function todayOf(schoolId: Uuid, timeZone: string, now: Date): Promise<Today> {
  const day = schoolDay(now, timeZone);
  const since = dayPlus(day, -SINCE_DAYS);
  const [classes, weeks, waiting, unlinked, films, games, planned] = await Promise.all([
    classesOf(schoolId, day),
    weeksWithGames(schoolId, since),
    waitingByClass(schoolId),
    unlinkedByClass(schoolId, day),
    filmsOfSchool(schoolId, since),
    countOfGames(schoolId),
    plannedNext(schoolId, day),
  ]);
  const ofClass = groupedBy(weeks, (week) => week.classId);
  const found = await Promise.all(
    classes.map(async (of): Promise<ClassToday> => {
      const sent = (ofClass.get(of.id) ?? []).slice(0, MOST_WEEKS);
      const known = sent.length > 0 ? gathered(await playsOfClass(of.id), timeZone) : NOTHING;
      return {
        id: of.id,
        name: of.name,
        children: of.children,
        ...(await weekOut(sent, known, films, day, timeZone)),
        doubts: known.doubts,
        waiting: waiting.get(of.id) ?? 0,
        last: await lastFit(sent, known),
        planned: planned.get(of.id) ?? null,
        unlinked: sent.length > 0 ? (unlinked.get(of.id) ?? 0) : 0,
      };
    }),
  );
  return { day, classes: found, begin: weeks.length > 0 ? null : begin(classes, games) };
}

/** How the newest week fitted of which enough is known, by class. */
export async function lastFitsOf(schoolId: Uuid, timeZone: string, now: Date): Promise<ReadonlyMap<Uuid, LastFit>> {
  const weeks = await weeksWithGames(schoolId, dayPlus(schoolDay(now, timeZone), -SINCE_DAYS));
  const found = new Map<Uuid, LastFit>();
  for (const [classId, sent] of groupedBy(weeks, (week) => week.classId)) {
    const fit = await lastFit(sent.slice(0, MOST_WEEKS), gathered(await playsOfClass(classId), timeZone));
    if (fit) found.set(classId, fit);
  }
  return found;
}

function begin(classes: readonly ClassSummary[], games: number): Today['begin'] {
  return {
    classes: classes.length,
    classId: classes.find(({ children }) => children === 0)?.id ?? classes[0]?.id ?? null,
    children: classes.reduce((sum, { children }) => sum + children, 0),
    games,
  };
}

/** What the reports of a class tell. */
interface Gathered {
  /** By week, the day of each child's first report. */
  readonly first: ReadonlyMap<Uuid, ReadonlyMap<Uuid, string>>;
  readonly byAssignment: ReadonlyMap<Uuid, readonly ReportedPlay[]>;
  readonly doubts: number;
  /** How the levels of its weeks fitted, as far as it was asked. */
  readonly fits: Map<Uuid, JudgedFit>;
}

const NOTHING: Gathered = { first: new Map(), byAssignment: new Map(), doubts: 0, fits: new Map() };

/** With the plays that it rests on: as long as nothing of a class changes they are the same. */
const gatheredOf = new WeakMap<readonly ReportedPlay[], Gathered>();

function gathered(plays: readonly ReportedPlay[], timeZone: string): Gathered {
  const known = gatheredOf.get(plays);
  if (known) return known;
  const first = new Map<Uuid, Map<Uuid, string>>();
  const dayOf = schoolDays(timeZone);
  const doubtful = new Set<Uuid>();
  for (const play of plays) {
    const ofWeek = first.get(play.weekId) ?? new Map<Uuid, string>();
    first.set(play.weekId, ofWeek);
    if (!ofWeek.has(play.childId)) ofWeek.set(play.childId, dayOf(play.receivedAt));
    if (play.kind !== 'clean' && play.choice === null) doubtful.add(play.reportId);
  }
  const made: Gathered = { first, byAssignment: groupedBy(plays, (play) => play.assignmentId), doubts: doubtful.size, fits: new Map() };
  gatheredOf.set(plays, made);
  return made;
}

const sentTo = ({ games }: WeekWithGames) => Math.max(0, ...games.map(({ levels }) => levels.reduce((sum, { children }) => sum + children, 0)));

/** The week that a class is at. */
async function weekOut(
  sent: readonly WeekWithGames[],
  { first }: Gathered,
  films: ReadonlyMap<Uuid, readonly Uuid[]>,
  today: string,
  timeZone: string,
): Promise<Pick<ClassToday, 'week' | 'alsoOut'>> {
  const isOut = (week: WeekWithGames) => !week.takenBack && week.dueOn >= today;
  const out = sent.filter(isOut);
  const newest = sent[0];
  const shown = out[0] ?? (newest && newest.dueOn >= dayPlus(today, -OVER_SHOWN_DAYS) ? newest : undefined);
  if (!shown) return { week: null, alsoOut: 0 };
  const dayOf = schoolDays(timeZone);
  const firstDays = (week: WeekWithGames) => {
    const from = dayOf(week.sentAt);
    return [...(first.get(week.id)?.values() ?? [])].map((on) => Math.max(0, daysBetween(from, on)));
  };
  const sentOn = dayOf(shown.sentAt);
  const days = daysBetween(sentOn, shown.dueOn) + 1;
  const gone = Math.min(days, daysBetween(sentOn, today) + 1);
  const earlier = sent.filter((week) => !week.takenBack && week.sentAt < shown.sentAt);
  const children = new Set([...(first.get(shown.id)?.keys() ?? []), ...(films.get(shown.id) ?? [])]);
  const week: WeekOut = {
    weekId: shown.id,
    number: shown.number,
    title: shown.title || ((await gameOf(shown))?.title ?? ''),
    level: (shown.games.length === 1 && (await levelsOf(shown))?.level.name) || '',
    sentOn,
    dueOn: shown.dueOn,
    takenBack: shown.takenBack,
    sentTo: sentTo(shown),
    reported: children.size,
    byDay: byDay(firstDays(shown), gone),
    usual: usualByDay(
      earlier.map((one) => ({ firstDays: firstDays(one), sentTo: sentTo(one) })),
      days,
    ),
  };
  return { week, alsoOut: Math.max(0, out.length - 1) };
}

const gameOf = async ({ games: [first] }: WeekWithGames) => (first ? versionBody(first.versionId) : null);

/** The level that most children were sent of a week's first game, with those beside it. */
async function levelsOf(week: WeekWithGames) {
  const game = await gameOf(week);
  const most = [...(week.games[0]?.levels ?? [])].sort((a, b) => b.children - a.children)[0];
  const at = game?.levels.findIndex(({ id }) => id === most?.id) ?? -1;
  const named = (index: number) => (game?.levels[index] ? { id: game.levels[index].id, name: game.levels[index].name } : null);
  const level = named(at);
  return level && { level, easier: named(at - 1), harder: named(at + 1) };
}

/** How the newest week fitted of which enough is known. */
async function lastFit(sent: readonly WeekWithGames[], known: Gathered): Promise<LastFit | null> {
  const asked = sent.filter((week) => !week.takenBack && week.games.length > 0).slice(0, JUDGED_WEEKS);
  const unknown = asked.filter(({ id }) => !known.fits.has(id));
  if (unknown.length > 0) {
    const assigned = await gamesWithAssignments(unknown.map(({ id }) => id));
    for (const week of unknown) {
      const byChild = assigned.get(week.id)?.[0]?.byChild;
      known.fits.set(week.id, fitOfWeek(await gameOf(week), [...(byChild?.values() ?? [])], known.byAssignment));
    }
  }
  for (const week of asked) {
    const fit = known.fits.get(week.id)!;
    const levels = await levelsOf(week);
    if (fit.fit === 'too-few' || !levels) continue;
    const { level, easier, harder } = levels;
    const title = (await gameOf(week))!.title;
    return { weekNumber: week.number, title, gameId: week.games[0]!.gameId, levelId: level.id, level: level.name, easier, harder, fit };
  }
  return null;
}
