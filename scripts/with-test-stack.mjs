/** npm run bench, soak, rebuild and screenshots: a TypeScript command over a fresh stack of its own. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { needChromium, root } from './lib/needs.mjs';
import { freePort } from './lib/processes.mjs';
import { main, Stop } from './lib/say.mjs';
import { testStack } from './lib/test-stack.mjs';

const COMMANDS = {
  bench: 'bench/bench.ts',
  soak: 'tests/soak/soak.ts',
  screenshots: 'tests/browser/screenshots.ts',
  rebuild: 'tests/browser/rebuild.ts',
};

await main(async () => {
  const command = COMMANDS[process.argv[2]];
  if (!command) throw new Stop(`Say one of: ${Object.keys(COMMANDS).join(', ')}.`);
  const stack = await testStack();
  try {
    await ensureBuild();
    needChromium();
    const { status } = spawnSync(process.execPath, ['--import', 'tsx', join(root, command), ...process.argv.slice(3)], {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, ...stack.env, LOCHSIDE_TEST_PORT: String(await freePort()) },
    });
    if (status !== 0) process.exitCode = 1;
  } finally {
    await stack.stop();
  }
});
