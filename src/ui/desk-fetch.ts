/** Requests of a window of the desk. Each says of which school the window is: in another window one may have gone over to another, with the same cookie. */
import { SCHOOL_HEADER } from '@/contract/window';

/** The school that this window shows; null before anybody is signed in, and where there is no window. */
const schoolShown = (): string | null =>
  typeof document === 'undefined' ? null : (document.querySelector('[data-school]')?.getAttribute('data-school') ?? null);

export function deskFetch(url: string, init: RequestInit & { headers?: Record<string, string> } = {}): Promise<Response> {
  const school = schoolShown();
  return fetch(url, school === null ? init : { ...init, headers: { ...init.headers, [SCHOOL_HEADER]: school } });
}
