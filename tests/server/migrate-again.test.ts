/** A database is brought up to date twice, by two at once, and again after a kill at any step. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { migrate } from '@/server/db/migrate';
import { MIGRATIONS, migrationFiles } from '@/server/db/migration-files';
import { connectionOptions } from '@/server/db/servers';
import { LONG } from '../long';
import { breakingLine } from './breaking-line';

const url = new URL(process.env['DATABASE_URL']!);
url.pathname = '/lochside_again';
const connect = () => mysql.createConnection({ ...connectionOptions(url.toString()), multipleStatements: true } as mysql.ConnectionOptions);

async function empty(): Promise<void> {
  const db = await connect();
  const [tables] = await db.query('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()');
  await db.query('SET FOREIGN_KEY_CHECKS = 0');
  for (const { name } of tables as { name: string }[]) await db.query(`DROP TABLE \`${name}\``);
  await db.end();
}

/** Every table with its columns and keys, as one text. */
async function form(): Promise<string> {
  const db = await connect();
  const [columns] = await db.query(
    `SELECT table_name, column_name, column_type, is_nullable, column_default, collation_name FROM information_schema.columns
      WHERE table_schema = DATABASE() ORDER BY 1, 2`,
  );
  const [keys] = await db.query(
    'SELECT table_name, index_name, column_name, seq_in_index FROM information_schema.statistics WHERE table_schema = DATABASE() ORDER BY 1, 2, 4',
  );
  const [triggers] = await db.query(
    'SELECT trigger_name, action_statement FROM information_schema.triggers WHERE trigger_schema = DATABASE() ORDER BY 1',
  );
  const [done] = await db.query('SELECT name FROM migrations ORDER BY name');
  await db.end();
  return JSON.stringify([columns, keys, triggers, done]);
}

beforeEach(empty);
afterAll(empty);

let whole = '';
const newest = async () => (whole ||= (await migrate(url.toString()), await form()));

describe('unhappy at the server: migrations', () => {
  it('run twice change nothing the second time', async () => {
    const once = await newest();
    expect(await migrate(url.toString())).toEqual([]);
    expect(await form()).toBe(once);
  });

  it('make the oldest teacher of each school its lead, once, and nobody where there is one or only helpers', async () => {
    await migrate(url.toString(), '0069-short-codes.sql');
    const db = await connect();
    const at = '2026-01-01 00:00:00';
    for (const school of ['a', 'b'])
      await db.execute("INSERT INTO schools (id, name, time_zone, created_at) VALUES (?, 'S', 'Europe/London', ?)", [Buffer.alloc(16, school), at]);
    const members: readonly (readonly [string, string, string])[] = [
      ['a', '1', 'helper'],
      ['a', '2', 'teacher'],
      ['a', '3', 'teacher'],
      ['b', '4', 'helper'],
    ];
    for (const [school, teacher, role] of members) {
      await db.execute("INSERT INTO teachers (id, email, name, password_hash, created_at) VALUES (?, ?, 'N', 'h', ?)", [
        Buffer.alloc(16, teacher),
        teacher,
        at,
      ]);
      await db.execute('INSERT INTO memberships (school_id, teacher_id, role) VALUES (?, ?, ?)', [
        Buffer.alloc(16, school),
        Buffer.alloc(16, teacher),
        role,
      ]);
    }
    const roles = async () => ((await db.query('SELECT role FROM memberships ORDER BY teacher_id'))[0] as { role: string }[]).map(({ role }) => role);
    await migrate(url.toString());
    expect(await roles()).toEqual(['helper', 'lead', 'teacher', 'helper']);
    // Killed between the change and its note, it is done again.
    await db.query(await readFile(join(MIGRATIONS, '0071-memberships-first-lead.sql'), 'utf8'));
    expect(await roles()).toEqual(['helper', 'lead', 'teacher', 'helper']);
    await db.end();
  });

  it('by two at once are done once, and both end well', async () => {
    const ran = await Promise.all([migrate(url.toString()), migrate(url.toString()), migrate(url.toString())]);
    expect(ran.flat().sort()).toEqual(await migrationFiles());
    expect(await form()).toBe(await newest().then(() => whole));
  });

  it('of a killed program go on after its lease has run out', async () => {
    await migrate(url.toString(), '0010-child_settings.sql');
    const db = await connect();
    await db.query("UPDATE migration_lease SET holder = 'killed', until = UTC_TIMESTAMP(3) + INTERVAL 2 SECOND");
    await db.end();
    const began = Date.now();
    await migrate(url.toString());
    expect(Date.now() - began).toBeGreaterThan(1500);
    expect(await form()).toBe(whole);
  });

  it('over a line that is taken and let fall before it may ask anything, as by a balancer whose node has just gone: over the next', async () => {
    const line = await breakingLine(Number(url.port));
    const byLine = new URL(url);
    byLine.port = String(line.port);
    line.cutAt(url.username, 'before');
    expect(await migrate(byLine.toString())).toEqual(await migrationFiles());
    expect(line.cuts()).toBe(1);
    await line.end();
    // Nobody is there now: said as it is.
    await expect(migrate(byLine.toString())).rejects.toThrow('ECONNREFUSED');
  });

  it('a database of a newer program is refused, and not touched', async () => {
    await newest();
    await migrate(url.toString());
    const db = await connect();
    await db.query("INSERT INTO migrations (name, at) VALUES ('9999-of-tomorrow.sql', NOW())");
    const before = await form();
    await expect(migrate(url.toString())).rejects.toThrow('newer Lochside');
    expect(await form()).toBe(before);
    await db.end();
  });

  it('a statement that fails is tried again, not taken for done', async () => {
    await migrate(url.toString(), '0011-home_set_ups.sql');
    const db = await connect();
    // In the way of the next one, and not its doing.
    await db.query('CREATE TABLE games (other INT)');
    await expect(migrate(url.toString())).rejects.toThrow();
    await expect(migrate(url.toString())).rejects.toThrow();
    await db.query('DROP TABLE games');
    await migrate(url.toString());
    expect(await form()).toBe(whole);
    await db.end();
  });
});

describe('unhappy at the server: migrations killed after a statement, before the note of it', async () => {
  const files = await migrationFiles();
  const sample = ['0013-game_versions.sql', '0037-reports-way.sql', '0051-reports-without-copies.sql'];
  it.each(LONG ? files : files.filter((name) => sample.includes(name)))('%s: the next run goes on', async (name) => {
    const to = await newest();
    await empty();
    const before = files[files.indexOf(name) - 1];
    if (before) await migrate(url.toString(), before);
    else await migrate(url.toString(), files[0]);
    if (before) {
      const db = await connect();
      await db.execute('INSERT IGNORE INTO migrations_begun (name, at) VALUES (?, UTC_TIMESTAMP(3))', [name]);
      await db.query(await readFile(join(MIGRATIONS, name), 'utf8'));
      await db.end();
    }
    await migrate(url.toString());
    expect(await form()).toBe(to);
  });
});
