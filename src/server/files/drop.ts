/** A dropped file on its way in: stopped at 5 MB, and read by a process of its own with limits on memory and time. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { refuse } from '../http/answer';
import { readBody } from '../http/body';
import { log } from '../log';
import type { Dropped } from './read-dropped';

export const MOST_BYTES = 5 * 1024 * 1024;
const MOST_MEMORY_MB = 300;
const MOST_MS = 20_000;
const MOST_ANSWER = 24 * 1024 * 1024;
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

function readApart(name: string, bytes: Buffer): Promise<Dropped> {
  const root = process.cwd();
  return new Promise((resolve) => {
    const reader = spawn(process.execPath, [`--max-old-space-size=${MOST_MEMORY_MB}`, join(root, 'build/cli/read-file.mjs'), name.slice(0, 120)], {
      cwd: root,
      env: { PATH: process.env['PATH'] ?? '', NODE_ENV: 'production' },
      stdio: ['pipe', 'pipe', 'pipe'],
    });
    const answer: Buffer[] = [];
    let size = 0;
    let complaint = '';
    const timer = setTimeout(() => reader.kill('SIGKILL'), MOST_MS);
    reader.stdout.on('data', (part: Buffer) => {
      size += part.length;
      if (size > MOST_ANSWER) reader.kill('SIGKILL');
      else answer.push(part);
    });
    reader.stderr.on('data', (said: Buffer) => (complaint = `${complaint}${said.toString()}`.slice(-2000)));
    reader.once('error', () => resolve(unreadable));
    reader.once('close', (code) => {
      clearTimeout(timer);
      if (code === 0 && size <= MOST_ANSWER) return resolve(JSON.parse(Buffer.concat(answer).toString()) as Dropped);
      log.warn({ code, complaint: complaint.slice(0, 400) }, 'a dropped file was given up');
      resolve(unreadable);
    });
    reader.stdin.on('error', () => undefined);
    reader.stdin.end(bytes);
  });
}
