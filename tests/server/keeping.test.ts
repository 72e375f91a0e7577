/** What a school keeps no longer goes on its day and not before; the whole of it goes out as files, or away. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import yauzl from 'yauzl';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { DELETE as deleteRoute } from '@/app/api/v1/school/route';
import { PUT as rulesRoute } from '@/app/api/v1/school/keeping/route';
import { GET as filesRoute } from '@/app/api/v1/school/files/route';
import { GET as exportRoute } from '@/app/api/v1/classes/[id]/export/route';
import { leave } from '@/server/db/children';
import { addIncoming } from '@/server/db/incoming';
import { toBytes } from '@/server/db/ids';
import { change, direct, rows, transact } from '@/server/db/pool';
import { leaverGoesOn, rawGoesOn, yearsLater } from '@/server/keeping/dates';
import { applyKeeping, keepingOf } from '@/server/keeping/keep';
import { deleteSchool } from '@/server/keeping/delete-school';
import { SCHOOL_TABLES, SERVER_TABLES } from '@/server/keeping/school-tables';
import { workingOf } from '@/server/reports/working';
import { playsOfClass } from '@/server/reports/plays';
import { exportedGoes } from '@/server/scores/export';
import { dayPlus } from '@/core/measure/days';
import { schoolDay } from '@/server/school-day';
import { call, envelopeFor, makeSchool, PASSWORD, readingOf, sendTo, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'lochside-keeping-'));
  process.env['LOCHSIDE_ERASURES'] = join(folder, 'erasures.jsonl');
});
afterEach(() => {
  delete process.env['LOCHSIDE_ERASURES'];
  rmSync(folder, { recursive: true });
});

const TODAY = schoolDay(new Date(), ZONE);
/** The middle of a day, years ahead as well. */
const on = (day: string) => new Date(`${day}T12:00:00Z`);
const ofSchool = ({ id }: TestSchool) => ({ schoolId: id, timeZone: ZONE });

/** A school with a child's report, the child's message that waits, and one that was set aside. */
async function busySchool() {
  const school = await makeSchool(2);
  const [childId, other] = school.childIds;
  const week = await sendTo(school);
  const { total: _total, ...envelope } = await envelopeFor(await week.assignment(childId!), [2, 1, 0]);
  const seated = { ...envelope.report, goes: envelope.report.goes.map((go) => ({ ...go, form: 'seated' as const })) };
  expect((await call(report, '/', { token: await week.token(childId!), body: { ...envelope, playId: v7(), report: seated } })).status).toBe(201);
  const message = (words: string) => ({
    schoolId: school.id,
    classId: school.classId,
    batchId: null,
    way: 'message' as const,
    source: 'family@example.org',
    sourceHash: Buffer.from(v7().replaceAll('-', '').padEnd(64, '0'), 'hex'),
    words,
    reading: readingOf({ childId: other! }),
    why: 'not-confirmed' as const,
  });
  await transact((db) => addIncoming(db, [message('waits: 7 points'), message('settled: 9 points')], new Date()));
  await change(direct(), "UPDATE incoming SET settled_at = ? WHERE school_id = ? AND words LIKE 'settled%'", [new Date(), toBytes(school.id)]);
  return { school, childId: childId!, other: other! };
}

