import { ownSchoolSchema } from '@/contract/people';
import { json } from '@/server/http/answer';
import { sessionToken, teacherRoute } from '@/server/http/route';
import { goToSchool } from '@/server/people/oneself';

/** Goes over to another of one's schools. */
export const PUT = teacherRoute(
  { roles: ['teacher', 'helper'], anyway: true, body: ownSchoolSchema },
  async ({ request, body: { school }, who, now }) => {
    await goToSchool(who, sessionToken(request)!, school, now);
    return json({ ok: true });
  },
);
