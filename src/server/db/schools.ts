import type { Uuid } from '@/contract/ids';
import { newId, toBytes, toText } from './ids';
import { errorNumber } from './patience';
import { change, DUPLICATE, firstRow, type Db, rows } from './pool';
import { schoolYearOf, termOf } from '../school-day';

export interface DaySpan {
  readonly id: Uuid;
  readonly name: string;
  readonly startsOn: string;
  readonly endsOn: string;
}

interface SpanRow {
  id: Buffer;
  name: string;
  starts_on: string;
  ends_on: string;
}

const spanOf = (row: SpanRow): DaySpan => ({ id: toText(row.id), name: row.name, startsOn: row.starts_on, endsOn: row.ends_on });

export async function addSchool(db: Db, school: { name: string; timeZone: string; isDemo: boolean }, now: Date): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO schools (id, name, time_zone, is_demo, created_at) VALUES (?, ?, ?, ?, ?)', [
    id,
    school.name,
    school.timeZone,
    school.isDemo,
    now,
  ]);
  return toText(id);
}

export interface SchoolHere {
  readonly id: Uuid;
  readonly name: string;
  readonly timeZone: string;
  readonly isDemo: boolean;
}

/** Every school of this server, the oldest first. */
export async function schoolsHere(db?: Db): Promise<SchoolHere[]> {
  const found = await rows<{ id: Buffer; name: string; time_zone: string; is_demo: number }>(
    'SELECT id, name, time_zone, is_demo FROM schools ORDER BY created_at, id',
    [],
    db,
  );
  return found.map(({ id, name, time_zone, is_demo }) => ({ id: toText(id), name, timeZone: time_zone, isDemo: is_demo === 1 }));
}

/** Whether one school has this server to itself. */
export const isOneSchoolHere = async (): Promise<boolean> => (await rows('SELECT id FROM schools LIMIT 2')).length === 1;

/** What another transaction has just made is seen by a reading with a lock alone: the snapshot of this one may be older. */
const NEWEST = 'LOCK IN SHARE MODE';

const spanAt = (db: Db, table: 'school_years' | 'terms', schoolId: Uuid, day: string, lock: string) =>
  firstRow<SpanRow>(
    `SELECT id, name, starts_on, ends_on FROM ${table} WHERE school_id = ? AND starts_on <= ? AND ends_on >= ? ${lock}`,
    [toBytes(schoolId), day, day],
    db,
  );

/** The school year that holds this day, made if it is new. */
export async function yearAt(db: Db, schoolId: Uuid, day: string): Promise<DaySpan> {
  const find = (lock = '') => spanAt(db, 'school_years', schoolId, day, lock);
  const found = await find();
  if (found) return spanOf(found);
  const year = schoolYearOf(day);
  await ignoringDuplicates(
    change(db, 'INSERT INTO school_years (id, school_id, name, starts_on, ends_on) VALUES (?, ?, ?, ?, ?)', [
      newId(),
      toBytes(schoolId),
      year.name,
      year.startsOn,
      year.endsOn,
    ]),
  );
  return spanOf((await find(NEWEST))!);
}

/** The term that holds this day, made if it is new. */
export async function termAt(db: Db, schoolId: Uuid, day: string): Promise<DaySpan> {
  const find = (lock = '') => spanAt(db, 'terms', schoolId, day, lock);
  const found = await find();
  if (found) return spanOf(found);
  const year = await yearAt(db, schoolId, day);
  const term = termOf(day);
  await ignoringDuplicates(
    change(db, 'INSERT INTO terms (id, school_id, school_year_id, name, starts_on, ends_on) VALUES (?, ?, ?, ?, ?, ?)', [
      newId(),
      toBytes(schoolId),
      toBytes(year.id),
      term.name,
      term.startsOn,
      term.endsOn,
    ]),
  );
  return spanOf((await find(NEWEST))!);
}

async function ignoringDuplicates(insert: Promise<unknown>): Promise<void> {
  await insert.catch((error: unknown) => {
    if (errorNumber(error) !== DUPLICATE) throw error;
  });
}

/** Writes down who did what; under an `id` of its own only once. */
export async function audit(
  db: Db,
  entry: { schoolId: Uuid; teacherId: Uuid | null; action: string; subject?: Uuid; detail?: unknown; id?: Buffer },
  now: Date,
): Promise<void> {
  await change(
    db,
    `INSERT ${entry.id ? 'IGNORE ' : ''}INTO audit (id, school_id, teacher_id, action, subject, detail, at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
    [
      entry.id ?? newId(),
      toBytes(entry.schoolId),
      entry.teacherId ? toBytes(entry.teacherId) : null,
      entry.action,
      entry.subject ? toBytes(entry.subject) : null,
      JSON.stringify(entry.detail ?? {}),
      now,
    ],
  );
}