describe('what a school keeps', () => {
  it('single tries and settled messages go on the first day after the next school year, and what the goes came to stays', async () => {
    const { school } = await busySchool();
    const goes = async () => (await exportedGoes(school.classId)).map(({ child, worked_out, counts, hits }) => ({ child, worked_out, counts, hits }));
    const before = await goes();
    const goesOn = rawGoesOn(TODAY, 1);
    // The message that went with the week is of these, too.
    const planned = (await keepingOf(ofSchool(school), new Date())).kept.find(({ kind }) => kind === 'raw');
    expect(planned).toEqual({ kind: 'raw', there: 3, next: { on: goesOn, count: 3 } });

    expect((await applyKeeping(ofSchool(school), on(dayPlus(goesOn, -1)))).raw).toBe(0);
    expect((await applyKeeping(ofSchool(school), on(goesOn), true)).raw).toBe(3);
    expect((await rows<{ n: number }>('SELECT COUNT(*) AS n FROM reports WHERE stripped_at IS NOT NULL'))[0]!.n).toBe(0);
    expect((await applyKeeping(ofSchool(school), on(goesOn))).raw).toBe(3);
    expect((await applyKeeping(ofSchool(school), on(goesOn))).raw).toBe(0);

    const [kept] = await rows<{ id: Buffer; body: string }>('SELECT id, body FROM reports WHERE stripped_at IS NOT NULL');
    expect(kept!.body).not.toContain('"events"');
    expect(await goes()).toEqual(before);
    const { reportId } = (await playsOfClass(school.classId))[0]!;
    expect(await workingOf(school.id, reportId)).toEqual({ goes: [{ sum: 'its single tries are no longer kept', frames: null }] });
    const left = await rows<{ words: string; settled: number }>(
      'SELECT words, settled_at IS NOT NULL AS settled FROM incoming WHERE school_id = ? ORDER BY words',
      [toBytes(school.id)],
    );
    expect(left.map(({ words }) => words)).toEqual(['', '']);
  });

  it('reports of before there were digests keep what they came to as well', async () => {
    const { school } = await busySchool();
    await change(direct(), 'UPDATE reports SET digest = NULL WHERE stripped_at IS NULL');
    const before = await exportedGoes(school.classId);
    await applyKeeping(ofSchool(school), on(rawGoesOn(TODAY, 1)));
    expect((await exportedGoes(school.classId)).map(({ counts }) => counts)).toEqual(before.map(({ counts }) => counts));
  });

  it('a message that nobody settled goes after 90 days, and is not read a second time', async () => {
    const { school } = await busySchool();
    expect((await applyKeeping(ofSchool(school), on(dayPlus(TODAY, 90)))).waiting).toBe(0);
    expect((await applyKeeping(ofSchool(school), on(dayPlus(TODAY, 91)))).waiting).toBe(1);
    const found = await rows<{ words: string; source: string; settled_at: Date | null }>(
      "SELECT words, source, settled_at FROM incoming WHERE school_id = ? AND words = ''",
      [toBytes(school.id)],
    );
    expect(found).toEqual([{ words: '', source: '', settled_at: expect.any(Date) as Date }]);
  });

  it('a child who left is erased after the school year in which it left, by the journal as well; others stay', async () => {
    const { school, childId, other } = await busySchool();
    await transact((db) => leave(db, childId, TODAY));
    const goesOn = leaverGoesOn(TODAY, 0);
    const { leavers } = await keepingOf(ofSchool(school), new Date());
    expect(leavers).toEqual([{ id: childId, name: 'Childa X.', leftOn: TODAY, goesOn }]);
    const gone = async (day: string) => (await applyKeeping(ofSchool(school), on(day))).leavers;
    expect(await gone(dayPlus(goesOn, -1))).toBe(0);
    expect(await gone(goesOn)).toBe(1);
    const there = await rows<{ id: Buffer }>('SELECT id FROM children WHERE school_id = ?', [toBytes(school.id)]);
    expect(there.map(({ id }) => id.equals(toBytes(other)))).toEqual([true]);
    expect(readFileSync(process.env['LOCHSIDE_ERASURES']!, 'utf8')).toContain(childId);
    const [line] = await rows<{ detail: string }>("SELECT detail FROM audit WHERE school_id = ? AND action = 'kept no longer'", [toBytes(school.id)]);
    expect(JSON.stringify(line!.detail)).toContain('leavers');
  });

  it('by other rules at other times; who did what goes after its years, and nobody can delete it before', async () => {
    const { school } = await busySchool();
    const cookie = await school.cookie('lead');
    const rules = { rawYears: 0, waitingDays: 14, leaverYears: 2, sessionDays: 7, auditYears: 1 };
    expect((await call(rulesRoute, '/', { method: 'PUT', cookie, body: { ...rules, waitingDays: 2 } })).status).toBe(400);
    expect((await call(rulesRoute, '/', { method: 'PUT', cookie: await school.cookie('teacher'), body: rules })).status).toBe(403);
    expect((await call(rulesRoute, '/', { method: 'PUT', cookie, body: rules })).status).toBe(200);
    expect((await keepingOf(ofSchool(school), new Date())).rules).toEqual(rules);
    expect((await applyKeeping(ofSchool(school), on(dayPlus(TODAY, 15)), true)).waiting).toBe(1);
    expect((await applyKeeping(ofSchool(school), on(yearsLater(TODAY, 1)), true)).audit).toBe(0);
    const gone = await applyKeeping(ofSchool(school), on(dayPlus(yearsLater(TODAY, 1), 1)));
    expect(gone.audit).toBeGreaterThan(0);
    // Cookies of this test opened sessions.
    expect(gone.sessions).toBeGreaterThan(0);
    await expect(change(direct(), 'DELETE FROM audit WHERE school_id = ?', [toBytes(school.id)])).rejects.toThrow(/time is over/);
  });

  it('more than is taken at a time goes all the same', async () => {
    const { school } = await busySchool();
    const at = new Date(Date.now() - 86_400_000);
    const expired = Array.from({ length: 450 }, () => v7().replaceAll('-', '').padEnd(64, '0'));
    for (const hash of expired)
      await change(direct(), 'INSERT INTO sessions (token_hash, teacher_id, school_id, created_at, expires_at) VALUES (?, ?, ?, ?, ?)', [
        Buffer.from(hash, 'hex'),
        toBytes(school.teacherId),
        toBytes(school.id),
        at,
        at,
      ]);
    expect((await applyKeeping(ofSchool(school), on(dayPlus(TODAY, 31)))).sessions).toBeGreaterThanOrEqual(450);
  });
});

