/** Brings a database to the newest form. Run by one command before the web server starts, never by it. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { Umzug } from 'umzug';
import { connectionOptions } from './pool';

/** Programs of ours run in the folder of the checkout. */
const FOLDER = join(process.cwd(), 'migrations');

/** Returns the names of the migrations that it ran, all or those up to one. Each file holds one statement. */
export async function migrate(url: string, upTo?: string): Promise<string[]> {
  const connection = await mysql.createConnection(connectionOptions(url) as mysql.ConnectionOptions);
  try {
    await connection.query('CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(120) NOT NULL PRIMARY KEY, at DATETIME(3) NOT NULL) ENGINE=InnoDB');
    const umzug = new Umzug({
      migrations: {
        glob: ['*.sql', { cwd: FOLDER }],
        resolve: ({ name, path }) => ({
          name,
          up: async () => {
            await connection.query(await readFile(path!, 'utf8'));
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
        executed: async () => {
          const [names] = await connection.query('SELECT name FROM migrations ORDER BY name');
          return (names as { name: string }[]).map((row) => row.name);
        },
      },
      logger: undefined,
    });
    return (await umzug.up(upTo === undefined ? {} : { to: upTo })).map((migration) => migration.name);
  } finally {
    await connection.end();
  }
}
