/** Scores of many children over many weeks: a file of five thousand rows, and the pages of a class of forty with twelve weeks. */
import type { Uuid } from '@/contract/ids';
import { playsOfClass } from '@/server/reports/plays';
import { judged } from '@/server/reports/take-in';
import { storeReports } from '@/server/db/reports';
import { addChild } from '@/server/db/children';
import { addClass } from '@/server/db/classes';
import { transact } from '@/server/db/pool';
import { yearAt } from '@/server/db/schools';
import { gamesWithAssignments } from '@/server/db/week-games';
import { schoolDay } from '@/server/school-day';
import { sendWeek } from '@/server/weeks/send-week';
import { envelopeFor, makeSchool, sendTo, weekOf, ZONE, type TestSchool } from '../tests/server/school';

type Say = (what: string, measured: string, target: string, reached: boolean | null) => void;

const CHILDREN = 40;
const WEEKS = 12;
const ROWS = 5000;
const REQUESTS = 50;

export async function benchCollect(address: string, say: Say): Promise<void> {
  await benchImport(address, say);
  await benchClass(address, say);
}

async function benchImport(address: string, say: Say): Promise<void> {
  const school = await makeSchool(CHILDREN);
  await sendTo(school);
  const names = school.childIds.map((_, n) => n);
  const { childrenOf } = await import('@/server/db/children');
  const children = await childrenOf(school.classId, '2999-01-01');
  const lines = Array.from({ length: ROWS }, (_, n) => {
    const child = children[names[n % names.length]!]!;
    return `${child.firstName} ${child.initial},1,${2 + (n % 14)}`;
  });
  const began = performance.now();
  const response = await fetch(`${address}/api/v1/classes/${school.classId}/files?name=scores.csv&apply=yes`, {
    method: 'POST',
    headers: { cookie: await school.cookie('teacher'), origin: address },
    body: ['Child,Week,Score', ...lines].join('\r\n'),
  });
  const told = (await response.text()).trim().split('\n');
  const seconds = (performance.now() - began) / 1000;
  const last = JSON.parse(told.at(-1)!) as { counted?: number; doubts?: number; waiting?: number };
  const brought = (last.counted ?? 0) + (last.doubts ?? 0) + (last.waiting ?? 0);
  say(
    `a file of ${ROWS} rows brought in (${told.length - 1} lines of progress)`,
    `${seconds.toFixed(1)} s`,
    '< 5 s',
    seconds < 5 && brought === ROWS,
  );
}

async function benchClass(address: string, say: Say): Promise<void> {
  const school = await makeSchool(CHILDREN);
  for (let n = 0; n < WEEKS; n += 1) {
    const week = await sendTo(school);
    for (const childId of school.childIds) {
      const assignment = await week.assignment(childId);
      const { total: _total, ...envelope } = await envelopeFor(assignment, [(n + 3) % 5, (n * 7) % 4, n % 3]);
      const sender = { accessKeyId: null, enteredBy: school.teacherId, way: 'paper' as const };
      const stored = await judged(sender, assignment, envelope as never, JSON.stringify(envelope), new Date());
      await transact((db) => storeReports(db, [stored]));
    }
  }
  say(`plays of a class of ${CHILDREN} × ${WEEKS}`, `${(await playsOfClass(school.classId)).length}`, '', null);
  for (const [what, path] of viewsOf(school)) {
    const p95 = await p95Of(`${address}${path}`, await school.cookie('teacher'), REQUESTS);
    say(`${what}, ${CHILDREN} × ${WEEKS}: p95 of ${REQUESTS} warm requests`, `${p95.toFixed(0)} ms`, '≤ 150 ms', p95 <= 150);
  }
}

const viewsOf = ({ classId, childIds }: TestSchool) =>
  [
    ['the class’s week', `/scores?class=${classId}`],
    ['the class over the weeks', `/scores/weeks?class=${classId}`],
    ['the list to look at', `/scores/doubts?class=${classId}`],
    ['a child’s page', `/children/${childIds[0] as Uuid}`],
  ] as const;

/** A server is warm when its code was compiled: the requests before are left out. */
const WARM_UP = 30;

