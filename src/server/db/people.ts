/** People of a school, their one-time links and their second factors. */
import type { OpenLink, People, Person, PersonRole, SignInRules } from '@/contract/people';
import type { Uuid } from '@/contract/ids';
import { newId, toBytes, toText } from './ids';
import { change, direct, firstRow, insertMany, rows, type Db } from './pool';

interface PersonRow {
  id: Buffer;
  name: string;
  email: string;
  role: PersonRole;
  closed_at: Date | null;
  second_factor: Buffer | null;
  seen_at: Date | null;
}

const PERSON = `SELECT t.id, t.name, t.email, m.role, m.closed_at, t.second_factor,
       (SELECT MAX(COALESCE(s.seen_at, s.created_at)) FROM sessions s WHERE s.teacher_id = t.id AND s.school_id = m.school_id) AS seen_at
  FROM memberships m JOIN teachers t ON t.id = m.teacher_id`;

const personOf = (row: PersonRow): Person => ({
  id: toText(row.id),
  name: row.name,
  email: row.email,
  role: row.role,
  closed: row.closed_at !== null,
  secondFactor: row.second_factor !== null,
  seenAt: row.seen_at?.toISOString() ?? null,
});

export async function peopleOf(schoolId: Uuid): Promise<Person[]> {
  return (await rows<PersonRow>(`${PERSON} WHERE m.school_id = ? ORDER BY m.closed_at IS NOT NULL, t.name`, [toBytes(schoolId)])).map(personOf);
}

export async function personOfSchool(schoolId: Uuid, id: Uuid, db?: Db): Promise<Person | undefined> {
  const row = await firstRow<PersonRow>(`${PERSON} WHERE m.school_id = ? AND t.id = ?`, [toBytes(schoolId), toBytes(id)], db);
  return row && personOf(row);
}

/** The people of a school with their open links and what signing in asks. */
export async function schoolPeople(schoolId: Uuid, now: Date): Promise<People> {
  const [people, links, rules] = await Promise.all([peopleOf(schoolId), openLinksOf(schoolId, now), rulesOf(schoolId)]);
  return { people, links, rules };
}

/** Leads who may sign in, with their rows held: two who close each other wait for one another. */
export async function openLeads(db: Db, schoolId: Uuid): Promise<Uuid[]> {
  // Rows that are only held are held on one node of a cluster; what is written is seen by all.
  await change(db, 'UPDATE schools SET touched = touched + 1 WHERE id = ?', [toBytes(schoolId)]);
  const found = await rows<{ teacher_id: Buffer }>(
    "SELECT teacher_id FROM memberships WHERE school_id = ? AND role = 'lead' AND closed_at IS NULL FOR UPDATE",
    [toBytes(schoolId)],
    db,
  );
  return found.map((row) => toText(row.teacher_id));
}

export async function setRole(db: Db, schoolId: Uuid, id: Uuid, role: PersonRole): Promise<void> {
  await change(db, 'UPDATE memberships SET role = ? WHERE school_id = ? AND teacher_id = ?', [role, toBytes(schoolId), toBytes(id)]);
}

export async function addMembership(db: Db, schoolId: Uuid, id: Uuid, role: PersonRole): Promise<void> {
  await change(db, 'INSERT INTO memberships (school_id, teacher_id, role) VALUES (?, ?, ?)', [toBytes(schoolId), toBytes(id), role]);
}

/** The schools to which somebody may sign in, by name. */
export async function schoolsOf(teacherId: Uuid): Promise<{ id: Uuid; name: string; role: PersonRole }[]> {
  const found = await rows<{ id: Buffer; name: string; role: PersonRole }>(
    'SELECT sc.id, sc.name, m.role FROM memberships m JOIN schools sc ON sc.id = m.school_id WHERE m.teacher_id = ? AND m.closed_at IS NULL ORDER BY sc.name',
    [toBytes(teacherId)],
  );
  return found.map((row) => ({ ...row, id: toText(row.id) }));
}

/** Whether somebody may sign in to another school too: password and second factor are then no matter of this one. */
export async function isElsewhereToo(db: Db, schoolId: Uuid, id: Uuid): Promise<boolean> {
  const found = await firstRow(
    'SELECT 1 FROM memberships WHERE teacher_id = ? AND school_id <> ? AND closed_at IS NULL LIMIT 1',
    [toBytes(id), toBytes(schoolId)],
    db,
  );
  return found !== undefined;
}

