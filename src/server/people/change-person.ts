/** What a lead changes about somebody of the school. */
import type { PersonChange } from '@/contract/people';
import type { Uuid } from '@/contract/ids';
import type { SignedIn } from '../auth/sessions';
import { isElsewhereToo, openLeads, personOfSchool, setClosed, setFactor, setRole } from '../db/people';
import { transact } from '../db/pool';
import { audit } from '../db/schools';
import { notFound, refuse } from '../http/answer';
import { makeLink } from './links';

/** The last lead neither goes nor becomes something else: nobody could call the next one. The link where one was made. */
export function changePerson(who: SignedIn, id: Uuid, asked: PersonChange, now: Date): Promise<{ url: string; endsAt: string } | null> {
  return transact(async (db) => {
    const leads = await openLeads(db, who.schoolId);
    const person = await personOfSchool(who.schoolId, id, db);
    if (!person) throw notFound('person');
    const isLastLead = leads.length === 1 && leads[0] === id;
    const note = (action: string, detail = {}) => audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action, subject: id, detail }, now);
    switch (asked.change) {
      case 'role':
        if (isLastLead && asked.role !== 'lead') throw lastLead();
        await setRole(db, who.schoolId, id, asked.role);
        await note('person role', { from: person.role, to: asked.role });
        return null;
      case 'close':
        if (isLastLead) throw lastLead();
        await setClosed(db, who.schoolId, id, now);
        await note('person closed');
        return null;
      case 'reopen':
        await setClosed(db, who.schoolId, id, null);
        await note('person reopened');
        return null;
      case 'no-second-factor':
        if (await isElsewhereToo(db, who.schoolId, id)) throw ofAnother();
        await setFactor(db, id, null, 0, []);
        await note('second factor taken off');
        return null;
      case 'reset': {
        if (person.closed) throw refuse(409, '', 'This account is closed.', 'Open it again first.');
        if (await isElsewhereToo(db, who.schoolId, id)) throw ofAnother();
        const made = await makeLink(db, { schoolId: who.schoolId, teacherId: id, email: person.email, name: person.name, role: person.role }, now);
        await note('password link made');
        return made;
      }
    }
  });
}

/** Who could set the password here could sign in there. */
const ofAnother = () =>
  refuse(
    409,
    '',
    'This colleague signs in to another school too: password and second factor open both.',
    'Who looks after the server can help: npx lochside teacher reset.',
  );

const lastLead = () => refuse(409, '', 'This is the last lead of the school.', 'Make somebody else a lead first.');