/** Milliseconds within which 95 of 100 requests of a warm server are answered; `before` each one something may happen. */
async function p95Of(url: string, cookie: string, requests: number, before = async (): Promise<void> => undefined): Promise<number> {
  const times: number[] = [];
  for (let n = 0; n < WARM_UP + requests; n += 1) {
    await before();
    const began = performance.now();
    const response = await fetch(url, { headers: { cookie } });
    await response.text();
    if (response.status !== 200) throw new Error(`${url}: ${response.status}`);
    if (n >= WARM_UP) times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  return times[Math.ceil(0.95 * times.length) - 1]!;
}

const TODAY = { classes: 12, children: 30, weeks: 12 };

/** The first page of a large school: every child has reported every week, and one more report comes in before each request. */
export async function benchToday(address: string, say: Say): Promise<void> {
  const school = await makeSchool(0);
  const now = new Date();
  const today = schoolDay(now, ZONE);
  const sender = { accessKeyId: null, enteredBy: school.teacherId, way: 'paper' as const };
  let oneMore: () => Promise<void> = async () => undefined;
  for (let at = 0; at < TODAY.classes; at += 1) {
    const { classId, childIds } = await transact(async (db) => {
      const year = await yearAt(db, school.id, today);
      const id = await addClass(db, { schoolId: school.id, yearId: year.id, name: `Class ${at + 1}`, ageYears: 8 }, now);
      const ids: Uuid[] = [];
      for (let n = 0; n < TODAY.children; n += 1)
        ids.push(
          await addChild(db, school.id, id, { firstName: `Child${'abcdefghij'[n % 10]}${'xyz'[Math.floor(n / 10)]}`, initial: 'X.' }, today, now),
        );
      return { classId: id, childIds: ids };
    });
    for (let n = 0; n < TODAY.weeks; n += 1) {
      const sent = await sendWeek(weekOf(school, { classId }), now);
      const [game] = (await gamesWithAssignments([sent.id])).get(sent.id)!;
      const report = async (childId: Uuid) => {
        const assignment = game!.byChild.get(childId)!;
        const { total: _total, ...envelope } = await envelopeFor(assignment, [(n + 3) % 5, (n * 7) % 4, n % 3]);
        return judged(sender, assignment, envelope as never, JSON.stringify(envelope), new Date());
      };
      const stored = await Promise.all(childIds.map(report));
      await transact((db) => storeReports(db, stored));
      oneMore = async () => {
        const more = await report(childIds[0]!);
        await transact((db) => storeReports(db, [more]));
      };
    }
  }
  const p95 = await p95Of(`${address}/today`, await school.cookie('teacher'), REQUESTS, oneMore);
  const of = `${TODAY.classes} classes × ${TODAY.children} × ${TODAY.weeks}`;
  say(`the first page, ${of}: p95 after each new report`, `${p95.toFixed(0)} ms`, '≤ 150 ms', p95 <= 150);
}

const FLOOD = { reports: 2000, goes: 20 };

/** One link sends far more than any child plays: each view, every time after one more report. `memoryMb` tells what the web server holds. */
export async function benchFlood(address: string, say: Say, memoryMb: () => number): Promise<void> {
  const school = await makeSchool(30);
  const week = await sendTo(school);
  const assignment = await week.assignment(school.childIds[0]!);
  const oneMore = async () => {
    const { total: _total, ...envelope } = await envelopeFor(assignment, [3, 2, 1]);
    const [go] = envelope.report.goes;
    const flooded = { ...envelope, report: { ...envelope.report, goes: Array.from({ length: FLOOD.goes }, () => go!) } };
    const sender = { accessKeyId: null, enteredBy: school.teacherId, way: 'link' as const };
    const stored = await judged(sender, assignment, flooded as never, JSON.stringify(flooded), new Date());
    await transact((db) => storeReports(db, [stored]));
  };
  for (let n = 0; n < FLOOD.reports; n += 1) await oneMore();
  for (const [what, path] of viewsOf(school)) {
    const p95 = await p95Of(`${address}${path}`, await school.cookie('teacher'), REQUESTS, oneMore);
    const most = path.startsWith('/children') ? 500 : 150;
    say(
      `${what}, ${FLOOD.reports} reports × ${FLOOD.goes} goes of one child: p95 after each new report`,
      `${p95.toFixed(0)} ms`,
      `≤ ${most} ms`,
      p95 <= most,
    );
  }
  say('memory of the web server after it', `${memoryMb().toFixed(0)} MB`, '≤ 600 MB', memoryMb() <= 600);
}
