/**
 * The journal of erasures: ids alone, in a file outside the database and its backups. What a restore brings back of an erased child is erased
 * again by it. One line of JSON an erasure. Where several machines serve, each has such a file, and a table of the database brings it what the others
 * noted.
 */
import { existsSync, readFileSync } from 'node:fs';
import { open } from 'node:fs/promises';
import type { Uuid } from '@/contract/ids';
import { toBytes, toText } from '../db/ids';
import { change, rows, type Db } from '../db/pool';

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

/** A school that was deleted as a whole has no child's id. */
const NO_CHILD = Buffer.alloc(16);

/** Once a child or school; written to the disk before it returns, and with the transaction of the caller for other machines. */
export async function noteErasure(db: Db, erased: Erased & { readonly at: Date }): Promise<void> {
  const { schoolId, childId, at } = erased;
  await change(db, 'INSERT IGNORE INTO erasures (school_id, child_id, at) VALUES (?, ?, ?)', [
    toBytes(schoolId),
    childId ? toBytes(childId) : NO_CHILD,
    at,
  ]);
  const path = journal();
  if (path && !erasuresIn(path).some((one) => keyOf(one) === keyOf(erased))) await append(path, erased);
}

/** Writes into the journal of this machine what others erased. */
export async function shareJournal(): Promise<void> {
  const path = journal();
  if (!path) return;
  const found = await rows<{ school_id: Buffer; child_id: Buffer; at: Date }>('SELECT school_id, child_id, at FROM erasures ORDER BY at');
  const known = new Set(erasuresIn(path).map(keyOf));
  for (const { school_id, child_id, at } of found) {
    const erased = { schoolId: toText(school_id), childId: child_id.equals(NO_CHILD) ? null : toText(child_id), at };
    if (!known.has(keyOf(erased))) await append(path, erased);
  }
}

/** Without a file named by the launcher nothing is written. */
const journal = () => process.env['LOCHSIDE_ERASURES'];

const keyOf = ({ schoolId, childId }: Erased): string => `${schoolId} ${childId ?? ''}`;

async function append(path: string, { schoolId, childId, at }: Erased & { readonly at: Date }): Promise<void> {
  const file = await open(path, 'a', 0o600);
  try {
    await file.appendFile(`${JSON.stringify({ schoolId, childId, at: at.toISOString() })}\n`);
    await file.datasync();
  } finally {
    await file.close();
  }
}
