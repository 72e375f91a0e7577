import { factorBegunSchema, factorConfirmedSchema } from '@/contract/people';
import { json } from '@/server/http/answer';
import { sessionToken, teacherRoute } from '@/server/http/route';
import { beginFactor, confirmFactor, takeOffFactor } from '@/server/people/oneself';

const WHO = { roles: ['teacher', 'helper'], anyway: true } as const;

/** A secret for the authenticator, told once; nothing holds before a code of it comes back. */
export const POST = teacherRoute({ ...WHO, body: factorBegunSchema }, async ({ body, who }) => json(await beginFactor(who, body.current)));

/** The code that shows that the authenticator has it. The codes to recover by are told once. */
export const PUT = teacherRoute({ ...WHO, body: factorConfirmedSchema }, async ({ request, body, who, now }) =>
  json({ recoveryCodes: await confirmFactor(who, sessionToken(request)!, body, now) }),
);

export const DELETE = teacherRoute({ ...WHO, body: factorBegunSchema }, async ({ body, who, now }) => {
  await takeOffFactor(who, body.current, now);
  return json({ ok: true });
});
