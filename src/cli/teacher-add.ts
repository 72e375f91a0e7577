/** Adds a teacher or helper to a school's server, and the school with its first teacher. Prints the first password once. */
import { randomBytes } from 'node:crypto';
import { hashPassword } from '@/server/auth/passwords';
import { errorNumber } from '@/server/db/patience';
import { DUPLICATE, transact } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { addSchool, audit, schoolsHere, type SchoolHere } from '@/server/db/schools';
import { addMembership, personOfSchool, setFactor, withdrawResets } from '@/server/db/people';
import { accountByEmail, accountOfAddress, addTeacher } from '@/server/db/teachers';
import { makeLink } from '@/server/people/links';
import { useOwnInstance } from './own-instance';

/** Whose teacher it is: the school that is named, the only one, or one that is to be made. Never another than was meant. */
export function schoolMeant(there: readonly SchoolHere[], named?: string, made?: string): SchoolHere | { readonly name: string } {
  if (there.some(({ isDemo }) => isDemo)) throw new Error('this database holds the demo school; give the real school its own');
  const list = there.map(({ name }) => `“${name}”`).join(', ');
  if (made) {
    if (there.some(({ name }) => name === made)) throw new Error(`there is a school “${made}” already: name it with --school`);
    return { name: made };
  }
  if (there.length === 0) {
    if (!named) throw new Error('--school is needed with the first teacher');
    return { name: named };
  }
  const found = named ? there.find(({ name }) => name === named) : there.length === 1 ? there[0] : undefined;
  if (found) return found;
  throw new Error(
    named ? `there is no school “${named}” here, only ${list}; --new-school makes another` : `say with --school which one it is: ${list}`,
  );
}

/** A link by which somebody chooses a new password, printed once: for a lead who forgot it, or lost the telephone with the second factor (--second-factor off). */
export async function resetTeacherCommand(options: Readonly<Record<string, string | undefined>>): Promise<number> {
  const email = options['email']?.toLowerCase();
  if (!email) throw new Error('--email is needed');
  useOwnInstance();
  const now = new Date();
  try {
    const account = await accountByEmail(email);
    if (!account) throw new Error(`there is no open account for ${email}`);
    const person = (await personOfSchool(account.schoolId, account.teacherId))!;
    const off = options['second-factor'] === 'off';
    const link = await transact(async (db) => {
      if (off) await setFactor(db, person.id, null, 0, []);
      await audit(
        db,
        {
          schoolId: account.schoolId,
          teacherId: null,
          action: 'password link made on the server',
          subject: person.id,
          detail: off ? { secondFactor: 'off' } : {},
        },
        now,
      );
      const { name, role } = person;
      return makeLink(db, { schoolId: account.schoolId, teacherId: person.id, email, name, role }, now);
    });
    process.stdout.write(`${JSON.stringify({ name: person.name, email, link: link.url, until: link.endsAt }, null, 2)}\n`);
    return 0;
  } finally {
    await closePools();
  }
}

export async function addTeacherCommand(options: Readonly<Record<string, string | undefined>>): Promise<number> {
  const { name, email, school, zone = 'Europe/London', role = 'teacher' } = options;
  if (!name?.trim() || !email || !/^[^@\s]+@[^@\s]+$/.test(email)) throw new Error('--name and --email are needed, the address with an @');
  if (role !== 'teacher' && role !== 'helper' && role !== 'lead') throw new Error('--role is lead, teacher or helper');
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone });
  } catch {
    throw new Error(`--zone “${zone}” is no time zone; write one such as Europe/London`);
  }
  useOwnInstance();
  const password = randomBytes(9).toString('base64url');
  const passwordHash = await hashPassword(password);
  const now = new Date();
  try {
    const made = await transact(async (db) => {
      const there = schoolMeant(await schoolsHere(db), school?.trim(), options['new-school']?.trim());
      const schoolId = 'id' in there ? there.id : await addSchool(db, { name: there.name, timeZone: zone, isDemo: false }, now);
      // The first of a school looks after its people.
      const comesAs = 'id' in there ? role : 'lead';
      const known = await accountOfAddress(email.toLowerCase(), db);
      const added =
        known?.teacherId ?? (await addTeacher(db, { schoolId, name: name.trim(), email: email.toLowerCase(), passwordHash, role: comesAs }, now));
      if (known) {
        await addMembership(db, schoolId, added, comesAs);
        await withdrawResets(db, added);
      }
      await audit(db, { schoolId, teacherId: null, action: 'person added on the server', subject: added, detail: { role: comesAs } }, now);
      return { name: there.name, role: comesAs, known: known !== undefined };
    });
    process.stdout.write(
      `${JSON.stringify({ school: made.name, name: name.trim(), email: email.toLowerCase(), role: made.role, password: made.known ? 'the one of the account that is there already' : password }, null, 2)}\n`,
    );
    return 0;
  } catch (error) {
    if (errorNumber(error) === DUPLICATE) throw new Error(`${email} is of this school already`);
    throw error;
  } finally {
    await closePools();
  }
}
