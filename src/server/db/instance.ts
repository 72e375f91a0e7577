/** What this server notes of itself: the fingerprint of its key, its last backup. */
import { change, direct, firstRow } from './pool';

export const noted = (name: string): Promise<{ value: string; at: Date } | undefined> =>
  firstRow<{ value: string; at: Date }>('SELECT value, at FROM instance WHERE name = ?', [name]);

/** Puts it in the place of what was noted before under this name. */
export async function note(name: string, value: string, now: Date): Promise<void> {
  await change(direct(), 'INSERT INTO instance (name, value, at) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE value = VALUES(value), at = VALUES(at)', [
    name,
    value,
    now,
  ]);
}
