import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { settings } from '../settings';
import { sessionCookieName, signedInBy, type SignedIn } from './sessions';

/** Who is signed in, for a page; anybody else goes to the sign-in page. */
export async function requireSignedIn(): Promise<SignedIn> {
  const jar = await cookies();
  const who = await signedInBy(jar.get(sessionCookieName(settings().secure))?.value, new Date());
  if (!who) redirect('/sign-in');
  return who;
}
