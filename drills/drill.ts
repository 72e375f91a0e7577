/**
 * Families and teachers at work over several machines while machines die: three database nodes, two web servers and a balancer on loopback. What is
 * acknowledged is written down here, and held against every node afterwards.
 */
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import mysql from 'mysql2/promise';
import { DEED_HEADER } from '@/contract/deed';
import { GAMES_OF } from '@/contract/card-check';
import type { Uuid } from '@/contract/ids';
import type { Doubt } from '@/contract/to-look-at';
import { migrate } from '@/server/db/migrate';
import { firstRow } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { toBytes, toText } from '@/server/db/ids';
import { v7 } from 'uuid';
import { beginCluster, rejoin, startMachines } from '../scripts/lib/cluster.mjs';
import { envelopeFor, makeSchool, PASSWORD, sendTo } from '../tests/server/school';

interface Node {
  readonly name: string;
  readonly log: string;
  readonly port: number;
  readonly kill: (signal?: string) => Promise<void>;
  readonly pause: (signal: string) => void;
}

interface Web {
  readonly name: string;
  readonly address: string;
  /** `folder` holds the build that is served, `url` is its database's; this one's and its own, unless they are said. */
  readonly start: (folder?: string, url?: string) => Promise<void>;
  readonly kill: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

interface Machines {
  readonly address: string;
  readonly nodes: readonly Node[];
  readonly webs: readonly Web[];
  readonly byBalancer: () => string;
  readonly favourite: () => Node;
  readonly stop: () => Promise<void>;
}

/** Something that happens to the machines, so many seconds after the work began. */
export interface Blow {
  readonly atS: number;
  readonly name: string;
  readonly deal: (machines: Machines) => Promise<unknown>;
}

/** As long as nobody may be answered when one machine dies, seconds. */
export const PAUSE_S = 5;

/** What a stretch of time between two blows came to. */
export interface Stretch {
  readonly name: string;
  readonly acknowledged: number;
  /** The longest that anybody waited for an answer, with every try, seconds. */
  readonly longestWaitS: number;
  /** The longest without any acknowledgement at all, seconds. */
  readonly longestPauseS: number;
  readonly errors: Readonly<Record<string, number>>;
}

export interface Drilled {
  readonly stretches: readonly Stretch[];
  readonly acknowledged: number;
  /** Of what was acknowledged, by node: not there; there more than once. */
  readonly lost: number;
  readonly doubled: number;
  /** Reads on another web server after what was done, and how many of them still told what was before. */
  readonly reads: Readonly<Record<'link' | 'signed out' | 'decision', { readonly asked: number; readonly old: number }>>;
  /** How the nodes that were killed came back. */
  readonly cameBack: readonly string[];
}

const killFavourite = (machines: Machines) => {
  const node = machines.favourite();
  return node.kill().then(() => node);
};

const ALL_DIE = 'all three nodes are killed at once, and begun again from the farthest';

/** What one version changed of the database, newest first, and how it is undone: for a drill that begins with the version before. */
export interface Undone {
  readonly names: readonly string[];
  readonly statements: readonly string[];
}

let fallen: Node | undefined;
const comesBack = async () => {
  const node = fallen!;
  await rejoin(node);
};

/** What kills and mends, by name. */
export const BLOWS = {
  writer: (atS: number): Blow => ({ atS, name: 'the node that is written to is killed', deal: async (m) => (fallen = await killFavourite(m)) }),
  nodeBack: (atS: number): Blow => ({ atS, name: 'it comes back', deal: comesBack }),
  web: (atS: number): Blow => ({ atS, name: 'a web server is killed', deal: (m) => m.webs[0]!.kill() }),
  migrated: (atS: number): Blow => ({
    atS,
    name: 'the new version changes the database, both web servers are still of the version before',
    deal: (m) => migrate(m.byBalancer()),
  }),
  renewed: (atS: number, index: 0 | 1): Blow => ({
    atS,
    name: `web server ${index + 1} is stopped and started in the new version`,
    deal: async ({ webs }) => {
      await webs[index]!.stop();
      await webs[index]!.start();
    },
  }),
  webBack: (atS: number): Blow => ({ atS, name: 'it comes back', deal: (m) => m.webs[0]!.start() }),
  favourite: (atS: number): Blow => ({
    atS,
    name: 'the balancer’s favourite of now is killed',
    deal: async (m) => (fallen = await killFavourite(m)),
  }),
  hangs: (atS: number, forS: number): Blow => ({
    atS,
    name: `the favourite hangs for ${forS} s without a word`,
    deal: async (m) => {
      const node = m.favourite();
      node.pause('SIGSTOP');
      await sleep(forS * 1000);
      node.pause('SIGCONT');
    },
  }),
  all: (atS: number): Blow => ({
    atS,
    name: ALL_DIE,
    deal: async (m) => {
      await Promise.all(m.nodes.map((node) => node.kill()));
      await beginCluster(m.nodes);
    },
  }),
} as const;

class Tally {
  readonly acknowledged: { readonly playId: Uuid; readonly atMs: number }[] = [];
  readonly waits: { readonly atMs: number; readonly ms: number }[] = [];
  readonly errors: { readonly atMs: number; readonly kind: string }[] = [];
}

const PATIENCE_MS = 15_000;

/** One request as a page makes it: again, the same, until there is an answer that is none of a failing server. */
async function patient(tally: Tally, ask: () => Promise<Response>): Promise<Response> {
  const began = Date.now();
  for (;;) {
    const answer = await ask().catch((error: Error & { cause?: { code?: string } }) => error.cause?.code ?? error.name);
    if (typeof answer !== 'string' && answer.status < 500 && answer.status !== 429) {
      tally.waits.push({ atMs: Date.now(), ms: Date.now() - began });
      return answer;
    }
    tally.errors.push({ atMs: Date.now(), kind: typeof answer === 'string' ? answer : `${answer.status}` });
    if (typeof answer !== 'string') await answer.arrayBuffer().catch(() => undefined);
    await sleep(100 + Math.random() * 100);
  }
}

/** Runs it; `say` hears how it goes. Throws where the machines cannot be had. */
export async function drill({
  seconds,
  blows,
  families = 8,
  from,
  say = () => undefined,
}: {
  seconds: number;
  blows: readonly Blow[];
  families?: number;
  /** The version before: where its build is, and what it does not know. Links and decisions come in when the database has been changed. */
  from?: { readonly folder: string; readonly undone: Undone; readonly fromS: number };
  say?: (line: string) => void;
}): Promise<Drilled> {
  const home = mkdtempSync(join(tmpdir(), 'lochside-machines-'));
  chmodSync(home, 0o755);
  const serverKey = randomBytes(32).toString('base64url');
  const before = { url: process.env['DATABASE_URL'], key: process.env['LOCHSIDE_SERVER_KEY'] };
  process.env['LOCHSIDE_SERVER_KEY'] = serverKey;
  let machines: Machines | undefined;
  try {
    machines = (await startMachines({
      home,
      password: randomBytes(18).toString('base64url'),
      // Eight families send in two minutes what two hundred do in a week.
      env: { LOCHSIDE_SERVER_KEY: serverKey, LOCHSIDE_LIMITS: 'off', LOCHSIDE_LOG: 'silent', LOCHSIDE_HOME: home },
      prepare: async ({ byBalancer }: { byBalancer: () => string }) => {
        await closePools();
        process.env['DATABASE_URL'] = byBalancer();
        // Two at once: one waits for the other.
        const ran = await Promise.all([migrate(byBalancer()), migrate(byBalancer())]);
        say(`migrations by two at once: ${ran.map((one) => one.length).join(' and ')}`);
      },
    })) as unknown as Machines;
    return await workAndBlows(machines, { seconds, blows, families, from, say });
  } finally {
    await closePools();
    await machines?.stop();
    if (before.url === undefined) delete process.env['DATABASE_URL'];
    else process.env['DATABASE_URL'] = before.url;
    if (before.key === undefined) delete process.env['LOCHSIDE_SERVER_KEY'];
    else process.env['LOCHSIDE_SERVER_KEY'] = before.key;
    rmSync(home, { recursive: true, force: true });
  }
}

/** Both web servers in the version before, on the database as it left it. */
async function backTo({ address, webs, byBalancer }: Machines, folder: string, { names, statements }: Undone): Promise<void> {
  for (const web of webs) await web.stop();
  const db = await mysql.createConnection(byBalancer());
  try {
    for (const sql of statements) await db.query(sql);
    for (const name of names) for (const table of ['migrations', 'migrations_begun']) await db.execute(`DELETE FROM ${table} WHERE name = ?`, [name]);
  } finally {
    await db.end();
  }
  // Versions before 0082 know one address alone.
  for (const web of webs) await web.start(folder, byBalancer());
  const isReady = () =>
    fetch(`${address}/api/v1/ready`).then(
      ({ ok }) => ok,
      () => false,
    );
  for (const began = Date.now(); !(await isReady()); await sleep(200))
    if (Date.now() - began > PATIENCE_MS) throw new Error('the version before did not become ready');
}

async function workAndBlows(
  machines: Machines,
  {
    seconds,
    blows,
    families,
    from,
    say,
  }: {
    readonly seconds: number;
    readonly blows: readonly Blow[];
    readonly families: number;
    readonly from: { readonly folder: string; readonly undone: Undone; readonly fromS: number } | undefined;
    readonly say: (line: string) => void;
  },
): Promise<Drilled> {
  const school = await makeSchool(families + 2);
  const week = await sendTo(school);
  const senders = await Promise.all(
    school.childIds.slice(0, families).map(async (childId) => ({ token: await week.token(childId), assignment: await week.assignment(childId) })),
  );
  if (from) await backTo(machines, from.folder, from.undone);
  const tally = new Tally();
  const reads = { link: { asked: 0, old: 0 }, 'signed out': { asked: 0, old: 0 }, decision: { asked: 0, old: 0 } };
  const began = Date.now();
  let over = false;
  const { address, webs } = machines;
  const post = (path: string, body: unknown, headers: Record<string, string>, at = address) =>
    fetch(`${at}/api/v1/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: at, connection: 'close', ...headers },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  const get = (path: string, headers: Record<string, string>, at = address) =>
    fetch(`${at}/api/v1/${path}`, { headers: { connection: 'close', ...headers }, signal: AbortSignal.timeout(PATIENCE_MS) });
  const bearer = (token: string) => ({ authorization: `Bearer ${token}` });

  const sendReport = async (token: string, assignment: Awaited<ReturnType<typeof week.assignment>>, wrongBy: number) => {
    const { total: _total, ...body } = await envelopeFor(assignment, [Math.floor(Math.random() * 4), 1, 0], wrongBy);
    const answer = await patient(tally, () => post('home/reports', body, bearer(token)));
    const { received } = (await answer.json()) as { received?: boolean };
    if (!received) throw new Error(`a family was answered ${answer.status}`);
    tally.acknowledged.push({ playId: body.playId as Uuid, atMs: Date.now() });
    return body.playId as Uuid;
  };
  const family = async ({ token, assignment }: (typeof senders)[number]) => {
    while (!over) {
      await sendReport(token, assignment, 0);
      await sleep(100);
    }
  };

  /** What a web server answers about what was just done by the other: asked of each that is up. */
  const readBack = async (
    of: keyof typeof reads,
    ask: (at: string) => Promise<Response>,
    isOld: (answer: Response) => Promise<boolean> | boolean,
  ) => {
    for (const web of webs) {
      const answer = await ask(web.address).catch(() => undefined);
      if (!answer || answer.status >= 500) continue;
      reads[of].asked += 1;
      if (await isOld(answer)) {
        reads[of].old += 1;
        say(`OLD: ${of} on ${web.name}`);
      }
    }
  };
  const signIn = async () => {
    const answer = await patient(tally, () => post('sign-in', { email: school.email, password: PASSWORD, code: '' }, {}));
    if (answer.status !== 200) throw new Error(`a teacher was answered ${answer.status} at the door: ${await answer.text()}`);
    return answer.headers
      .getSetCookie()
      .map((one) => one.split(';')[0]!)
      .find((one) => one.startsWith('lochside='))!;
  };
  const deed = () => ({ [DEED_HEADER]: v7() });
  const signsInAndOut = async () => {
    while (!over) {
      const cookie = await signIn();
      await patient(tally, () => post('sign-out', undefined, { cookie }));
      await readBack(
        'signed out',
        (at) => get('me', { cookie }, at),
        ({ status }) => status !== 401,
      );
      await sleep(300);
    }
  };
  const replacesLinks = async (childId: Uuid) => {
    const cookie = await signIn();
    while (!over) {
      const old = await week.token(childId);
      const named = deed();
      const done = await patient(tally, () => post(`children/${childId}/links`, undefined, { cookie, ...named }));
      if (done.status !== 200) throw new Error(`replacing a link was answered ${done.status}: ${await done.text()}`);
      await readBack(
        'link',
        (at) => get(`home/card?games=${GAMES_OF}`, bearer(old), at),
        ({ status }) => status !== 401,
      );
      const fresh = await week.token(childId);
      await readBack(
        'link',
        (at) => get(`home/card?games=${GAMES_OF}`, bearer(fresh), at),
        ({ status }) => status !== 200,
      );
      await sleep(300);
    }
  };
  const decides = async (childId: Uuid) => {
    const cookie = await signIn();
    const [token, assignment] = [await week.token(childId), await week.assignment(childId)];
    while (!over) {
      // A total that its own tries do not give: it waits for a teacher.
      const playId = await sendReport(token, assignment, 3);
      const row = await firstRow<{ id: Buffer }>('SELECT id FROM reports WHERE client_play_id = ?', [toBytes(playId)]);
      const named = deed();
      const reportId = toText(row!.id);
      const done = await patient(tally, () => post(`reports/${reportId}/decision`, { choice: 'count-worked-out' }, { cookie, ...named }));
      if (done.status >= 300) throw new Error(`a decision was answered ${done.status}: ${await done.text()}`);
      await readBack(
        'decision',
        (at) => get(`classes/${school.classId}/doubts`, { cookie }, at),
        async (answer) => {
          const text = await answer.text();
          return answer.status !== 200 || waitsIn(text, reportId);
        },
      );
      await sleep(300);
    }
  };

  const work = [
    ...senders.map(family),
    signsInAndOut(),
    sleep((from?.fromS ?? 0) * 1000).then(() => replacesLinks(school.childIds[families]!)),
    sleep((from?.fromS ?? 0) * 1000).then(() => decides(school.childIds[families + 1]!)),
  ];
  const marks: { readonly name: string; readonly atMs: number }[] = [{ name: 'all is well', atMs: began }];
  const cameBack: string[] = [];
  const dealt = (async () => {
    for (const blow of blows) {
      await sleep(Math.max(0, began + blow.atS * 1000 - Date.now()));
      marks.push({ name: blow.name, atMs: Date.now() });
      say(`${((Date.now() - began) / 1000).toFixed(0).padStart(4)} s  ${blow.name}`);
      const sizes = new Map(machines.nodes.map((node) => [node, readFileSync(node.log).length]));
      await blow.deal(machines);
      for (const node of machines.nodes) {
        const how = howItCameBack(readFileSync(node.log).subarray(sizes.get(node)).toString());
        if (how) cameBack.push(`${node.name}: ${how}`);
      }
    }
    await sleep(Math.max(0, began + seconds * 1000 - Date.now()));
  })();
  try {
    await Promise.race([dealt, Promise.all(work)]);
  } finally {
    over = true;
  }
  await Promise.all([dealt, ...work]);
  const { lost, doubled } = await heldAgainst(
    machines,
    tally.acknowledged.map(({ playId }) => playId),
  );
  return {
    stretches: marks.map(({ name, atMs }, index) => stretchOf(tally, name, atMs, marks[index + 1]?.atMs ?? Date.now())),
    acknowledged: tally.acknowledged.length,
    lost,
    doubled,
    reads,
    cameBack,
  };
}

/** What of it is not as it must be. `all`, after which a cluster is begun again, is the one blow that may pause for longer. */
export function wrongIn({ lost, doubled, reads, stretches, cameBack, acknowledged }: Drilled, pauseS = PAUSE_S): readonly string[] {
  const wrong = [];
  if (acknowledged === 0) wrong.push('nothing was acknowledged');
  if (lost > 0) wrong.push(`${lost} lost`);
  if (doubled > 0) wrong.push(`${doubled} doubled`);
  for (const [of, { asked, old }] of Object.entries(reads)) {
    if (asked === 0) wrong.push(`nobody asked after what was done: ${of}`);
    if (old > 0) wrong.push(`${old} old of ${asked}: ${of}`);
  }
  for (const { name, longestPauseS } of stretches)
    if (longestPauseS > pauseS && name !== ALL_DIE) wrong.push(`${longestPauseS.toFixed(1)} s without an answer: ${name}`);
  for (const how of cameBack) if (/a whole copy/.test(how)) wrong.push(how);
  return wrong;
}

interface DoubtsAnswer {
  readonly doubts: readonly Pick<Doubt, 'reportId' | 'choice'>[];
}

/** Whether a report still waits in an answer of doubts. */
function waitsIn(text: string, reportId: string): boolean {
  const found = (JSON.parse(text) as DoubtsAnswer).doubts.find((one) => one.reportId === reportId);
  if (!found) throw new Error('a report in doubt stands in no list of doubts');
  return found.choice === null;
}

function stretchOf({ acknowledged, waits, errors }: Tally, name: string, fromMs: number, toMs: number): Stretch {
  const within = <T extends { readonly atMs: number }>(list: readonly T[]) => list.filter(({ atMs }) => atMs >= fromMs && atMs < toMs);
  const times = [fromMs, ...within(acknowledged).map(({ atMs }) => atMs), toMs];
  const kinds: Record<string, number> = {};
  for (const { kind } of within(errors)) kinds[kind] = (kinds[kind] ?? 0) + 1;
  return {
    name,
    acknowledged: within(acknowledged).length,
    longestWaitS: Math.max(0, ...within(waits).map(({ ms }) => ms)) / 1000,
    longestPauseS: Math.max(...times.slice(1).map((at, index) => at - times[index]!)) / 1000,
    errors: kinds,
  };
}

/** By the words of its own log: what it missed alone, or a whole copy and from whom. */
function howItCameBack(log: string): string | null {
  const copy = /SST complete, seqno: (\d+)/.exec(log);
  const from = /Selected \d+\.\d+ \((\w+)\)/.exec(log)?.[1] ?? 'another';
  if (copy) return `a whole copy from ${from}`;
  return /IST received|Recovered position/.test(log) && /Synchronized with group/.test(log) ? `what it missed, from ${from}` : null;
}

/** Reports and plays of what was acknowledged, on each node by itself. */
async function heldAgainst(machines: Machines, playIds: readonly Uuid[]): Promise<{ lost: number; doubled: number }> {
  let [lost, doubled] = [0, 0];
  const url = new URL(machines.byBalancer());
  for (const node of machines.nodes) {
    const own = new URL(url);
    own.port = String(node.port);
    const db = await mysql.createConnection(own.toString());
    try {
      await db.query('SET SESSION wsrep_sync_wait = 1');
      const [found] = await db.query(
        'SELECT r.client_play_id AS id, COUNT(DISTINCT r.id) AS n, COUNT(p.id) AS plays FROM reports r LEFT JOIN plays p ON p.report_id = r.id GROUP BY r.client_play_id',
      );
      const by = new Map((found as { id: Buffer; n: number; plays: number }[]).map((row) => [toText(row.id), row]));
      for (const playId of playIds) {
        const row = by.get(playId);
        if (!row || Number(row.plays) === 0) lost += 1;
        else if (Number(row.n) > 1 || Number(row.plays) > 1) doubled += 1;
      }
    } finally {
      await db.end();
    }
  }
  return { lost, doubled };
}
