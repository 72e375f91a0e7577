/** Keys with which another program of the school sends reports. Only a hash is kept. */
import type { Uuid } from '@/contract/ids';
import { newId, toBytes, toText } from './ids';
import { change, direct, firstRow, rows, type Db } from './pool';

export interface SchoolKey {
  readonly id: Uuid;
  readonly name: string;
  readonly by: string;
  readonly madeAt: Date;
  readonly usedAt: Date | null;
}

export async function addSchoolKey(db: Db, key: { schoolId: Uuid; teacherId: Uuid; name: string; tokenHash: Buffer }, now: Date): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO school_keys (id, school_id, name, token_hash, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(key.schoolId),
    key.name,
    key.tokenHash,
    toBytes(key.teacherId),
    now,
  ]);
  return toText(id);
}

/** The keys that still open the school's interface, newest first. */
export async function schoolKeysOf(schoolId: Uuid): Promise<SchoolKey[]> {
  const found = await rows<{ id: Buffer; name: string; by: string; made_at: Date; used_at: Date | null }>(
    `SELECT k.id, k.name, t.name AS \`by\`, k.made_at, k.used_at FROM school_keys k JOIN teachers t ON t.id = k.made_by
      WHERE k.school_id = ? AND k.revoked_at IS NULL ORDER BY k.made_at DESC, k.id DESC`,
    [toBytes(schoolId)],
  );
  return found.map((row) => ({ id: toText(row.id), name: row.name, by: row.by, madeAt: row.made_at, usedAt: row.used_at }));
}

/** False when there is no such key of this school that is still good. */
export async function revokeSchoolKey(db: Db, schoolId: Uuid, id: Uuid, now: Date): Promise<boolean> {
  return (
    (await change(db, 'UPDATE school_keys SET revoked_at = ? WHERE id = ? AND school_id = ? AND revoked_at IS NULL', [
      now,
      toBytes(id),
      toBytes(schoolId),
    ])) === 1
  );
}

export interface SchoolOfKey {
  readonly id: Uuid;
  readonly schoolId: Uuid;
  readonly timeZone: string;
}

export async function schoolOfKey(tokenHash: Buffer): Promise<SchoolOfKey | undefined> {
  const row = await firstRow<{ id: Buffer; school_id: Buffer; time_zone: string }>(
    'SELECT k.id, k.school_id, s.time_zone FROM school_keys k JOIN schools s ON s.id = k.school_id WHERE k.token_hash = ? AND k.revoked_at IS NULL',
    [tokenHash],
  );
  return row && { id: toText(row.id), schoolId: toText(row.school_id), timeZone: row.time_zone };
}

export async function noteUse(id: Uuid, now: Date): Promise<void> {
  await change(direct(), 'UPDATE school_keys SET used_at = ? WHERE id = ?', [now, toBytes(id)]);
}
