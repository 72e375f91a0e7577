import type { Uuid } from '@/contract/ids';
import { knownCookie } from '../auth/known-browser';
import { openSession, sessionCookie } from '../auth/sessions';
import { json } from '../http/answer';
import { settings } from '../settings';
import { browserNamed } from './browser-named';

/** An answer with which a session begins, and by which the browser is known again. */
export async function signedInAnswer(
  request: Request,
  who: { readonly teacherId: Uuid; readonly schoolId: Uuid; readonly email: string },
  told: object,
  status: number,
  now: Date,
): Promise<Response> {
  const session = await openSession(who.teacherId, who.schoolId, now, browserNamed(request));
  const answer = json(told, status, { 'set-cookie': sessionCookie(settings().secure, session.token, session.maxAge) });
  answer.headers.append('set-cookie', knownCookie(who.email));
  return answer;
}
