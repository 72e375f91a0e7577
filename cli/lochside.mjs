#!/usr/bin/env node
/** The command line over the core; the work is in src/cli. */
import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const tsx = pathToFileURL(createRequire(join(root, 'package.json')).resolve('tsx')).href;
const { status } = spawnSync(process.execPath, ['--import', tsx, join(root, 'src/cli/main.ts'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, TSX_TSCONFIG_PATH: join(root, 'tsconfig.json') },
});
process.exitCode = status ?? 2;
