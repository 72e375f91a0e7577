/** A class over its weeks: who took part, what counted against par, whether a level was too easy or too hard. */
import { levelFit, type JudgedFit } from '@/core/progress/level-fit';
import { childrenOf } from '../db/children';
import { diaryOfWeek } from '../db/diary';
import type { Uuid } from '../db/ids';
import { gamesOfWeek, assignmentsOfItem } from '../db/week-games';
import { versionBody, weeksOf } from '../db/weeks';
import { gameOfVersion } from '../db/games';
import { playsOfClass } from '../reports/plays';

export interface CellOfWeek {
  /** A report of any verdict but impossible, or a diary line with an adult's initials. */
  readonly credit: boolean;
  readonly best: number | null;
  /** The first go that counted: par is of one go, so the best of several says nothing against it. */
  readonly first: number | null;
  readonly par: number | null;
  /** Something waits to be looked at. */
  readonly doubt: boolean;
  readonly sent: boolean;
}

export interface WeekOfClass {
  readonly id: Uuid;
  readonly number: number;
  readonly dueOn: string;
  readonly title: string;
  readonly unit: string;
  readonly better: 'high' | 'low';
  readonly gameId: Uuid | null;
  readonly credit: number;
  readonly sentTo: number;
  readonly fit: JudgedFit;
}

export interface ClassWeeks {
  /** The oldest first, at most twelve. */
  readonly weeks: readonly WeekOfClass[];
  readonly children: readonly { readonly id: Uuid; readonly name: string; readonly cells: readonly CellOfWeek[] }[];
}

const MOST_WEEKS = 12;

export async function classWeeks(classId: Uuid, today: string): Promise<ClassWeeks> {
  const [weeks, children, plays] = await Promise.all([weeksOf(classId), childrenOf(classId, today), playsOfClass(classId)]);
  const shown = weeks.slice(0, MOST_WEEKS).reverse();
  const worked = await Promise.all(
    shown.map(async (week) => {
      const [games, diary] = await Promise.all([gamesOfWeek(week.id), diaryOfWeek(week.id)]);
      const assignments = games[0] ? await assignmentsOfItem(games[0].itemId) : new Map();
      const first = assignments.values().next().value as { versionId: Uuid } | undefined;
      const [game, gameId] = first ? await Promise.all([versionBody(first.versionId), gameOfVersion(first.versionId)]) : [null, null];
      const better = game ? (game.parts.length > 1 ? game.card.better : game.parts[0]!.measure.better) : 'high';
      const mine = plays.filter((play) => play.weekId === week.id);
      const cells = children.map((child): CellOfWeek => {
        const own = mine.filter((play) => play.childId === child.id);
        const assignment = assignments.get(child.id) as { id: Uuid; par: number | null } | undefined;
        const counted = own.flatMap((play) => (play.counts !== null && play.asAsked && play.assignmentId === assignment?.id ? [play.counts] : []));
        const signed = (diary.get(child.id) ?? []).some((entry) => entry.initials !== '' && !entry.struck);
        return {
          sent: assignment !== undefined,
          credit: own.some((play) => play.kind !== 'impossible' || play.counts !== null) || signed,
          best: counted.length === 0 ? null : better === 'high' ? Math.max(...counted) : Math.min(...counted),
          first: counted[0] ?? null,
          par: assignment?.par ?? null,
          doubt: own.some((play) => play.kind !== 'clean' && play.choice === null),
        };
      });
      return { week, game, gameId, better, cells, title: week.title || (game?.title ?? '') };
    }),
  );
  return {
    weeks: worked.map(({ week, game, gameId, better, cells, title }) => ({
      id: week.id,
      number: week.number,
      dueOn: week.dueOn,
      title,
      unit: game?.parts[0]!.measure.unit ?? '',
      better,
      gameId,
      credit: cells.filter((cell) => cell.credit).length,
      sentTo: cells.filter((cell) => cell.sent).length,
      fit: levelFit(
        cells.flatMap(({ first, par }) => (first === null || par === null ? [] : [{ score: first, par }])),
        better,
      ),
    })),
    children: children.map((child, index) => ({
      id: child.id,
      name: `${child.firstName} ${child.initial}`,
      cells: worked.map(({ cells }) => cells[index]!),
    })),
  };
}
