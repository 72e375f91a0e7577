import { spawn, spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { Stop } from './say.mjs';

/** Runs a command to its end with its output shown; a failure stops with the given words. */
export function run(command, args, { failure, env, cwd, quiet = false } = {}) {
  const done = spawnSync(command, args, {
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
    cwd,
    encoding: 'utf8',
  });
  if (done.error || done.status !== 0) {
    const detail = quiet ? `\n${`${done.stdout ?? ''}${done.stderr ?? ''}`.trim().split('\n').slice(-12).join('\n')}` : '';
    throw new Stop(`${failure ?? `${command} failed`}${done.error ? ` (${done.error.message})` : ''}${detail}`);
  }
  return done.stdout ?? '';
}

export function has(command) {
  return spawnSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' }).status === 0;
}

/** True when nothing listens there. */
export function isFree(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });
}

export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Sends TERM to a child and waits until it has gone; KILL after the patience runs out. */
export function stopChild(child, patienceMs = 15_000) {
  return new Promise((resolve) => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return resolve();
    const timer = setTimeout(() => child.kill('SIGKILL'), patienceMs);
    child.once('exit', () => {
      clearTimeout(timer);
      resolve();
    });
    child.kill('SIGTERM');
  });
}

/**
 * The web server as arguments of Node. What it keeps is bounded (two caches of plays), and this bounds what it leaves lying about: with the usual
 * bound of Node a machine shared with others would be asked for a gigabyte.
 */
export const webServer = (root, host, port) => [
  `--max-old-space-size=${process.env.LOCHSIDE_HEAP_MB ?? 512}`,
  join(root, 'node_modules/next/dist/bin/next'),
  'start',
  '-H',
  host,
  '-p',
  String(port),
];

export function start(command, args, options) {
  return spawn(command, args, options);
}
