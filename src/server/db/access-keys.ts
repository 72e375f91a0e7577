import type { Uuid } from '@/contract/ids';
import { readShortCode } from '@/core/codes/short-code';
import { familyToken, hashToken, type Scope } from '../auth/tokens';
import { ASSIGNMENT_COLUMNS, assignmentOf, type AssignmentRow, type ChildAssignment } from './weeks';
import { utcDay } from './reports';
import { linkLives, schoolDay } from '../school-day';
import { settings } from '../settings';
import { hashOfCode } from './short-codes';
import { gather, padded } from './gather';
import { newId, toBytes, toText } from './ids';
import { errorNumber } from './patience';
import { change, DUPLICATE, firstRow, rows, type Db } from './pool';

export interface AccessKey {
  readonly id: Uuid;
  readonly childId: Uuid;
  readonly termId: Uuid;
  readonly scope: Scope;
  readonly schoolId: Uuid;
  /** Of the school: it says which day it is for the family. */
  readonly timeZone: string;
}

interface KeyRow {
  key_id: Buffer;
  key_child: Buffer;
  term_id: Buffer;
  scope: Scope;
  ends_on: string;
  school_id: Buffer;
  time_zone: string;
}

const KEY_COLUMNS = 'k.id AS key_id, k.child_id AS key_child, k.term_id, k.scope, t.ends_on, s.id AS school_id, s.time_zone';
const KEY_TABLES = `access_keys k JOIN terms t ON t.id = k.term_id JOIN children c ON c.id = k.child_id JOIN schools s ON s.id = c.school_id`;

/** A child who has left the school has no link any more. */
const AT_SCHOOL = 'EXISTS (SELECT 1 FROM enrolments e WHERE e.child_id = k.child_id AND (e.until_on IS NULL OR e.until_on > ?))';

const keyFrom = (row: KeyRow): AccessKey => ({
  id: toText(row.key_id),
  childId: toText(row.key_child),
  termId: toText(row.term_id),
  scope: row.scope,
  schoolId: toText(row.school_id),
  timeZone: row.time_zone,
});

/**
 * The living key of a token, or nothing. To read (`reading`) a card opens also after its term has ended, as long as the child is in the school and the
 * link has not been replaced.
 */
export async function keyOfToken(token: string, now: Date, { reading = false } = {}): Promise<AccessKey | undefined> {
  const row = await firstRow<KeyRow>(`SELECT ${KEY_COLUMNS} FROM ${KEY_TABLES} WHERE k.token_hash = ? AND k.revoked_at IS NULL AND ${AT_SCHOOL}`, [
    hashToken(token),
    utcDay(now),
  ]);
  return row && ((reading && row.scope === 'card') || linkLives(row.ends_on, now, row.time_zone)) ? keyFrom(row) : undefined;
}

/** The token of the slip that a code typed from paper opens, or nothing. */
async function tokenOfCode(code: string, now: Date): Promise<string | undefined> {
  const { serverKey } = settings();
  const row = await firstRow<KeyRow & { code_ends_on: string; generation: number }>(
    `SELECT ${KEY_COLUMNS}, k.generation, c2.ends_on AS code_ends_on FROM ${KEY_TABLES}
       JOIN short_codes c2 ON c2.child_id = k.child_id AND c2.term_id = k.term_id AND c2.generation = k.generation
      WHERE c2.code_hash = ? AND k.scope = 'slip' AND k.revoked_at IS NULL AND ${AT_SCHOOL}`,
    [hashOfCode(serverKey, code), utcDay(now)],
  );
  if (!row || schoolDay(now, row.time_zone) > row.code_ends_on) return undefined;
  return familyToken(serverKey, toText(row.key_child), toText(row.term_id), row.generation, 'slip');
}

/** A token as it stands in a link, or of a code that was typed from paper; undefined for what opens nothing. */
export async function tokenWritten(written: string, now: Date): Promise<string | undefined> {
  const typed = readShortCode(written);
  return typed.is === 'code' ? tokenOfCode(typed.code, now) : written;
}

/** The living key of either, or nothing. */
export async function keyOfWritten(written: string, now: Date): Promise<AccessKey | undefined> {
  const token = await tokenWritten(written, now);
  return token === undefined ? undefined : keyOfToken(token, now);
}

/** How long after it was replaced, or after its term's links have ended, a link still hands in what was played under it, days. */
const TAKEN_AFTER_DAYS = 14;

type Life = 'living' | 'old' | 'over';

