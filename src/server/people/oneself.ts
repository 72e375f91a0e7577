/** What somebody sees and changes of itself. */
import { setTimeout as sleep } from 'node:timers/promises';
import { toString as toSvg } from 'qrcode';
import type { Secret } from 'otpauth';
import type { Uuid } from '@/contract/ids';
import type { Oneself } from '@/contract/people';
import { heldBackMs, signInLimit } from '../auth/limits';
import { hashPassword, passwordIs } from '../auth/passwords';
import { factorOf, newRecoveryCodes, newSecret, recoveryHash, sealed, stepOfCode, unsealed } from '../auth/second-factor';
import { checkStrength } from '../auth/strength';
import { moveSession, type SignedIn } from '../auth/sessions';
import { hashToken } from '../auth/tokens';
import {
  endSessions,
  factorAskedOf,
  factorKept,
  personOfSchool,
  recoveryCodesLeft,
  rulesOf,
  schoolsOf,
  sessionsOf,
  setFactor,
  setPassword,
} from '../db/people';
import { transact } from '../db/pool';
import { audit } from '../db/schools';
import { accountByEmail } from '../db/teachers';
import { notFound, refuse } from '../http/answer';
import { settings } from '../settings';

export async function oneself(who: SignedIn, token: string, now: Date): Promise<Oneself> {
  const [person, rules, codes, sessions, schools] = await Promise.all([
    personOfSchool(who.schoolId, who.teacherId),
    rulesOf(who.schoolId),
    recoveryCodesLeft(who.teacherId),
    sessionsOf(who.teacherId, now),
    schoolsOf(who.teacherId),
  ]);
  const here = hashToken(token);
  return {
    name: person!.name,
    email: person!.email,
    role: person!.role,
    secondFactor: person!.secondFactor,
    secondFactorAsked: rules.secondFactorAsked,
    recoveryCodes: codes,
    schools: schools.map(({ id, name, role }) => ({ id, name, role, here: id === who.schoolId })),
    sessions: sessions.map(({ id, browser, openedAt, seenAt, tokenHash }) => ({
      id,
      browser,
      openedAt: openedAt.toISOString(),
      seenAt: seenAt.toISOString(),
      here: tokenHash.equals(here),
    })),
  };
}

/** Refuses who does not know the password of this account: a desk that was left open changes nothing of it. Counted as a try to sign in. */
export async function checkCurrent(who: SignedIn, current: string): Promise<string> {
  const { email } = (await personOfSchool(who.schoolId, who.teacherId))!;
  await sleep(heldBackMs(await signInLimit.tried(email, 'own page')));
  const account = await accountByEmail(email);
  if (!(await passwordIs(account?.passwordHash, current)))
    throw refuse(401, '/current', 'That is not your password.', 'Write the one that you signed in with.');
  await signInLimit.clear(email, 'own page');
  return email;
}

const noted = (who: SignedIn, action: string) => ({ schoolId: who.schoolId, teacherId: who.teacherId, action, subject: who.teacherId });

/** Every other session is over with it. */
export async function changeOwnPassword(who: SignedIn, token: string, asked: { current: string; password: string }, now: Date): Promise<void> {
  const email = await checkCurrent(who, asked.current);
  checkStrength(asked.password, [who.name, email, who.schoolName]);
  const passwordHash = await hashPassword(asked.password);
  await transact(async (db) => {
    await setPassword(db, who.teacherId, passwordHash);
    await endSessions(db, who.teacherId, hashToken(token));
    await audit(db, noted(who, 'own password changed'), now);
  });
}

/** A secret to be shown once; it holds when a code of it comes back, and stands nowhere until then. */
export async function beginFactor(who: SignedIn, current: string): Promise<{ url: string; svg: string; pending: string }> {
  const email = await checkCurrent(who, current);
  const secret = newSecret();
  const url = factorOf(secret, email, who.schoolName).toString();
  return { url, svg: await toSvg(url, { type: 'svg', margin: 1 }), pending: sealed(settings().serverKey, secret).toString('base64url') };
}

/** The codes to recover by, told once. */
export async function confirmFactor(who: SignedIn, token: string, asked: { pending: string; code: string }, now: Date): Promise<readonly string[]> {
  let secret: Secret;
  try {
    secret = unsealed(settings().serverKey, Buffer.from(asked.pending, 'base64url'));
  } catch {
    throw refuse(400, '', 'This did not come from here.', 'Begin again.');
  }
  const step = stepOfCode(secret, asked.code, 0, now);
  if (step === null) throw refuse(400, '/code', 'This code does not fit.', 'Take the newest one; the clock of the telephone must be right.');
  const codes = newRecoveryCodes();
  await transact(async (db) => {
    await setFactor(db, who.teacherId, sealed(settings().serverKey, secret), step, codes.map(recoveryHash));
    await endSessions(db, who.teacherId, hashToken(token));
    await audit(db, noted(who, 'second factor set'), now);
  });
  return codes;
}

export async function takeOffFactor(who: SignedIn, current: string, now: Date): Promise<void> {
  await checkCurrent(who, current);
  if ((await factorAskedOf(who.teacherId)) && (await factorKept(who.teacherId)).sealed)
    throw refuse(409, '', 'The school asks for a second factor.', 'Set up the new one in its place.');
  await transact(async (db) => {
    await setFactor(db, who.teacherId, null, 0, []);
    await audit(db, noted(who, 'second factor taken off'), now);
  });
}

/** This session is of another of one's schools from now on; both its windows and its rules. */
export async function goToSchool(who: SignedIn, token: string, schoolId: Uuid, now: Date): Promise<void> {
  if (schoolId === who.schoolId) return;
  await transact(async (db) => {
    if (!(await moveSession(db, token, who.teacherId, schoolId, now))) throw notFound('school');
    await audit(db, { schoolId, teacherId: who.teacherId, action: 'signed in', subject: who.teacherId, detail: { from: 'another school' } }, now);
  });
}
