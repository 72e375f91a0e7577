import { invitedSchema } from '@/contract/people';
import { toBytes } from '@/server/db/ids';
import { schoolPeople } from '@/server/db/people';
import { firstRow, transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { makeLink } from '@/server/people/links';

export const GET = teacherRoute({ roles: ['teacher'], lead: true }, async ({ who, now }) => json(await schoolPeople(who.schoolId, now)));

/** A link for a colleague, told once: 72 hours, to be copied or printed. Another for the same address takes its place. */
export const POST = teacherRoute({ roles: ['teacher'], lead: true, body: invitedSchema }, async ({ body, who, now }) => {
  const email = body.email.toLowerCase();
  const made = await transact(async (db) => {
    const there = await firstRow<{ here: number }>(
      'SELECT EXISTS (SELECT 1 FROM memberships m WHERE m.teacher_id = t.id AND m.school_id = ?) AS here FROM teachers t WHERE t.email = ?',
      [toBytes(who.schoolId), email],
      db,
    );
    // Who has an account at another school opens the link with the password of that.
    if (there?.here === 1)
      throw refuse(409, '/email', 'Somebody of the school has this address.', 'A closed account can be opened again in the list.');
    const link = await makeLink(db, { schoolId: who.schoolId, teacherId: null, email, name: body.name, role: body.role }, now);
    await audit(
      db,
      { schoolId: who.schoolId, teacherId: who.teacherId, action: 'person invited', subject: link.id, detail: { role: body.role } },
      now,
    );
    return link;
  });
  return json(made, 201);
});
