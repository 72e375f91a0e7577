/** npm run drill, npm run drill:rolling: machines die, or go to another version, while families and teachers are at work; see drills/. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { needMachines, needNode, needPackages, root } from './lib/needs.mjs';
import { main, Stop } from './lib/say.mjs';

const DRILLS = { machines: 'run-machines.ts', rolling: 'run-rolling.ts' };

await main(async () => {
  const [which, ...more] = process.argv.slice(2);
  const drill = DRILLS[which];
  if (!drill) throw new Stop(`Say one of: ${Object.keys(DRILLS).join(', ')}.`);
  needNode();
  needPackages();
  needMachines();
  await ensureBuild();
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', join(root, 'drills', drill), ...more], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, LOCHSIDE_LOG: 'silent' },
  });
  process.exitCode = status ?? 1;
});