function lifeOf({ revoked_at, ends_on, time_zone }: KeyRow & { revoked_at: Date | null }, now: Date): Life {
  const before = new Date(now.getTime() - TAKEN_AFTER_DAYS * 86_400_000);
  if (revoked_at !== null && revoked_at <= now) return revoked_at > before && linkLives(ends_on, now, time_zone) ? 'old' : 'over';
  if (linkLives(ends_on, now, time_zone)) return 'living';
  return linkLives(ends_on, before, time_zone) ? 'old' : 'over';
}

export interface KeyAndAssignment {
  readonly key: AccessKey;
  /** The link was replaced, or has ended, a short while ago: it opens nothing, and a report under it waits to be looked at. */
  readonly old: boolean;
  /** What came by the links of this child today. */
  readonly today: { readonly reports: number; readonly bytes: number };
  /** Undefined when it is not that child's. */
  readonly assignment: ChildAssignment | undefined;
}

interface Claim {
  readonly tokenHash: Buffer;
  readonly assignmentId: Uuid;
  readonly now: Date;
}

async function answerClaims(claims: readonly Claim[]): Promise<(KeyAndAssignment | undefined)[]> {
  const asked = padded(claims);
  const today = utcDay(claims[0]!.now);
  const holes = asked.map(() => '?').join(', ');
  const found = await rows<
    { token_hash: Buffer; revoked_at: Date | null; day_reports: number | null; day_bytes: number | null } & KeyRow & AssignmentRow
  >(
    `SELECT k.token_hash, k.revoked_at, cd.reports AS day_reports, cd.bytes AS day_bytes, ${KEY_COLUMNS}, ${ASSIGNMENT_COLUMNS}
       FROM ${KEY_TABLES}
       LEFT JOIN assignments a ON a.child_id = k.child_id AND a.id IN (${holes})
       LEFT JOIN week_items i ON i.id = a.week_item_id
       LEFT JOIN child_days cd ON cd.child_id = k.child_id AND cd.day = ?
      WHERE k.token_hash IN (${holes}) AND ${AT_SCHOOL}`,
    [...asked.map((claim) => toBytes(claim.assignmentId)), today, ...asked.map((claim) => claim.tokenHash), today],
  );
  return claims.map(({ tokenHash, assignmentId, now }) => {
    const mine = found.filter((row) => row.token_hash.equals(tokenHash));
    const row = mine[0];
    const life = row ? lifeOf(row, now) : 'over';
    if (!row || life === 'over') return undefined;
    const id = toBytes(assignmentId);
    const assigned = mine.find((candidate) => (candidate.id as Buffer | null)?.equals(id));
    return {
      key: keyFrom(row),
      old: life === 'old',
      today: { reports: row.day_reports ?? 0, bytes: row.day_bytes ?? 0 },
      assignment: assigned && assignmentOf(assigned),
    };
  });
}

const MOST_CLAIMS = 32;

declare global {
  // The chunks of the build must share one queue.
  var lochsideClaims: ((claim: Claim) => Promise<KeyAndAssignment | undefined>) | undefined;
}

/** The living key of a token, or one that was replaced a short while ago, together with one assignment of that key's child: the way of every report, read for many at once under load. */
export function keyAndAssignment(token: string, assignmentId: Uuid, now: Date): Promise<KeyAndAssignment | undefined> {
  globalThis.lochsideClaims ??= gather(answerClaims, MOST_CLAIMS);
  return globalThis.lochsideClaims({ tokenHash: hashToken(token), assignmentId, now });
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

/** The generations of the living slips of some children in this term, of those who have one. */
export async function slipGenerations(db: Db, termId: Uuid, childIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, number>> {
  const asked = padded(childIds);
  const found = await rows<{ child_id: Buffer; generation: number }>(
    `SELECT child_id, MAX(generation) AS generation FROM access_keys
      WHERE term_id = ? AND scope = 'slip' AND revoked_at IS NULL AND child_id IN (${asked.map(() => '?').join(', ')}) GROUP BY child_id`,
    [toBytes(termId), ...asked.map(toBytes)],
    db,
  );
  return new Map(found.map((row) => [toText(row.child_id), row.generation]));
}

/** Revokes the child's keys of this term; the next tokenFor makes a new generation. */
export async function renewKeys(db: Db, serverKey: string, childId: Uuid, termId: Uuid, now: Date): Promise<void> {
  // One after the other for one child: two at once would make the same generation.
  await rows('SELECT id FROM children WHERE id = ? FOR UPDATE', [toBytes(childId)], db);
  for (const scope of ['card', 'slip'] as const) {
    const last = await rows<{ generation: number }>(
      'SELECT generation FROM access_keys WHERE child_id = ? AND term_id = ? AND scope = ? ORDER BY generation DESC LIMIT 1 FOR UPDATE',
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
