/**
 * The journal of erasures: ids alone, in a file outside the database and its backups. What a restore brings back of an erased child is erased
 * again by it. One line of JSON an erasure.
 */
import { existsSync, readFileSync } from 'node:fs';
import { open } from 'node:fs/promises';
import type { Uuid } from '@/contract/ids';

export interface Erased {
  readonly schoolId: Uuid;
  /** Null where the whole school was deleted. */
  readonly childId: Uuid | null;
}

/** What a journal holds; nothing where there is none yet. */
export function erasuresIn(path: string): readonly Erased[] {
  if (!existsSync(path)) return [];
  return readFileSync(path, 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Erased);
}

/** Once a child or school; written to the disk before it returns. Without a file named by the launcher nothing is written. */
export async function noteErasure({ schoolId, childId, at }: Erased & { readonly at: Date }): Promise<void> {
  const path = process.env['LOCHSIDE_ERASURES'];
  if (!path || erasuresIn(path).some((one) => one.schoolId === schoolId && one.childId === childId)) return;
  const file = await open(path, 'a', 0o600);
  try {
    await file.appendFile(`${JSON.stringify({ schoolId, childId, at: at.toISOString() })}\n`);
    await file.datasync();
  } finally {
    await file.close();
  }
}
