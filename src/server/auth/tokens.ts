/**
 * A family's token: the first 128 bits of HMAC-SHA256(server key, child, term, generation, scope), in base64url.
 * It can be made again for a reprint; only its SHA-256 is stored, and a new generation revokes the one before.
 */
import type { Uuid } from '@/contract/ids';
import { createHash, createHmac, randomBytes } from 'node:crypto';

export type Scope = 'card' | 'slip';

export const TOKEN_PATTERN = /^[A-Za-z0-9_-]{22}$/;

/** HMAC-SHA256 under the server's key: what it gives cannot be made without the key, nor read back. */
export const keyed = (serverKey: string, text: string): Buffer => createHmac('sha256', Buffer.from(serverKey, 'base64url')).update(text).digest();

export function familyToken(serverKey: string, childId: Uuid, termId: Uuid, generation: number, scope: Scope): string {
  return keyed(serverKey, `${childId}|${termId}|${generation}|${scope}`).subarray(0, 16).toString('base64url');
}

/** Tells a family's device that two cards are of one child, and nothing else. */
export function childMark(serverKey: string, childId: Uuid): string {
  return keyed(serverKey, `device|${childId}`).subarray(0, 9).toString('base64url');
}

export function hashToken(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

/** What another program of the school shows: 192 random bits, told once. */
export const SCHOOL_KEY_PATTERN = /^school_[A-Za-z0-9_-]{32}$/;

export function newSchoolKey(): string {
  return `school_${randomBytes(24).toString('base64url')}`;
}
