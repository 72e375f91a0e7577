/** The demo school in the built application, and a browser at its door: for what is run by hand over a stack of its own. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM, startWebServer } from '../tests/web-server';

const root = join(import.meta.dirname, '..');

/** Brings up the demo, does some work in the browser and takes all of it down again. */
export async function withDemo(work: (browser: Browser, address: string) => Promise<void>): Promise<void> {
  const port = process.env['LOCHSIDE_TEST_PORT']!;
  const address = `http://127.0.0.1:${port}`;
  const env = { ...process.env, NODE_ENV: 'production' as const, LOCHSIDE_HOSTS: '', PUBLIC_URL: address };
  const prepared = spawnSync(process.execPath, [join(root, 'build/cli/prepare.mjs')], { cwd: root, env, stdio: 'inherit' });
  if (prepared.status !== 0) throw new Error('the demo school could not be loaded');
  const web = await startWebServer(port, { PUBLIC_URL: address });
  const browser = await chromium.launch(CHROMIUM);
  try {
    await work(browser, address);
  } finally {
    await browser.close();
    web.process.kill('SIGTERM');
  }
}
