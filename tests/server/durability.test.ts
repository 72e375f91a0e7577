import { randomBytes } from 'node:crypto';
import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { startInstance } from '../../scripts/lib/instance.mjs';
import { freePort } from '../../scripts/lib/processes.mjs';
import { migrate } from '@/server/db/migrate';
import { firstRow, pool } from '@/server/db/pool';
import { startWebServer } from '../web-server';
import { envelopeFor, makeSchool, sendTo } from './school';

const ROUNDS = 20;
const home = mkdtempSync(join(tmpdir(), 'lochside-kill-'));
chmodSync(home, 0o755);

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
  await globalThis.lochsidePool?.end();
  await instance?.stop();
  rmSync(home, { recursive: true, force: true });
});

async function pointPoolAt(url: string): Promise<void> {
  await globalThis.lochsidePool?.end().catch(() => undefined);
  globalThis.lochsidePool = undefined;
  process.env['DATABASE_URL'] = url;
}

const gone = (child: ChildProcess) =>
  new Promise<void>((resolve) => (child.exitCode !== null || child.signalCode !== null ? resolve() : child.once('exit', () => resolve())));

it('a report that was called received is there after the web server and the database were killed right after the answer, twenty times', async () => {
  const password = randomBytes(12).toString('base64url');
  const up = async () => {
    instance = (await startInstance(home, password, { fast: true })) as unknown as Instance;
    await pointPoolAt(instance.url());
    const started = await startWebServer(await freePort(), { DATABASE_URL: instance.url() });
    web = started.process;
    return started.address;
  };
  let address = await up();
  await migrate(instance.url());
  expect(await firstRow('SELECT @@innodb_flush_log_at_trx_commit AS flush')).toEqual({ flush: 1 });
  const school = await makeSchool(1);
  const week = await sendTo(school);
  const child = school.childIds[0]!;
  const token = await week.token(child);
  const assignment = await week.assignment(child);
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
    const found = await firstRow<{ n: number; plays: number }>(
      'SELECT COUNT(DISTINCT r.id) AS n, COUNT(DISTINCT p.id) AS plays FROM reports r JOIN plays p ON p.report_id = r.id JOIN verdicts v ON v.report_id = r.id',
    );
    expect(found).toEqual({ n: round, plays: round });
  }
  await pool().end();
  globalThis.lochsidePool = undefined;
}, 900_000);
