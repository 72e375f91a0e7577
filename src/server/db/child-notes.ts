import type { Uuid } from '@/contract/ids';
import { toBytes } from './ids';
import { change, firstRow, type Db } from './pool';

export interface ChildNote {
  readonly words: string;
  readonly by: string;
  readonly at: Date;
}

export async function noteOf(childId: Uuid): Promise<ChildNote | null> {
  const row = await firstRow<{ words: string; name: string; written_at: Date }>(
    'SELECT n.words, t.name, n.written_at FROM child_notes n JOIN teachers t ON t.id = n.written_by WHERE n.child_id = ?',
    [toBytes(childId)],
  );
  return row ? { words: row.words, by: row.name, at: row.written_at } : null;
}

/** A teacher's own note on a child; empty words take it away. */
export async function keepNote(db: Db, childId: Uuid, teacherId: Uuid, words: string, now: Date): Promise<void> {
  if (words === '') await change(db, 'DELETE FROM child_notes WHERE child_id = ?', [toBytes(childId)]);
  else
    await change(
      db,
      `INSERT INTO child_notes (child_id, words, written_by, written_at) VALUES (?, ?, ?, ?)
       ON DUPLICATE KEY UPDATE words = VALUES(words), written_by = VALUES(written_by), written_at = VALUES(written_at)`,
      [toBytes(childId), words, toBytes(teacherId), now],
    );
}
