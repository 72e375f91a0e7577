import { cookies } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { settings } from '../settings';
import { sessionCookieName, signedInBy, type SignedIn } from './sessions';

/** Who is signed in, for a page of the desk; anybody else goes to the sign-in page, and who lacks a second factor that the school asks for to set it up. */
export async function requireSignedIn(): Promise<SignedIn> {
  const who = await requireAnyway();
  if (who.lacksFactor) redirect('/me');
  return who;
}

/** The lead who is signed in, for what leads alone look after; for others there is no such page. */
export async function requireLead(): Promise<SignedIn> {
  const who = await requireSignedIn();
  if (!who.isLead) notFound();
  return who;
}

/** Who is signed in, with or without what the school asks for. */
export async function requireAnyway(): Promise<SignedIn> {
  const jar = await cookies();
  const who = await signedInBy(jar.get(sessionCookieName(settings().secure))?.value, new Date());
  if (!who) redirect('/sign-in');
  return who;
}

/** What the bar of the desk shows of who is signed in; nothing else goes to the browser. */
export const deskPersonOf = ({ name, schoolId, schoolName, isLead, elsewhereToo }: SignedIn) => ({
  name,
  schoolId,
  schoolName,
  isLead,
  elsewhereToo,
});
