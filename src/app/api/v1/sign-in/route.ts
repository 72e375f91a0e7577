import { signInSchema } from '@/contract/sign-in';
import { accountByEmail } from '@/server/db/teachers';
import { openRoute } from '@/server/http/route';
import { letIn } from '@/server/people/door';
import { signedInAnswer } from '@/server/people/signed-in-answer';

export const POST = openRoute({ body: signInSchema }, async ({ request, body, now }) => {
  const { teacherId, schoolId } = await letIn({ request, ...body, now }, accountByEmail);
  return signedInAnswer(request, { teacherId, schoolId, email: body.email.toLowerCase() }, { ok: true }, 200, now);
});
