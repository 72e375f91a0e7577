/**
 * A program of ours run where it can do no harm: with little memory and time, no secrets, and none of the rights of this process but to read the
 * program itself. What others made is read in it, and packages that nobody looks after any more run in it.
 */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { log } from '../log';

const MOST_MEMORY_MB = 300;
const MOST_MS = 20_000;
const MOST_ANSWER = 24 * 1024 * 1024;

/** How Node is told to allow nothing but reading the programs of the checkout at `root`. */
export const fenceOf = (root: string): string[] => [
  process.allowedNodeEnvironmentFlags.has('--permission') ? '--permission' : '--experimental-permission',
  '--no-warnings',
  ...['build/cli/', 'node_modules/', 'package.json'].map((path) => `--allow-fs-read=${root}/${path}`),
];

/** What it writes for these bytes; null where it failed, took too much or was stopped. */
export function fenced(program: 'read-file' | 'write-workbook', args: readonly string[], input: Buffer): Promise<Buffer | null> {
  const root = process.cwd();
  return new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [...fenceOf(root), `--max-old-space-size=${MOST_MEMORY_MB}`, join(root, 'build/cli', `${program}.mjs`), ...args],
      { cwd: root, env: { PATH: process.env['PATH'] ?? '', NODE_ENV: 'production' }, stdio: ['pipe', 'pipe', 'pipe'] },
    );
    const answer: Buffer[] = [];
    let size = 0;
    let complaint = '';
    const timer = setTimeout(() => child.kill('SIGKILL'), MOST_MS);
    child.stdout.on('data', (part: Buffer) => {
      size += part.length;
      if (size > MOST_ANSWER) child.kill('SIGKILL');
      else answer.push(part);
    });
    child.stderr.on('data', (said: Buffer) => (complaint = `${complaint}${said.toString()}`.slice(-2000)));
    child.once('error', () => resolve(null));
    child.once('close', (code) => {
      clearTimeout(timer);
      if (code === 0 && size <= MOST_ANSWER) return resolve(Buffer.concat(answer));
      log.warn({ program, code, complaint: complaint.slice(0, 400) }, 'a fenced program was given up');
      resolve(null);
    });
    child.stdin.on('error', () => undefined);
    child.stdin.end(input);
  });
}
