/** The built application for tests and measurements, as a process of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { chromiumAt } from '../scripts/lib/needs.mjs';
import { webServer } from '../scripts/lib/processes.mjs';

const root = join(import.meta.dirname, '..');

export const CHROMIUM = {
  executablePath: chromiumAt(),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export interface WebServer {
  readonly process: ChildProcess;
  readonly address: string;
}

/** Starts it and waits until it answers; throws when it does not. */
export async function startWebServer(port: number | string, env: Readonly<Record<string, string>> = {}): Promise<WebServer> {
  const web = spawn(process.execPath, webServer(root, '127.0.0.1', port), {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NODE_ENV: 'production', LOCHSIDE_HOSTS: '', ...env },
  });
  const address = `http://127.0.0.1:${port}`;
  for (let n = 0; n < 1200; n += 1) {
    const up = await fetch(`${address}/api/v1/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) return { process: web, address };
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  web.kill('SIGKILL');
  throw new Error('the web server did not start: is the application built?');
}
