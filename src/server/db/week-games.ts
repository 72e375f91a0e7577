/** The games of a week and what was asked of each child in them. */
import { toBytes, toText, type Uuid } from './ids';
import { rows } from './pool';
import { ASSIGNMENT_COLUMNS, assignmentOf, type AssignmentRow, type ChildAssignment } from './weeks';

export interface GameOfWeek {
  readonly itemId: Uuid;
  readonly title: string;
}

/** The games of a week in their order. */
export async function gamesOfWeek(weekId: Uuid): Promise<GameOfWeek[]> {
  const found = await rows<{ id: Buffer; title: string }>(
    `SELECT i.id, JSON_VALUE(v.body, '$.title') AS title
       FROM week_items i JOIN game_versions v ON v.id = i.game_version_id WHERE i.week_id = ? AND i.kind = 'game' ORDER BY i.position`,
    [toBytes(weekId)],
  );
  return found.map(({ id, title }) => ({ itemId: toText(id), title }));
}

/** What was asked of each child in one game of a week. */
export async function assignmentsOfItem(itemId: Uuid): Promise<Map<Uuid, ChildAssignment>> {
  const found = await rows<AssignmentRow>(
    `SELECT ${ASSIGNMENT_COLUMNS}
       FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.id = ?`,
    [toBytes(itemId)],
  );
  return new Map(found.map((row) => [toText(row.child_id), assignmentOf(row)]));
}
