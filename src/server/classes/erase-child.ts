/** Everything that is kept about one child: as a file, or taken away for good. */
import type { AboutChild } from '@/contract/child';
import type { Uuid } from '@/contract/ids';
import { toBytes, toText } from '../db/ids';
import { change, firstRow, remove, rows, transact, type Db, type Value } from '../db/pool';
import { audit, isOneSchoolHere } from '../db/schools';
import { mailboxOf, messagesNaming } from '../files/mailbox';
import { forgetPlays } from '../reports/plays';
import { settings } from '../settings';
import { noteErasure } from './erasure-journal';

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
  { table: 'child_days', where: 'child_id = ?', columns: 'day, reports, bytes' },
  { table: 'access_keys', where: 'child_id = ?', columns: 'scope, generation, created_at, revoked_at' },
  { table: 'short_codes', where: 'child_id = ?', columns: 'ends_on, created_at' },
  { table: 'diary_entries', where: 'child_id = ?', columns: 'on_day, what, minutes, initials, struck_at, created_at' },
  { table: 'inventions', where: 'child_id = ?', columns: 'body, score, received_at' },
  { table: 'class_test_hits', where: 'child_id = ?', columns: 'HEX(class_test_id) AS class_test_id, mark, tries, hits, written_at' },
  { table: 'child_notes', where: 'child_id = ?', columns: 'words, written_at' },
  { table: 'child_settings', where: 'child_id = ?', columns: 'age_years, hand, step_cm, form, medium, language' },
  { table: 'enrolments', where: 'child_id = ?', columns: 'HEX(class_id) AS class_id, from_on, until_on' },
  { table: 'children', where: 'id = ?', columns: 'first_name, initial, created_at' },
];

/** How a child is named in what others wrote. */
interface Named {
  readonly schoolId: Uuid;
  readonly childId: Uuid;
  readonly firstName: string;
  readonly initial: string;
  /** Nobody else of the school has this first name: alone it means this child. */
  readonly alone: boolean;
}

async function namedAs(childId: Uuid, db?: Db): Promise<Named | undefined> {
  const row = await firstRow<{ school_id: Buffer; first_name: string; initial: string; others: number }>(
    `SELECT c.school_id, c.first_name, c.initial,
            (SELECT COUNT(*) FROM children o WHERE o.school_id = c.school_id AND o.first_name = c.first_name AND o.id <> c.id) AS others
       FROM children c WHERE c.id = ?`,
    [toBytes(childId)],
    db,
  );
  return row && { schoolId: toText(row.school_id), childId, firstName: row.first_name, initial: row.initial, alone: Number(row.others) === 0 };
}

/**
 * Messages of the child: settled to a report of it, read as its own while they wait or were set aside, or naming nobody else by its first name.
 * Only the mark stays by which they are not read a second time.
 */
const MESSAGES = `school_id = ? AND (report_id IN ${OF_REPORTS} OR JSON_VALUE(reading, '$.childId') = ? OR LOWER(JSON_VALUE(reading, '$.child')) IN (?, ?, ?))`;

const messageValues = ({ schoolId, childId, firstName, initial, alone }: Named): Value[] => [
  toBytes(schoolId),
  toBytes(childId),
  childId,
  ...[alone ? firstName : `${firstName} ${initial}`, `${firstName} ${initial}`, `${firstName} ${initial.replace('.', '')}`].map((name) =>
    name.trim().toLocaleLowerCase('en-GB'),
  ),
];

/** Texts that are of others, or of nobody: only the child's name goes out of them. */
const TEXTS: readonly { readonly table: string; readonly column: string; readonly where: string }[] = [
  { table: 'incoming', column: 'words', where: 'school_id = ?' },
  { table: 'incoming', column: 'source', where: 'school_id = ?' },
  { table: 'batches', column: 'name', where: 'school_id = ?' },
  { table: 'outbox', column: 'words', where: 'school_id = ?' },
  { table: 'outbox', column: 'subject', where: 'school_id = ?' },
  { table: 'child_notes', column: 'words', where: 'child_id IN (SELECT id FROM children WHERE school_id = ?)' },
  {
    table: 'look_marks',
    column: 'comment',
    where: 'assignment_id IN (SELECT a.id FROM assignments a JOIN children c ON c.id = a.child_id WHERE c.school_id = ?)',
  },
  { table: 'weeks', column: 'note', where: 'class_id IN (SELECT id FROM classes WHERE school_id = ?)' },
];

