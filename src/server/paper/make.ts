/** Has a job made by a process of its own: lines of JSON as they come, how far it is and at last the PDF. */
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { constants, setPriority } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { takeLease } from '../db/leases';
import { log } from '../log';
import { refuse } from '../http/answer';
import type { PaperJob } from './job';

const MOST_AT_ONCE = 2;
/** Who asks for the same again waits so long for the first to be done, or gone. */
const WAIT_MS = 20_000;

declare global {
  // The chunks of the build must share one count; it only guards this machine's processor.
  var lochsidePaper: number | undefined;
}

/** The very same sheets are made once at a time, by whichever machine was asked first; throws a refusal where they are in the making or too much is. */
export async function makePaper(job: PaperJob, signal: AbortSignal): Promise<ReadableStream<Uint8Array>> {
  if ((globalThis.lochsidePaper ?? 0) >= MOST_AT_ONCE) throw refuse(429, '', 'Other sheets are being made just now.', 'Try again in a few seconds.');
  globalThis.lochsidePaper = (globalThis.lochsidePaper ?? 0) + 1;
  const asked = JSON.stringify(job);
  const lease = await takeLease(`paper ${createHash('sha256').update(asked).digest('hex').slice(0, 32)}`, WAIT_MS).catch((error: unknown) => {
    globalThis.lochsidePaper! -= 1;
    throw error;
  });
  if (!lease) {
    globalThis.lochsidePaper -= 1;
    throw refuse(429, '', 'These very sheets are being made just now.', 'Wait for them, or try again in a minute.');
  }
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
    void lease.release().catch((error: unknown) => log.warn({ err: error }, 'a lease could not be given back'));
    if (code !== 0 && !signal.aborted) log.error({ complaint }, 'the paper maker failed');
  });
  maker.stdin.on('error', () => undefined);
  maker.stdin.end(asked);
  return Readable.toWeb(maker.stdout) as ReadableStream<Uint8Array>;
}

export function paperAnswer(made: ReadableStream<Uint8Array>): Response {
  return new Response(made, {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' },
  });
}
