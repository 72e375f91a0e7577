/** Behind an https server, as the example for technicians sets it up, with a certificate of one's own making. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request as insecure } from 'node:http';
import { request, type RequestOptions } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort } from '../../scripts/lib/processes.mjs';
import { needHaproxy } from '../../scripts/lib/needs.mjs';
import { startWebServer, type WebServer } from '../web-server';
import { makeSchool, PASSWORD, useOwnSchema } from './school';

const folder = mkdtempSync(join(tmpdir(), 'lochside-https-'));
let [web, proxy]: [WebServer | undefined, ChildProcess | undefined] = [undefined, undefined];
let ports: { http: number; https: number };

const did = (command: string, args: readonly string[]) => {
  const done = spawnSync(command, args, { encoding: 'utf8' });
  if (done.status !== 0) throw new Error(`${command}: ${done.stderr}${done.stdout}`);
};

beforeAll(async () => {
  needHaproxy();
  await useOwnSchema();
  const [http, https, inner] = [await freePort(), await freePort(), await freePort()] as [number, number, number];
  ports = { http, https };
  const [key, certificate, both] = ['key', 'certificate', 'both'].map((name) => join(folder, `${name}.pem`)) as [string, string, string];
  did('openssl', [
    'req',
    '-x509',
    '-newkey',
    'rsa:2048',
    '-nodes',
    '-days',
    '2',
    '-subj',
    '/CN=localhost',
    '-addext',
    'subjectAltName=DNS:localhost',
    '-keyout',
    key,
    '-out',
    certificate,
  ]);
  writeFileSync(both, readFileSync(certificate, 'utf8') + readFileSync(key, 'utf8'));
  // The example as it is written, but for what only root may have and for the ports.
  const example = readFileSync('docs/examples/haproxy.cfg', 'utf8');
  const put = (text: string, a: string, b: string) => {
    expect(text).toContain(a);
    return text.replaceAll(a, b);
  };
  const config = [
    ['    log /dev/log local0\n', ''],
    ['    user haproxy\n    group haproxy\n', ''],
    ['/etc/haproxy/play.example.org.pem', both],
    ['bind :80', `bind 127.0.0.1:${http}`],
    ['bind :443', `bind 127.0.0.1:${https}`],
    ['127.0.0.1:3000', `127.0.0.1:${inner}`],
    ['play.example.org', 'localhost'],
  ].reduce((text, [a, b]) => put(text, a!, b!), example);
  const file = join(folder, 'haproxy.cfg');
  writeFileSync(file, config);
  did('haproxy', ['-c', '-f', file]);
  web = await startWebServer(inner, {
    DATABASE_URL: process.env['DATABASE_URL']!,
    PUBLIC_URL: `https://localhost:${https}`,
    LOCHSIDE_HOSTS: `localhost:${https},localhost,127.0.0.1:${inner}`,
  });
  proxy = spawn('haproxy', ['-f', file, '-db'], { stdio: 'ignore' });
  const ready = () =>
    ask('/api/v1/ready').then(
      ({ status }) => status === 200,
      () => false,
    );
  for (let n = 0; n < 200 && !(await ready()); n += 1) await sleep(100);
});
afterAll(() => {
  proxy?.kill('SIGKILL');
  web?.process.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
}

function ask(path: string, options: RequestOptions = {}, body?: string | Buffer): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const asked = request(
      { host: 'localhost', port: ports.https, path, ca: readFileSync(join(folder, 'certificate.pem')), agent: false, ...options },
      (answer) => {
        const parts: Buffer[] = [];
        answer.on('data', (part: Buffer) => parts.push(part));
        answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers, text: Buffer.concat(parts).toString() }));
      },
    ).once('error', reject);
    asked.end(body);
  });
}

describe('behind an https server', () => {
  it('who comes by http is sent to https', async () => {
    const answer = await new Promise<{ status: number | undefined; to: string | undefined }>((resolve, reject) => {
      insecure({ host: '127.0.0.1', port: ports.http, path: '/home', headers: { host: 'localhost' }, agent: false }, (got) => {
        got.resume();
        resolve({ status: got.statusCode, to: got.headers.location });
      })
        .once('error', reject)
        .end();
    });
    expect(answer).toEqual({ status: 301, to: 'https://localhost/home' });
  });

  it('signing in gives a cookie that goes by https alone, and with it the first page comes', async () => {
    const school = await makeSchool();
    const origin = `https://localhost:${ports.https}`;
    const signedIn = await ask(
      '/api/v1/sign-in',
      { method: 'POST', headers: { 'content-type': 'application/json', origin } },
      JSON.stringify({ email: school.email, password: PASSWORD }),
    );
    expect(signedIn.status, signedIn.text).toBe(200);
    const [cookie] = signedIn.headers['set-cookie'] as string[];
    expect(cookie).toMatch(/^__Host-lochside=.*HttpOnly.*Secure/i);
    const page = await ask('/today', { headers: { cookie: cookie!.split(';')[0]! } });
    expect(page.status).toBe(200);
    expect(page.text).toContain('P4');
    expect(page.headers['strict-transport-security']).toBe('max-age=31536000');
    // A page of elsewhere may not act.
    const foreign = await ask('/api/v1/sign-out', {
      method: 'POST',
      headers: { cookie: cookie!.split(';')[0]!, origin: 'https://elsewhere.example' },
    });
    expect(foreign.status).toBe(403);
  });

  it('what is too large is refused through it with words', async () => {
    const school = await makeSchool();
    const cookie = (await school.cookie('teacher')).replace('lochside=', '__Host-lochside=');
    const headers = { 'content-type': 'application/octet-stream', 'x-file-name': 'a.csv', cookie, origin: `https://localhost:${ports.https}` };
    const answer = await ask(`/api/v1/classes/${school.classId}/files`, { method: 'POST', headers }, Buffer.alloc(5_300_000, 'a'));
    expect(answer.status).toBe(413);
    expect(answer.text).toContain('larger than 5 MB');
  });
});
