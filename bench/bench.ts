/** npm run bench: what the targets of speed are measured with. Prints one line a figure, with its target. */
import { readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import autocannon from 'autocannon';
import { Bench } from 'tinybench';
import { v7 } from 'uuid';
import { sensibleStart } from '@/core/course/sensible-start';
import { forecastLevel } from '@/core/forecast/forecast-level';
import { childTables } from '@/core/forecast/attempts';
import { simulateGo } from '@/core/forecast/simulate';
import { hitChance } from '@/core/motion/chance';
import { releaseOf } from '@/core/motion/release';
import { AIMED, IMPLEMENTS, type ThrownShape } from '@/core/objects/catalogue';
import type { Game } from '@/core/rules/format/game';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { resolveLevel } from '@/core/rules/format/level';
import { migrate } from '@/server/db/migrate';
import { closePools } from '@/server/db/servers';
import { loadDemo, type DemoSignIn } from '@/server/demo/load-demo';
import { settings } from '@/server/settings';
import { envelopeFor, makeSchool, sendTo } from '../tests/server/school';
import { CHROMIUM, startWebServer } from '../tests/web-server';
import { benchCollect, benchFlood, benchToday } from './collect';
import { benchHome, withEmptyPage } from './home';
import { benchRules } from './rules';
import { benchPlan } from './plan';

const port = process.env['LOCHSIDE_TEST_PORT']!;
const address = `http://127.0.0.1:${port}`;

function say(what: string, measured: string, target: string, reached: boolean | null): void {
  process.stdout.write(`${what.padEnd(58)} ${measured.padStart(22)}   ${target}${reached === null ? '' : reached ? '  reached' : '  NOT REACHED'}\n`);
}

async function benchCore(): Promise<void> {
  const game = sensibleStart({ title: 'Bench', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
  const level = resolveLevel(game, 1);
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const tables = childTables(compiled.value, { ageYears: 8 });
  const state = start(compiled.value);
  const times = { fetchMs: 0, exerciseMs: 0 };
  const release = releaseOf('underarm', { ageYears: 8 });
  const shot = (target: keyof typeof AIMED) => ({
    technique: 'underarm' as const,
    release,
    ball: IMPLEMENTS['sock-ball'],
    target: AIMED[target].shape as ThrownShape,
    distanceM: 2,
    standM: 0,
    turnRad: 0,
  });
  let play = 0;
  const bench = new Bench({ time: 700 });
  bench
    .add('chance, rectangular opening', () => void hitChance(shot('box')))
    .add('chance, round opening', () => void hitChance(shot('bucket')))
    .add('chance, upright', () => void hitChance(shot('bottle')))
    .add('one go of 90 seconds, through the engine', () => simulateGo(compiled.value, tables, state, 1, (play += 1), times))
    .add('forecast, three levels × 2,000 plays (this process)', () =>
      [0, 1, 2].forEach((index) => forecastLevel(game, index, { ageYears: 8, plays: 2000, seed: 1 })),
    );
  await bench.run();
  for (const task of bench.tasks) {
    const { result } = task;
    if (result && 'latency' in result) say(task.name, `${(1000 * result.latency.p50).toFixed(1)} µs median`, '', null);
  }
}

const quantile = (sorted: readonly number[], share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

/** Takes hold of the middle mark and moves it about for so long; the page writes down the gaps between its frames. The mark stays held. */
async function dragFor(page: Page, ms: number): Promise<void> {
  const mark = (await page.getByRole('button', { name: /^middle mark/ }).boundingBox())!;
  const centre = { x: mark.x + mark.width / 2, y: mark.y + mark.height / 2 };
  // As text: what tsx adds to functions is not known in the page.
  await page.evaluate(`(() => {
    const gaps = (window.gaps = []);
    const mine = (window.sampling = (window.sampling ?? 0) + 1);
    let last = performance.now();
    requestAnimationFrame(function frame(now) {
      gaps.push(now - last);
      last = now;
      if (window.sampling === mine) requestAnimationFrame(frame);
    });
    performance.clearMeasures();
  })()`);
  await page.mouse.move(centre.x, centre.y);
  await page.mouse.down();
  const began = Date.now();
  for (let n = 0; Date.now() - began < ms; n += 1) {
    await page.mouse.move(centre.x + 60 * Math.sin(n / 14), centre.y + 50 * Math.cos(n / 9) - 50);
    await page.waitForTimeout(6);
  }
}

/** The same with thirty things on the floor, and the list of them open beside it. */
async function benchFullFloor(page: Page): Promise<void> {
  const lamps = JSON.parse(readFileSync('data/starters/harbour-lamps.json', 'utf8')) as Game;
  const row = (n: number, yM: number, gapM: number) => Array.from({ length: n }, (_, index) => ({ xM: 0.4 + gapM * index, yM }));
  const game: Game = {
    ...lamps,
    course: {
      ...lamps.course,
      targets: { ...lamps.course.targets, more: row(10, 0.4, 0.5).map((spot) => ({ ...spot, object: 'bottle' as const, turnRad: 0, standM: 0 })) },
      obstacles: row(10, 3.3, 0.5).map((spot) => ({ ...spot, object: 'towel-strip' as const, turnRad: 0, standM: 0, widthM: 0.6 })),
      furniture: row(6, 0.8, 0.8).map((spot, index) => ({ ...spot, name: `cushion ${index + 1}`, widthM: 0.4, depthM: 0.3, kind: 'soft' as const })),
    },
  };
  const id = (await page.evaluate(
    async (body) => {
      const answer = await fetch('/api/v1/games/import', { method: 'POST', headers: { 'content-type': 'application/json' }, body });
      return ((await answer.json()) as { id: string }).id;
    },
    JSON.stringify({ game, ageYears: 8 }),
  )) as string;
  await page.goto(`${address}/games/${id}`);
  await page
    .getByText(/par \d+/)
    .first()
    .waitFor();
  await page.getByRole('tab', { name: /^Layout/ }).click();
  await page.waitForTimeout(1500);
  await dragFor(page, 5000);
  const gaps = ((await page.evaluate('window.gaps')) as number[]).slice(2).sort((a, b) => a - b);
  await page.mouse.up();
  say('5 s drag with 30 things: gap between frames, p95', `${quantile(gaps, 0.95).toFixed(1)} ms`, '≤ 20 ms', quantile(gaps, 0.95) <= 20);
  say('5 s drag with 30 things: longest gap', `${gaps.at(-1)!.toFixed(1)} ms`, '≤ 50 ms', gaps.at(-1)! <= 50);
}

async function benchDrag(): Promise<void> {
  const { demoSignIns } = JSON.parse(readFileSync(process.env['LOCHSIDE_SECRETS']!, 'utf8')) as { demoSignIns: DemoSignIn[] };
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/sign-in`);
    await page.fill('input[type=email]', demoSignIns[0]!.email);
    await page.fill('input[type=password]', demoSignIns[0]!.password);
    await page.click('button[type=submit]');
    await page.waitForURL('**/today');
    await page.goto(`${new URL(page.url()).origin}/games`);
    await page.getByRole('link', { name: /Lantern Quay/ }).click();
    await page
      .getByText(/par \d+/)
      .first()
      .waitFor();
    await page.waitForTimeout(1500);
    await dragFor(page, 5000);
    const found = (await page.evaluate(
      `({ gaps: window.gaps, follows: performance.getEntriesByName('forecast while dragging').map((entry) => entry.duration) })`,
    )) as { gaps: number[]; follows: number[] };
    await page.mouse.up();
    await page.waitForTimeout(1500);
    const rest = (await page.evaluate(`performance.getEntriesByName('forecast at rest').map((entry) => entry.duration)`)) as number[];
    const gaps = found.gaps.slice(2).sort((a, b) => a - b);
    const follows = [...found.follows].sort((a, b) => a - b);
    say('5 s drag: gap between frames, p95', `${quantile(gaps, 0.95).toFixed(1)} ms`, '≤ 20 ms', quantile(gaps, 0.95) <= 20);
    say('5 s drag: longest gap', `${gaps.at(-1)!.toFixed(1)} ms`, '≤ 50 ms', gaps.at(-1)! <= 50);
    say(
      `figures follow the drag, p95 of ${follows.length}`,
      `${quantile(follows, 0.95).toFixed(1)} ms`,
      '≤ 100 ms',
      follows.length > 0 && quantile(follows, 0.95) <= 100,
    );
    say('figures follow the drag, longest', `${(follows.at(-1) ?? NaN).toFixed(1)} ms`, '≤ 100 ms', (follows.at(-1) ?? Infinity) <= 100);
    say(
      'three levels × 2,000 plays in the worker, there and back',
      `${Math.max(...rest).toFixed(1)} ms`,
      '≤ 150 ms',
      rest.length > 0 && Math.max(...rest) <= 150,
    );
    await page.evaluate('window.sampling = 0');
    await benchFullFloor(page);
  } finally {
    await browser.close();
  }
}

async function benchIntake(): Promise<void> {
  const school = await makeSchool(16);
  const week = await sendTo(school);
  const sends = await Promise.all(
    school.childIds.map(async (child) => {
      const { total: _total, ...envelope } = await envelopeFor(await week.assignment(child), [9, 4, 2]);
      return { token: await week.token(child), envelope };
    }),
  );
  const bodyOf = (n: number) => JSON.stringify({ ...sends[n % sends.length]!.envelope, playId: v7() });
  const run = (at: string) => {
    let n = 0;
    return autocannon({
      url: at,
      connections: 50,
      duration: 8,
      requests: [
        {
          method: 'POST',
          setupRequest: (request) => {
            const mine = (n += 1);
            return {
              ...request,
              headers: { 'content-type': 'application/json', authorization: `Bearer ${sends[mine % sends.length]!.token}` },
              body: bodyOf(mine),
            };
          },
        },
      ],
    });
  };
  const empty = await withEmptyPage(Number(new URL(address).port) + 1, async (url) => {
    await run(`${url}api/empty`);
    return run(`${url}api/empty`);
  });
  const intake = await run(`${address}/api/v1/home/reports`);
  say('empty POST at 50 connections', `${empty.latency.p50} ms median`, '', null);
  say(
    'intake of a report at 50 connections',
    `${intake.latency.p50} ms median`,
    `≤ 2.5 × empty = ${(2.5 * empty.latency.p50).toFixed(1)} ms`,
    intake.latency.p50 <= 2.5 * empty.latency.p50,
  );
  say(
    'reports acknowledged a second',
    `${Math.round(intake['2xx'] / intake.duration)} (others ${intake.non2xx})`,
    '≥ 150',
    intake['2xx'] / intake.duration >= 150 && intake.non2xx === 0,
  );
}

await migrate(process.env['DATABASE_URL']!);
const { demoSignIns } = JSON.parse(readFileSync(process.env['LOCHSIDE_SECRETS']!, 'utf8')) as { demoSignIns: DemoSignIn[] };
await loadDemo(demoSignIns, settings().serverKey, new Date());
// "npm run bench -- home" measures one part alone.
const only = process.argv[2];
const asked = (part: string) => only === undefined || only === part;
if (asked('core')) await benchCore();
if (asked('core')) await benchRules(say);
if (asked('plan')) await benchPlan(say);
const web = await startWebServer(port, { LOCHSIDE_LIMITS: 'off' });
try {
  if (asked('home')) await benchHome(address, say);
  if (asked('drag')) await benchDrag();
  if (asked('intake')) await benchIntake();
  const memoryMb = () => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${web.process.pid}/status`, 'utf8'))![1]) / 1024;
  if (asked('collect')) await benchCollect(address, say);
  if (asked('today')) await benchToday(address, say);
  if (asked('flood')) await benchFlood(address, say, memoryMb);
} finally {
  web.process.kill('SIGTERM');
  await closePools();
}
