/** The card of one child: what was sent this term, the set-up in the child's own steps, what has been received. */
import type { CardItem, CardWeek, Card } from '@/contract/card';
import type { Uuid } from '@/contract/ids';
import type { Game } from '@/core/rules/format/game';
import type { HomeForm } from '@/core/sheet/home-form';
import { childOfSchool } from '../db/children';
import type { AccessKey } from '../db/access-keys';
import { diaryOfChild } from '../db/diary';
import { homeFormsOf } from '../db/home-forms';
import { playsOfChild, type ReportedPlay } from '../reports/plays';
import { schoolDay } from '../school-day';
import { betterOf } from '@/core/rules/playing/better';
import { bestOf } from '../scores/bests';
import { childMark } from '../auth/tokens';
import { settings } from '../settings';
import { assignmentsOfChild, versionBody, type AssignmentInWeek } from '../db/weeks';

const WEEKS_SHOWN = 6;

/** For what was sent before there were forms: as asked, without a table. */
const asSent = (assignment: AssignmentInWeek, game: Game): HomeForm => ({
  id: 'asked',
  change: { kind: 'as-asked' },
  towards: 'as-asked',
  levelId: assignment.levelId,
  otherHand: game.levels.find((level) => level.id === assignment.levelId)?.set['/kit/hand'] === 'other',
  things: [],
  par: assignment.par,
});

async function itemOf(assignment: AssignmentInWeek, plays: readonly ReportedPlay[]): Promise<CardItem> {
  const [game, forms] = await Promise.all([versionBody(assignment.versionId), homeFormsOf(assignment.homeFormsId)]);
  const like = `${assignment.versionId}|${assignment.levelId}|${assignment.setUp.form}`;
  const counted = plays.filter((play) => play.likeKey === like && play.asAsked && play.counts !== null);
  return {
    assignmentId: assignment.id,
    opensOn: assignment.opensOn,
    game,
    levelId: assignment.levelId,
    setUp: assignment.setUp,
    forms: forms.length > 0 ? forms : [asSent(assignment, game)],
    par: assignment.par,
    best: bestOf(
      counted.map((play) => play.counts!),
      betterOf(game),
    ),
    received: new Set(plays.filter((play) => play.assignmentId === assignment.id).map((play) => play.reportId)).size,
  };
}

/** Whether a game may be played: its week was not taken back, and its day has come. */
export const mayBePlayed = ({ week, opensOn }: Pick<AssignmentInWeek, 'week' | 'opensOn'>, today: string): boolean =>
  !week.takenBack && (opensOn === null || opensOn <= today);

/** One game that this child was ever sent; undefined for another's, or one that may not be played. */
export async function cardItemOf(childId: Uuid, assignmentId: Uuid, today: string): Promise<CardItem | undefined> {
  const [assignments, plays] = await Promise.all([assignmentsOfChild(childId, null), playsOfChild(childId)]);
  const found = assignments.find((one) => one.id === assignmentId && mayBePlayed(one, today));
  return found && itemOf(found, plays);
}

export async function cardFor(key: AccessKey, now: Date): Promise<Card> {
  const today = schoolDay(now, key.timeZone);
  const slip = key.scope === 'slip';
  const [child, assignments, plays, diary] = await Promise.all([
    childOfSchool(key.schoolId, key.childId, today),
    assignmentsOfChild(key.childId, key.termId).then((all) => all.filter(({ week }) => !week.takenBack)),
    slip ? [] : playsOfChild(key.childId),
    slip ? [] : diaryOfChild(key.childId),
  ]);
  const weekIds = [...new Set(assignments.map(({ week }) => week.id))].slice(0, slip ? 1 : WEEKS_SHOWN);
  const weeks = await Promise.all(
    weekIds.map(async (id): Promise<CardWeek> => {
      const mine = assignments.filter(({ week }) => week.id === id);
      const { week, around } = mine[0]!;
      return {
        id,
        number: week.number,
        dueOn: week.dueOn,
        note: slip ? '' : week.note,
        title: week.title,
        kit: week.kit,
        ...around,
        games: await Promise.all(mine.map((assignment) => itemOf(assignment, plays))),
        diaryEntries: diary.filter((entry) => entry.weekId === id),
      };
    }),
  );
  return {
    scope: key.scope,
    mark: childMark(settings().serverKey, key.childId),
    child: slip || !child ? null : { name: `${child.firstName} ${child.initial}`, hand: child.hand },
    exerciseSwapped: child?.form === 'other-exercise',
    weeks,
  };
}
