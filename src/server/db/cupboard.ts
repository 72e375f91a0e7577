import type { Loan, SchoolThing, ThingKept } from '@/contract/cupboard';
import type { Uuid } from '@/contract/ids';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

/** The things of a school by name, with how many are out. `lock` keeps others from lending them meanwhile. */
export async function thingsOfSchool(schoolId: Uuid, db?: Db, lock = false): Promise<SchoolThing[]> {
  const found = await rows<{ id: Buffer; name: string; n: number; out_n: string | number }>(
    `SELECT t.id, t.name, t.n, (SELECT COALESCE(SUM(l.n - l.returned), 0) FROM loans l WHERE l.thing_id = t.id) AS out_n
       FROM school_things t WHERE t.school_id = ? ORDER BY t.name${lock ? ' FOR UPDATE' : ''}`,
    [toBytes(schoolId)],
    db,
  );
  return found.map((row) => ({ id: toText(row.id), name: row.name, n: row.n, out: Number(row.out_n) }));
}

export async function keepThing(db: Db, schoolId: Uuid, { name, n }: ThingKept): Promise<void> {
  if (n === 0) {
    await change(db, 'DELETE FROM school_things WHERE school_id = ? AND name = ?', [toBytes(schoolId), name]);
    return;
  }
  await change(db, 'INSERT INTO school_things (id, school_id, name, n) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE n = VALUES(n)', [
    newId(),
    toBytes(schoolId),
    name,
    n,
  ]);
}

/** Whether a thing was ever lent: its loans are kept, and it with them. */
export const wasLent = async (db: Db, thingId: Uuid): Promise<boolean> =>
  (await firstRow('SELECT id FROM loans WHERE thing_id = ? LIMIT 1', [toBytes(thingId)], db)) !== undefined;

export async function addLoan(
  db: Db,
  schoolId: Uuid,
  { thingId, classId, n, lentOn, dueOn }: Pick<Loan, 'thingId' | 'classId' | 'n' | 'lentOn' | 'dueOn'>,
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO loans (id, school_id, thing_id, class_id, n, lent_on, due_on) VALUES (?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(schoolId),
    toBytes(thingId),
    toBytes(classId),
    n,
    lentOn,
    dueOn,
  ]);
  return toText(id);
}

/** What is out, that which was due first at the top. */
export async function loansOut(schoolId: Uuid): Promise<Loan[]> {
  const found = await rows<{
    id: Buffer;
    thing_id: Buffer;
    class_id: Buffer;
    thing: string;
    class_name: string;
    n: number;
    returned: number;
    lent_on: string;
    due_on: string;
  }>(
    `SELECT l.id, l.thing_id, l.class_id, t.name AS thing, c.name AS class_name, l.n, l.returned, l.lent_on, l.due_on
       FROM loans l JOIN school_things t ON t.id = l.thing_id JOIN classes c ON c.id = l.class_id
      WHERE l.school_id = ? AND l.returned < l.n ORDER BY l.due_on, c.name, t.name, l.id`,
    [toBytes(schoolId)],
  );
  return found.map((row) => ({
    id: toText(row.id),
    thingId: toText(row.thing_id),
    thing: row.thing,
    classId: toText(row.class_id),
    className: row.class_name,
    n: row.n,
    returned: row.returned,
    lentOn: row.lent_on,
    dueOn: row.due_on,
  }));
}

/** How many of a loan are back; false for none of this school, or more than were lent. */
export const setReturned = async (db: Db, schoolId: Uuid, loanId: Uuid, returned: number): Promise<boolean> =>
  (await firstRow(
    'SELECT id FROM loans WHERE school_id = ? AND id = ? AND n >= ? FOR UPDATE',
    [toBytes(schoolId), toBytes(loanId), returned],
    db,
  )) !== undefined && (await change(db, 'UPDATE loans SET returned = ? WHERE id = ?', [returned, toBytes(loanId)])) >= 0;