describe('how a child usually plays', () => {
  it('is in a file only where somebody asks for it', async () => {
    const { school } = await busySchool();
    const file = async (query: string) => {
      const answer = await exportRoute(
        new Request(`http://lochside.test/x?format=json${query}`, { headers: { host: 'lochside.test', cookie: await school.cookie('teacher') } }),
        { params: Promise.resolve({ id: school.classId }) },
      );
      return (await answer.json()) as { formsLeftOut: boolean; reports: { report: { goes: { form: string }[] } }[] };
    };
    const usual = await file('');
    expect([usual.formsLeftOut, usual.reports[0]!.report.goes[0]!.form]).toEqual([true, 'standing']);
    const asked = await file('&forms=yes');
    expect([asked.formsLeftOut, asked.reports[0]!.report.goes[0]!.form]).toEqual([false, 'seated']);
  });
});

/** What is in a ZIP, by name. */
function unzipped(bytes: Buffer): Promise<Map<string, string>> {
  return new Promise((resolve, reject) => {
    const found = new Map<string, string>();
    yauzl.fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      zip.on('entry', (entry: yauzl.Entry) =>
        zip.openReadStream(entry, (problem, stream) => {
          if (problem) return reject(problem);
          const parts: Buffer[] = [];
          stream.on('data', (part: Buffer) => parts.push(part));
          stream.on('end', () => {
            found.set(entry.fileName, Buffer.concat(parts).toString());
            zip.readEntry();
          });
        }),
      );
      zip.on('end', () => resolve(found));
      zip.readEntry();
    });
  });
}

