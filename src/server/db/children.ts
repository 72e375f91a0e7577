import type { Uuid } from '@/contract/ids';
import type { BodyForm } from '@/core/motion/assumed';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

export type UsualForm = BodyForm | 'other-exercise';

export interface ChildSettings {
  /** The child's own age group when it differs from the class's. */
  readonly ageYears: number | null;
  readonly hand: 'right' | 'left' | null;
  readonly stepCm: number | null;
  readonly form: UsualForm;
  readonly medium: 'screen' | 'paper';
}

export interface Child extends ChildSettings {
  readonly id: Uuid;
  readonly firstName: string;
  readonly initial: string;
}

interface ChildRow {
  id: Buffer;
  first_name: string;
  initial: string;
  age_years: number | null;
  hand: 'right' | 'left' | null;
  step_cm: number | null;
  form: UsualForm;
  medium: 'screen' | 'paper';
}

const childOf = (row: ChildRow): Child => ({
  id: toText(row.id),
  firstName: row.first_name,
  initial: row.initial,
  ageYears: row.age_years,
  hand: row.hand,
  stepCm: row.step_cm,
  form: row.form,
  medium: row.medium,
});

/** An enrolment that holds on a day: from its first day up to, not including, its last. Takes the day twice. */
export const ENROLLED = 'e.from_on <= ? AND (e.until_on IS NULL OR e.until_on > ?)';

/** The children who are in the class on this day, by name. */
export async function childrenOf(classId: Uuid, day: string, db?: Db): Promise<Child[]> {
  const found = await rows<ChildRow>(
    `SELECT ch.id, ch.first_name, ch.initial, s.age_years, s.hand, s.step_cm, s.form, s.medium
       FROM enrolments e JOIN children ch ON ch.id = e.child_id JOIN child_settings s ON s.child_id = ch.id
      WHERE e.class_id = ? AND ${ENROLLED} ORDER BY ch.first_name, ch.initial, ch.id`,
    [toBytes(classId), day, day],
    db,
  );
  return found.map(childOf);
}

export interface Leaver {
  readonly id: Uuid;
  readonly name: string;
  /** The first day on which the child was in no class any more. */
  readonly leftOn: string;
}

/** Children of the school who are in no class on this day and will be in none, the last to leave first; `most` of them, null for all. */
export async function leaversOf(schoolId: Uuid, day: string, most: number | null = 500): Promise<Leaver[]> {
  const found = await rows<{ id: Buffer; first_name: string; initial: string; left_on: string }>(
    `SELECT ch.id, ch.first_name, ch.initial, DATE_FORMAT(MAX(e.until_on), '%Y-%m-%d') AS left_on
       FROM children ch JOIN enrolments e ON e.child_id = ch.id
      WHERE ch.school_id = ?
      GROUP BY ch.id, ch.first_name, ch.initial
     HAVING SUM(e.until_on IS NULL OR e.until_on > ?) = 0
      ORDER BY left_on DESC, ch.first_name ${most === null ? '' : `LIMIT ${most}`}`,
    [toBytes(schoolId), day],
  );
  return found.map((row) => ({ id: toText(row.id), name: `${row.first_name} ${row.initial}`.trim(), leftOn: row.left_on }));
}

export async function childOfSchool(schoolId: Uuid, childId: Uuid, day: string, db?: Db): Promise<(Child & { classId: Uuid | null }) | undefined> {
  const row = await firstRow<ChildRow & { class_id: Buffer | null }>(
    `SELECT ch.id, ch.first_name, ch.initial, s.age_years, s.hand, s.step_cm, s.form, s.medium, e.class_id
       FROM children ch JOIN child_settings s ON s.child_id = ch.id
       LEFT JOIN enrolments e ON e.child_id = ch.id AND ${ENROLLED}
      WHERE ch.school_id = ? AND ch.id = ?`,
    [day, day, toBytes(schoolId), toBytes(childId)],
    db,
  );
  return row && { ...childOf(row), classId: row.class_id ? toText(row.class_id) : null };
}

export interface ChildName {
  readonly firstName: string;
  readonly initial: string;
}

export async function addChild(
  db: Db,
  schoolId: Uuid,
  classId: Uuid,
  name: ChildName,
  day: string,
  now: Date,
  settings: Partial<ChildSettings> = {},
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO children (id, school_id, first_name, initial, created_at) VALUES (?, ?, ?, ?, ?)', [
    id,
    toBytes(schoolId),
    name.firstName,
    name.initial,
    now,
  ]);
  await change(db, 'INSERT INTO child_settings (child_id, age_years, hand, step_cm, form, medium) VALUES (?, ?, ?, ?, ?, ?)', [
    id,
    settings.ageYears ?? null,
    settings.hand ?? null,
    settings.stepCm ?? null,
    settings.form ?? 'standing',
    settings.medium ?? 'screen',
  ]);
  await enrol(db, toText(id), classId, day);
  return toText(id);
}

export async function enrol(db: Db, childId: Uuid, classId: Uuid, day: string): Promise<void> {
  await change(db, 'INSERT INTO enrolments (id, child_id, class_id, from_on, until_on) VALUES (?, ?, ?, ?, NULL)', [
    newId(),
    toBytes(childId),
    toBytes(classId),
    day,
  ]);
}

/** Ends every enrolment of the child that reaches beyond this day; the records stay. */
export async function leave(db: Db, childId: Uuid, day: string): Promise<number> {
  return change(db, 'UPDATE enrolments SET until_on = ? WHERE child_id = ? AND (until_on IS NULL OR until_on > ?)', [day, toBytes(childId), day]);
}

export async function saveSettings(db: Db, childId: Uuid, settings: ChildSettings): Promise<void> {
  await change(db, 'UPDATE child_settings SET age_years = ?, hand = ?, step_cm = ?, form = ?, medium = ? WHERE child_id = ?', [
    settings.ageYears,
    settings.hand,
    settings.stepCm,
    settings.form,
    settings.medium,
    toBytes(childId),
  ]);
}

export async function renameChild(db: Db, childId: Uuid, name: ChildName): Promise<void> {
  await change(db, 'UPDATE children SET first_name = ?, initial = ? WHERE id = ?', [name.firstName, name.initial, toBytes(childId)]);
}

/** "Ailsa B." by id, of every child who was assigned something in this class, those who have left it among them. */
export async function childrenWhoReported(classId: Uuid): Promise<ReadonlyMap<Uuid, string>> {
  const found = await rows<{ id: Buffer; first_name: string; initial: string }>(
    `SELECT DISTINCT ch.id, ch.first_name, ch.initial FROM assignments a JOIN children ch ON ch.id = a.child_id
       JOIN week_items i ON i.id = a.week_item_id JOIN weeks w ON w.id = i.week_id WHERE w.class_id = ?`,
    [toBytes(classId)],
  );
  return new Map(found.map((row) => [toText(row.id), `${row.first_name} ${row.initial}`]));
}
