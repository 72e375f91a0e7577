import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/web-server';

const port = process.env['LOCHSIDE_TEST_PORT'] ?? '3100';
const url = `http://127.0.0.1:${port}`;

export default defineConfig({
  testDir: 'tests/browser',
  testMatch: '*.spec.ts',
  // For machines that are shared: what is slow is not broken. What passes only at a second try is: there is none.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  retries: 0,
  // A file a worker: the tests of one file follow each other, files use games of their own. No more than there are cores: a page has threads enough,
  // and three on two took a quarter more time, and a fifth more of the processors.
  workers: 2,
  forbidOnly: true,
  use: {
    baseURL: url,
    // What waits says so before the whole test runs out of time.
    actionTimeout: 20_000,
    navigationTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: `${process.execPath} build/cli/prepare.mjs && exec ${process.execPath} node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `${url}/api/v1/health`,
    timeout: 240_000,
    reuseExistingServer: false,
    env: { ...(process.env as Record<string, string>), PUBLIC_URL: url, LOCHSIDE_HOSTS: `127.0.0.1:${port}` },
    stdout: 'ignore',
    stderr: 'pipe',
  },
});