/** Whether any school of somebody asks for a second factor. */
export async function factorAskedOf(teacherId: Uuid): Promise<boolean> {
  const found = await firstRow(
    'SELECT 1 FROM memberships m JOIN schools sc ON sc.id = m.school_id WHERE m.teacher_id = ? AND m.closed_at IS NULL AND sc.second_factor_asked = 1 LIMIT 1',
    [toBytes(teacherId)],
  );
  return found !== undefined;
}

/** Closes or opens a membership; with the first every session of it is over. */
export async function setClosed(db: Db, schoolId: Uuid, id: Uuid, at: Date | null): Promise<void> {
  await change(db, 'UPDATE memberships SET closed_at = ? WHERE school_id = ? AND teacher_id = ?', [at, toBytes(schoolId), toBytes(id)]);
  if (at) await change(db, 'DELETE FROM sessions WHERE teacher_id = ? AND school_id = ?', [toBytes(id), toBytes(schoolId)]);
}

export async function endSessions(db: Db, teacherId: Uuid, but?: Buffer): Promise<number> {
  return change(db, `DELETE FROM sessions WHERE teacher_id = ?${but ? ' AND token_hash <> ?' : ''}`, [toBytes(teacherId), ...(but ? [but] : [])]);
}

export async function setPassword(db: Db, teacherId: Uuid, passwordHash: string): Promise<void> {
  await change(db, 'UPDATE teachers SET password_hash = ? WHERE id = ?', [passwordHash, toBytes(teacherId)]);
}

export async function setName(db: Db, teacherId: Uuid, name: string): Promise<void> {
  await change(db, 'UPDATE teachers SET name = ? WHERE id = ?', [name, toBytes(teacherId)]);
}

export async function rulesOf(schoolId: Uuid): Promise<SignInRules> {
  const row = (await firstRow<{ idle_minutes: number; longest_hours: number; second_factor_asked: number }>(
    'SELECT idle_minutes, longest_hours, second_factor_asked FROM schools WHERE id = ?',
    [toBytes(schoolId)],
  ))!;
  return { idleMinutes: row.idle_minutes, longestHours: row.longest_hours, secondFactorAsked: row.second_factor_asked === 1 };
}

export async function setRules(db: Db, schoolId: Uuid, rules: SignInRules): Promise<void> {
  await change(db, 'UPDATE schools SET idle_minutes = ?, longest_hours = ?, second_factor_asked = ? WHERE id = ?', [
    rules.idleMinutes,
    rules.longestHours,
    rules.secondFactorAsked ? 1 : 0,
    toBytes(schoolId),
  ]);
}

interface LinkRow {
  id: Buffer;
  school_id: Buffer;
  teacher_id: Buffer | null;
  email: string;
  name: string;
  role: PersonRole;
  ends_at: Date;
}

export interface PeopleLink extends OpenLink {
  readonly schoolId: Uuid;
  readonly teacherId: Uuid | null;
}

const linkOf = (row: LinkRow): PeopleLink => ({
  id: toText(row.id),
  schoolId: toText(row.school_id),
  teacherId: row.teacher_id ? toText(row.teacher_id) : null,
  email: row.email,
  name: row.name,
  role: row.role,
  reset: row.teacher_id !== null,
  endsAt: row.ends_at.toISOString(),
});

const LINK = 'SELECT id, school_id, teacher_id, email, name, role, ends_at FROM people_links WHERE used_at IS NULL AND ends_at > ?';

async function openLinksOf(schoolId: Uuid, now: Date): Promise<PeopleLink[]> {
  return (await rows<LinkRow>(`${LINK} AND school_id = ? ORDER BY made_at`, [now, toBytes(schoolId)])).map(linkOf);
}

/** What a link opens; its row is held where `db` is a transaction: it opens once. */
export async function linkByToken(tokenHash: Buffer, now: Date, db?: Db): Promise<PeopleLink | undefined> {
  const row = await firstRow<LinkRow>(`${LINK} AND token_hash = ?${db ? ' FOR UPDATE' : ''}`, [now, tokenHash], db);
  return row && linkOf(row);
}

/** Links for a new password that a lead of one school made open no account that is now of another too. */
export async function withdrawResets(db: Db, teacherId: Uuid): Promise<void> {
  await change(db, 'DELETE FROM people_links WHERE teacher_id = ? AND used_at IS NULL', [toBytes(teacherId)]);
}

