/** A dropped file on its way in: stopped at 5 MB, and read by a process of its own with limits on memory and time. */
import { refuse } from '../http/answer';
import { readBody } from '../http/body';
import { fenced } from './fenced';
import type { Dropped } from './read-dropped';

export const MOST_BYTES = 5 * 1024 * 1024;
const MOST_AT_ONCE = 3;

declare global {
  // The chunks of the build must share one count; it only guards this machine's processor and memory.
  var lochsideReaders: number | undefined;
}

/** The body of a request as it streams in; more than 5 MB are refused with 413 as soon as they are more. */
export function uploaded(request: Request): Promise<Buffer> {
  return readBody(request, MOST_BYTES, () => refuse(413, '', 'The file is larger than 5 MB.', 'Split it, or leave out what is not a score.'));
}

export async function readFile(name: string, bytes: Buffer): Promise<Dropped> {
  if ((globalThis.lochsideReaders ?? 0) >= MOST_AT_ONCE) throw refuse(429, '', 'Other files are being read just now.', 'Try again in a few seconds.');
  globalThis.lochsideReaders = (globalThis.lochsideReaders ?? 0) + 1;
  try {
    return await readApart(name, bytes);
  } finally {
    globalThis.lochsideReaders = (globalThis.lochsideReaders ?? 1) - 1;
  }
}

const unreadable: Dropped = {
  kind: 'problem',
  reason: 'The file takes too much time or memory to read.',
  fix: 'Copy the scores into a new file and drop that.',
};

async function readApart(name: string, bytes: Buffer): Promise<Dropped> {
  const answer = await fenced('read-file', [name.slice(0, 120)], bytes);
  return answer ? (JSON.parse(answer.toString()) as Dropped) : unreadable;
}
