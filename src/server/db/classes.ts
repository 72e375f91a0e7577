import type { Uuid } from '@/contract/ids';
import type { CreditRule } from '@/core/progress/credit';
import { ENROLLED } from './children';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

export interface ClassSummary {
  readonly id: Uuid;
  readonly name: string;
  readonly ageYears: number;
  readonly yearName: string;
  readonly children: number;
}

interface ClassRow {
  id: Buffer;
  name: string;
  age_years: number;
  year_name: string;
  children: number;
}

const classOf = (row: ClassRow): ClassSummary => ({
  id: toText(row.id),
  name: row.name,
  ageYears: row.age_years,
  yearName: row.year_name,
  children: Number(row.children),
});

/** The classes of the school year that holds this day. */
export async function classesOf(schoolId: Uuid, day: string): Promise<ClassSummary[]> {
  const found = await rows<ClassRow>(
    `SELECT c.id, c.name, c.age_years, y.name AS year_name,
            (SELECT COUNT(*) FROM enrolments e WHERE e.class_id = c.id AND ${ENROLLED}) AS children
       FROM classes c JOIN school_years y ON y.id = c.school_year_id
      WHERE c.school_id = ? AND y.starts_on <= ? AND y.ends_on >= ?
      ORDER BY c.age_years, c.name`,
    [day, day, toBytes(schoolId), day, day],
  );
  return found.map(classOf);
}

export async function classById(schoolId: Uuid, classId: Uuid, day: string): Promise<ClassSummary | undefined> {
  const row = await firstRow<ClassRow>(
    `SELECT c.id, c.name, c.age_years, y.name AS year_name,
            (SELECT COUNT(*) FROM enrolments e WHERE e.class_id = c.id AND ${ENROLLED}) AS children
       FROM classes c JOIN school_years y ON y.id = c.school_year_id
      WHERE c.school_id = ? AND c.id = ?`,
    [day, day, toBytes(schoolId), toBytes(classId)],
  );
  return row && classOf(row);
}

export async function addClass(
  db: Db,
  added: { schoolId: Uuid; yearId: Uuid; name: string; ageYears: number; movedFrom?: Uuid },
  now: Date,
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO classes (id, school_id, school_year_id, name, age_years, moved_from, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(added.schoolId),
    toBytes(added.yearId),
    added.name,
    added.ageYears,
    added.movedFrom ? toBytes(added.movedFrom) : null,
    now,
  ]);
  return toText(id);
}

export async function creditRuleOf(classId: Uuid): Promise<CreditRule> {
  return (await firstRow<{ credit: CreditRule }>('SELECT credit FROM classes WHERE id = ?', [toBytes(classId)]))?.credit ?? 'either';
}

export async function setCreditRule(db: Db, classId: Uuid, rule: CreditRule): Promise<void> {
  await change(db, 'UPDATE classes SET credit = ? WHERE id = ?', [rule, toBytes(classId)]);
}
