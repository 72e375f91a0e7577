/** npm test: from a fresh machine, everything that is checked. Its own database instance and ports; the demo is never touched. */
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureMessages } from './lib/build.mjs';
import { needChromium, needPackages, root } from './lib/needs.mjs';
import { freePort } from './lib/processes.mjs';
import { main, say } from './lib/say.mjs';
import { testStack } from './lib/test-stack.mjs';

const counts = { passed: 0, failed: 0 };
const bin = (name) => join(root, 'node_modules/.bin', name);

function check(name, command, args, env = {}) {
  say(`\n— ${name}`);
  const began = Date.now();
  const { status } = spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
  if (status === 0) counts.passed += 1;
  else counts.failed += 1;
  say(`${status === 0 ? 'passed' : 'FAILED'}: ${name} (${((Date.now() - began) / 1000).toFixed(0)} s)`);
  return status === 0;
}

/** Runs a test runner that writes its counts into a file. */
function runTests(name, command, args, env, read) {
  say(`\n— ${name}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
  try {
    const { passed, failed } = read();
    counts.passed += passed;
    counts.failed += failed;
    if (status !== 0 && failed === 0) counts.failed += 1;
  } catch {
    counts.failed += 1;
  }
}

const json = (file) => JSON.parse(readFileSync(file, 'utf8'));

await main(async () => {
  needPackages();
  await ensureMessages();
  check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
  await ensureBuild();
  check('types', bin('tsc'), ['--noEmit']);
  check('lint', bin('eslint'), ['.', '--max-warnings', '0', '--cache', '--cache-location', 'node_modules/.cache/eslint/']);
  check('import boundaries', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']);
  check('a light child’s page', bin('depcruise'), ['src', '--config', '.dependency-cruiser.child.cjs', '--output-type', 'err']);
  check('unused code', bin('ts-unused-exports'), [
    'tsconfig.json',
    '--allowUnusedTypes',
    '--excludePathsFromReport=src/app/;src/cli/;src/proxy.ts;.config.ts;.next;next-env;bench/empty',
  ]);
  needChromium();
  const stack = await testStack();
  const vitestJson = join(stack.home, 'vitest.json');
  const playwrightJson = join(stack.home, 'playwright.json');
  try {
    runTests(
      'unit and server tests',
      bin('vitest'),
      ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${vitestJson}`],
      stack.env,
      () => {
        const { numPassedTests, numFailedTests } = json(vitestJson);
        return { passed: numPassedTests, failed: numFailedTests };
      },
    );
    const port = await freePort();
    runTests(
      'browser tests',
      bin('playwright'),
      ['test', '--reporter=list,json'],
      { ...stack.env, LOCHSIDE_TEST_PORT: String(port), PLAYWRIGHT_JSON_OUTPUT_NAME: playwrightJson },
      () => {
        const { stats } = json(playwrightJson);
        return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
      },
    );
  } finally {
    await stack.stop();
    rmSync(join(root, 'test-results'), { recursive: true, force: true });
  }
  say(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0) process.exitCode = 1;
});
