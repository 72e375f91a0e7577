/** Who a family's token stands for. Failures are counted by the first letters of the token, never by address. */
import { tokenLimit } from '../auth/limits';
import { TOKEN_PATTERN } from '../auth/tokens';
import { keyOfToken, type AccessKey } from '../db/access-keys';
import { Refused, refuse } from '../http/answer';

export async function familyOf(request: Request, now: Date): Promise<AccessKey> {
  const token = /^Bearer (.+)$/.exec(request.headers.get('authorization') ?? '')?.[1] ?? '';
  const unknown = refuse(401, 'authorization', 'This link is not known, or it has been replaced.', 'Ask the school for the newest link or code.');
  if (!TOKEN_PATTERN.test(token)) throw unknown;
  const key = await keyOfToken(token, now.toISOString().slice(0, 10));
  if (key) return key;
  const wait = await tokenLimit.waitFor(token);
  if (wait > 0)
    throw new Refused(
      429,
      [{ place: 'authorization', reason: 'Too many wrong links were tried.', fix: `Try again in ${Math.ceil(wait / 60)} minutes.` }],
      { 'retry-after': `${wait}` },
    );
  await tokenLimit.failed(token);
  throw unknown;
}
