/** npm run rebuild [-- starter …]: every starter built again from a blank floor by hand in the browser, and compared with the one that ships. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { asPlayed } from '../examples/rebuild';
import { STARTERS } from '../examples/starters';
import { CHROMIUM, startWebServer } from '../web-server';
import { rebuildByHand, savedGame } from './by-hand';
import { signInAs } from './people';

const root = join(import.meta.dirname, '../..');
const port = process.env['LOCHSIDE_TEST_PORT']!;
const address = `http://127.0.0.1:${port}`;
const env = { ...process.env, NODE_ENV: 'production' as const, LOCHSIDE_HOSTS: '', PUBLIC_URL: address };
const asked = process.argv.slice(2);

/** Where two values part, with what they hold there. */
function differences(wanted: unknown, built: unknown, at: string): string[] {
  const inside = (node: unknown): node is Record<string, unknown> => typeof node === 'object' && node !== null;
  if (!inside(wanted) || !inside(built)) return wanted === built ? [] : [`${at} is ${JSON.stringify(built)}, wanted ${JSON.stringify(wanted)}`];
  return [...new Set([...Object.keys(wanted), ...Object.keys(built)])].flatMap((key) => differences(wanted[key], built[key], `${at}/${key}`));
}

if (spawnSync(process.execPath, ['--import', 'tsx', join(root, 'src/cli/prepare.ts')], { cwd: root, env, stdio: 'inherit' }).status !== 0)
  process.exit(1);
const web = await startWebServer(port, { PUBLIC_URL: address });
const browser = await chromium.launch(CHROMIUM);
const counts = { same: 0, other: 0 };
try {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address })).newPage();
  page.setDefaultTimeout(15_000);
  await signInAs(page);
  for (const { id, game } of STARTERS) {
    if (asked.length > 0 && !asked.includes(id)) continue;
    let told: string;
    try {
      await rebuildByHand(page, game);
      const built = asPlayed(await savedGame(page));
      const [where] = differences(asPlayed(game), built, '');
      told = where === undefined ? 'the same' : `NOT the same: ${where}`;
    } catch (error) {
      told = `stopped: ${(error as Error).message.split('\n')[0]}`;
    }
    counts[told === 'the same' ? 'same' : 'other'] += 1;
    process.stdout.write(`${id.padEnd(20)} ${told}\n`);
  }
} finally {
  await browser.close();
  web.process.kill('SIGTERM');
}
process.stdout.write(`${counts.same} built again, ${counts.other} not\n`);
if (counts.other > 0) process.exitCode = 1;
