import type { Uuid } from '@/contract/ids';
import type { Choice } from '@/core/reports/decision';
import { parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { change, insertMany, rows, type Db } from './pool';

/** What stood and what stands, as it was when somebody decided. */
export interface DecidedState {
  readonly kind: string;
  readonly reasons: readonly string[];
  readonly counts: readonly (number | null)[];
}

export interface Decision {
  readonly id: Uuid;
  readonly reportId: Uuid;
  readonly by: string;
  readonly choice: Choice;
  readonly before: DecidedState;
  readonly after: DecidedState;
  readonly at: Date;
  readonly withdrawnAt: Date | null;
}

export async function addDecision(
  db: Db,
  decision: { reportId: Uuid; teacherId: Uuid; choice: Choice; before: DecidedState; after: DecidedState },
  now: Date,
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO decisions (id, report_id, teacher_id, choice, before_state, after_state, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(decision.reportId),
    toBytes(decision.teacherId),
    decision.choice,
    JSON.stringify(decision.before),
    JSON.stringify(decision.after),
    now,
  ]);
  return toText(id);
}

/** Every report that came by this child's links and is not set aside: set aside, in one act that is known by its moment. How many there were. */
export async function setAsideFromLinks(db: Db, childId: Uuid, teacherId: Uuid, now: Date): Promise<number> {
  const found = await rows<{ id: Buffer; choice: Choice | null }>(
    `SELECT r.id, (SELECT d.choice FROM decisions d WHERE d.report_id = r.id AND d.withdrawn_at IS NULL ORDER BY d.created_at DESC, d.id DESC LIMIT 1) AS choice
       FROM reports r JOIN assignments a ON a.id = r.assignment_id
      WHERE a.child_id = ? AND r.access_key_id IS NOT NULL FOR UPDATE`,
    [toBytes(childId)],
    db,
  );
  const due = found.filter(({ choice }) => choice !== 'set-aside');
  const state = (choice: Choice | null): DecidedState => ({ kind: 'all from the link', reasons: [], counts: choice === null ? [] : [null] });
  await insertMany(
    db,
    'decisions',
    ['id', 'report_id', 'teacher_id', 'choice', 'before_state', 'after_state', 'created_at'],
    due.map(({ id, choice }) => [
      newId(),
      id,
      toBytes(teacherId),
      'set-aside',
      JSON.stringify(state(choice)),
      JSON.stringify(state('set-aside')),
      now,
    ]),
  );
  return due.length;
}

/** Takes that act back: what was decided before it stands again. How many reports there were. */
export async function takeBackFromLinks(db: Db, childId: Uuid, teacherId: Uuid, at: Date, now: Date): Promise<number> {
  return change(
    db,
    `UPDATE decisions d JOIN reports r ON r.id = d.report_id JOIN assignments a ON a.id = r.assignment_id
        SET d.withdrawn_at = ?, d.withdrawn_by = ?
      WHERE a.child_id = ? AND r.access_key_id IS NOT NULL AND d.choice = 'set-aside' AND d.created_at = ? AND d.withdrawn_at IS NULL`,
    [now, toBytes(teacherId), toBytes(childId), at],
  );
}

/** Takes the newest decision of a report back; it stays on record. False when there is none. */
export async function withdrawDecision(db: Db, reportId: Uuid, teacherId: Uuid, now: Date): Promise<boolean> {
  const [newest] = await rows<{ id: Buffer }>(
    'SELECT id FROM decisions WHERE report_id = ? AND withdrawn_at IS NULL ORDER BY created_at DESC, id DESC LIMIT 1 FOR UPDATE',
    [toBytes(reportId)],
    db,
  );
  if (!newest) return false;
  await change(db, 'UPDATE decisions SET withdrawn_at = ?, withdrawn_by = ? WHERE id = ?', [now, toBytes(teacherId), newest.id]);
  return true;
}

/** Every decision on the reports of a class, oldest first, those taken back among them. */
export async function decisionsOfClass(classId: Uuid): Promise<Decision[]> {
  const found = await rows<{
    id: Buffer;
    report_id: Buffer;
    name: string;
    choice: Choice;
    before_state: DecidedState | string;
    after_state: DecidedState | string;
    created_at: Date;
    withdrawn_at: Date | null;
  }>(
    `SELECT d.id, d.report_id, t.name, d.choice, d.before_state, d.after_state, d.created_at, d.withdrawn_at
       FROM decisions d JOIN teachers t ON t.id = d.teacher_id
       JOIN reports r ON r.id = d.report_id JOIN assignments a ON a.id = r.assignment_id
       JOIN week_items i ON i.id = a.week_item_id JOIN weeks w ON w.id = i.week_id
      WHERE w.class_id = ? ORDER BY d.created_at, d.id`,
    [toBytes(classId)],
  );
  return found.map((row) => ({
    id: toText(row.id),
    reportId: toText(row.report_id),
    by: row.name,
    choice: row.choice,
    before: parsed(row.before_state),
    after: parsed(row.after_state),
    at: row.created_at,
    withdrawnAt: row.withdrawn_at,
  }));
}

/** The child and class of a report, where it is of this school. */
export async function reportOfSchool(
  schoolId: Uuid,
  reportId: Uuid,
): Promise<{ childId: Uuid; classId: Uuid; weekId: Uuid; versionId: Uuid } | undefined> {
  const [row] = await rows<{ child_id: Buffer; class_id: Buffer; week_id: Buffer; version_id: Buffer }>(
    `SELECT a.child_id, w.class_id, w.id AS week_id, i.game_version_id AS version_id FROM reports r JOIN assignments a ON a.id = r.assignment_id
       JOIN week_items i ON i.id = a.week_item_id JOIN weeks w ON w.id = i.week_id JOIN classes c ON c.id = w.class_id
      WHERE r.id = ? AND c.school_id = ?`,
    [toBytes(reportId), toBytes(schoolId)],
  );
  return row && { childId: toText(row.child_id), classId: toText(row.class_id), weekId: toText(row.week_id), versionId: toText(row.version_id) };
}
