/**
 * Brings a database to the newest form. Run by one command before the web server starts, never by it. It may be run twice, by two at once, and again
 * after it was killed in the middle of any statement.
 */
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { setTimeout as sleep } from 'node:timers/promises';
import type mysql from 'mysql2/promise';
import { Umzug } from 'umzug';
import { MIGRATIONS, migrationFiles } from './migration-files';
import { errorNumber, isLost, isUnreachable } from './patience';
import { connectTo } from './servers';

/** How often a line may break on the way. */
const TRIES = 4;
const PAUSE_MS = 1000;

/** What MariaDB answers to a statement whose change is there already: a table, a column, a key, a constraint; or gone already. */
const DONE_ALREADY: ReadonlySet<number> = new Set([1050, 1060, 1061, 1826, 1091]);

/** What a server answers that lets its users make no triggers: with a binary log, or without the right. Lochside works without them. */
const NO_TRIGGERS: ReadonlySet<number> = new Set([1419, 1142]);

/** A lease holds so long without a sign of life of who has it. */
const LEASE_S = 15;
const BREATH_MS = 4000;
const PATIENCE_MS = 10 * 60_000;

/** Waits until nobody else brings this database up to date, and keeps others waiting until `release`. A row, no lock of a connection: it outlives none. */
async function lease(connection: mysql.Connection, url: string): Promise<() => Promise<void>> {
  const holder = randomUUID();
  await connection.query(
    'CREATE TABLE IF NOT EXISTS migration_lease (id TINYINT NOT NULL PRIMARY KEY, holder CHAR(36) NOT NULL, until DATETIME(3) NOT NULL) ENGINE=InnoDB',
  );
  await connection.query("INSERT IGNORE INTO migration_lease (id, holder, until) VALUES (1, '', '2000-01-01')");
  const take = async () => {
    const [done] = await connection.execute(
      'UPDATE migration_lease SET holder = ?, until = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = 1 AND (holder = ? OR until < UTC_TIMESTAMP(3))',
      [holder, LEASE_S, holder],
    );
    return (done as { affectedRows: number }).affectedRows === 1;
  };
  for (const began = Date.now(); !(await take()); await sleep(200))
    if (Date.now() - began > PATIENCE_MS)
      throw new Error('Another program has been bringing this database up to date for ten minutes. Look what it is doing.');
  // A long statement keeps its connection busy: the lease is held over another one.
  const second = await connectTo(url);
  const timer = setInterval(() => {
    second
      .execute('UPDATE migration_lease SET until = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = 1 AND holder = ?', [LEASE_S, holder])
      .catch(() => undefined);
  }, BREATH_MS);
  return async () => {
    clearInterval(timer);
    await second.execute("UPDATE migration_lease SET until = '2000-01-01' WHERE id = 1 AND holder = ?", [holder]);
    await second.end();
  };
}

/**
 * Returns the names of the migrations that it ran, all or those up to one. Each file holds one statement, which MariaDB does whole or not at all; what
 * was begun is noted before, so that a statement whose change is there already is known to have been done when the note of its end is missing.
 */
export async function migrate(url: string, upTo?: string): Promise<string[]> {
  let reached = false;
  for (let tries = TRIES; ; tries -= 1) {
    let connection: mysql.Connection | undefined;
    try {
      connection = await connectTo(url);
      reached = true;
      return await migrateOver(connection, url, upTo);
    } catch (error) {
      // A server that nobody can reach is told at once; a line that breaks, as when a node of a cluster goes, is taken up again, before it asked
      // anything too: a balancer takes it first and looks for a node then.
      reached ||= !isUnreachable(error);
      if (tries === 1 || !reached || !isLost(error)) throw error;
      await sleep(PAUSE_MS);
    } finally {
      connection?.destroy();
    }
  }
}

async function migrateOver(connection: mysql.Connection, url: string, upTo?: string): Promise<string[]> {
  let release: (() => Promise<void>) | undefined;
  try {
    release = await lease(connection, url);
    await connection.query('CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(120) NOT NULL PRIMARY KEY, at DATETIME(3) NOT NULL) ENGINE=InnoDB');
    await connection.query(
      'CREATE TABLE IF NOT EXISTS migrations_begun (name VARCHAR(120) NOT NULL PRIMARY KEY, at DATETIME(3) NOT NULL) ENGINE=InnoDB',
    );
    const named = async (table: 'migrations' | 'migrations_begun') => {
      const [names] = await connection.query(`SELECT name FROM ${table} ORDER BY name`);
      return (names as { name: string }[]).map((row) => row.name);
    };
    const known = new Set(await migrationFiles());
    const newer = (await named('migrations')).filter((name) => !known.has(name));
    if (newer.length > 0)
      throw new Error(
        `This database is of a newer Lochside (it has ${newer[0]}). Start that version, or restore a backup of this one. Nothing was changed.`,
      );
    const begun = new Set(await named('migrations_begun'));
    const umzug = new Umzug({
      migrations: {
        glob: ['*.sql', { cwd: MIGRATIONS }],
        resolve: ({ name, path }) => ({
          name,
          up: async () => {
            await connection.execute('INSERT IGNORE INTO migrations_begun (name, at) VALUES (?, UTC_TIMESTAMP(3))', [name]);
            const statement = await readFile(path!, 'utf8');
            try {
              await connection.query(statement);
            } catch (error) {
              if (statement.startsWith('CREATE TRIGGER') && NO_TRIGGERS.has(errorNumber(error))) {
                process.stderr.write(`${name}: this database lets its user make no triggers; who did what is kept without that lock.\n`);
                return;
              }
              // Begun by a run that was killed before it could say that it was done.
              if (begun.has(name) && DONE_ALREADY.has(errorNumber(error))) return;
              await connection.execute('DELETE FROM migrations_begun WHERE name = ?', [name]);
              throw error;
            }
          },
        }),
      },
      storage: {
        logMigration: async ({ name }) => {
          await connection.execute('INSERT INTO migrations (name, at) VALUES (?, UTC_TIMESTAMP(3))', [name]);
        },
        unlogMigration: async ({ name }) => {
          await connection.execute('DELETE FROM migrations WHERE name = ?', [name]);
        },
        executed: () => named('migrations'),
      },
      logger: undefined,
    });
    return (await umzug.up(upTo === undefined ? {} : { to: upTo })).map((migration) => migration.name);
  } finally {
    // A line that broke gives nothing back: the lease is over by itself, and why the line broke is what is told.
    await release?.().catch(() => undefined);
  }
}
