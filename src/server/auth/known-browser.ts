/** A browser that signed in to an account before is known again by a cookie: wrong passwords of strangers do not slow it down. */
import { timingSafeEqual } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import { settings } from '../settings';
import { keyed } from './tokens';

const DAYS = 180;
const nameOf = (secure: boolean) => (secure ? '__Host-lochside-known' : 'lochside-known');

const markOf = (account: string) => keyed(settings().serverKey, `browser|${account}`);

/** "known" or "any": under which the tries of this browser at this account are counted. */
export function browserOf(request: Request, account: string): 'known' | 'any' {
  const shown = Buffer.from(parseCookie(request.headers.get('cookie') ?? '')[nameOf(settings().secure)] ?? '', 'base64url');
  const mark = markOf(account);
  return shown.length === mark.length && timingSafeEqual(shown, mark) ? 'known' : 'any';
}

/** What a browser keeps after it has signed in; it opens nothing. */
export function knownCookie(account: string): string {
  const { secure } = settings();
  const value = markOf(account).toString('base64url');
  return stringifySetCookie({ name: nameOf(secure), value, path: '/', httpOnly: true, sameSite: 'lax', maxAge: DAYS * 86_400, secure });
}
