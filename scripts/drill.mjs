/** npm run drill: machines die while families and teachers are at work; see tests/machines. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { needMachines, needNode, needPackages, root } from './lib/needs.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  needNode();
  needPackages();
  needMachines();
  await ensureBuild();
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', join(root, 'tests/machines/run-drill.ts')], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, LOCHSIDE_LOG: 'silent' },
  });
  process.exitCode = status ?? 1;
});
