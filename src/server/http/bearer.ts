/** The token in the Authorization header, and what happens to one that opens nothing: it is counted, and after too many nobody is answered for a while. */
import { Refused } from './answer';

/** Throws `unknown` for a header without a token of that form. */
export function bearerOf(request: Request, form: RegExp, unknown: () => Refused): string {
  const token = /^Bearer (.+)$/.exec(request.headers.get('authorization') ?? '')?.[1] ?? '';
  if (!form.test(token)) throw unknown();
  return token;
}

interface TokenLimit {
  readonly waitFor: (token: string) => Promise<number>;
  readonly failed: (token: string) => Promise<unknown>;
}

/** What was found for a token; nothing is a refusal, 429 while too many wrong ones were tried. `wrong` names them: "wrong links". */
export async function foundOrRefused<T>(found: T | undefined, token: string, limit: TokenLimit, wrong: string, unknown: () => Refused): Promise<T> {
  if (found !== undefined) return found;
  const wait = await limit.waitFor(token);
  if (wait > 0)
    throw new Refused(
      429,
      [{ place: 'authorization', reason: `Too many ${wrong} were tried.`, fix: `Try again in ${Math.ceil(wait / 60)} minutes.` }],
      { 'retry-after': `${wait}` },
    );
  await limit.failed(token);
  throw unknown();
}
