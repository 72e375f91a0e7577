/** Before a newer Lochside changes a school's database, the database as it is goes into a backup. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { migrationFiles } from '../db/migration-files';
import { errorNumber } from '../db/patience';
import { rows } from '../db/pool';
import { takeBackup } from './backup';

const NO_SUCH_TABLE = 1146;

/** Changes that this program knows and a database with something in it has not had; none for a new one. */
async function missing(): Promise<readonly string[]> {
  try {
    const had = new Set((await rows<{ name: string }>('SELECT name FROM migrations')).map(({ name }) => name));
    return had.size === 0 ? [] : (await migrationFiles()).filter((name) => !had.has(name));
  } catch (error) {
    if (errorNumber(error) === NO_SUCH_TABLE) return [];
    throw error;
  }
}

/** What was done, in words, empty where nothing is to be changed. Throws where a backup was to be made and could not: nothing is changed then. */
export async function backUpBeforeUpgrade(url: string, home: string | undefined, now: Date): Promise<string> {
  const steps = await missing();
  if (steps.length === 0 || home === undefined) return '';
  const recipient = join(home, 'backup-recipient.txt');
  if (!existsSync(recipient))
    return `The database is about to be changed (${steps.length} steps), and there is no key for backups: npx lochside backup key makes one for the next time.`;
  const secretsFile = join(home, 'secrets.json');
  const { file } = await takeBackup(
    url,
    { secretsFile: existsSync(secretsFile) ? secretsFile : null, recipient: readFileSync(recipient, 'utf8').trim(), out: join(home, 'backups') },
    now,
  );
  return `A backup was made before the database is changed (${steps.length} steps): ${file}`;
}
