import { personChangeSchema } from '@/contract/people';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { changePerson } from '@/server/people/change-person';

export const PATCH = teacherRoute({ roles: ['teacher'], lead: true, body: personChangeSchema }, async ({ body, who, id, now }) => {
  return json((await changePerson(who, id(), body, now)) ?? { ok: true });
});
