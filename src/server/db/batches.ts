import type { Uuid } from '@/contract/ids';
import { toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

export interface Batch {
  readonly id: Uuid;
  readonly kind: 'file' | 'mailbox';
  readonly name: string;
  readonly by: string;
  readonly madeAt: Date;
  readonly undoneAt: Date | null;
  readonly reports: number;
  readonly waiting: number;
}

export async function addBatch(
  db: Db,
  batch: { id: Uuid; schoolId: Uuid; classId: Uuid; teacherId: Uuid; kind: Batch['kind']; name: string; content?: Buffer },
  now: Date,
): Promise<void> {
  await change(db, 'INSERT INTO batches (id, school_id, class_id, teacher_id, kind, name, made_at, content) VALUES (?, ?, ?, ?, ?, ?, ?, ?)', [
    toBytes(batch.id),
    toBytes(batch.schoolId),
    toBytes(batch.classId),
    toBytes(batch.teacherId),
    batch.kind,
    batch.name,
    now,
    batch.content ?? null,
  ]);
}

/** When this content was brought into the class and not undone; undefined for never. */
export async function broughtInAt(classId: Uuid, content: Buffer): Promise<Date | undefined> {
  const row = await firstRow<{ made_at: Date }>('SELECT made_at FROM batches WHERE class_id = ? AND content = ?', [toBytes(classId), content]);
  return row?.made_at;
}

/** Takes a batch away of which nothing was new. */
export async function removeEmptyBatch(db: Db, batchId: Uuid): Promise<void> {
  await change(db, 'DELETE FROM batches WHERE id = ?', [toBytes(batchId)]);
}

/** What was brought into a class, newest first. */
export async function batchesOf(classId: Uuid): Promise<Batch[]> {
  const found = await rows<{
    id: Buffer;
    kind: Batch['kind'];
    name: string;
    by_name: string;
    made_at: Date;
    undone_at: Date | null;
    reports: number;
    waiting: number;
  }>(
    `SELECT b.id, b.kind, b.name, t.name AS by_name, b.made_at, b.undone_at,
            (SELECT COUNT(*) FROM reports r WHERE r.batch_id = b.id) AS reports,
            (SELECT COUNT(*) FROM incoming n WHERE n.batch_id = b.id AND n.settled_at IS NULL) AS waiting
       FROM batches b JOIN teachers t ON t.id = b.teacher_id WHERE b.class_id = ? ORDER BY b.made_at DESC LIMIT 30`,
    [toBytes(classId)],
  );
  return found.map((row) => ({
    id: toText(row.id),
    kind: row.kind,
    name: row.name,
    by: row.by_name,
    madeAt: row.made_at,
    undoneAt: row.undone_at,
    reports: Number(row.reports),
    waiting: Number(row.waiting),
  }));
}

/** Takes a whole batch back, or brings it back. What it holds stays stored. False when there is none of this school, or it stands so already. */
export async function undoBatch(db: Db, schoolId: Uuid, batchId: Uuid, teacherId: Uuid, undone: boolean, now: Date): Promise<boolean> {
  const touched = await change(
    db,
    `UPDATE batches SET undone_at = ?, undone_by = ?, content = NULL WHERE id = ? AND school_id = ? AND undone_at IS ${undone ? '' : 'NOT '}NULL`,
    [undone ? now : null, undone ? toBytes(teacherId) : null, toBytes(batchId), toBytes(schoolId)],
  );
  return touched === 1;
}
