/**
 * npm test: from a fresh machine, everything that is checked. Its own database instance and ports; the demo is never touched.
 * What reads the code runs beside the unit and server tests; the demo school is loaded once, the server tests work on a copy of it and the
 * browser on itself. A test that passed only at a second try has failed. At the end: how long each stage took, the slowest tests, and
 * what failed, since the end is what is read.
 */
import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuild, ensureMessages, TYPE_CHECK } from './lib/build.mjs';
import { passedBefore } from './lib/content.mjs';
import { needChromium, needMachines, needPackages, root } from './lib/needs.mjs';
import { freePort } from './lib/processes.mjs';
import { program } from './lib/programs.mjs';
import { main, say } from './lib/say.mjs';
import { testStack } from './lib/test-stack.mjs';

const SLOWEST = 10;
const LINES_OF_A_FAILURE = 15;
const counts = { passed: 0, failed: 0 };
const stages = [];
const slow = [];
const failures = [];
const bin = (name) => join(root, 'node_modules/.bin', name);

/** Runs a command; what it says is shown at once, or where it runs beside others, when it has ended. */
function command(file, args, { env = {}, aside = false } = {}) {
  return new Promise((resolve) => {
    const said = [];
    const child = spawn(file, args, {
      cwd: root,
      stdio: ['ignore', aside ? 'pipe' : 'inherit', aside ? 'pipe' : 'inherit'],
      env: { ...process.env, ...env },
    });
    child.stdout?.on('data', (part) => said.push(part));
    child.stderr?.on('data', (part) => said.push(part));
    child.once('error', () => resolve({ ok: false, said: `${file} could not be started` }));
    child.once('close', (status) => resolve({ ok: status === 0, said: Buffer.concat(said).toString() }));
  });
}

/** Ticks of all processors: in all, with nothing to do, and taken away by the host of a virtual machine; null where the system does not tell. */
function ticks() {
  try {
    const [user, nice, system, idle, waiting, irq, softIrq, taken] = readFileSync('/proc/stat', 'utf8').split('\n')[0].match(/\d+/g).map(Number);
    return { all: user + nice + system + idle + waiting + irq + softIrq + taken, idle: idle + waiting, taken };
  } catch {
    return null;
  }
}

/** How long a stage took, and what the processors did meanwhile: a machine that is shared is told from tests that are slow. */
function stopwatch() {
  const began = Date.now();
  const before = ticks();
  return (name) => {
    const now = ticks();
    const part = (what) => `${Math.round((100 * (now[what] - before[what])) / (now.all - before.all || 1))}%`;
    const processors = now && before ? `  (idle ${part('idle')}, taken by other machines ${part('taken')})` : '';
    return { name: `${name}${processors}`, seconds: (Date.now() - began) / 1000 };
  };
}

async function timed(name, work) {
  const ended = stopwatch();
  const result = await work();
  stages.push(ended(name));
  return result;
}

