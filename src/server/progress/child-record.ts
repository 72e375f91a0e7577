/** One child: bests on like set-ups, hits by distance, what to try next and why, the log and what a teacher wrote. */
import type { LikeBest, WeekOfChild, ChildRecord } from '@/contract/child';
import type { DiaryEntry } from '@/contract/diary';
import type { Uuid } from '@/contract/ids';
import { chanceByDistance } from '@/core/progress/chance-by-distance';
import type { Fitted } from '@/core/progress/fit';
import { whatNext, type Next, type NextLevel } from '@/core/progress/what-next';
import { aimedPlaces, chanceFrom } from '@/core/levels/solve';
import { throwerWith } from '@/core/motion/release';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import { pacedGame } from '@/core/sheet/set-up';
import { noteOf } from '../db/child-notes';
import { childOfSchool, type Child } from '../db/children';
import { classById, type ClassSummary } from '../db/classes';
import { diaryOfChild } from '../db/diary';
import { lookMarksOfChild } from '../db/look-marks';
import { versionBody, weeksOf } from '../db/weeks';
import { groupedBy } from '../db/grouped';
import { playsOfChild, type ReportedPlay } from '../reports/plays';
import { schoolDay } from '../school-day';
import { betterOf } from '@/core/rules/playing/better';
import { bestOf } from '../scores/bests';
import { triedLike, triedPlays, triesIn, type TriedPlay } from './curves';
import { fitOfClass, forForecast } from './fit-of-class';
import { parOfGo } from './par-of-go';

const FORM_WORDS: Readonly<Record<string, string>> = { standing: '', seated: 'seated', kneeling: 'kneeling', 'two-hands': 'two hands' };
const MOST_AIMS = 4;
/** Goes of one game beside the best: nobody reads more. */
const MOST_OTHER_GOES = 20;

/** Of a child without a class: as any of its age, and of the middle age. */
const NOTHING_FITTED: Fitted = { skill: 1, low: 0.8, high: 1.25, attempts: 0 };
const USUAL_AGE = 8;

/** The fit of a class, if there is one, with what of it is the child's, and the age that it rests on. */
async function fitOfChild({ id, ageYears }: Pick<Child, 'id' | 'ageYears'>, of: ClassSummary | undefined) {
  const fitted = of ? await fitOfClass(of.id) : null;
  const fit = fitted?.children[id] ?? fitted?.group ?? NOTHING_FITTED;
  return { fitted, fit, ageYears: ageYears ?? of?.ageYears ?? USUAL_AGE };
}

/** Undefined for a child of another school. */
export async function childRecord(schoolId: Uuid, childId: Uuid, timeZone: string, today: string): Promise<ChildRecord | undefined> {
  const child = await childOfSchool(schoolId, childId, today);
  if (!child) return undefined;
  const [of, plays, diary, looked, note] = await Promise.all([
    child.classId ? classById(schoolId, child.classId, today) : undefined,
    playsOfChild(childId),
    diaryOfChild(childId),
    lookMarksOfChild(childId),
    noteOf(childId),
  ]);
  const { fitted, fit, ageYears } = await fitOfChild(child, of);
  const tried = await triedPlays(plays);
  return {
    id: childId,
    name: `${child.firstName} ${child.initial}`,
    classId: of?.id ?? null,
    className: of?.name ?? 'left the school',
    ageYears,
    fit,
    own: fitted?.children[childId] !== undefined,
    next: await nextOf(tried, fit, ageYears),
    bests: await likeBests(plays, timeZone),
    aims: chanceByDistance(triesIn(tried), fit).slice(0, MOST_AIMS),
    weeks: of ? await weeksOfChild(of.id, plays, diary, looked, fitted ? forForecast(fitted) : undefined) : [],
    note: note && { words: note.words, by: note.by, on: schoolDay(note.at, timeZone) },
    reports: new Set(plays.map((play) => play.reportId)).size,
  };
}

/** What to try next, and the level of it. */
interface NextAtGame extends Next {
  readonly gameTitle: string;
  readonly levelName: string;
}

/** What one child should try next; null before anything was tried, or of a child of another school. */
export async function nextOfChild(schoolId: Uuid, childId: Uuid, today: string): Promise<NextAtGame | null> {
  const child = await childOfSchool(schoolId, childId, today);
  if (!child) return null;
  const [of, plays] = await Promise.all([child.classId ? classById(schoolId, child.classId, today) : undefined, playsOfChild(childId)]);
  const { fit, ageYears } = await fitOfChild(child, of);
  return nextOf(await triedPlays(plays), fit, ageYears);
}

async function likeBests(plays: readonly ReportedPlay[], timeZone: string): Promise<LikeBest[]> {
  const counted = plays.filter((play) => play.counts !== null && play.asAsked);
  const bests = await Promise.all(
    [...groupedBy(counted, (play) => play.likeKey).values()].map(async (like): Promise<LikeBest> => {
      const last = like.at(-1)!;
      const game = await versionBody(last.versionId);
      const values = like.map((play) => play.counts!);
      return {
        gameTitle: game.title,
        levelName: levelName(game, last.levelId),
        form: FORM_WORDS[last.report.goes[last.goNumber - 1]!.form] ?? '',
        unit: game.parts[0]!.measure.unit,
        best: bestOf(values, betterOf(game))!,
        first: values[0]!,
        latest: values.at(-1)!,
        goes: values.length,
        latestOn: schoolDay(last.receivedAt, timeZone),
      };
    }),
  );
  return bests.sort((a, b) => (a.latestOn < b.latestOn ? 1 : a.latestOn > b.latestOn ? -1 : a.gameTitle.localeCompare(b.gameTitle, 'en-GB')));
}

