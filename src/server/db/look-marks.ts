import type { MarkedLook } from '@/core/reports/look-marks';
import { toBytes, toText, type Uuid } from './ids';
import { parsed } from './games';
import { change, rows, type Db } from './pool';

/** What a teacher saw of a child's movement, on a film or in the hall; the newest marks take the place of older ones. */
export async function keepLookMarks(db: Db, assignmentId: Uuid, teacherId: Uuid, marks: readonly MarkedLook[], now: Date): Promise<void> {
  const values = [toBytes(assignmentId), toBytes(teacherId), JSON.stringify(marks), now];
  await change(
    db,
    `INSERT INTO look_marks (assignment_id, marked_by, marks, marked_at) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE marked_by = VALUES(marked_by), marks = VALUES(marks), marked_at = VALUES(marked_at)`,
    values,
  );
}

/** The marks that teachers made in a week, by assignment. */
export async function lookMarksOfWeek(weekId: Uuid): Promise<ReadonlyMap<Uuid, readonly MarkedLook[]>> {
  const found = await rows<{ assignment_id: Buffer; marks: MarkedLook[] | string }>(
    'SELECT m.assignment_id, m.marks FROM look_marks m JOIN assignments a ON a.id = m.assignment_id JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id = ?',
    [toBytes(weekId)],
  );
  return new Map(found.map((row) => [toText(row.assignment_id), parsed(row.marks)]));
}
