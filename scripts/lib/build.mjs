/** Builds the application when its sources have changed since the last build. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sourceHash } from './content.mjs';
import { root } from './needs.mjs';
import { run } from './processes.mjs';
import { say } from './say.mjs';
import { compileMessages, MESSAGES } from './messages.mjs';
import { buildPrograms, program } from './programs.mjs';
import { buildServiceWorker } from './service-worker.mjs';

/** The types of the whole tree, checked once: after a build, and by `npm test` where something changed since. */
export const TYPE_CHECK = [
  join(root, 'node_modules/typescript/bin/tsc'),
  '--noEmit',
  '--incremental',
  '--tsBuildInfoFile',
  'node_modules/.cache/tsc/all.tsbuildinfo',
];

/** Compiles the messages when the translator's files have changed. */
export async function ensureMessages() {
  const mark = join(MESSAGES, 'of');
  const hash = sourceHash(['messages'], ['lingui.config.ts', 'scripts/lib/messages.mjs', 'scripts/lib/translated.mjs']);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  await compileMessages();
  writeFileSync(mark, hash);
}

/** Builds the programs that run beside the web server when what they are made of has changed: some 50 ms to find out. */
export async function ensurePrograms() {
  await ensureMessages();
  const mark = join(root, 'build/cli/of');
  const hash = sourceHash(['src'], ['package-lock.json', 'scripts/lib/programs.mjs']);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash && existsSync(program('main'))) return;
  await buildPrograms();
  writeFileSync(mark, hash);
}

export async function ensureBuild() {
  await ensurePrograms();
  const mark = join(root, '.next', 'lochside-build');
  const hash = sourceHash(['src'], ['package-lock.json', 'next.config.ts', 'tsconfig.json', 'scripts/lib/service-worker.mjs']);
  if (
    existsSync(mark) &&
    readFileSync(mark, 'utf8') === hash &&
    existsSync(join(root, '.next', 'BUILD_ID')) &&
    existsSync(join(root, 'public', 'home-sw.js'))
  )
    return;
  say('Building the application (about a minute) …');
  await buildServiceWorker();
  run(join(root, 'node_modules/.bin/next'), ['build'], {
    cwd: root,
    env: { NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    failure: 'The build failed.',
  });
  run(process.execPath, TYPE_CHECK, { cwd: root, failure: 'The build failed: the types do not fit.' });
  writeFileSync(mark, hash);
}
