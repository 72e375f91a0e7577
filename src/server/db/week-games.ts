/** The games of a week and what was asked of each child in them. */
import type { GameOfWeek } from '@/contract/class-week';
import type { Uuid } from '@/contract/ids';
import { groupedBy } from './grouped';
import { padded } from './gather';
import { toBytes, toText } from './ids';
import { rows } from './pool';
import { ASSIGNMENT_COLUMNS, assignmentOf, type AssignmentRow, type ChildAssignment } from './weeks';

/** The games of a week in their order. */
export async function gamesOfWeek(weekId: Uuid): Promise<readonly GameOfWeek[]> {
  return (await gamesOfWeeks([weekId])).get(weekId) ?? [];
}

async function gamesOfWeeks(weekIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, readonly GameOfWeek[]>> {
  if (weekIds.length === 0) return new Map();
  const asked = padded(weekIds);
  const found = await rows<{ id: Buffer; week_id: Buffer; title: string }>(
    `SELECT i.id, i.week_id, JSON_VALUE(v.body, '$.title') AS title
       FROM week_items i JOIN game_versions v ON v.id = i.game_version_id
      WHERE i.week_id IN (${asked.map(() => '?').join(', ')}) AND i.kind = 'game' ORDER BY i.position`,
    asked.map(toBytes),
  );
  const grouped = groupedBy(found, (row) => toText(row.week_id));
  return new Map([...grouped].map(([week, items]) => [week, items.map(({ id, title }) => ({ itemId: toText(id), title }))]));
}

/** What was asked of each child in one game of a week. */
export async function assignmentsOfItem(itemId: Uuid): Promise<ReadonlyMap<Uuid, ChildAssignment>> {
  const found = await rows<AssignmentRow>(
    `SELECT ${ASSIGNMENT_COLUMNS}
       FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.id = ?`,
    [toBytes(itemId)],
  );
  return new Map(found.map((row) => [toText(row.child_id), assignmentOf(row)]));
}

export interface GameWithAssignments extends GameOfWeek {
  readonly byChild: ReadonlyMap<Uuid, ChildAssignment>;
}

/** The games of many weeks with what was asked of each child in them: two statements, however many weeks. */
export async function gamesWithAssignments(weekIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, readonly GameWithAssignments[]>> {
  if (weekIds.length === 0) return new Map();
  const asked = padded(weekIds);
  const [games, found] = await Promise.all([
    gamesOfWeeks(weekIds),
    rows<AssignmentRow & { item_id: Buffer }>(
      `SELECT ${ASSIGNMENT_COLUMNS}, i.id AS item_id
         FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id IN (${asked.map(() => '?').join(', ')})`,
      asked.map(toBytes),
    ),
  ]);
  const byItem = groupedBy(found, (row) => toText(row.item_id));
  const withChildren = (game: GameOfWeek): GameWithAssignments => ({
    ...game,
    byChild: new Map((byItem.get(game.itemId) ?? []).map((row) => [toText(row.child_id), assignmentOf(row)])),
  });
  return new Map([...games].map(([week, items]) => [week, items.map(withChildren)]));
}
