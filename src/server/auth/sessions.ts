import type { Uuid } from '@/contract/ids';
import { randomBytes } from 'node:crypto';
import { stringifySetCookie } from 'cookie';
import type { PersonRole } from '@/contract/people';
import { newId, toBytes, toText } from '../db/ids';
import { rulesOf } from '../db/people';
import { change, direct, firstRow, type Db } from '../db/pool';
import { hashToken } from './tokens';

/** What may be changed; a lead is a teacher who also looks after people, keeping and backups. */
export type Role = 'teacher' | 'helper';

export interface SignedIn {
  readonly teacherId: Uuid;
  readonly schoolId: Uuid;
  readonly name: string;
  readonly schoolName: string;
  readonly timeZone: string;
  readonly role: Role;
  readonly isLead: boolean;
  /** May sign in to another school too. */
  readonly elsewhereToo: boolean;
  /** The school asks for a second factor, and this person has none yet: nothing but that may be done. */
  readonly lacksFactor: boolean;
}

/** A sign of life is written down as often. */
const SEEN_EVERY_MS = 60_000;
/** So long a deed that is sent again is known again. */
const DEEDS_KEPT_MS = 30 * 86_400_000;

export function sessionCookieName(secure: boolean): string {
  return secure ? '__Host-lochside' : 'lochside';
}

/** What a browser is told to keep; nothing, and at once, when the session is over. */
export const sessionCookie = (secure: boolean, token = '', maxAge = 0): string =>
  stringifySetCookie({ name: sessionCookieName(secure), value: token, path: '/', httpOnly: true, sameSite: 'lax', maxAge, secure });

/** Opens a session; the opaque token goes to the browser, its hash stays here. */
export async function openSession(teacherId: Uuid, schoolId: Uuid, now: Date, browser = ''): Promise<{ token: string; maxAge: number }> {
  const token = randomBytes(32).toString('base64url');
  const { longestHours } = await rulesOf(schoolId);
  const expires = new Date(now.getTime() + longestHours * 3_600_000);
  const db = direct();
  await change(db, 'DELETE FROM deeds WHERE made_at < ?', [new Date(now.getTime() - DEEDS_KEPT_MS)]);
  await change(
    db,
    'INSERT INTO sessions (token_hash, teacher_id, school_id, created_at, expires_at, id, seen_at, browser) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    [hashToken(token), toBytes(teacherId), toBytes(schoolId), now, expires, newId(), now, browser],
  );
  return { token, maxAge: longestHours * 3600 };
}

/** Goes over to another school of the same person; false where it is none of theirs. Its longest hours count from when the session was opened. */
export async function moveSession(db: Db, token: string, teacherId: Uuid, schoolId: Uuid, now: Date): Promise<boolean> {
  const moved = await change(
    db,
    `UPDATE sessions s JOIN memberships m ON m.teacher_id = s.teacher_id AND m.school_id = ? AND m.closed_at IS NULL JOIN schools sc ON sc.id = m.school_id
        SET s.school_id = m.school_id, s.seen_at = ?, s.expires_at = LEAST(s.expires_at, s.created_at + INTERVAL sc.longest_hours HOUR)
      WHERE s.token_hash = ? AND s.teacher_id = ?`,
    [toBytes(schoolId), now, hashToken(token), toBytes(teacherId)],
  );
  return moved === 1;
}

export async function closeSession(token: string): Promise<void> {
  await change(direct(), 'DELETE FROM sessions WHERE token_hash = ?', [hashToken(token)]);
}

/** Who this session belongs to, or nothing when it is unknown, over, or the membership has ended. */
export async function signedInBy(token: string | undefined, now: Date): Promise<SignedIn | undefined> {
  if (!token || token.length > 100) return undefined;
  const row = await firstRow<{
    teacher_id: Buffer;
    school_id: Buffer;
    name: string;
    school_name: string;
    time_zone: string;
    role: PersonRole;
    seen_at: Date | null;
    lacks_factor: number;
    elsewhere: number;
  }>(
    `SELECT s.teacher_id, s.school_id, t.name, sc.name AS school_name, sc.time_zone, m.role, s.seen_at,
            sc.second_factor_asked = 1 AND t.second_factor IS NULL AS lacks_factor,
            EXISTS (SELECT 1 FROM memberships o WHERE o.teacher_id = s.teacher_id AND o.school_id <> s.school_id AND o.closed_at IS NULL) AS elsewhere
       FROM sessions s
       JOIN memberships m ON m.school_id = s.school_id AND m.teacher_id = s.teacher_id
       JOIN teachers t ON t.id = s.teacher_id
       JOIN schools sc ON sc.id = s.school_id
      WHERE s.token_hash = ? AND s.expires_at > ? AND m.closed_at IS NULL
        AND COALESCE(s.seen_at, s.created_at) > ? - INTERVAL sc.idle_minutes MINUTE`,
    [hashToken(token), now, now],
  );
  if (!row) return undefined;
  if (row.seen_at === null || now.getTime() - row.seen_at.getTime() > SEEN_EVERY_MS)
    await change(direct(), 'UPDATE sessions SET seen_at = ? WHERE token_hash = ?', [now, hashToken(token)]);
  return {
    teacherId: toText(row.teacher_id),
    schoolId: toText(row.school_id),
    name: row.name,
    schoolName: row.school_name,
    timeZone: row.time_zone,
    role: row.role === 'helper' ? 'helper' : 'teacher',
    isLead: row.role === 'lead',
    lacksFactor: row.lacks_factor === 1,
    elsewhereToo: row.elsewhere === 1,
  };
}
