/** A class over its weeks: who took part, what counted against par, whether a level was too easy or too hard. */
import type { CellOfWeek, ClassWeeks } from '@/contract/class-weeks';
import type { DiaryEntry } from '@/contract/diary';
import type { Uuid } from '@/contract/ids';
import { hasCredit, missingWords, type TookPart } from '@/core/progress/credit';
import { totalWords } from '@/core/progress/event-total';
import { childrenOf } from '../db/children';
import { creditRuleOf } from '../db/classes';
import { diaryOfWeeks } from '../db/diary';
import { gamesWithAssignments } from '../db/week-games';
import { filmsOfClass } from '../db/look-marks';
import { versionBody, weeksOf, type ChildAssignment } from '../db/weeks';
import { gamesOfVersions } from '../db/games';
import { groupedBy } from '../db/grouped';
import { playsOfClass } from '../reports/plays';
import { betterOf } from '@/core/rules/playing/better';
import { bestOf } from './bests';
import { eventRows } from './class-week';
import { countedAsAsked, fitOfWeek } from './fit-of-week';

const MOST_WEEKS = 12;

function commonest(values: readonly string[]): string | null {
  const counts = new Map<string, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? null;
}

export async function classWeeks(classId: Uuid, today: string): Promise<ClassWeeks> {
  const [weeks, children, plays, films, creditRule] = await Promise.all([
    weeksOf(classId),
    childrenOf(classId, today),
    playsOfClass(classId),
    filmsOfClass(classId),
    creditRuleOf(classId),
  ]);
  const byAssignment = groupedBy(plays, (play) => play.assignmentId);
  const shown = weeks.slice(0, MOST_WEEKS).reverse();
  const ids = shown.map((week) => week.id);
  const [gamesOf, diaries] = await Promise.all([gamesWithAssignments(ids), diaryOfWeeks(ids)]);
  const firsts = ids.flatMap((id) => [...(gamesOf.get(id)?.[0]?.byChild.values() ?? [])].slice(0, 1));
  const gameIds = await gamesOfVersions(firsts.map(({ versionId }) => versionId));
  const worked = await Promise.all(
    shown.map(async (week) => {
      const diary = diaries.get(week.id) ?? new Map<Uuid, readonly DiaryEntry[]>();
      const ofGames = (gamesOf.get(week.id) ?? []).map(({ byChild }) => byChild);
      const assignments = ofGames[0] ?? new Map<Uuid, ChildAssignment>();
      const rows = ofGames.length > 1 ? await eventRows(children, ofGames, byAssignment) : null;
      const first = assignments.values().next().value;
      const game = first ? await versionBody(first.versionId) : null;
      const gameId = first ? (gameIds.get(first.versionId) ?? null) : null;
      const better = game ? betterOf(game) : 'high';
      const cells = children.map((child, index): CellOfWeek => {
        const assignment = assignments.get(child.id);
        // By game: a child may have thousands of goes.
        const own = ofGames.map((of) => byAssignment.get(of.get(child.id)?.id as Uuid) ?? []);
        const counted = countedAsAsked((assignment && byAssignment.get(assignment.id)) ?? []);
        const part: TookPart = {
          reported: films.has(`${week.id} ${child.id}`) || own.some((of) => of.some((play) => play.kind !== 'impossible' || play.counts !== null)),
          signed: (diary.get(child.id) ?? []).some((entry) => entry.initials !== ''),
        };
        return {
          sent: assignment !== undefined,
          credit: hasCredit(part, creditRule),
          missing: missingWords(part, creditRule),
          event: rows ? totalWords(rows[index]!.total) : null,
          best: bestOf(counted, better),
          first: counted[0] ?? null,
          par: assignment?.par ?? null,
          doubt: own.some((of) => of.some((play) => play.kind !== 'clean' && play.choice === null)),
        };
      });
      const luck = [...assignments.values()].flatMap(({ luckShare }) => (luckShare === null ? [] : [luckShare]));
      const luckShare = luck.length === 0 ? null : luck.reduce((sum, one) => sum + one, 0) / luck.length;
      const levelId = commonest([...assignments.values()].map((one) => one.levelId));
      const fit = fitOfWeek(game, [...assignments.values()], byAssignment);
      return { week, game, gameId, better, cells, luckShare, levelId, fit, title: week.title || (game?.title ?? '') };
    }),
  );
  return {
    creditRule,
    weeks: worked.map(({ week, game, gameId, better, cells, title, luckShare, levelId, fit }) => ({
      id: week.id,
      number: week.number,
      dueOn: week.dueOn,
      title,
      unit: game?.parts[0]!.measure.unit ?? '',
      better,
      gameId,
      levelId,
      luckShare,
      credit: cells.filter((cell) => cell.credit).length,
      sentTo: cells.filter((cell) => cell.sent).length,
      fit,
    })),
    children: children.map((child, index) => ({
      id: child.id,
      name: `${child.firstName} ${child.initial}`,
      cells: worked.map(({ cells }) => cells[index]!),
    })),
  };
}
