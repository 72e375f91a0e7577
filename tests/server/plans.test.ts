/** How the database answers what screens ask when it holds many schools: no question of one school may read a table whole. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type mysql from 'mysql2/promise';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { applyKeeping } from '@/server/keeping/keep';
import { SERVER_TABLES } from '@/server/keeping/school-tables';
import { settings } from '@/server/settings';
import { closePools } from '@/server/db/servers';
import { freePort } from '../../scripts/lib/processes.mjs';
import { asked, filesThatAnswer, latin1Connection, looksAt, NOBODY, planOf, sendsTo, statementsIn } from './every-read';
import { copyOf, copySchool, demoSchoolAlone, SIGNS_IN, type DatabaseOfSchools } from '../../drills/many-schools';
import { startWebServer, type WebServer } from '../web-server';
import { PASSWORD, ZONE } from './school';

const COPIES = 60;

let many: DatabaseOfSchools;
let web: WebServer | undefined;
let db: mysql.Connection;
const scratch = mkdtempSync(join(tmpdir(), 'lochside-plans-'));

beforeAll(async () => {
  process.env['LOCHSIDE_SERVER_KEY'] ??= 'k'.repeat(43);
  many = await demoSchoolAlone();
  db = await latin1Connection(many.url);
  await copySchool(db, many.schoolId, { from: 1, to: COPIES });
  const [tables] = await db.query('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()');
  await db.query(`ANALYZE TABLE ${(tables as { name: string }[]).map(({ name }) => `\`${name}\``).join(', ')}`);
  web = await startWebServer(await freePort(), { LOCHSIDE_HOME: scratch, LOCHSIDE_LIMITS: 'on', LOCHSIDE_LOG: 'silent' });
});
afterAll(async () => {
  web?.process.kill('SIGKILL');
  await db?.end();
  await closePools();
  await many?.stop();
  if (many?.home) rmSync(many.home, { recursive: true, force: true });
  rmSync(scratch, { recursive: true, force: true });
});

/** Read whole on purpose, or not to the end: tables of the server that do not grow with schools; the thousand newest reports of all; two schools. */
const WHOLE_ON_PURPOSE: readonly ((table: string, sql: string) => boolean)[] = [
  (table) => SERVER_TABLES.some((one) => one === table && !['rate_limits', 'commits', 'erasures'].includes(one)),
  (table, sql) => table === 'reports' && sql.includes('ORDER BY id DESC LIMIT 1000'),
  (table, sql) => table === 'schools' && sql.endsWith('LIMIT 2'),
];

test('every page and every read answers, what is sent is taken, and what the database is asked for it goes by a key', async () => {
  const looks = await looksAt(many.schoolId, settings().serverKey);
  expect(looks.map(({ file }) => file).toSorted()).toEqual(filesThatAnswer().toSorted());
  const sends = await sendsTo(many.schoolId, settings().serverKey, SIGNS_IN, PASSWORD);
  const unexpected: string[] = [];
  many.admin('SET GLOBAL general_log = ON;');
  for (const look of [...looks, ...sends]) {
    const { status, text } = await asked(web!.address, look);
    // What is looked for by a made-up id is not there; who has no key is not let in.
    const expected = look.path.includes(NOBODY) ? /^404/ : look.file === 'api/v1/join/route.ts' ? /^40/ : /^(20[01]|30\d)/;
    if (!expected.test(`${status}`)) unexpected.push(`${status} ${look.path} ${text.slice(0, 300)}`);
  }
  // What a school keeps no longer, in the years to come.
  const gone = await applyKeeping({ schoolId: copyOf(many.schoolId, 2), timeZone: ZONE }, new Date(Date.now() + 4 * 366 * 86_400_000));
  many.admin('SET GLOBAL general_log = OFF;');
  expect(gone.raw).toBeGreaterThan(100);
  const statements = statementsIn(readFileSync(join(many.home, 'asked.log')));
  expect(statements.length).toBeGreaterThan(150);
  const whole: string[] = [];
  for (const { sql } of statements)
    for (const { table, type, key, rows } of await planOf(db, sql))
      if (['ALL', 'index'].includes(type) && !WHOLE_ON_PURPOSE.some((is) => is(table, sql))) whole.push(`${table} ${type} ${key} ${rows}: ${sql}`);
  expect({ unexpected, whole }).toEqual({ unexpected: [], whole: [] });
});
