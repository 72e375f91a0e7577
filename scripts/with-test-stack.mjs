/** npm run bench, soak, drill:one, drill:migrations, rebuild, unhappy, screenshots, unit and browser: a command over a fresh stack of its own; what follows goes to the command. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePrograms } from './lib/build.mjs';
import { needChromium, root } from './lib/needs.mjs';
import { freePort } from './lib/processes.mjs';
import { main, Stop } from './lib/say.mjs';
import { testStack } from './lib/test-stack.mjs';

const typescript = (file) => ['--import', 'tsx', join(root, file)];
const COMMANDS = {
  bench: typescript('bench/bench.ts'),
  soak: typescript('drills/soak/soak.ts'),
  screenshots: typescript('scripts/screenshots.ts'),
  rebuild: typescript('drills/rebuild.ts'),
  unhappy: typescript('drills/unhappy.ts'),
  authority: typescript('bench/authority.ts'),
  'drill:one': [
    join(root, 'node_modules/vitest/vitest.mjs'),
    'run',
    'tests/server/durability.test.ts',
    'tests/unit/starters.test.ts',
    'tests/unit/paper.test.ts',
  ],
  'drill:migrations': [join(root, 'node_modules/vitest/vitest.mjs'), 'run', 'tests/server/migrate-again.test.ts'],
  unit: [join(root, 'node_modules/vitest/vitest.mjs'), 'run'],
  browser: [join(root, 'node_modules/@playwright/test/cli.js'), 'test'],
};

await main(async () => {
  const command = COMMANDS[process.argv[2]];
  if (!command) throw new Stop(`Say one of: ${Object.keys(COMMANDS).join(', ')}.`);
  const stack = await testStack();
  try {
    if (process.argv[2] === 'unit') await ensurePrograms();
    else await ensureBuild();
    needChromium();
    const { status } = spawnSync(process.execPath, [...command, ...process.argv.slice(3)], {
      cwd: root,
      stdio: 'inherit',
      env: {
        ...process.env,
        ...stack.env,
        LOCHSIDE_TEST_PORT: String(await freePort()),
        ...(/^(drill|unhappy)/.test(process.argv[2]) && { LOCHSIDE_LONG: 'yes' }),
      },
    });
    if (status !== 0) process.exitCode = 1;
  } finally {
    await stack.stop();
  }
});
