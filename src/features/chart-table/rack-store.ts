/** Tables of pins that this desk has worked out, kept by the key of their layout. IndexedDB through idb; a desk without one works them out anew. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface DeskDb extends DBSchema {
  racks: { key: string; value: string };
}

let opened: Promise<IDBPDatabase<DeskDb>> | undefined;

function db(): Promise<IDBPDatabase<DeskDb>> {
  opened ??= openDB<DeskDb>('lochside-desk', 1, { upgrade: (base) => void base.createObjectStore('racks') });
  return opened;
}

export async function keptRack(key: string): Promise<string | undefined> {
  try {
    return await (await db()).get('racks', key);
  } catch {
    return undefined;
  }
}

export async function keepRack(key: string, table: string): Promise<void> {
  try {
    await (await db()).put('racks', table, key);
  } catch {
    // A private window keeps nothing; the table is used all the same.
  }
}
