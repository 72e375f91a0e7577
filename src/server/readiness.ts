/** What a web server needs to do its work: the database, in its newest form, and room on the disk. Alive is more: it answers at all. */
import { statfs } from 'node:fs/promises';
import { setTimeout as sleep } from 'node:timers/promises';
import { migrationFiles } from './db/migration-files';
import { atOnce, firstRow } from './db/pool';

export interface Readiness {
  readonly ready: boolean;
  readonly database: boolean;
  /** Every change of the database that this program knows has been made. */
  readonly migrations: boolean;
  readonly disk: boolean;
}

const PATIENCE_MS = 2000;
const LEAST_BYTES = 100 * 1024 * 1024;

const inTime = <T>(work: Promise<T>, otherwise: T): Promise<T> =>
  Promise.race([work.catch(() => otherwise), sleep(PATIENCE_MS, otherwise, { ref: false })]);

async function newestForm(): Promise<boolean> {
  const files = await migrationFiles();
  const row = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM migrations', [], atOnce());
  return Number(row?.n) >= files.length;
}

async function room(): Promise<boolean> {
  const { bavail, bsize } = await statfs(process.env['LOCHSIDE_HOME'] ?? process.cwd());
  return bavail * bsize >= LEAST_BYTES;
}

export async function readiness(): Promise<Readiness> {
  const [database, migrations, disk] = await Promise.all([
    inTime(
      firstRow('SELECT 1 AS one', [], atOnce()).then(() => true),
      false,
    ),
    inTime(newestForm(), false),
    inTime(room(), false),
  ]);
  return { ready: database && migrations && disk, database, migrations, disk };
}
