/**
 * npm run authority [-- PLAYS [MINUTES]]: the demo school so many times that together they have twenty million plays, on one database node. How large it is,
 * how fast screens and reports are there, and what that means for one school, a hundred, ten thousand: written into the guide. Stops where the disk
 * would be full or the time is over, and says so.
 */
import { rmSync, statfsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import mysql from 'mysql2/promise';
import { openSession } from '@/server/auth/sessions';
import { hashToken } from '@/server/auth/tokens';
import { tokenFor } from '@/server/db/access-keys';
import { toBytes, toText } from '@/server/db/ids';
import { change, direct, firstRow, rows, transact } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { settings } from '@/server/settings';
import { drawU32, PURPOSE } from '@/core/random/draw';
import { v7 } from 'uuid';
import { freePort } from '../scripts/lib/processes.mjs';
import { markdownTable, writeSection } from '../drills/section-of-guide';
import { startWebServer } from '../tests/web-server';
import { copyOf, copySchool, demoSchoolAlone } from '../drills/many-schools';

const WANTED = Number(process.argv[2] ?? 20_000_000);
/** How long it may write. */
const MINUTES = Number(process.argv[3] ?? 240);
/** So many schools are written at a time, by each of so many writers. */
const WAVE = 1000;
const WRITERS = 2;
const KEPT_FREE_BYTES = 10e9;
const BUFFER_GB = 6;
/** Schools that are looked at, each for the first time. */
const LOOKED_AT = 200;
const SENDERS = 16;
const SEND_S = 30;
/** Of what comes in a week, so much within the three hours of Sunday evening, the busiest minute twice the mean of them: assumed. */
const PEAK = { share: 0.25, hours: 3, times: 2 } as const;
const CHILDREN = 200;
const WEEKS_A_YEAR = 38;

const say = (line: string) => process.stdout.write(`${line}\n`);
const seconds = (since: number) => (performance.now() - since) / 1000;
const percentile = (list: readonly number[], share: number) => list.toSorted((a, b) => a - b)[Math.floor((list.length - 1) * share)]!;
const ms = (value: number) => `${value.toFixed(0)} ms`;
const gb = (bytes: number) => `${(bytes / 1e9).toFixed(bytes < 1e9 ? 2 : 1)} GB`;
const whole = (n: number) => Math.round(n).toLocaleString('en-GB');

process.env['LOCHSIDE_SERVER_KEY'] ??= 'k'.repeat(43);
const many = await demoSchoolAlone([
  `innodb_buffer_pool_size=${BUFFER_GB}G`,
  'innodb_log_file_size=1G',
  'innodb_flush_log_at_trx_commit=1',
  'innodb_flush_method=O_DIRECT',
  // Only what is written at first is quicker by it.
  'innodb_doublewrite=0',
  'innodb_io_capacity=2000',
]);
let web: Awaited<ReturnType<typeof startWebServer>> | undefined;
try {
  const db = await mysql.createConnection(many.url);
  const free = () => {
    const { bavail, bsize } = statfsSync(many.home);
    return bavail * bsize;
  };
  const playsOfOne = Number((await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM plays', []))!.n);
  const childrenOfOne = Number((await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM children', []))!.n);
  const wantedCopies = Math.ceil(WANTED / playsOfOne) - 1;
  say(`one school: ${childrenOfOne} children, ${playsOfOne} plays; ${whole(wantedCopies)} copies give ${whole(WANTED)} plays`);
  const began = performance.now();
  const freeAtFirst = free();
  let [begun, copies, rowsWritten] = [0, 0, 0];
  let stopped = '';
  const playsOf = (n: number) => whole((n + 1) * playsOfOne);
  await Promise.all(
    Array.from({ length: WRITERS }, async () => {
      const own = await mysql.createConnection(many.url);
      try {
        while (begun < wantedCopies && stopped === '') {
          const each = copies === 0 ? 4e6 : (freeAtFirst - free()) / copies;
          if (free() - each * WAVE * WRITERS < KEPT_FREE_BYTES)
            stopped = `Stopped at ${playsOf(begun)} plays, since the disk had ${gb(free())} left.`;
          else if (seconds(began) > 60 * MINUTES) stopped = `Stopped at ${playsOf(begun)} plays, after the ${MINUTES} minutes that it was given.`;
          else {
            const from = begun + 1;
            begun = Math.min(wantedCopies, begun + WAVE);
            const to = begun;
            rowsWritten += await copySchool(own, many.schoolId, { from, to });
            copies += to - from + 1;
            say(`${seconds(began).toFixed(0).padStart(5)} s  ${whole(copies)} schools, ${playsOf(copies)} plays, ${gb(freeAtFirst - free())}`);
          }
        }
      } finally {
        await own.end();
      }
    }),
  );
  if (stopped !== '') say(stopped);
  const writing = seconds(began);
  const [tables] = await db.query('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()');
  await db.query(`ANALYZE TABLE ${(tables as { name: string }[]).map(({ name }) => `\`${name}\``).join(', ')}`);
  const [sized] = await db.query(
    `SELECT table_name AS name, table_rows AS n, data_length AS data, index_length AS indexes FROM information_schema.tables
     WHERE table_schema = DATABASE() ORDER BY data_length + index_length DESC`,
  );
  const sizes = (sized as { name: string; n: number | string; data: number | string; indexes: number | string }[]).map((one) => ({
    name: one.name,
    rows: Number(one.n),
    data: Number(one.data),
    indexes: Number(one.indexes),
  }));
  const bytes = sizes.reduce((sum, one) => sum + one.data + one.indexes, 0);
  await db.end();

  web = await startWebServer(await freePort(), { LOCHSIDE_LIMITS: 'off', LOCHSIDE_LOG: 'silent', LOCHSIDE_HOME: many.home });
  const { address } = web;
  const now = new Date();
  const chosen = (n: number, of: number) => Array.from({ length: n }, (_, at) => 1 + (drawU32(1, at, of, PURPOSE.skill) % copies));
  const lead = (await firstRow<{ id: Buffer }>("SELECT teacher_id AS id FROM memberships WHERE school_id = ? AND role = 'lead' LIMIT 1", [
    toBytes(many.schoolId),
  ]))!;
  const classes = await rows<{ id: Buffer }>('SELECT id FROM classes WHERE school_id = ? ORDER BY id', [toBytes(many.schoolId)]);
  const teacher = toText(lead.id);
  const p95 = new Map<string, { first: number; again: number }>();
  const timed = async (path: string, headers: Record<string, string>) => {
    const at = performance.now();
    const answer = await fetch(`${address}${path}`, { headers });
    await answer.arrayBuffer();
    if (answer.status !== 200) throw new Error(`${answer.status}: ${path}`);
    return performance.now() - at;
  };
  for (const [what, path] of [
    ['the class’s week', (group: string) => `/scores?class=${group}`],
    ['the class over the weeks', (group: string) => `/scores/weeks?class=${group}`],
    ['to look at', (group: string) => `/scores/doubts?class=${group}`],
    ['Today', () => '/today'],
  ] as const) {
    const [first, again]: [number[], number[]] = [[], []];
    for (const copy of chosen(LOOKED_AT, path('').length)) {
      const cookie = `lochside=${(await openSession(copyOf(teacher, copy), copyOf(many.schoolId, copy), now)).token}`;
      const group = copyOf(toText(classes[copy % classes.length]!.id), copy);
      first.push(await timed(path(group), { cookie }));
      again.push(await timed(path(group), { cookie }));
    }
    p95.set(what, { first: percentile(first, 0.95), again: percentile(again, 0.95) });
    say(`${what}: p95 ${ms(percentile(first, 0.95))} at first sight, ${ms(percentile(again, 0.95))} again`);
  }

  // Families of as many schools send, each once.
  const sent = await rows<{ body: string; assignment_id: Buffer; child_id: Buffer; term_id: Buffer }>(
    `SELECT r.body, r.assignment_id, a.child_id, w.term_id FROM reports r JOIN assignments a ON a.id = r.assignment_id JOIN week_items i ON i.id = a.week_item_id
     JOIN weeks w ON w.id = i.week_id JOIN classes c ON c.id = w.class_id JOIN verdicts v ON v.report_id = r.id
     WHERE c.school_id = ? AND r.way = 'link' AND v.kind = 'clean' GROUP BY a.child_id ORDER BY r.id LIMIT 40`,
    [toBytes(many.schoolId)],
  );
  const families: { token: string; body: Record<string, unknown> }[] = [];
  for (const copy of chosen(150, 99))
    for (const one of sent) {
      const childId = copyOf(toText(one.child_id), copy);
      const token = await transact((on) => tokenFor(on, settings().serverKey, childId, copyOf(toText(one.term_id), copy), 'card', now));
      // The copy of a key has the copy of a hash.
      await change(direct(), "UPDATE access_keys SET token_hash = ? WHERE child_id = ? AND scope = 'card' AND revoked_at IS NULL", [
        hashToken(token),
        toBytes(childId),
      ]);
      families.push({ token, body: { ...(JSON.parse(one.body) as object), assignmentId: copyOf(toText(one.assignment_id), copy), playId: v7() } });
    }
  const waits: number[] = [];
  const wrong = new Map<number, number>();
  const beganSending = performance.now();
  let next = 0;
  await Promise.all(
    Array.from({ length: SENDERS }, async () => {
      while (seconds(beganSending) < SEND_S && next < families.length) {
        const { token, body } = families[next++]!;
        const report = body['report'] as { startedAt: string };
        const at = performance.now();
        const answer = await fetch(`${address}/api/v1/home/reports`, {
          method: 'POST',
          headers: { authorization: `Bearer ${token}`, origin: address, 'content-type': 'application/json' },
          body: JSON.stringify({ ...body, report: { ...report, startedAt: new Date(Date.parse(report.startedAt) + 1000).toISOString() } }),
        });
        await answer.arrayBuffer();
        if (answer.status === 201) waits.push(performance.now() - at);
        else wrong.set(answer.status, (wrong.get(answer.status) ?? 0) + 1);
      }
    }),
  );
  const rate = waits.length / seconds(beganSending);
  say(`reports: ${rate.toFixed(0)} a second, p95 ${ms(percentile(waits, 0.95))}; others ${JSON.stringify([...wrong])}`);
  if (waits.length < families.length / 20) throw new Error('hardly any report was taken');

  const aPlay = bytes / ((copies + 1) * playsOfOne);
  const load = [1, 100, 10_000].map((schools) => {
    const week = schools * CHILDREN;
    const peak = (week * PEAK.share * PEAK.times) / (PEAK.hours * 3600);
    return [
      whole(schools),
      whole(week),
      peak < 1 ? `one in ${(1 / peak).toFixed(0)} s` : `${whole(peak)} a second`,
      `${((100 * peak) / rate).toFixed(peak < rate / 100 ? 2 : 0)}%`,
      gb(week * WEEKS_A_YEAR * aPlay),
    ];
  });
  const text = `**${whole(copies + 1)} schools of ${childrenOfOne} children** (the demo school and its copies, six weeks each) on one node: **${whole((copies + 1) * playsOfOne)} plays**, ${whole((copies + 1) * childrenOfOne)} children, ${whole(rowsWritten)} rows, ${gb(bytes)}; written in ${(writing / 60).toFixed(1)} minutes. ${stopped}

${markdownTable([
  ['table', 'rows', 'data', 'indexes'],
  ...sizes.slice(0, 12).map((one) => [`\`${one.name}\``, whole(one.rows), gb(one.data), gb(one.indexes)]),
  ['all', '', gb(sizes.reduce((sum, one) => sum + one.data, 0)), gb(sizes.reduce((sum, one) => sum + one.indexes, 0))],
])}

${markdownTable([
  [`p95 over ${LOOKED_AT} schools`, 'at first sight', 'again'],
  ...[...p95].map(([what, { first, again }]) => [what, ms(first), ms(again)]),
])}

Reports from families of 150 of these schools, ${SENDERS} at a time, for ${SEND_S} seconds: **${rate.toFixed(0)} a second**, p95 ${ms(percentile(waits, 0.95))}.

${markdownTable([
  [
    `schools of ${CHILDREN} children`,
    'reports a week, one a child',
    'busiest minute of Sunday evening',
    'of what this machine takes',
    `a year of ${WEEKS_A_YEAR} weeks`,
  ],
  ...load,
])}

One machine with ${availableParallelism()} cores had database, web server and those who asked; the database had ${BUFFER_GB} GB of memory for ${gb(bytes)}. The busiest minute is assumed: a quarter of the week’s reports within three hours of Sunday evening, its busiest minute twice their mean.`;
  say(`\n${text}`);
  writeSection('several-machines.md', 'authority', text);
} finally {
  web?.process.kill('SIGKILL');
  await closePools();
  await many.stop();
  rmSync(many.home, { recursive: true, force: true });
}
