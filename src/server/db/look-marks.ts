import type { Uuid } from '@/contract/ids';
import type { MarkedLook } from '@/core/reports/look-marks';
import { toBytes, toText } from './ids';
import { parsed } from './games';
import { change, rows, type Db } from './pool';

/** What a teacher saw of one child in one game. */
export interface AssignmentLooks {
  readonly marks: readonly MarkedLook[];
  /** A film was handed in by the school's own channel. */
  readonly film: boolean;
  /** One comment; empty for none. */
  readonly comment: string;
}

interface LookedRow {
  assignment_id: Buffer;
  marks: MarkedLook[] | string;
  film: number;
  comment: string;
}

const lookedOf = (row: LookedRow): AssignmentLooks => ({ marks: parsed(row.marks), film: row.film === 1, comment: row.comment });

/** What a teacher saw of a child's movement, on a film or in the hall; the newest marks take the place of older ones. */
export async function keepLookMarks(
  db: Db,
  assignmentId: Uuid,
  teacherId: Uuid,
  { marks, film, comment }: AssignmentLooks,
  now: Date,
): Promise<void> {
  await change(
    db,
    `INSERT INTO look_marks (assignment_id, marked_by, marks, film, comment, marked_at, told_family) VALUES (?, ?, ?, ?, ?, ?, 1)
     ON DUPLICATE KEY UPDATE marked_by = VALUES(marked_by), marks = VALUES(marks), film = VALUES(film), comment = VALUES(comment),
       marked_at = VALUES(marked_at), told_family = 1`,
    [toBytes(assignmentId), toBytes(teacherId), JSON.stringify(marks), film, comment, now],
  );
}

/** What teachers saw in a week, by assignment. */
export async function lookMarksOfWeek(weekId: Uuid): Promise<ReadonlyMap<Uuid, AssignmentLooks>> {
  return byAssignment(
    await rows<LookedRow>(
      `SELECT m.assignment_id, m.marks, m.film, m.comment FROM look_marks m
         JOIN assignments a ON a.id = m.assignment_id JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id = ?`,
      [toBytes(weekId)],
    ),
  );
}

/** By assignment, what a teacher wrote to a child knowing that its family reads it. */
export async function commentsForFamily(childId: Uuid): Promise<ReadonlyMap<Uuid, string>> {
  const found = await rows<Pick<LookedRow, 'assignment_id' | 'comment'>>(
    `SELECT m.assignment_id, m.comment FROM look_marks m JOIN assignments a ON a.id = m.assignment_id
      WHERE a.child_id = ? AND m.told_family = 1 AND m.comment <> ''`,
    [toBytes(childId)],
  );
  return new Map(found.map((row) => [toText(row.assignment_id), row.comment]));
}

/** The same of one child in all weeks. */
export async function lookMarksOfChild(childId: Uuid): Promise<ReadonlyMap<Uuid, AssignmentLooks>> {
  return byAssignment(
    await rows<LookedRow>(
      'SELECT m.assignment_id, m.marks, m.film, m.comment FROM look_marks m JOIN assignments a ON a.id = m.assignment_id WHERE a.child_id = ?',
      [toBytes(childId)],
    ),
  );
}

/** Who has handed in a film in this class, by week: "week child". */
export async function filmsOfClass(classId: Uuid): Promise<ReadonlySet<string>> {
  const found = await rows<{ week_id: Buffer; child_id: Buffer }>(
    `SELECT i.week_id, a.child_id FROM look_marks m JOIN assignments a ON a.id = m.assignment_id
       JOIN week_items i ON i.id = a.week_item_id JOIN weeks w ON w.id = i.week_id WHERE w.class_id = ? AND m.film`,
    [toBytes(classId)],
  );
  return new Set(found.map((row) => `${toText(row.week_id)} ${toText(row.child_id)}`));
}

function byAssignment(found: readonly LookedRow[]): ReadonlyMap<Uuid, AssignmentLooks> {
  return new Map(found.map((row) => [toText(row.assignment_id), lookedOf(row)]));
}
