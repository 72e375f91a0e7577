/** Everything that is kept about one child: as a file, or taken away for good. */
import type { AboutChild } from '@/contract/child';
import type { Uuid } from '@/contract/ids';
import { toBytes } from '../db/ids';
import { change, rows, transact, type Db } from '../db/pool';
import { audit } from '../db/schools';
import { forgetPlays } from '../reports/plays';

const OF_ASSIGNMENTS = '(SELECT id FROM assignments WHERE child_id = ?)';
const OF_REPORTS = `(SELECT id FROM reports WHERE assignment_id IN ${OF_ASSIGNMENTS})`;

/** Where something about a child stands, with what picks it: in an order in which it can be deleted. */
const KEPT: readonly { readonly table: string; readonly where: string; readonly columns: string }[] = [
  { table: 'outbox', where: `report_id IN ${OF_REPORTS}`, columns: 'subject, words, made_at' },
  {
    table: 'decisions',
    where: `report_id IN ${OF_REPORTS}`,
    columns: 'HEX(report_id) AS report_id, choice, before_state, after_state, created_at, withdrawn_at',
  },
  { table: 'verdicts', where: `report_id IN ${OF_REPORTS}`, columns: 'HEX(report_id) AS report_id, kind, reasons, engine_version, created_at' },
  {
    table: 'plays',
    where: `report_id IN ${OF_REPORTS}`,
    columns: 'HEX(report_id) AS report_id, go_number, level_id, value, attempts, successes, seconds, as_asked',
  },
  {
    table: 'reports',
    where: `assignment_id IN ${OF_ASSIGNMENTS}`,
    columns: 'HEX(id) AS id, HEX(assignment_id) AS assignment_id, body, received_at, way',
  },
  {
    table: 'look_marks',
    where: `assignment_id IN ${OF_ASSIGNMENTS}`,
    columns: 'HEX(assignment_id) AS assignment_id, marks, film, comment, marked_at',
  },
  { table: 'assignments', where: 'child_id = ?', columns: 'HEX(id) AS id, level_id, set_up, par, par_low, par_high, rests_on, created_at' },
  { table: 'access_keys', where: 'child_id = ?', columns: 'scope, generation, created_at, revoked_at' },
  { table: 'diary_entries', where: 'child_id = ?', columns: 'on_day, what, minutes, initials, struck_at, created_at' },
  { table: 'inventions', where: 'child_id = ?', columns: 'body, score, received_at' },
  { table: 'child_notes', where: 'child_id = ?', columns: 'words, written_at' },
  { table: 'child_settings', where: 'child_id = ?', columns: 'age_years, hand, step_cm, form, medium, language' },
  { table: 'enrolments', where: 'child_id = ?', columns: 'HEX(class_id) AS class_id, from_on, until_on' },
  { table: 'children', where: 'id = ?', columns: 'first_name, initial, created_at' },
];

/** Of messages that were settled to a report of the child only the mark stays by which they are not read a second time. */
const MESSAGES = `report_id IN ${OF_REPORTS}`;

/** All of it, table by table, as it is kept. */
export async function everythingAbout(childId: Uuid): Promise<Record<string, unknown>> {
  const found: Record<string, unknown> = {};
  for (const { table, where, columns } of KEPT) found[table] = await rows(`SELECT ${columns} FROM ${table} WHERE ${where}`, [toBytes(childId)]);
  found['incoming'] = await rows(`SELECT source, words, received_at FROM incoming WHERE ${MESSAGES}`, [toBytes(childId)]);
  return found;
}

export async function countAbout(childId: Uuid): Promise<AboutChild> {
  const one = async (table: string) => {
    const { where } = KEPT.find((kept) => kept.table === table)!;
    const [row] = await rows<{ n: number }>(`SELECT COUNT(*) AS n FROM ${table} WHERE ${where}`, [toBytes(childId)]);
    return Number(row!.n);
  };
  const [reports, diary, inventions] = await Promise.all([one('reports'), one('diary_entries'), one('inventions')]);
  return { reports, diary, inventions };
}

/** Takes everything about a child away, in one transaction; the audit keeps that it was done and by whom, without a name. */
export async function eraseChild(schoolId: Uuid, teacherId: Uuid, childId: Uuid, now: Date): Promise<void> {
  await transact(async (db: Db) => {
    await change(
      db,
      `UPDATE incoming SET words = '', source = '', reading = '{}', settled_at = COALESCE(settled_at, ?), report_id = NULL WHERE ${MESSAGES}`,
      [now, toBytes(childId)],
    );
    // What was worked out of the child's scores is worked out again without them.
    await change(db, 'DELETE FROM class_fits WHERE class_id IN (SELECT class_id FROM enrolments WHERE child_id = ?)', [toBytes(childId)]);
    for (const { table, where } of KEPT) await change(db, `DELETE FROM ${table} WHERE ${where}`, [toBytes(childId)]);
    await audit(db, { schoolId, teacherId, action: 'child erased', subject: childId }, now);
  });
  forgetPlays();
}
