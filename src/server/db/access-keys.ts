import { familyToken, hashToken, type Scope } from '../auth/tokens';
import { ASSIGNMENT_COLUMNS, assignmentOf, type AssignmentRow, type ChildAssignment } from './weeks';
import { gather, padded } from './gather';
import { newId, toBytes, toText, type Uuid } from './ids';
import { change, DUPLICATE, errorNumber, firstRow, rows, type Db } from './pool';

export interface AccessKey {
  readonly id: Uuid;
  readonly childId: Uuid;
  readonly termId: Uuid;
  readonly scope: Scope;
}

/** The living key of a token, or nothing. */
export async function keyOfToken(token: string, today: string): Promise<AccessKey | undefined> {
  const row = await firstRow<{ id: Buffer; child_id: Buffer; term_id: Buffer; scope: Scope }>(
    `SELECT k.id, k.child_id, k.term_id, k.scope FROM access_keys k JOIN terms t ON t.id = k.term_id
      WHERE k.token_hash = ? AND k.revoked_at IS NULL AND t.ends_on >= DATE_SUB(?, INTERVAL 14 DAY)`,
    [hashToken(token), today],
  );
  return row && { id: toText(row.id), childId: toText(row.child_id), termId: toText(row.term_id), scope: row.scope };
}

export interface KeyAndAssignment {
  readonly key: AccessKey;
  /** Undefined when it is not that child's. */
  readonly assignment: ChildAssignment | undefined;
}

interface Claim {
  readonly tokenHash: Buffer;
  readonly assignmentId: Uuid;
  readonly today: string;
}

async function answerClaims(claims: readonly Claim[]): Promise<(KeyAndAssignment | undefined)[]> {
  const asked = padded(claims);
  const holes = asked.map(() => '?').join(', ');
  const found = await rows<{ token_hash: Buffer; ends_on: string; key_id: Buffer; key_child: Buffer; term_id: Buffer; scope: Scope } & AssignmentRow>(
    `SELECT k.token_hash, DATE_ADD(t.ends_on, INTERVAL 14 DAY) AS ends_on, k.id AS key_id, k.child_id AS key_child, k.term_id, k.scope,
            ${ASSIGNMENT_COLUMNS}
       FROM access_keys k JOIN terms t ON t.id = k.term_id
       LEFT JOIN assignments a ON a.child_id = k.child_id AND a.id IN (${holes})
       LEFT JOIN week_items i ON i.id = a.week_item_id
      WHERE k.token_hash IN (${holes}) AND k.revoked_at IS NULL`,
    [...asked.map((claim) => toBytes(claim.assignmentId)), ...asked.map((claim) => claim.tokenHash)],
  );
  return claims.map(({ tokenHash, assignmentId, today }) => {
    const mine = found.filter((row) => row.token_hash.equals(tokenHash) && row.ends_on >= today);
    const row = mine[0];
    if (!row) return undefined;
    const id = toBytes(assignmentId);
    const assigned = mine.find((candidate) => (candidate.id as Buffer | null)?.equals(id));
    return {
      key: { id: toText(row.key_id), childId: toText(row.key_child), termId: toText(row.term_id), scope: row.scope },
      assignment: assigned && assignmentOf(assigned),
    };
  });
}

const MOST_CLAIMS = 32;

declare global {
  // The chunks of the build must share one queue.
  var lochsideClaims: ((claim: Claim) => Promise<KeyAndAssignment | undefined>) | undefined;
}

/** The living key of a token together with one assignment of that key's child: the way of every report, read for many at once under load. */
export function keyAndAssignment(token: string, assignmentId: Uuid, today: string): Promise<KeyAndAssignment | undefined> {
  globalThis.lochsideClaims ??= gather(answerClaims, MOST_CLAIMS);
  return globalThis.lochsideClaims({ tokenHash: hashToken(token), assignmentId, today });
}

/** The token of the child's living key of this scope in this term; a first key is made when there is none. */
export async function tokenFor(db: Db, serverKey: string, childId: Uuid, termId: Uuid, scope: Scope, now: Date): Promise<string> {
  const generation = (await livingGeneration(db, childId, termId, scope)) ?? 1;
  const token = familyToken(serverKey, childId, termId, generation, scope);
  try {
    await change(db, 'INSERT INTO access_keys (id, child_id, term_id, generation, scope, token_hash, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)', [
      newId(),
      toBytes(childId),
      toBytes(termId),
      generation,
      scope,
      hashToken(token),
      now,
    ]);
  } catch (error) {
    if (errorNumber(error) !== DUPLICATE) throw error;
  }
  return token;
}

async function livingGeneration(db: Db, childId: Uuid, termId: Uuid, scope: Scope): Promise<number | undefined> {
  const row = await firstRow<{ generation: number }>(
    'SELECT generation FROM access_keys WHERE child_id = ? AND term_id = ? AND scope = ? AND revoked_at IS NULL ORDER BY generation DESC LIMIT 1',
    [toBytes(childId), toBytes(termId), scope],
    db,
  );
  return row?.generation;
}

/** Revokes the child's keys of this term; the next tokenFor makes a new generation. */
export async function renewKeys(db: Db, serverKey: string, childId: Uuid, termId: Uuid, now: Date): Promise<void> {
  for (const scope of ['card', 'slip'] as const) {
    const last = await rows<{ generation: number }>(
      'SELECT generation FROM access_keys WHERE child_id = ? AND term_id = ? AND scope = ? ORDER BY generation DESC LIMIT 1',
      [toBytes(childId), toBytes(termId), scope],
      db,
    );
    const generation = (last[0]?.generation ?? 0) + 1;
    await change(db, 'UPDATE access_keys SET revoked_at = ? WHERE child_id = ? AND term_id = ? AND scope = ? AND revoked_at IS NULL', [
      now,
      toBytes(childId),
      toBytes(termId),
      scope,
    ]);
    await change(db, 'INSERT INTO access_keys (id, child_id, term_id, generation, scope, token_hash, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)', [
      newId(),
      toBytes(childId),
      toBytes(termId),
      generation,
      scope,
      hashToken(familyToken(serverKey, childId, termId, generation, scope)),
      now,
    ]);
  }
}
