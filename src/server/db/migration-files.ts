/** The changes of the database, each a file with one statement. */
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';

/** Programs of ours run in the folder of the checkout. */
export const MIGRATIONS = join(process.cwd(), 'migrations');

/** What the newest form of the database consists of, in order. */
export const migrationFiles = async (): Promise<string[]> => (await readdir(MIGRATIONS)).filter((name) => name.endsWith('.sql')).sort();