describe('a whole school', () => {
  it('goes out as files: every row of it, of no other school, and nothing to sign in with', async () => {
    const { school } = await busySchool();
    const { school: other } = await busySchool();
    const asked = (cookie: string) =>
      filesRoute(new Request('http://lochside.test/x', { headers: { host: 'lochside.test', cookie } }), { params: Promise.resolve({}) });
    expect((await asked(await school.cookie('teacher'))).status).toBe(403);
    const answer = await asked(await school.cookie('lead'));
    expect(answer.status).toBe(200);
    const files = await unzipped(Buffer.from(await answer.arrayBuffer()));
    const table = (name: string) => Papa.parse<Record<string, string>>(files.get(`tables/${name}.csv`)!, { header: true, skipEmptyLines: true }).data;
    expect(
      table('children')
        .map(({ id }) => id)
        .sort(),
    ).toEqual([...school.childIds].sort());
    expect(JSON.parse(table('reports')[0]!['body']!)).toHaveProperty('report.goes.0.events');
    expect(table('audit').some(({ action }) => action === 'school exported')).toBe(true);
    const all = [...files.values()].join('\n');
    for (const id of [other.id, ...other.childIds, other.teacherId]) expect(all).not.toContain(id);
    expect(all).not.toMatch(/argon2|_hash|second_factor(?!_asked)/i);
    for (const { name, where } of SCHOOL_TABLES) {
      const [{ n }] = (await rows<{ n: number }>(`SELECT COUNT(*) AS n FROM ${name} WHERE ${where}`, [toBytes(school.id)])) as [{ n: number }];
      if (files.has(`tables/${name}.csv`)) expect(table(name).length, name).toBe(Number(n));
    }
    expect(JSON.parse(files.get(`games/${school.gameId}.json`)!)).toHaveProperty('title', 'Otter Steps');
  });

  it('stands in tables that are all known', async () => {
    const found = await rows<{ name: string }>('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()');
    const known: readonly string[] = [...SCHOOL_TABLES.map(({ name }) => name), ...SERVER_TABLES];
    expect(found.map(({ name }) => name).filter((name) => !known.includes(name))).toEqual([]);
  });

  it('is deleted by a lead who writes its name and the password, with all that is in it; the other school has lost nothing', async () => {
    const { school } = await busySchool();
    const { school: other } = await busySchool();
    const counts = (of: TestSchool) =>
      Promise.all(
        SCHOOL_TABLES.map(async ({ name, where }) => [
          name,
          (await rows<{ n: number }>(`SELECT COUNT(*) AS n FROM ${name} WHERE ${where}`, [toBytes(of.id)]))[0]!.n,
        ]),
      );
    // Somebody works at both.
    await change(direct(), "INSERT INTO memberships (school_id, teacher_id, role) VALUES (?, ?, 'teacher')", [
      toBytes(other.id),
      toBytes(school.teacherId),
    ]);
    const before = await counts(other);
    const ask = async (name: string, current: string, role: 'lead' | 'teacher' = 'lead') =>
      (await call(deleteRoute, '/', { method: 'DELETE', cookie: await school.cookie(role), body: { name, current } })).status;
    expect(await ask('Test school', PASSWORD, 'teacher')).toBe(403);
    expect(await ask('Another school', PASSWORD)).toBe(409);
    expect(await ask('Test school', 'not the password')).toBe(401);
    expect(await ask('Test school', PASSWORD)).toBe(200);
    expect((await counts(school)).filter(([, n]) => n !== 0)).toEqual([]);
    const after = (await counts(other)).map(([name, n]) => (name === 'sessions' ? [name, 0] : [name, n]));
    expect(after).toEqual(before.map(([name, n]) => (name === 'sessions' ? [name, 0] : name === 'teachers' ? [name, Number(n) + 1] : [name, n])));
    expect(readFileSync(process.env['LOCHSIDE_ERASURES']!, 'utf8')).toContain(`"schoolId":"${school.id}","childId":null`);
    // Again, as after a restore of a backup: there is nothing to delete.
    await deleteSchool(school.id, new Date());
  });
});