/** A check that counts as one. */
async function check(name, file, args) {
  const { ok, said } = await timed(name, () => command(file, args, { aside: true }));
  if (ok) counts.passed += 1;
  else {
    counts.failed += 1;
    failures.push({ title: name, why: said });
  }
  say(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (!ok) say(said);
  return ok;
}

/** A check of the code as a whole: not made again where nothing was changed since it passed. */
async function checkOnce(passed, name, file, args) {
  if (passed.has(name)) {
    counts.passed += 1;
    say(`passed when the code was what it is now: ${name}`);
  } else if (await check(name, file, args)) passed.add(name);
}

/** A test runner that writes what it found into a file. */
async function runTests(name, file, args, env, read) {
  say(`\n— ${name}`);
  const { ok } = await timed(name, () => command(file, args, { env }));
  try {
    const { passed, failed, tests } = read();
    counts.passed += passed;
    counts.failed += failed;
    slow.push(...tests);
    failures.push(...tests.filter(({ why }) => why));
    if (ok || failed > 0) return;
    counts.failed += 1;
    failures.push({ title: name, why: 'no test failed, but the runner says that something did' });
  } catch (error) {
    counts.failed += 1;
    failures.push({ title: name, why: String(error) });
  }
}

const json = (file) => JSON.parse(readFileSync(file, 'utf8'));

/** What can be told from the code alone, one after the other. What did not change since the last run, by its content, is known from then. */
async function readTheCode() {
  const passed = passedBefore();
  // Not under the name that prettier takes by itself: it deletes that one wherever it runs without a cache, as `npm run format` does.
  await check('format', bin('prettier'), [
    '--check',
    '--log-level',
    'warn',
    '--cache',
    '--cache-location',
    'node_modules/.cache/prettier/checked',
    '--cache-strategy',
    'content',
    '.',
  ]);
  await checkOnce(passed, 'types', process.execPath, TYPE_CHECK);
  await check('lint', bin('eslint'), [
    '.',
    '--max-warnings',
    '0',
    '--cache',
    '--cache-location',
    'node_modules/.cache/eslint/',
    '--cache-strategy',
    'content',
  ]);
  await checkOnce(passed, 'import boundaries', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']);
  await checkOnce(passed, 'a light child’s page', process.execPath, [join(root, 'scripts/light-page.mjs')]);
  await checkOnce(passed, 'unused code', bin('ts-unused-exports'), [
    'tsconfig.json',
    '--allowUnusedTypes',
    '--excludePathsFromReport=src/app/;src/cli/;scripts/;src/proxy.ts;src/instrumentation.ts;src/server/http/connections.ts;src/server/http/figures-for-prometheus.ts;.config.ts;.next;next-env;bench/empty',
  ]);
}

function vitest(stack) {
  const file = join(stack.home, 'vitest.json');
  const args = ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
  return runTests('unit and server tests', bin('vitest'), args, stack.env, () => {
    const { numPassedTests, numFailedTests, testResults } = json(file);
    const tests = testResults.flatMap(({ name, status, message, assertionResults }) => [
      ...assertionResults.map(({ title, duration, failureMessages }) => ({
        title,
        seconds: (duration ?? 0) / 1000,
        why: failureMessages.length > 0 && `${relative(root, name)}\n${failureMessages.join('\n')}`,
      })),
      // A file that could not be read or prepared has no test that failed.
      ...(status === 'failed' && !assertionResults.some((one) => one.status === 'failed')
        ? [{ title: relative(root, name), seconds: 0, why: message }]
        : []),
    ]);
    return { passed: numPassedTests, failed: numFailedTests, tests };
  });
}

async function playwright(stack) {
  const file = join(stack.home, 'playwright.json');
  const env = { ...stack.env, LOCHSIDE_TEST_PORT: String(await freePort()), PLAYWRIGHT_JSON_OUTPUT_NAME: file };
  return runTests('browser tests', bin('playwright'), ['test', '--reporter=list,json'], env, () => {
    const { stats, suites } = json(file);
    const specs = (suite) => [...suite.specs, ...(suite.suites ?? []).flatMap(specs)];
    const tests = suites.flatMap(specs).map(({ title, file: name, ok, tests: [{ results }] }) => ({
      title,
      seconds: results.reduce((sum, { duration }) => sum + duration, 0) / 1000,
      why: !ok && [name, ...results.flatMap(({ errors }) => errors.map(({ message }) => message))].join('\n'),
    }));
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky, tests };
  });
}

const seconds = (number) => `${number.toFixed(0).padStart(5)} s`;

await main(async () => {
  const ended = stopwatch();
  needPackages();
  await ensureMessages();
  await timed('build', ensureBuild);
  needChromium();
  // What cannot be installed here is left out by its test, which says so.
  await Promise.resolve()
    .then(needMachines)
    .catch(({ message }) => say(message));
  const stack = await testStack();
  try {
    const read = timed('reading the code', readTheCode);
    await timed('the demo school', () => command(process.execPath, [program('prepare')], { env: stack.env }));
    stack.env.LOCHSIDE_DEMO_IS_LOADED = 'yes';
    await Promise.all([read, vitest(stack)]);
    await playwright(stack);
  } finally {
    await stack.stop();
    rmSync(join(root, 'test-results'), { recursive: true, force: true });
  }
  say('\nThe stages:');
  for (const stage of [...stages, ended('all of it')]) say(`${seconds(stage.seconds)}  ${stage.name}`);
  say(`\nThe ${SLOWEST} slowest tests:`);
  for (const test of slow.sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST)) say(`${seconds(test.seconds)}  ${test.title}`);
  if (failures.length > 0) say('\nWhat failed:');
  for (const { title, why } of failures) say(`\n${title}\n${why.split('\n').slice(0, LINES_OF_A_FAILURE).join('\n')}`);
  say(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0) process.exitCode = 1;
});
