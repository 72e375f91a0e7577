/**
 * What the database could not do just now is asked again: a connection that broke, a node of a cluster that is not ready, two who were in each other's
 * way. With growing pauses that no two share, for as long as a person waits for a page.
 */
import { setTimeout as sleep } from 'node:timers/promises';
import { log } from '../log';
import { goOnFrom, pool } from './servers';

/** Too many connections, a node that is not ready, a server that shuts down, a connection that was ended from the other side, a commit that the cluster could not take. */
const UNREADY: ReadonlySet<number> = new Set([1040, 1047, 1053, 1180, 1927, 4031]);
const UNREACHABLE: ReadonlySet<string> = new Set(['ECONNREFUSED', 'ETIMEDOUT', 'EHOSTUNREACH', 'ENETUNREACH']);
const BROKEN: ReadonlySet<string> = new Set([
  ...UNREACHABLE,
  'ECONNRESET',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
]);
export const DEADLOCK = 1213;
const LOCK_TIMEOUT = 1205;
/** Somebody is in the way: so often. */
const MOST_CROSSED = 5;
const FIRST_PAUSE_MS = 20;
const LONGEST_PAUSE_MS = 800;

const patienceMs = () => Number(process.env['LOCHSIDE_DATABASE_PATIENCE_MS'] ?? 12_000);

export function errorNumber(error: unknown): number {
  return typeof error === 'object' && error !== null && 'errno' in error && typeof error.errno === 'number' ? error.errno : 0;
}

const codeOf = (error: unknown): string => (typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '');

/** Whether nobody answered at the server's address at all. */
export const isUnreachable = (error: unknown): boolean => UNREACHABLE.has(codeOf(error));

/** Whether the server was lost or not ready, so that nobody knows what came of what it was asked last. */
export function isLost(error: unknown): boolean {
  if (typeof error !== 'object' || error === null) return false;
  return UNREADY.has(errorNumber(error)) || BROKEN.has(codeOf(error)) || (error instanceof Error && error.message.includes('closed state'));
}

/** Nothing was done, and the same may succeed now. */
const isCrossed = (error: unknown): boolean => [DEADLOCK, LOCK_TIMEOUT].includes(errorNumber(error));

/**
 * `work` again, as a whole, while it fails for a reason that passes. It is told how it failed the last time: after a lost server what it asked may
 * have been done. Other errors, and the last one when the patience is over, are thrown.
 */
export async function patiently<T>(work: (failedBefore: unknown) => Promise<T>): Promise<T> {
  const began = Date.now();
  let crossed = 0;
  let failedBefore: unknown;
  for (let pause = FIRST_PAUSE_MS; ; pause = Math.min(LONGEST_PAUSE_MS, pause * 2)) {
    const asked = pool();
    try {
      return await work(failedBefore);
    } catch (error) {
      const lost = isLost(error);
      if (lost) goOnFrom(asked);
      else if (!isCrossed(error) || (crossed += 1) >= MOST_CROSSED) throw error;
      const wait = pause * (0.5 + Math.random());
      if (Date.now() - began + wait > patienceMs()) throw error;
      log.warn({ errno: errorNumber(error), code: (error as { code?: string }).code, waitMs: Math.round(wait) }, 'the database is asked again');
      failedBefore = lost || failedBefore === undefined ? error : failedBefore;
      await sleep(wait);
    }
  }
}
