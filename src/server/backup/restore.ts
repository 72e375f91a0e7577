/** A backup put back: into an empty database, brought to the newest form, and with every erasure since then done again. */
import { deleteSchool } from '../keeping/delete-school';
import { eraseChild } from '../classes/erase-child';
import { erasuresIn } from '../classes/erasure-journal';
import { toBytes } from '../db/ids';
import { migrate } from '../db/migrate';
import { direct, firstRow, rows, transact, type Db, change } from '../db/pool';
import { differences, type Manifest, type Opened } from './backup';
import { loadFrom } from './dump';

export interface Restored {
  readonly manifest: Manifest;
  /** Children whose erasure was done again. */
  readonly erased: number;
  /** Steps by which an older database was brought to today's form. */
  readonly migrated: number;
}

/** The names of the tables of a database. */
const tablesOf = async (): Promise<string[]> => (await rows<Record<string, string>>('SHOW TABLES')).map((row) => Object.values(row)[0]!);

/** Takes every table away; asked for by name where a school stands in it. */
export async function emptyDatabase(): Promise<void> {
  await transact(
    async (db: Db) => {
      await change(db, 'SET FOREIGN_KEY_CHECKS = 0');
      for (const table of await tablesOf()) await change(db, `DROP TABLE IF EXISTS \`${table}\``);
      await change(db, 'SET FOREIGN_KEY_CHECKS = 1');
    },
    // A table that is gone is gone, and the marks go with them.
    { settledBy: 'keys' },
  );
}

/** Reads an opened backup into the database at `url`, which must be the one of the pool; throws where it is not empty or something of the backup is missing afterwards. */
export async function restoreInto(url: string, { manifest, dump }: Pick<Opened, 'manifest' | 'dump'>, now: Date): Promise<Restored> {
  const there = await tablesOf();
  if (there.length > 0) throw new Error(`There is something in this database already (${there.length} tables). Nothing was changed.`);
  await loadFrom(url, dump);
  const wrong = await differences(manifest);
  if (wrong.length > 0) throw new Error(`The backup did not come back whole: ${wrong.slice(0, 5).join('; ')}.`);
  const migrated = (await migrate(url)).length;
  return { manifest, migrated, erased: await eraseAgain(now) };
}

/** Does every erasure of the journal whose child is here again. */
async function eraseAgain(now: Date): Promise<number> {
  const path = process.env['LOCHSIDE_ERASURES'];
  if (!path) return 0;
  let erased = 0;
  for (const { schoolId, childId } of erasuresIn(path)) {
    if (childId === null) {
      await deleteSchool(schoolId, now);
      continue;
    }
    const there = await firstRow('SELECT 1 AS there FROM children WHERE id = ? AND school_id = ?', [toBytes(childId), toBytes(schoolId)], direct());
    if (!there) continue;
    await eraseChild(schoolId, null, childId, now);
    erased += 1;
  }
  return erased;
}
