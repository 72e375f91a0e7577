import { randomBytes } from 'node:crypto';
import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { startInstance } from '../../scripts/lib/instance.mjs';
import { freePort } from '../../scripts/lib/processes.mjs';
import { migrate } from '@/server/db/migrate';
import { toText } from '@/server/db/ids';
import { firstRow, rows } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { startWebServer } from '../web-server';
import { envelopeFor, makeSchool, sendTo } from './school';
import { LONG } from '../long';

const ROUNDS = LONG ? 20 : 2;
/** Of the database, which both tests share. */
const home = mkdtempSync(join(tmpdir(), 'lochside-kill-'));
chmodSync(home, 0o755);
const password = randomBytes(12).toString('base64url');

interface Instance {
  readonly pid: number;
  readonly child: ChildProcess;
  readonly url: () => string;
  readonly stop: () => Promise<void>;
}

let instance: Instance;
let web: ChildProcess | undefined;

afterAll(async () => {
  web?.kill('SIGKILL');
  await closePools();
  await instance?.stop();
  rmSync(home, { recursive: true, force: true });
});

async function pointPoolAt(url: string): Promise<void> {
  await closePools();
  process.env['DATABASE_URL'] = url;
}

const gone = (child: ChildProcess) =>
  new Promise<void>((resolve) => (child.exitCode !== null || child.signalCode !== null ? resolve() : child.once('exit', () => resolve())));

const CONNECTIONS = 50;
const REPORTS = LONG ? 1000 : 300;
/** After so many acknowledgements the web server is killed. */
const KILL_AFTER = LONG ? 350 : 100;

it('hundreds of reports sent at once by fifty connections are stored exactly once each, though the web server is killed and started again in the middle', async () => {
  instance = (await startInstance(home, password, { fast: true })) as unknown as Instance;
  await pointPoolAt(instance.url());
  await migrate(instance.url());
  const port = await freePort();
  const start = async () => (await startWebServer(port, { DATABASE_URL: instance.url(), LOCHSIDE_LIMITS: 'off' })).process;
  web = await start();
  const address = `http://127.0.0.1:${port}`;
  const school = await makeSchool(16);
  const week = await sendTo(school);
  const families = await Promise.all(
    school.childIds.map(async (childId) => ({ token: await week.token(childId), assignment: await week.assignment(childId) })),
  );
  const acknowledged = new Map<string, boolean>();
  let sent = 0;
  let tries = 0;
  let enough = () => {};
  const halfway = new Promise<void>((resolve) => {
    enough = resolve;
  });
  /** As a family's page does it: the same report again until it is acknowledged. */
  const deliver = async () => {
    while (sent < REPORTS) {
      const number = (sent += 1);
      const { token, assignment } = families[number % families.length]!;
      const { total: _total, ...body } = await envelopeFor(assignment, [number % 4, number % 3, number % 2]);
      for (;;) {
        tries += 1;
        const answer = await fetch(`${address}/api/v1/home/reports`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
          body: JSON.stringify(body),
        })
          .then(async (response) => ({ status: response.status, value: (await response.json()) as { received?: boolean; again?: boolean } }))
          .catch(() => null);
        if (answer && (answer.status === 201 || answer.status === 200) && answer.value.received) {
          acknowledged.set(body.playId, answer.value.again === true);
          if (acknowledged.size >= KILL_AFTER) enough();
          break;
        }
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    }
  };
  const killed = (async () => {
    await halfway;
    web!.kill('SIGKILL');
    await gone(web!);
    const before = [...acknowledged.keys()];
    web = await start();
    return before;
  })();
  await Promise.all([...Array.from({ length: CONNECTIONS }, deliver), killed]);
  expect(acknowledged.size).toBe(REPORTS);
  // Some were cut off in the middle and sent again.
  expect(tries).toBeGreaterThan(REPORTS);
  const stored = await rows<{ id: Buffer; n: number; plays: number }>(
    'SELECT r.client_play_id AS id, COUNT(DISTINCT r.id) AS n, COUNT(p.id) AS plays FROM reports r JOIN plays p ON p.report_id = r.id GROUP BY r.client_play_id',
  );
  expect(stored.length).toBe(REPORTS);
  expect(stored.every(({ n, plays }) => Number(n) === 1 && Number(plays) === 1)).toBe(true);
  const ids = new Set(stored.map(({ id }) => toText(id)));
  for (const playId of await killed) expect(ids.has(playId as never)).toBe(true);
  web.kill('SIGKILL');
  await gone(web);
  await instance.stop();
}, 300_000);

it('a report that was called received is there after the web server and the database were killed right after the answer, time after time', async () => {
  const up = async () => {
    instance = (await startInstance(home, password, { fast: true })) as unknown as Instance;
    await pointPoolAt(instance.url());
    const started = await startWebServer(await freePort(), { DATABASE_URL: instance.url(), LOCHSIDE_LIMITS: 'off' });
    web = started.process;
    return started.address;
  };
  let address = await up();
  // Each server has a folder of its own for what it puts aside: another that starts would clear a shared one.
  expect(await firstRow('SELECT @@innodb_flush_log_at_trx_commit AS flush, @@tmpdir AS scratch')).toEqual({
    flush: 1,
    scratch: join(home, 'scratch'),
  });
  const school = await makeSchool(1);
  const week = await sendTo(school);
  const child = school.childIds[0]!;
  const token = await week.token(child);
  const assignment = await week.assignment(child);
  const stored = () =>
    firstRow<{ n: number; plays: number }>(
      'SELECT COUNT(DISTINCT r.id) AS n, COUNT(DISTINCT p.id) AS plays FROM reports r JOIN plays p ON p.report_id = r.id JOIN verdicts v ON v.report_id = r.id',
    );
  const before = (await stored())!;
  for (let round = 1; round <= ROUNDS; round += 1) {
    const { total: _total, ...body } = await envelopeFor(assignment, [round, 0, 0]);
    const answer = await fetch(`${address}/api/v1/home/reports`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
      body: JSON.stringify(body),
    });
    expect(answer.status).toBe(201);
    process.kill(instance.pid, 'SIGKILL');
    web!.kill('SIGKILL');
    await Promise.all([gone(instance.child), gone(web!)]);
    address = await up();
    expect(await stored()).toEqual({ n: before.n + round, plays: before.plays + round });
  }
}, 900_000);
