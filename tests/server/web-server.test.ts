import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort } from '../../scripts/lib/processes.mjs';
import { startWebServer, type WebServer } from '../web-server';
import { useOwnSchema } from './school';

const folder = mkdtempSync(join(tmpdir(), 'lochside-log-'));
let web: WebServer;
let port: number;
let figures: number;

beforeAll(async () => {
  await useOwnSchema();
  port = await freePort();
  figures = await freePort();
  const env = {
    DATABASE_URL: process.env['DATABASE_URL']!,
    LOCHSIDE_LOG: 'info',
    LOCHSIDE_LOG_FILE: join(folder, 'web'),
    LOCHSIDE_METRICS_PORT: `${figures}`,
  };
  web = await startWebServer(port, env);
});
afterAll(() => {
  web.process.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

/** Says `words` and stays on the line: how long the server holds it, and what it answered. */
function line(words: string): Promise<{ seconds: number; answer: string }> {
  const began = Date.now();
  const socket = connect(port, '127.0.0.1', () => socket.write(words));
  let answer = '';
  socket.on('data', (part) => (answer += part.toString()));
  return new Promise((resolve) => socket.once('close', () => resolve({ seconds: (Date.now() - began) / 1000, answer })).on('error', () => undefined));
}

describe('unhappy at the server: connections and pages', () => {
  it(
    'a connection that says nothing, or never ends its head, is closed after ten seconds; one that asks is answered',
    { timeout: 90_000 },
    async () => {
      const [silent, endless, asking] = await Promise.all([
        line(''),
        line('GET /home HTTP/1.1\r\nHost: lochside.test\r\nX-Slow: '),
        line('GET /api/v1/health HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n'),
      ]);
      // Node by itself closes after a minute; between, a busy machine takes its time.
      for (const { seconds } of [silent, endless]) expect(seconds).toBeGreaterThan(6);
      for (const { seconds } of [silent, endless]) expect(seconds).toBeLessThan(40);
      expect(asking.answer).toMatch(/^HTTP\/1.1 200/);
    },
  );

  it('a page stands in the log by its route and status, without the ids and what it was asked with', async () => {
    const id = '018f0000-0000-7000-8000-000000000001';
    expect((await fetch(`${web.address}/classes/${id}?k=secret`, { redirect: 'manual' })).status).toBeLessThan(500);
    const logged = () =>
      readdirSync(folder)
        .map((name) => readFileSync(join(folder, name), 'utf8'))
        .join('');
    await expect.poll(logged, { timeout: 10_000 }).toContain('"route":"/classes/:id"');
    const told = JSON.parse(
      logged()
        .split('\n')
        .find((one) => one.includes('/classes/:id'))!,
    ) as object;
    expect(told).toMatchObject({ method: 'GET', msg: 'a page' });
    expect(Object.keys(told)).toEqual(expect.arrayContaining(['id', 'status', 'ms']));
    expect(logged()).not.toContain(id);
    expect(logged()).not.toContain('secret');
  });

  it('figures for Prometheus are told on a port of this machine: how many requests of whose, never an id; whether it is well', async () => {
    const told = async () => (await fetch(`http://127.0.0.1:${figures}/metrics`)).text();
    const figure = (text: string, name: string) =>
      Number(
        text
          .split('\n')
          .find((one) => one.startsWith(`${name} `))
          ?.split(' ')
          .at(-1) ?? 0,
      );
    const home = 'lochside_requests_total{kind="home",status="4xx"}';
    const before = figure(await told(), home);
    for (let n = 0; n < 3; n += 1) await fetch(`${web.address}/api/v1/home/card`);
    await fetch(`${web.address}/classes/018f0000-0000-7000-8000-000000000001`, { redirect: 'manual' });
    const text = await told();
    expect(figure(text, home) - before).toBe(3);
    expect(figure(text, 'lochside_ready')).toBe(1);
    expect(figure(text, 'lochside_disk_free_bytes')).toBeGreaterThan(0);
    expect(figure(text, 'lochside_request_seconds_count{kind="home"}')).toBeGreaterThanOrEqual(3);
    expect(text).not.toContain('018f0000');
    expect((await fetch(`http://127.0.0.1:${figures}/`)).status).toBe(404);
  });

  it('there is no optimiser of images to be asked for anything', async () => {
    expect((await fetch(`${web.address}/_next/image?url=%2Ficon.svg&w=64&q=75`)).status).toBe(404);
  });
});
