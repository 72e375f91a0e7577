/** The second factor at the door. */
import type { Uuid } from '@/contract/ids';
import { recoveryHash, stepOfCode, unsealed } from '../auth/second-factor';
import { factorKept, recoveredBy, stepUsed } from '../db/people';
import { transact } from '../db/pool';
import { settings } from '../settings';

/** "none" where there is no second factor, "asked" where no code was given; a code is used up by being right. */
export async function checkFactor(teacherId: Uuid, code: string, now: Date): Promise<'none' | 'asked' | 'right' | 'recovered' | 'wrong'> {
  const kept = await factorKept(teacherId);
  if (!kept.sealed) return 'none';
  if (code === '') return 'asked';
  const secret = unsealed(settings().serverKey, kept.sealed);
  return transact(async (db) => {
    const step = stepOfCode(secret, code, kept.lastStep, now);
    if (step !== null) return (await stepUsed(db, teacherId, step)) ? 'right' : 'wrong';
    return (await recoveredBy(db, teacherId, recoveryHash(code), now)) ? 'recovered' : 'wrong';
  });
}