const levelName = (game: Game, levelId: string) => game.levels.find((level) => level.id === levelId)?.name ?? levelId;

/** What to try next at the game that was tried last, with every try known. */
async function nextOf(tried: readonly TriedPlay[], fit: Fitted, ageYears: number): Promise<NextAtGame | null> {
  const known = tried.filter(({ play }) => play.asAsked);
  const last = known.findLast(({ tries }) => tries.length > 0);
  if (!last) return null;
  const game = await versionBody(last.play.versionId);
  const index = game.levels.findIndex((level) => level.id === last.play.levelId);
  const { stepM, form } = last.play.setUp;
  const levelAt = (at: number): NextLevel | null => {
    const level = game.levels[at];
    if (!level) return null;
    const there = pacedGame(levelById(game, level.id), stepM);
    const places = aimedPlaces(there);
    const chanceAt = (skill: number) => {
      const thrower = throwerWith(there.kit, { ageYears, form, skill });
      return places.reduce((sum, place) => sum + chanceFrom(there, place, place.spot, thrower), 0) / places.length;
    };
    return {
      name: level.name,
      chance: places.length === 0 ? null : { chance: chanceAt(fit.skill), low: chanceAt(fit.high), high: chanceAt(fit.low) },
    };
  };
  const next = whatNext({
    ...triedLike(known, last.play),
    level: levelName(game, last.play.levelId),
    felt: last.play.report.felt ?? null,
    before: index > 0 ? levelAt(index - 1) : null,
    after: levelAt(index + 1),
  });
  const beside = next.kind === 'harder-level' ? index + 1 : next.kind === 'easier-level' ? index - 1 : index;
  return { ...next, gameTitle: game.title, levelName: game.levels[beside]?.name ?? '' };
}

/** "at Paddle, other hand, from 1.0–1.8 m". */
async function otherGo(
  game: Game,
  play: ReportedPlay,
  value: number,
  fitted: Fitted | undefined,
): Promise<WeekOfChild['games'][number]['otherGoes'][number]> {
  const { level, otherHand, setUp } = play.report.goes[play.goNumber - 1]!;
  const lengths = setUp.distancesM.filter((length) => length > 0);
  const words = [
    `at ${levelName(game, level)}`,
    ...(otherHand ? ['other hand'] : []),
    ...(lengths.length > 0
      ? [`from ${[...new Set([Math.min(...lengths), Math.max(...lengths)].map((length) => length.toFixed(1)))].join('–')} m`]
      : []),
  ].join(', ');
  return { words, value, par: await parOfGo(play, fitted) };
}

/** Of the child's own sums, how many are what the go came to. */
function ownSumsOf(plays: readonly ReportedPlay[]): { right: number; of: number } | null {
  const sums = plays.flatMap((play) => {
    const { added, total } = play.report.goes[play.goNumber - 1]!;
    return added === undefined ? [] : [added === (play.value ?? total)];
  });
  return sums.length === 0 ? null : { right: sums.filter(Boolean).length, of: sums.length };
}

async function weeksOfChild(
  classId: Uuid,
  plays: readonly ReportedPlay[],
  diary: readonly DiaryEntry[],
  looked: Awaited<ReturnType<typeof lookMarksOfChild>>,
  fitted: Fitted | undefined,
): Promise<WeekOfChild[]> {
  const weeks = await weeksOf(classId);
  const ofWeek = groupedBy(plays, (play) => play.weekId);
  return Promise.all(
    weeks.map(async (week): Promise<WeekOfChild> => {
      const games = await Promise.all(
        [...groupedBy(ofWeek.get(week.id) ?? [], (play) => play.assignmentId)].map(async ([assignmentId, mine]) => {
          const first = mine[0]!;
          const game = await versionBody(first.versionId);
          const seen = looked.get(assignmentId);
          return {
            title: game.title,
            levelName: levelName(game, first.assignedLevelId),
            unit: game.parts[0]!.measure.unit,
            best: bestOf(
              mine.flatMap((play) => (play.counts !== null && play.asAsked ? [play.counts] : [])),
              betterOf(game),
            ),
            par: first.par,
            otherGoes: await Promise.all(
              mine
                .filter((play) => play.counts !== null && !play.asAsked)
                .slice(-MOST_OTHER_GOES)
                .map((play) => otherGo(game, play, play.counts!, fitted)),
            ),
            doubt: mine.some((play) => play.kind !== 'clean' && play.choice === null),
            felt: mine.at(-1)!.felt,
            ownSums: ownSumsOf(mine),
            looksHome: mine.findLast((play) => play.looks !== undefined)?.looks?.marks ?? [],
            looksTeacher: seen?.marks ?? [],
            film: seen?.film ?? false,
            comment: seen?.comment ?? '',
          };
        }),
      );
      return { number: week.number, dueOn: week.dueOn, games, diary: diary.filter((entry) => entry.weekId === week.id && !entry.struck) };
    }),
  );
}
