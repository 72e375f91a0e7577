/** Has a job made by a process of its own: lines of JSON as they come, how far it is and at last the PDF. */
import { spawn } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { log } from '../log';
import { refuse } from '../http/answer';
import type { PaperJob } from './job';

const MOST_AT_ONCE = 2;

declare global {
  // The chunks of the build must share one count; it only guards this machine's processor.
  var lochsidePaper: number | undefined;
}

export function makePaper(job: PaperJob, signal: AbortSignal): ReadableStream<Uint8Array> {
  if ((globalThis.lochsidePaper ?? 0) >= MOST_AT_ONCE) throw refuse(429, '', 'Other sheets are being made just now.', 'Try again in a few seconds.');
  globalThis.lochsidePaper = (globalThis.lochsidePaper ?? 0) + 1;
  const root = process.cwd();
  const maker = spawn(process.execPath, [join(root, 'build/cli/paper.mjs')], {
    cwd: root,
    // The maker needs neither the database nor any secret.
    env: { PATH: process.env['PATH'] ?? '', NODE_ENV: 'production' },
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  // Families come first: what is sent meanwhile is answered before the next sheet is laid out.
  if (maker.pid !== undefined) setPriority(maker.pid, constants.priority.PRIORITY_LOW);
  let complaint = '';
  maker.stderr.on('data', (said: Buffer) => (complaint = `${complaint}${said.toString()}`.slice(-2000)));
  const stop = () => maker.kill('SIGKILL');
  signal.addEventListener('abort', stop);
  maker.once('close', (code) => {
    globalThis.lochsidePaper = (globalThis.lochsidePaper ?? 1) - 1;
    signal.removeEventListener('abort', stop);
    if (code !== 0 && !signal.aborted) log.error({ complaint }, 'the paper maker failed');
  });
  maker.stdin.on('error', () => undefined);
  maker.stdin.end(JSON.stringify(job));
  return Readable.toWeb(maker.stdout) as ReadableStream<Uint8Array>;
}

export function paperAnswer(made: ReadableStream<Uint8Array>): Response {
  return new Response(made, {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' },
  });
}
