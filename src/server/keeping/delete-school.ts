/** A school taken away for good, with all that is in it. */
import type { Uuid } from '@/contract/ids';
import { noteErasure } from '../classes/erasure-journal';
import { toBytes } from '../db/ids';
import { change, remove, rows, transact, type Db } from '../db/pool';
import { forgetPlays } from '../reports/plays';
import { SCHOOL_TABLES, whereOf } from './school-tables';

/** Takes every row of a school away, within the transaction of the caller. */
export async function deleteRowsOf(db: Db, schoolId: Uuid): Promise<void> {
  const school = toBytes(schoolId);
  const people = await rows<{ id: Buffer }>(`SELECT id FROM teachers WHERE ${whereOf('teachers')}`, [school], db);
  // The database refuses to delete who did what without being told.
  await change(db, 'SET @lochside_deletes = 1');
  for (const { name, where } of SCHOOL_TABLES) if (name !== 'teachers') await remove(db, name, where, [school]);
  await change(db, 'SET @lochside_deletes = 0');
  for (const { id } of people) await change(db, 'DELETE FROM teachers WHERE id = ?', [id]);
}

/** All of it, in one transaction; backups still hold it until they are over, and a restore takes it away again by the journal. */
export async function deleteSchool(schoolId: Uuid, now: Date): Promise<void> {
  await transact(async (db) => {
    await deleteRowsOf(db, schoolId);
    await noteErasure(db, { schoolId, childId: null, at: now });
  });
  forgetPlays();
}
