/** What a sheet of paper may be of: the games of a class's week with every child's level and set-up, for typing in many at once. */
import type { SheetToType, SheetsToType } from '@/contract/sheets';
import type { Uuid } from '@/contract/ids';
import { childrenOf } from '../db/children';
import { playsOfClass } from '../reports/plays';
import { assignmentsOfItem, gamesOfWeek } from '../db/week-games';
import { versionBody, weeksOf } from '../db/weeks';

/** The sheets of one game of one week; the newest week and its first game where none is named. */
export async function sheetsToType(classId: Uuid, wanted: { weekId: Uuid | null; itemId: Uuid | null }, today: string): Promise<SheetsToType> {
  const [weeks, children, plays] = await Promise.all([weeksOf(classId), childrenOf(classId, today), playsOfClass(classId)]);
  const week = weeks.find((one) => one.id === wanted.weekId) ?? weeks[0];
  const listed = weeks.map(({ id, number, dueOn }) => ({ id, number, dueOn }));
  if (!week) return { weeks: listed, weekId: null, games: [], itemId: null, game: null, sheets: [] };
  const games = await gamesOfWeek(week.id);
  const chosen = games.find((one) => one.itemId === wanted.itemId) ?? games[0]!;
  const assignments = await assignmentsOfItem(chosen.itemId);
  const first = assignments.values().next().value;
  return {
    weeks: listed,
    weekId: week.id,
    games,
    itemId: chosen.itemId,
    game: first ? await versionBody(first.versionId) : null,
    sheets: children.flatMap((child): SheetToType[] => {
      const assignment = assignments.get(child.id);
      if (!assignment) return [];
      return [
        {
          assignmentId: assignment.id,
          childId: child.id,
          name: `${child.firstName} ${child.initial}`,
          onPaper: child.medium === 'paper',
          levelId: assignment.levelId,
          setUp: assignment.setUp,
          reported: plays.some((play) => play.assignmentId === assignment.id),
        },
      ];
    }),
  };
}