/** The name as it is written: with its initial in one of the usual ways, or run together as in the name of a file. */
const nameInTexts = ({ firstName, initial: own }: Named, initial = own): RegExp => {
  const exact = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return new RegExp(`(?<![\\p{L}\\p{N}])${exact(firstName)}[\\s_.-]*${exact(initial.replace('.', ''))}(?![\\p{L}\\p{N}])\\.?`, 'giu');
};

async function takeNameOut(db: Db, named: Named): Promise<void> {
  const pattern = nameInTexts(named);
  for (const { table, column, where } of TEXTS) {
    const found = await rows<{ id: Buffer; text: string }>(
      `SELECT ${KEY_OF[table] ?? 'id'} AS id, ${column} AS text FROM ${table} WHERE ${where} AND LOCATE(?, ${column}) > 0`,
      [toBytes(named.schoolId), named.firstName],
      db,
    );
    for (const { id, text } of found) {
      const without = text.replace(pattern, '…');
      if (without !== text) await change(db, `UPDATE ${table} SET ${column} = ? WHERE ${KEY_OF[table] ?? 'id'} = ?`, [without, id]);
    }
  }
}

/** The key of tables that have no id of their own. */
const KEY_OF: Readonly<Record<string, string>> = { child_notes: 'child_id', look_marks: 'assignment_id' };

async function namedInMailbox(childId: Uuid): Promise<number> {
  const { mailbox } = settings();
  const named = await namedAs(childId);
  if (!named || mailbox === '') return 0;
  const own = await mailboxOf(mailbox, named.schoolId, await isOneSchoolHere());
  return own ? messagesNaming(own, named.alone ? nameInTexts(named, '') : nameInTexts(named)) : 0;
}

/** All of it, table by table, as it is kept. */
export async function everythingAbout(childId: Uuid): Promise<Record<string, unknown>> {
  const found: Record<string, unknown> = {};
  for (const { table, where, columns } of KEPT) found[table] = await rows(`SELECT ${columns} FROM ${table} WHERE ${where}`, [toBytes(childId)]);
  const named = await namedAs(childId);
  found['incoming'] = named ? await rows(`SELECT source, words, received_at FROM incoming WHERE ${MESSAGES}`, messageValues(named)) : [];
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

/**
 * Takes everything about a child away, in one transaction; the audit keeps that it was done and by whom, without a name. How many messages of the
 * school's mailbox name the child: these are the school's own, to be deleted there.
 */
export async function eraseChild(schoolId: Uuid, teacherId: Uuid | null, childId: Uuid, now: Date): Promise<{ inMailbox: number }> {
  const inMailbox = await namedInMailbox(childId);
  await transact(async (db: Db) => {
    // Who erases the same child at this moment waits here, and finds nothing.
    await rows('SELECT id FROM children WHERE id = ? FOR UPDATE', [toBytes(childId)], db);
    const named = await namedAs(childId, db);
    if (!named) return;
    await change(
      db,
      `UPDATE incoming SET words = '', source = '', reading = '{}', settled_at = COALESCE(settled_at, ?), report_id = NULL WHERE ${MESSAGES}`,
      [now, ...messageValues(named)],
    );
    await takeNameOut(db, named);
    // What was worked out of the child's scores is worked out again without them.
    await remove(db, 'class_fits', 'class_id IN (SELECT class_id FROM enrolments WHERE child_id = ?)', [toBytes(childId)]);
    for (const { table, where } of KEPT) await remove(db, table, where, [toBytes(childId)]);
    await audit(db, { schoolId, teacherId, action: 'child erased', subject: childId }, now);
    // Before the commit: what a restore brings back is erased again, and an erasure that did not come to its end is asked for once more.
    await noteErasure(db, { schoolId, childId, at: now });
  });
  forgetPlays();
  return { inMailbox };
}
