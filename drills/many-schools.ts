/** Many schools out of one, the demo school: each row of a school as many times as wanted, with ids of its own, written by the database itself. */
import type { Uuid } from '@/contract/ids';
import { hashPassword } from '@/server/auth/passwords';
import { toBytes, toText } from '@/server/db/ids';
import { migrate } from '@/server/db/migrate';
import { change, direct, firstRow, transact } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { addTeacher } from '@/server/db/teachers';
import { SCHOOL_TABLES } from '@/server/keeping/school-tables';
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Connection } from 'mysql2/promise';
import { startInstance } from '../scripts/lib/instance.mjs';
import { demoInto, PASSWORD } from '../tests/server/school';

/** Who signs in there, with the password of the tests. */
export const SIGNS_IN = 't@example.org';

export interface DatabaseOfSchools {
  readonly home: string;
  readonly url: string;
  /** Statements by the owner of the server. */
  readonly admin: (sql: string) => { readonly status: number | null; readonly stdout: string; readonly stderr: string };
  readonly schoolId: Uuid;
  readonly stop: () => Promise<void>;
}

/** A version 7 id of a number, that keeps apart when its last five bytes are overwritten. */
const id = (number: string) => `UNHEX(CONCAT(LPAD(HEX(${number}), 12, '0'), '70008000000000000000'))`;

/** What the demo school has none of, so that each table of a school has rows: as many as its children and weeks would make. */
const MORE_OF_A_SCHOOL = [
  `INSERT INTO look_marks (assignment_id, marked_by, marks, film, comment, marked_at, told_family)
   SELECT a.id, (SELECT MIN(id) FROM teachers), '[]', a.id < UNHEX(REPEAT('F', 32)), 'well done', NOW(3), 1 FROM assignments a`,
  `INSERT INTO class_tests (id, class_id, family, marks, made_by, made_at)
   SELECT id, id, 'throw', '[2,3]', (SELECT MIN(id) FROM teachers), NOW(3) FROM classes`,
  `INSERT INTO class_test_hits (class_test_id, child_id, mark, tries, hits, age_years, written_at)
   SELECT e.class_id, e.child_id, m.seq - 1, 6, 3, 8, NOW(3) FROM enrolments e JOIN seq_1_to_2 m`,
  `INSERT INTO school_things (id, school_id, name, n) SELECT ${id('seq')}, (SELECT id FROM schools), CONCAT('thing ', seq), 30 FROM seq_1_to_12`,
  `INSERT INTO loans (id, school_id, thing_id, class_id, n, lent_on, due_on)
   SELECT ${id('x.n')}, x.school_id, x.thing_id, x.class_id, 4, '2026-11-01', '2026-11-07'
   FROM (SELECT ROW_NUMBER() OVER (ORDER BY t.id, c.id) AS n, t.school_id, t.id AS thing_id, c.id AS class_id FROM school_things t JOIN classes c) x`,
  `INSERT INTO game_evidence (id, game_id, content, body, brought_in_at)
   SELECT id, id, UNHEX(SHA2(HEX(id), 256)), '{"rows":[]}', NOW(3) FROM games`,
  `INSERT INTO child_notes (child_id, words, written_by, written_at) SELECT id, 'left hand', (SELECT MIN(id) FROM teachers), NOW(3) FROM children`,
  `INSERT INTO short_codes (code_hash, child_id, term_id, week_id, generation, ends_on, created_at)
   SELECT UNHEX(SHA2(HEX(c.id), 256)), c.id, w.term_id, w.id, 1, '2999-01-01', NOW(3) FROM children c
   JOIN enrolments e ON e.child_id = c.id JOIN weeks w ON w.class_id = e.class_id GROUP BY c.id`,
  `INSERT INTO sessions (token_hash, teacher_id, school_id, created_at, expires_at, id, seen_at, browser)
   SELECT UNHEX(SHA2(CONCAT(s.seq, HEX(m.teacher_id)), 256)), m.teacher_id, m.school_id, NOW(3), NOW(3) + INTERVAL 12 HOUR, ${id('s.seq')}, NOW(3), ''
   FROM memberships m JOIN seq_1_to_20 s`,
  `INSERT INTO recovery_codes (teacher_id, code_hash) SELECT t.id, UNHEX(SHA2(s.seq, 256)) FROM teachers t JOIN seq_1_to_10 s`,
  `INSERT INTO people_links (id, token_hash, school_id, email, name, role, made_at, ends_at)
   SELECT ${id('seq')}, UNHEX(SHA2(seq, 256)), (SELECT id FROM schools), CONCAT('p', seq, '@example.org'), 'P', 'teacher', NOW(3), NOW(3)
   FROM seq_1_to_5`,
  `INSERT INTO deeds (school_id, sent_as, content, answer, made_at)
   SELECT (SELECT id FROM schools), ${id('seq')}, UNHEX(SHA2(seq, 256)), '{}', NOW(3) FROM seq_1_to_30`,
];

