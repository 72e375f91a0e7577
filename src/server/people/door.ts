/** Who shows a password at a door: counted, held back, noted; then the second factor. The same for signing in and for a link of another school. */
import { setTimeout as sleep } from 'node:timers/promises';
import type { Uuid } from '@/contract/ids';
import { browserOf } from '../auth/known-browser';
import { heldBackMs, signInLimit } from '../auth/limits';
import { passwordIs } from '../auth/passwords';
import { transact } from '../db/pool';
import { audit } from '../db/schools';
import { addressOf } from '../http/address';
import { Refused, refuse } from '../http/answer';
import { checkFactor } from './check-factor';

export interface Knock {
  readonly request: Request;
  readonly email: string;
  readonly password: string;
  readonly code: string;
  readonly now: Date;
}

interface Known {
  readonly teacherId: Uuid;
  readonly passwordHash: string;
  /** Whose list of who did what tells of it. */
  readonly schoolId: Uuid;
}

/** Throws the refusal of who does not come in; `find` is asked after the try was counted. */
export async function letIn<T extends Known>(
  { request, email, password, code, now }: Knock,
  find: (account: string) => Promise<T | undefined>,
): Promise<T> {
  const account = email.toLowerCase();
  const browser = browserOf(request, account);
  // Counted before anything is checked: many at once are no way round it.
  const wait = browser === 'known' ? 0 : await signInLimit.addressTried(addressOf(request));
  if (wait > 0)
    throw new Refused(429, [{ place: '/email', reason: 'Too many tries from this address.', fix: `Try again in ${Math.ceil(wait / 60)} minutes.` }], {
      'retry-after': `${wait}`,
    });
  await sleep(heldBackMs(await signInLimit.tried(account, browser)));
  const found = await find(account);
  const note = (action: string) =>
    found &&
    transact((db) =>
      audit(db, { schoolId: found.schoolId, teacherId: action === 'sign-in failed' ? null : found.teacherId, action, subject: found.teacherId }, now),
    );
  if (!(await passwordIs(found?.passwordHash, password)) || !found) {
    await note('sign-in failed');
    throw refuse(401, '/password', 'That address and password do not go together.', 'Check both and try again.');
  }
  const factor = await checkFactor(found.teacherId, code, now);
  if (factor === 'asked') throw refuse(401, '/code', 'Now the six figures of your authenticator.', 'Without it: one of your codes to recover by.');
  if (factor === 'wrong') {
    await note('sign-in failed');
    throw refuse(
      401,
      '/code',
      'This code does not fit, or it was used already.',
      'Wait for the next one. Without the telephone: one of your codes to recover by.',
    );
  }
  await signInLimit.clear(account, browser);
  await note(factor === 'recovered' ? 'signed in by recovery code' : 'signed in');
  return found;
}
