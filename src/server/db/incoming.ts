/** What came in and belongs to no child or week yet, or waits for a yes: kept whole, shown, never dropped. */
import type { Uuid } from '@/contract/ids';
import type { Span } from '@/core/reports/read-message';
import { parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, insertMany, rows, type Db } from './pool';

export type Why = 'unknown-child' | 'which-week' | 'not-confirmed' | 'unread';

/** What was read of it: proposals for a person. */
export interface Reading {
  readonly child: string;
  readonly childId: Uuid | null;
  readonly assignmentId: Uuid | null;
  readonly level: string;
  readonly total: number | null;
  readonly unit: string | null;
  readonly notFinished: boolean;
  readonly week: number | null;
  /** The title of the game that is named; empty for none. */
  readonly game?: string;
  readonly spans: readonly Span[];
  readonly confidence: number | null;
  readonly sentence: string;
}

export interface NewIncoming {
  readonly schoolId: Uuid;
  readonly classId: Uuid;
  readonly batchId: Uuid | null;
  readonly way: 'file' | 'message' | 'api';
  readonly source: string;
  readonly sourceHash: Buffer;
  readonly words: string;
  readonly reading: Reading;
  readonly why: Why;
}

export interface Incoming extends Omit<NewIncoming, 'sourceHash' | 'schoolId'> {
  readonly id: Uuid;
  readonly receivedAt: Date;
  readonly settledAt: Date | null;
  readonly settledBy: string | null;
  readonly reportId: Uuid | null;
}

const COLUMNS = ['id', 'school_id', 'class_id', 'batch_id', 'way', 'source', 'source_hash', 'words', 'reading', 'why', 'received_at'];

/** Keeps each once: the same source again changes nothing. How many were new. */
export function addIncoming(db: Db, added: readonly NewIncoming[], now: Date): Promise<number> {
  return insertMany(
    db,
    'incoming',
    COLUMNS,
    added.map((one) => [
      newId(),
      toBytes(one.schoolId),
      toBytes(one.classId),
      one.batchId ? toBytes(one.batchId) : null,
      one.way,
      one.source.slice(0, 160),
      one.sourceHash,
      one.words,
      JSON.stringify(one.reading),
      one.why,
      now,
    ]),
    'INSERT IGNORE',
  );
}

interface Row {
  id: Buffer;
  class_id: Buffer;
  batch_id: Buffer | null;
  way: 'file' | 'message' | 'api';
  source: string;
  words: string;
  reading: Reading | string;
  why: Why;
  received_at: Date;
  settled_at: Date | null;
  settled_by: string | null;
  report_id: Buffer | null;
}

const SELECT = `SELECT n.id, n.class_id, n.batch_id, n.way, n.source, n.words, n.reading, n.why, n.received_at, n.settled_at, t.name AS settled_by, n.report_id
  FROM incoming n LEFT JOIN batches b ON b.id = n.batch_id LEFT JOIN teachers t ON t.id = n.settled_by`;

const incomingOf = (row: Row): Incoming => ({
  id: toText(row.id),
  classId: toText(row.class_id),
  batchId: row.batch_id ? toText(row.batch_id) : null,
  way: row.way,
  source: row.source,
  words: row.words,
  reading: parsed(row.reading),
  why: row.why,
  receivedAt: row.received_at,
  settledAt: row.settled_at,
  settledBy: row.settled_by,
  reportId: row.report_id ? toText(row.report_id) : null,
});

/** What waits in a class, and what was settled there lately. */
export async function incomingOfClass(classId: Uuid): Promise<Incoming[]> {
  return (
    await rows<Row>(`${SELECT} WHERE n.class_id = ? AND b.undone_at IS NULL ORDER BY n.settled_at IS NOT NULL, n.received_at, n.id LIMIT 500`, [
      toBytes(classId),
    ])
  ).map(incomingOf);
}

export async function incomingOfSchool(schoolId: Uuid, id: Uuid, db?: Db): Promise<Incoming | undefined> {
  const row = await firstRow<Row>(`${SELECT} WHERE n.id = ? AND n.school_id = ?`, [toBytes(id), toBytes(schoolId)], db);
  return row && incomingOf(row);
}

/** Settled with a report or set aside without one; false when somebody settled it before. */
export async function settleIncoming(db: Db, id: Uuid, teacherId: Uuid, reportId: Uuid | null, now: Date): Promise<boolean> {
  return (
    (await change(db, 'UPDATE incoming SET settled_at = ?, settled_by = ?, report_id = ? WHERE id = ? AND settled_at IS NULL', [
      now,
      toBytes(teacherId),
      reportId ? toBytes(reportId) : null,
      toBytes(id),
    ])) === 1
  );
}

/** Opens a settled score again; false when it is open. */
export async function reopenIncoming(db: Db, id: Uuid): Promise<boolean> {
  const set = 'settled_at = NULL, settled_by = NULL, report_id = NULL';
  return (await change(db, `UPDATE incoming SET ${set} WHERE id = ? AND settled_at IS NOT NULL`, [toBytes(id)])) === 1;
}

/** Marks what was just kept as counted by this report. */
export async function settleNew(db: Db, sourceHash: Buffer, schoolId: Uuid, teacherId: Uuid, reportId: Uuid, now: Date): Promise<void> {
  await change(db, 'UPDATE incoming SET settled_at = ?, settled_by = ?, report_id = ? WHERE school_id = ? AND source_hash = ?', [
    now,
    toBytes(teacherId),
    toBytes(reportId),
    toBytes(schoolId),
    sourceHash,
  ]);
}
