import type { Uuid } from '@/contract/ids';
import type { RolledOff } from '@/core/motion/ground';
import type { TestedFamily } from '@/core/progress/tested';
import { parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

/** A class test as it is kept. */
export interface KeptTest {
  readonly id: Uuid;
  readonly classId: Uuid;
  readonly family: TestedFamily;
  readonly marksM: readonly number[];
  readonly rolled: RolledOff | null;
  readonly at: Date;
  readonly tries: number;
}

interface TestRow {
  id: Buffer;
  class_id: Buffer;
  family: TestedFamily;
  marks: number[] | string;
  rolled: RolledOff | string | null;
  made_at: Date;
  tries: number | string | null;
}

const testOf = (row: TestRow): KeptTest => ({
  id: toText(row.id),
  classId: toText(row.class_id),
  family: row.family,
  marksM: parsed(row.marks),
  rolled: row.rolled === null ? null : parsed(row.rolled),
  at: row.made_at,
  tries: Number(row.tries ?? 0),
});

const COLUMNS =
  't.id, t.class_id, t.family, t.marks, t.rolled, t.made_at, (SELECT SUM(h.tries) FROM class_test_hits h WHERE h.class_test_id = t.id) AS tries';

export async function addClassTest(
  db: Db,
  { classId, family, marksM, rolled, by }: Pick<KeptTest, 'classId' | 'family' | 'marksM' | 'rolled'> & { readonly by: Uuid },
  now: Date,
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO class_tests (id, class_id, family, marks, rolled, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(classId),
    family,
    JSON.stringify(marksM),
    rolled && JSON.stringify(rolled),
    toBytes(by),
    now,
  ]);
  return toText(id);
}

/** The newest first. */
export async function testsOfClass(classId: Uuid): Promise<KeptTest[]> {
  const found = await rows<TestRow>(`SELECT ${COLUMNS} FROM class_tests t WHERE t.class_id = ? ORDER BY t.made_at DESC, t.id DESC`, [
    toBytes(classId),
  ]);
  return found.map(testOf);
}

/** Undefined for one of another school. */
export async function testOfSchool(schoolId: Uuid, testId: Uuid): Promise<KeptTest | undefined> {
  const row = await firstRow<TestRow>(`SELECT ${COLUMNS} FROM class_tests t JOIN classes c ON c.id = t.class_id WHERE t.id = ? AND c.school_id = ?`, [
    toBytes(testId),
    toBytes(schoolId),
  ]);
  return row && testOf(row);
}

export interface KeptHits {
  readonly testId: Uuid;
  readonly childId: Uuid;
  readonly mark: number;
  readonly tries: number;
  readonly hits: number;
  readonly ageYears: number;
}

/** What was written down in every test of a class. */
export async function testHitsOfClass(classId: Uuid): Promise<KeptHits[]> {
  const found = await rows<{ class_test_id: Buffer; child_id: Buffer; mark: number; tries: number; hits: number; age_years: number }>(
    `SELECT h.class_test_id, h.child_id, h.mark, h.tries, h.hits, h.age_years FROM class_test_hits h JOIN class_tests t ON t.id = h.class_test_id
      WHERE t.class_id = ? ORDER BY h.class_test_id, h.child_id, h.mark`,
    [toBytes(classId)],
  );
  return found.map((row) => ({
    testId: toText(row.class_test_id),
    childId: toText(row.child_id),
    mark: row.mark,
    tries: row.tries,
    hits: row.hits,
    ageYears: row.age_years,
  }));
}

/** Writes, or writes again, what one child hit from one mark; `hits` null takes it back. */
export async function keepTestHits(
  db: Db,
  { testId, childId, mark, tries, hits, ageYears }: Omit<KeptHits, 'hits'> & { readonly hits: number | null },
  now: Date,
): Promise<void> {
  const key = [toBytes(testId), toBytes(childId), mark];
  if (hits === null) await change(db, 'DELETE FROM class_test_hits WHERE class_test_id = ? AND child_id = ? AND mark = ?', key);
  else
    await change(
      db,
      `INSERT INTO class_test_hits (class_test_id, child_id, mark, tries, hits, age_years, written_at) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON DUPLICATE KEY UPDATE tries = VALUES(tries), hits = VALUES(hits), age_years = VALUES(age_years), written_at = VALUES(written_at)`,
      [...key, tries, hits, ageYears, now],
    );
}

/** Holds a test as it is until the transaction ends, for one who writes in it or takes it away; false for one that is gone. */
export async function holdTest(db: Db, testId: Uuid, as: 'read' | 'change'): Promise<boolean> {
  const how = as === 'read' ? 'LOCK IN SHARE MODE' : 'FOR UPDATE';
  return (await firstRow<{ id: Buffer }>(`SELECT id FROM class_tests WHERE id = ? ${how}`, [toBytes(testId)], db)) !== undefined;
}

export async function removeTest(db: Db, testId: Uuid): Promise<void> {
  await change(db, 'DELETE FROM class_test_hits WHERE class_test_id = ?', [toBytes(testId)]);
  await change(db, 'DELETE FROM class_tests WHERE id = ?', [toBytes(testId)]);
}
