/** Who a family's token stands for. Failures are counted by the first letters of the token, never by address. */
import type { Uuid } from '@/contract/ids';
import { tokenLimit } from '../auth/limits';
import { TOKEN_PATTERN } from '../auth/tokens';
import { keyAndAssignment, keyOfToken, type AccessKey, type KeyAndAssignment } from '../db/access-keys';
import { refuse } from '../http/answer';
import { bearerOf, foundOrRefused } from '../http/bearer';

export const unknownLink = () =>
  refuse(401, 'authorization', /*i18n*/ 'This link is not known, or it has been replaced.', /*i18n*/ 'Ask the school for the newest link or code.');

const tokenOf = (request: Request) => bearerOf(request, TOKEN_PATTERN, unknownLink);

const orRefused = <T>(token: string, found: T | undefined) => foundOrRefused(found, token, tokenLimit, 'wrong links', unknownLink);

export async function familyOf(request: Request, now: Date): Promise<AccessKey> {
  const token = tokenOf(request);
  return orRefused(token, await keyOfToken(token, now));
}

/** Who reads: a card opens also after its term has ended. */
export async function familyReading(request: Request, now: Date): Promise<AccessKey> {
  const token = tokenOf(request);
  return orRefused(token, await keyOfToken(token, now, { reading: true }));
}

/** Refuses a token that stands for no family, neither now nor a short while ago. */
export async function familyKnown(request: Request, now: Date): Promise<void> {
  const token = tokenOf(request);
  await orRefused(token, await keyAndAssignment(token, NOTHING_SENT, now));
}

/** An assignment that nobody has. */
const NOTHING_SENT = '00000000-0000-7000-8000-000000000000' as Uuid;

/** The family and, when it is that child's, the assignment it reports; also under a link that was replaced a short while ago. */
export async function familyReporting(request: Request, assignmentId: Uuid, now: Date): Promise<KeyAndAssignment> {
  const token = tokenOf(request);
  return orRefused(token, await keyAndAssignment(token, assignmentId, now));
}
