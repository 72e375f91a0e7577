/** What one child had and did, week by week through all its terms, and the next thing to try. */
import type { MyWeeks, WeekOfMine } from '@/contract/my-weeks';
import type { Uuid } from '@/contract/ids';
import type { DiaryEntry } from '@/contract/diary';
import { skillsOf } from '@/core/sheet/teaching-points';
import type { AccessKey } from '../db/access-keys';
import { diaryOfChild } from '../db/diary';
import { inventionsOfClassmates } from '../db/inventions';
import { groupedBy } from '../db/grouped';
import { commentsForFamily } from '../db/look-marks';
import { assignmentsOfChild, versionBody, type AssignmentInWeek } from '../db/weeks';
import { mayBePlayed } from './card';
import { nextOfChild } from '../progress/child-record';
import { playsOfChild, type ReportedPlay } from '../reports/plays';
import { schoolDay } from '../school-day';
import { betterOf } from '@/core/rules/playing/better';
import { bestOf } from '../scores/bests';

export async function myWeeks({ schoolId, childId, timeZone }: Pick<AccessKey, 'schoolId' | 'childId' | 'timeZone'>, now: Date): Promise<MyWeeks> {
  const today = schoolDay(now, timeZone);
  const [assignments, plays, diary, comments, next, fromClass] = await Promise.all([
    assignmentsOfChild(childId, null).then((all) => all.filter((one) => mayBePlayed(one, today))),
    playsOfChild(childId),
    diaryOfChild(childId),
    commentsForFamily(childId),
    nextOfChild(schoolId, childId, today),
    inventionsOfClassmates(childId, today),
  ]);
  const weeks = await Promise.all(
    [...groupedBy(assignments, ({ week }) => week.id).values()].map((mine) => weekOfMine(mine, { plays, diary, comments }, timeZone)),
  );
  return {
    weeks: weeks.sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.number - b.number)),
    fromClass,
    next: next && next.kind !== 'more' ? { kind: next.kind, title: next.gameTitle, levelName: next.levelName } : null,
  };
}

interface OfChild {
  readonly plays: readonly ReportedPlay[];
  readonly diary: readonly DiaryEntry[];
  readonly comments: ReadonlyMap<Uuid, string>;
}

async function weekOfMine(mine: readonly AssignmentInWeek[], { plays, diary, comments }: OfChild, timeZone: string): Promise<WeekOfMine> {
  const { week } = mine[0]!;
  const of = new Set(mine.map(({ id }) => id));
  const played = plays.filter((play) => of.has(play.assignmentId));
  const moved = diary.filter((entry) => entry.weekId === week.id && !entry.struck && entry.minutes > 0).map(({ day }) => day);
  return {
    id: week.id,
    number: week.number,
    dueOn: week.dueOn,
    daysMoved: Math.min(7, new Set([...moved, ...played.map(({ receivedAt }) => schoolDay(receivedAt, timeZone))]).size),
    games: await Promise.all(
      mine.map(async (assignment) => {
        const game = await versionBody(assignment.versionId);
        const counted = played.filter((play) => play.assignmentId === assignment.id && play.asAsked && play.counts !== null);
        const better = betterOf(game);
        return {
          assignmentId: assignment.id,
          title: game.title,
          levelName: game.levels.find(({ id }) => id === assignment.levelId)?.name ?? '',
          skill: skillsOf(game)[0] ?? null,
          unit: game.parts[0]!.measure.unit,
          better,
          best: bestOf(
            counted.map((play) => play.counts!),
            better,
          ),
          comment: comments.get(assignment.id) ?? '',
        };
      }),
    ),
  };
}