/** Puts a link in the place of any that the same person has in this school. */
export async function addLink(
  db: Db,
  link: { tokenHash: Buffer; schoolId: Uuid; teacherId: Uuid | null; email: string; name: string; role: PersonRole },
  now: Date,
  endsAt: Date,
): Promise<Uuid> {
  await change(db, 'DELETE FROM people_links WHERE school_id = ? AND email = ? AND used_at IS NULL', [toBytes(link.schoolId), link.email]);
  const id = newId();
  await change(
    db,
    'INSERT INTO people_links (id, token_hash, school_id, teacher_id, email, name, role, made_at, ends_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [id, link.tokenHash, toBytes(link.schoolId), link.teacherId && toBytes(link.teacherId), link.email, link.name, link.role, now, endsAt],
  );
  return toText(id);
}

export async function withdrawLink(db: Db, schoolId: Uuid, id: Uuid): Promise<boolean> {
  return (await change(db, 'DELETE FROM people_links WHERE school_id = ? AND id = ? AND used_at IS NULL', [toBytes(schoolId), toBytes(id)])) === 1;
}

export async function linkUsed(db: Db, id: Uuid, now: Date): Promise<void> {
  await change(db, 'UPDATE people_links SET used_at = ? WHERE id = ?', [now, toBytes(id)]);
}

export interface KeptFactor {
  readonly sealed: Buffer | null;
  readonly lastStep: number;
}

export async function factorKept(teacherId: Uuid, db?: Db): Promise<KeptFactor> {
  const row = (await firstRow<{ second_factor: Buffer | null; second_factor_step: number }>(
    `SELECT second_factor, second_factor_step FROM teachers WHERE id = ?${db ? ' FOR UPDATE' : ''}`,
    [toBytes(teacherId)],
    db,
  ))!;
  return { sealed: row.second_factor, lastStep: Number(row.second_factor_step) };
}

/** Notes that the code of a step was used; false when it, or a later one, was used before. */
export async function stepUsed(db: Db, teacherId: Uuid, step: number): Promise<boolean> {
  return (
    (await change(db, 'UPDATE teachers SET second_factor_step = ? WHERE id = ? AND second_factor_step < ?', [step, toBytes(teacherId), step])) === 1
  );
}

/** Sets or takes away a second factor, with its codes to recover by. */
export async function setFactor(db: Db, teacherId: Uuid, sealed: Buffer | null, step: number, recovery: readonly Buffer[]): Promise<void> {
  await change(db, 'UPDATE teachers SET second_factor = ?, second_factor_step = ? WHERE id = ?', [sealed, step, toBytes(teacherId)]);
  await change(db, 'DELETE FROM recovery_codes WHERE teacher_id = ?', [toBytes(teacherId)]);
  await insertMany(
    db,
    'recovery_codes',
    ['teacher_id', 'code_hash'],
    recovery.map((hash) => [toBytes(teacherId), hash]),
  );
}

/** Takes one code to recover by; false for one that is none or was used. */
export async function recoveredBy(db: Db, teacherId: Uuid, codeHash: Buffer, now: Date): Promise<boolean> {
  return (
    (await change(db, 'UPDATE recovery_codes SET used_at = ? WHERE teacher_id = ? AND code_hash = ? AND used_at IS NULL', [
      now,
      toBytes(teacherId),
      codeHash,
    ])) === 1
  );
}

export async function recoveryCodesLeft(teacherId: Uuid): Promise<number> {
  const row = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM recovery_codes WHERE teacher_id = ? AND used_at IS NULL', [
    toBytes(teacherId),
  ]);
  return Number(row!.n);
}

export async function sessionsOf(
  teacherId: Uuid,
  now: Date,
): Promise<{ id: Uuid; tokenHash: Buffer; browser: string; openedAt: Date; seenAt: Date }[]> {
  const found = await rows<{ id: Buffer; token_hash: Buffer; browser: string; created_at: Date; seen_at: Date | null }>(
    'SELECT id, token_hash, browser, created_at, seen_at FROM sessions WHERE teacher_id = ? AND expires_at > ? AND id IS NOT NULL ORDER BY created_at DESC',
    [toBytes(teacherId), now],
  );
  return found.map((row) => ({
    id: toText(row.id),
    tokenHash: row.token_hash,
    browser: row.browser,
    openedAt: row.created_at,
    seenAt: row.seen_at ?? row.created_at,
  }));
}

export async function endSession(teacherId: Uuid, id: Uuid): Promise<boolean> {
  return (await change(direct(), 'DELETE FROM sessions WHERE teacher_id = ? AND id = ?', [toBytes(teacherId), toBytes(id)])) === 1;
}