/** A database server of its own with the demo school in it; this process asks it from now on. Its general log, off at first, is `asked.log`. */
export async function demoSchoolAlone(more: readonly string[] = []): Promise<DatabaseOfSchools> {
  const home = mkdtempSync(join(tmpdir(), 'lochside-many-'));
  chmodSync(home, 0o755);
  const instance = await startInstance(home, randomBytes(18).toString('base64url'), {
    fast: more.length === 0,
    more: [`general_log_file=${join(home, 'asked.log')}`, ...more],
  });
  try {
    await closePools();
    const before = process.env['DATABASE_URL'];
    process.env['DATABASE_URL'] = instance.url();
    await migrate(instance.url());
    await demoInto(new URL(before ?? instance.url()), new URL(instance.url()));
    for (const sql of MORE_OF_A_SCHOOL) await change(direct(), sql);
    const found = await firstRow<{ id: Buffer }>('SELECT id FROM schools', []);
    const schoolId = toText(found!.id);
    const passwordHash = await hashPassword(PASSWORD);
    await transact((db) => addTeacher(db, { schoolId, name: 'T', email: SIGNS_IN, passwordHash, role: 'lead' }, new Date()));
    return { home, url: instance.url(), admin: instance.admin, schoolId, stop: instance.stop };
  } catch (error) {
    await closePools();
    await instance.stop();
    throw error;
  }
}

interface Column {
  readonly name: string;
  readonly type: string;
}

/**
 * Ids and hashes are told apart by their last five bytes, which are random in a version 7 id: the copies of a row stand together, as rows of one
 * moment of many schools do. Fewer bytes would now and then be those of the row that is copied.
 */
const STAMP = 5;
const stamped = (column: string, bytes: number) =>
  `INSERT(t.\`${column}\`, ${bytes - STAMP + 1}, ${STAMP}, UNHEX(LPAD(HEX(s.seq), ${2 * STAMP}, '0')))`;

function valueOf(table: string, { name, type }: Column): string {
  const bytes = /^binary\((16|32)\)$/.exec(type)?.[1];
  if (bytes) return stamped(name, Number(bytes));
  return table === 'teachers' && name === 'email' ? `CONCAT(s.seq, '.', t.\`${name}\`)` : `t.\`${name}\``;
}

/** The copies of an id of the school that was copied. */
export function copyOf(id: Uuid, number: number): Uuid {
  const hex = number.toString(16).padStart(2 * STAMP, '0');
  return `${id.slice(0, -hex.length)}${hex}` as Uuid;
}

/**
 * Writes the copies `from` to `to` of the school, table by table. `rowsAtOnce` is the size of a transaction. Returns how many rows were written.
 * The connection must be of a user who may switch the checks of keys off for itself; it is left so.
 */
export async function copySchool(
  db: Connection,
  schoolId: Uuid,
  { from, to, rowsAtOnce = 200_000, say = () => undefined }: { from: number; to: number; rowsAtOnce?: number; say?: (line: string) => void },
): Promise<number> {
  // By template row, then by school: written in the order of the ids, nothing is sorted.
  await db.query('SET SESSION foreign_key_checks = 0, unique_checks = 0, check_constraint_checks = 0, join_cache_level = 0');
  let written = 0;
  for (const { name, where } of [...SCHOOL_TABLES].reverse()) {
    const [columns] = await db.query(
      `SELECT column_name AS name, column_type AS type FROM information_schema.columns
       WHERE table_schema = DATABASE() AND table_name = '${name}' AND is_generated = 'NEVER' ORDER BY ordinal_position`,
    );
    const list = columns as Column[];
    const [keys] = await db.query(
      `SELECT column_name AS name FROM information_schema.key_column_usage
       WHERE table_schema = DATABASE() AND table_name = '${name}' AND constraint_name = 'PRIMARY' ORDER BY ordinal_position`,
    );
    const order = (keys as { name: string }[]).map((key) => `\`${key.name}\``).join(', ');
    await db.query('DROP TEMPORARY TABLE IF EXISTS one_school');
    await db.execute(`CREATE TEMPORARY TABLE one_school AS SELECT r.*, ROW_NUMBER() OVER (ORDER BY ${order}) AS nth FROM ${name} r WHERE ${where}`, [
      toBytes(schoolId),
    ]);
    await db.query('ALTER TABLE one_school ADD PRIMARY KEY (nth)');
    const [[{ n }]] = (await db.query('SELECT COUNT(*) AS n FROM one_school')) as unknown as [[{ n: number }]];
    const step = Math.max(1, Math.floor(rowsAtOnce / (to - from + 1)));
    for (let first = 1; first <= n; first += step)
      await db.query(
        `INSERT INTO ${name} (${list.map((column) => `\`${column.name}\``).join(', ')})
         SELECT ${list.map((column) => valueOf(name, column)).join(', ')}
         FROM one_school t STRAIGHT_JOIN seq_${from}_to_${to} s WHERE t.nth BETWEEN ${first} AND ${first + step - 1} ORDER BY t.nth`,
      );
    written += n * (to - from + 1);
    if (n > 0) say(`${name}: ${n} × ${to - from + 1}`);
  }
  await db.query('DROP TEMPORARY TABLE IF EXISTS one_school');
  return written;
}
