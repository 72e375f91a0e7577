import type { Uuid } from '@/contract/ids';
import { randomBytes } from 'node:crypto';
import { stringifySetCookie } from 'cookie';
import { toBytes, toText } from '../db/ids';
import { change, direct, firstRow } from '../db/pool';
import { hashToken } from './tokens';

export type Role = 'teacher' | 'helper';

export interface SignedIn {
  readonly teacherId: Uuid;
  readonly schoolId: Uuid;
  readonly name: string;
  readonly schoolName: string;
  readonly timeZone: string;
  readonly role: Role;
}

const SESSION_HOURS = 12;
/** So long a deed that is sent again is known again. */
const DEEDS_KEPT_MS = 30 * 86_400_000;

export function sessionCookieName(secure: boolean): string {
  return secure ? '__Host-lochside' : 'lochside';
}

/** What a browser is told to keep; nothing, and at once, when the session is over. */
export const sessionCookie = (secure: boolean, token = '', maxAge = 0): string =>
  stringifySetCookie({ name: sessionCookieName(secure), value: token, path: '/', httpOnly: true, sameSite: 'lax', maxAge, secure });

/** Opens a session; the opaque token goes to the browser, its hash stays here. */
export async function openSession(teacherId: Uuid, schoolId: Uuid, now: Date): Promise<{ token: string; maxAge: number }> {
  const token = randomBytes(32).toString('base64url');
  const expires = new Date(now.getTime() + SESSION_HOURS * 3_600_000);
  const db = direct();
  await change(db, 'DELETE FROM sessions WHERE expires_at < ?', [now]);
  await change(db, 'DELETE FROM deeds WHERE made_at < ?', [new Date(now.getTime() - DEEDS_KEPT_MS)]);
  await change(db, 'INSERT INTO sessions (token_hash, teacher_id, school_id, created_at, expires_at) VALUES (?, ?, ?, ?, ?)', [
    hashToken(token),
    toBytes(teacherId),
    toBytes(schoolId),
    now,
    expires,
  ]);
  return { token, maxAge: SESSION_HOURS * 3600 };
}

export async function closeSession(token: string): Promise<void> {
  await change(direct(), 'DELETE FROM sessions WHERE token_hash = ?', [hashToken(token)]);
}

/** Who this session belongs to, or nothing when it is unknown, over, or the membership has ended. */
export async function signedInBy(token: string | undefined, now: Date): Promise<SignedIn | undefined> {
  if (!token || token.length > 100) return undefined;
  const row = await firstRow<{ teacher_id: Buffer; school_id: Buffer; name: string; school_name: string; time_zone: string; role: Role }>(
    `SELECT s.teacher_id, s.school_id, t.name, sc.name AS school_name, sc.time_zone, m.role
       FROM sessions s
       JOIN memberships m ON m.school_id = s.school_id AND m.teacher_id = s.teacher_id
       JOIN teachers t ON t.id = s.teacher_id
       JOIN schools sc ON sc.id = s.school_id
      WHERE s.token_hash = ? AND s.expires_at > ?`,
    [hashToken(token), now],
  );
  if (!row) return undefined;
  return {
    teacherId: toText(row.teacher_id),
    schoolId: toText(row.school_id),
    name: row.name,
    schoolName: row.school_name,
    timeZone: row.time_zone,
    role: row.role,
  };
}
