/** One-time links by which people of a school come in, or get a new password. Lochside sends none: a lead copies or prints it. */
import { randomBytes } from 'node:crypto';
import type { JoinedKnown, PersonRole } from '@/contract/people';
import type { Uuid } from '@/contract/ids';
import { hashPassword } from '../auth/passwords';
import { checkStrength } from '../auth/strength';
import { hashToken } from '../auth/tokens';
import { toBytes } from '../db/ids';
import { addLink, addMembership, endSessions, linkByToken, linkUsed, setPassword, withdrawResets, type PeopleLink } from '../db/people';
import { errorNumber } from '../db/patience';
import { DUPLICATE, firstRow, transact, type Db } from '../db/pool';
import { audit } from '../db/schools';
import { accountOfAddress, addTeacher } from '../db/teachers';
import { refuse } from '../http/answer';
import { settings } from '../settings';
import { letIn } from './door';

const LINK_HOURS = 72;
export const PEOPLE_TOKEN = /^[A-Za-z0-9_-]{43}$/;

/** The address of the link; its token stands behind the "#", where no log sees it. */
export async function makeLink(
  db: Db,
  link: { schoolId: Uuid; teacherId: Uuid | null; email: string; name: string; role: PersonRole },
  now: Date,
): Promise<{ id: Uuid; url: string; endsAt: string }> {
  const token = randomBytes(32).toString('base64url');
  const endsAt = new Date(now.getTime() + LINK_HOURS * 3_600_000);
  const id = await addLink(db, { ...link, tokenHash: hashToken(token) }, now, endsAt);
  return { id, url: `${settings().publicUrl}/join#t=${token}`, endsAt: endsAt.toISOString() };
}

export const deadLink = () =>
  refuse(
    401,
    'authorization',
    'This link does not open: it was used, replaced, or its three days are over.',
    'Ask a lead of your school for a new one.',
  );

export async function schoolNameOf(schoolId: Uuid): Promise<string> {
  return (await firstRow<{ name: string }>('SELECT name FROM schools WHERE id = ?', [toBytes(schoolId)]))!.name;
}

/** Uses a link: the account is made, or has the new password and no session left. Who it is. */
export async function join(token: string, password: string, now: Date): Promise<{ teacherId: Uuid; schoolId: Uuid; email: string }> {
  if (!PEOPLE_TOKEN.test(token)) throw deadLink();
  const seen = await linkByToken(hashToken(token), now);
  if (!seen) throw deadLink();
  checkStrength(password, [seen.name, seen.email, await schoolNameOf(seen.schoolId)]);
  const passwordHash = await hashPassword(password);
  return transact(
    async (db) => {
      const link = await linkByToken(hashToken(token), now, db);
      if (!link) throw deadLink();
      const teacherId = await accountOf(db, link, passwordHash, now);
      await linkUsed(db, link.id, now);
      const action = link.reset ? 'password set by link' : 'person joined';
      await audit(db, { schoolId: link.schoolId, teacherId, action, subject: teacherId, detail: link.reset ? {} : { role: link.role } }, now);
      return { teacherId, schoolId: link.schoolId, email: link.email };
    },
    { duplicate: 'tells' },
  );
}

/** Whether a link is for somebody who signs in to another school already. */
export async function isKnown(link: PeopleLink): Promise<boolean> {
  return !link.reset && ((await accountOfAddress(link.email))?.open ?? false);
}

/** Uses a link with the account of another school: its password, and its second factor where there is one. */
export async function joinKnown(
  request: Request,
  { token, password, code }: JoinedKnown,
  now: Date,
): Promise<{ teacherId: Uuid; schoolId: Uuid; email: string }> {
  if (!PEOPLE_TOKEN.test(token)) throw deadLink();
  const seen = await linkByToken(hashToken(token), now);
  if (!seen || !(await isKnown(seen))) throw deadLink();
  const { teacherId } = await letIn({ request, email: seen.email, password, code, now }, async (email) => {
    const found = await accountOfAddress(email);
    return found && { ...found, schoolId: seen.schoolId };
  });
  return transact(async (db) => {
    const link = await linkByToken(hashToken(token), now, db);
    if (!link) throw deadLink();
    await addMembership(db, link.schoolId, teacherId, link.role);
    await withdrawResets(db, teacherId);
    await linkUsed(db, link.id, now);
    await audit(db, { schoolId: link.schoolId, teacherId, action: 'person joined', subject: teacherId, detail: { role: link.role } }, now);
    return { teacherId, schoolId: link.schoolId, email: link.email };
  });
}

async function accountOf(db: Db, link: PeopleLink, passwordHash: string, now: Date): Promise<Uuid> {
  if (link.teacherId) {
    await setPassword(db, link.teacherId, passwordHash);
    await endSessions(db, link.teacherId);
    return link.teacherId;
  }
  const there = await accountOfAddress(link.email, db);
  if (there?.open) throw hasAccount(link.email);
  if (there) {
    // Has left every other school: nobody but this one is opened by it.
    await setPassword(db, there.teacherId, passwordHash);
    await endSessions(db, there.teacherId);
    await addMembership(db, link.schoolId, there.teacherId, link.role);
    return there.teacherId;
  }
  try {
    return await addTeacher(db, { schoolId: link.schoolId, name: link.name, email: link.email, passwordHash, role: link.role }, now);
  } catch (error) {
    if (errorNumber(error) !== DUPLICATE) throw error;
    throw hasAccount(link.email);
  }
}

const hasAccount = (email: string) =>
  refuse(409, '', `There is an account for ${email} already.`, 'Load this page again and come in with its password.');
