/** The key under which a server's links and codes were made, known again by a fingerprint in the database. */
import { createHash } from 'node:crypto';
import { familyToken, hashToken, type Scope } from './tokens';
import { toText } from '../db/ids';
import { note, noted } from '../db/instance';
import { rows } from '../db/pool';

const FINGERPRINT = 'server key';

const fingerprintOf = (serverKey: string) => createHash('sha256').update(`fingerprint|${serverKey}`).digest('hex').slice(0, 32);

/** Whether the links that stand in the database were made with this key; true where there is none to compare. A database of the version before has no fingerprint. */
async function madeTheLinks(serverKey: string): Promise<boolean> {
  const keys = await rows<{ child_id: Buffer; term_id: Buffer; generation: number; scope: Scope; token_hash: Buffer }>(
    'SELECT child_id, term_id, generation, scope, token_hash FROM access_keys ORDER BY created_at DESC LIMIT 1',
  );
  return keys.every((key) =>
    hashToken(familyToken(serverKey, toText(key.child_id), toText(key.term_id), key.generation, key.scope)).equals(key.token_hash),
  );
}

/** Refuses, with words, a key that is not the one with which this database was used: every printed link and code would be dead. */
export async function checkServerKey(serverKey: string, now: Date): Promise<void> {
  const kept = await noted(FINGERPRINT);
  const own = fingerprintOf(serverKey);
  if (kept?.value === own) return;
  if (kept !== undefined || !(await madeTheLinks(serverKey)))
    throw new Error(
      'This database was used with another server key. With this one every printed link and code would be dead. Put back secrets.json of that time (or LOCHSIDE_SERVER_KEY). ' +
        'If the old key is lost for good: LOCHSIDE_NEW_KEY=yes takes this one, and new links must be printed for everybody. Nothing was changed.',
    );
  await keepServerKey(serverKey, now);
}

/** From now on this is the key. */
export async function keepServerKey(serverKey: string, now: Date): Promise<void> {
  await note(FINGERPRINT, fingerprintOf(serverKey), now);
}
