import { schoolDeletedSchema } from '@/contract/keeping';
import { json, refuse } from '@/server/http/answer';
import { sessionCookie } from '@/server/auth/sessions';
import { teacherRoute } from '@/server/http/route';
import { deleteSchool } from '@/server/keeping/delete-school';
import { checkCurrent } from '@/server/people/oneself';
import { settings } from '@/server/settings';

/** The school is deleted, by a lead who writes its name and the own password. */
export const DELETE = teacherRoute({ roles: ['teacher'], lead: true, body: schoolDeletedSchema }, async ({ body, who, now }) => {
  if (body.name.trim() !== who.schoolName)
    throw refuse(409, '/name', 'That is not the name of this school.', `Write it as it stands here: ${who.schoolName}`);
  await checkCurrent(who, body.current);
  await deleteSchool(who.schoolId, now);
  return json({ ok: true }, 200, { 'set-cookie': sessionCookie(settings().secure) });
});
