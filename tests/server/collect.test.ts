import type { Uuid } from '@/contract/ids';
import type { Doubt, Waiting } from '@/contract/to-look-at';
import type { BroughtIn, Looked } from '@/contract/table';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { beforeAll, describe, expect, it } from 'vitest';
import { GET as doubtsRoute } from '@/app/api/v1/classes/[id]/doubts/route';
import { GET as exportRoute } from '@/app/api/v1/classes/[id]/export/route';
import { POST as files } from '@/app/api/v1/classes/[id]/files/route';
import { POST as batch } from '@/app/api/v1/batches/[id]/route';
import { POST as decision } from '@/app/api/v1/reports/[id]/decision/route';
import { POST as incoming } from '@/app/api/v1/incoming/[id]/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as slip } from '@/app/api/v1/scores/slip/route';
import { POST as typed } from '@/app/api/v1/scores/typed/route';
import { decisionsOfClass } from '@/server/db/decisions';
import { sensibleStart } from '@/core/course/sensible-start';
import { addGame } from '@/server/db/games';
import { toBytes } from '@/server/db/ids';
import { rows, transact } from '@/server/db/pool';
import { readDropped } from '@/server/files/read-dropped';
import { MOST_BYTES, readFile } from '@/server/files/drop';
import { classWeeks } from '@/server/scores/class-weeks';
import { asCsv, asWorkbook, exportedGoes } from '@/server/scores/export';
import { classWeek } from '@/server/scores/class-week';
import { schoolDay } from '@/server/school-day';
import { sendWeek } from '@/server/weeks/send-week';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, weekOf, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const WEEK = schoolDay(new Date(), ZONE);
const scoresOf = async (school: TestSchool) => (await classWeek(school.classId, null, ZONE, WEEK)).rows;
const rowOf = async (school: TestSchool, childId: string) => (await scoresOf(school)).find((row) => row.childId === childId)!;

async function sent(children = 3) {
  const school = await makeSchool(children);
  const week = await sendTo(school);
  const teacher = await school.cookie('teacher');
  const look = async () =>
    (await call(doubtsRoute, '/', { method: 'GET', cookie: teacher }, { id: school.classId })).answer as { doubts: Doubt[]; waiting: Waiting[] };
  const reported = async (childId: Uuid, hits: readonly number[], wrongBy = 0) => {
    const { total, ...envelope } = await envelopeFor(await week.assignment(childId), hits, wrongBy);
    await call(report, '/', { token: await week.token(childId), body: envelope });
    return total;
  };
  const onPaper = async (childId: Uuid, hits: readonly number[], change: Partial<Record<'distancesM', number[]>> = {}) => {
    const { total: _total, ...envelope } = await envelopeFor(await week.assignment(childId), hits);
    const [go] = envelope.report.goes;
    const body = { ...envelope, report: { ...envelope.report, goes: [{ ...go!, setUp: { ...go!.setUp, ...change } }] } };
    return call(typed, '/', { cookie: teacher, body });
  };
  const drop = (name: string, bytes: Buffer, more = '') =>
    files(
      new Request(`http://lochside.test/api/v1/classes/x/files?name=${encodeURIComponent(name)}${more}`, {
        method: 'POST',
        headers: { host: 'lochside.test', origin: 'http://lochside.test', cookie: teacher },
        body: new Uint8Array(bytes),
      }),
      { params: Promise.resolve({ id: school.classId }) },
    );
  return { school, week, teacher, look, reported, onPaper, drop };
}

const lastLine = async (response: Response) => JSON.parse((await response.text()).trim().split('\n').at(-1)!) as BroughtIn;

describe('a wrong sum', () => {
  it('waits with its working and is counted as a teacher says; taken back it waits again, and all of it stays on record', async () => {
    const { school, teacher, look, reported } = await sent();
    const [child] = school.childIds;
    const wrong = await reported(child!, [3, 1, 0], 10);
    const [doubt] = (await look()).doubts;
    expect(doubt).toMatchObject({ kind: 'sum', choice: null, goes: [{ sent: wrong, workedOut: wrong - 10 }] });
    expect(doubt!.answers.map(({ choice }) => choice)).toEqual(['count-worked-out', 'keep-as-sent', 'ask-family', 'set-aside']);
    expect(await rowOf(school, child!)).toMatchObject({ state: 'to-look-at', best: null });
    const decide = (choice: string | null, cookie = teacher) => call(decision, '/', { cookie, body: { choice } }, { id: doubt!.reportId });
    expect((await decide('count-worked-out', await school.cookie('helper'))).status).toBe(403);
    expect((await decide('count-worked-out')).status).toBe(201);
    expect(await rowOf(school, child!)).toMatchObject({ state: 'counted', best: wrong - 10 });
    expect((await decide(null)).status).toBe(200);
    expect(await rowOf(school, child!)).toMatchObject({ state: 'to-look-at', best: null });
    await decide('keep-as-sent');
    expect(await rowOf(school, child!)).toMatchObject({ state: 'counted', best: wrong });
    const kept = await decisionsOfClass(school.classId);
    expect(kept.map(({ choice, by, withdrawnAt }) => [choice, by, withdrawnAt !== null])).toEqual([
      ['count-worked-out', 'T', true],
      ['keep-as-sent', 'T', false],
    ]);
    expect(kept[0]).toMatchObject({ before: { kind: 'sum', counts: [null] }, after: { counts: [wrong - 10] } });
    const [stored] = await rows<{ body: string }>('SELECT body FROM reports WHERE id = ?', [toBytes(doubt!.reportId)]);
    expect(JSON.parse(stored!.body)).toMatchObject({ report: { goes: [{ total: wrong }] } });
  });
  it('makes a ready text when the family is asked, with the first name and nothing else of the child', async () => {
    const { school, teacher, look, reported } = await sent();
    await reported(school.childIds[0]!, [3, 1, 0], 10);
    const [doubt] = (await look()).doubts;
    await call(decision, '/', { cookie: teacher, body: { choice: 'ask-family' } }, { id: doubt!.reportId });
    const [text] = await rows<{ words: string; kind: string }>('SELECT words, kind FROM outbox WHERE report_id = ?', [toBytes(doubt!.reportId)]);
    expect(text).toMatchObject({ kind: 'ask' });
    expect(text!.words).toContain('Childa X.');
    expect(text!.words).toContain('worked out it is');
  });
  it('of another school is nobody’s to decide', async () => {
    const { school, look, reported } = await sent();
    await reported(school.childIds[0]!, [3, 1, 0], 10);
    const [doubt] = (await look()).doubts;
    const other = await makeSchool();
    expect(
      (await call(decision, '/', { cookie: await other.cookie('teacher'), body: { choice: 'set-aside' } }, { id: doubt!.reportId })).status,
    ).toBe(404);
    expect((await call(decision, '/', { body: { choice: 'set-aside' } }, { id: doubt!.reportId })).status).toBe(401);
  });
});

describe('what stands around a report', () => {
  it('the same play by link and on paper is found, and counted once or twice as a teacher says', async () => {
    const { school, teacher, look, reported, onPaper } = await sent();
    const [child] = school.childIds;
    const total = await reported(child!, [3, 1, 0]);
    await onPaper(child!, [3, 1, 0]);
    const [doubt] = (await look()).doubts;
    expect(doubt!.sentences[0]).toContain('by link');
    expect(doubt!.answers).toHaveLength(2);
    await call(decision, '/', { cookie: teacher, body: { choice: 'set-aside' } }, { id: doubt!.reportId });
    expect(await rowOf(school, child!)).toMatchObject({ state: 'counted', best: total, reports: 2 });
  });
  it('a set-up nearer than was sent is told with both distances', async () => {
    const { school, week, look, onPaper } = await sent();
    const [child] = school.childIds;
    const { setUp } = await week.assignment(child!);
    await onPaper(child!, [3, 1, 0], { distancesM: setUp.distancesM.map((length) => length * 0.5) });
    expect((await look()).doubts[0]!.sentences[0]).toMatch(/^It was played from \d\.\d m; \d\.\d m was sent\.$/);
  });
});

describe('a table that is dropped', () => {
  const csv = (...lines: readonly string[]) => Buffer.from(['Name,Score,Week', ...lines].join('\n'));
  it('is looked at first, then brought in as one and taken back as one', async () => {
    const { school, teacher, look, drop } = await sent();
    const file = csv('Childa X.,7,1', '"X., Childb",5,1', 'Nobody Here,4,1', 'Childc,six,1', 'Childa X.,4,9');
    const looked = (await (await drop('week.csv', file)).json()) as Looked;
    expect(looked.columns).toEqual(['child', 'total', 'week']);
    expect(looked.outcomes.map(({ kind }) => kind)).toEqual(['clean', 'clean', 'waits', 'waits', 'waits']);
    expect((await scoresOf(school)).every((row) => row.reports === 0)).toBe(true);
    const done = await lastLine(await drop('week.csv', file, `&apply=1&columns=${looked.columns.join('%7C')}`));
    expect(done).toMatchObject({ counted: 2, doubts: 0, waiting: 3 });
    expect(await rowOf(school, school.childIds[0]!)).toMatchObject({ best: 7, state: 'counted' });
    expect((await look()).waiting.map(({ sentence }) => sentence)).toEqual([
      'There is no Nobody Here in this class.',
      '“six” is no whole number for the score.',
      'Week 9 was not sent to this child.',
    ]);
    const undo = (undone: boolean) => call(batch, '/', { cookie: teacher, body: { undone } }, { id: done.batchId });
    expect((await undo(true)).status).toBe(200);
    expect(await rowOf(school, school.childIds[0]!)).toMatchObject({ best: null, state: 'not-yet' });
    expect((await look()).waiting).toEqual([]);
    expect((await undo(true)).status).toBe(409);
    await undo(false);
    expect(await rowOf(school, school.childIds[0]!)).toMatchObject({ best: 7 });
  });
  it('an unknown child is given to one by a person, and can be taken back', async () => {
    const { school, week, teacher, look, drop } = await sent();
    await lastLine(await drop('week.csv', csv('Cilda,6,1'), '&apply=1&columns=child%7Ctotal%7Cweek'));
    const [waiting] = (await look()).waiting;
    const assignment = await week.assignment(school.childIds[0]!);
    const as = { assignmentId: assignment.id, levelId: assignment.levelId, total: 6 };
    const settle = (body: unknown) => call(incoming, '/', { cookie: teacher, body }, { id: waiting!.id });
    expect(await settle({ as })).toMatchObject({ status: 201, answer: { verdict: 'clean' } });
    expect(await settle({ as })).toMatchObject({ status: 409 });
    expect(await rowOf(school, school.childIds[0]!)).toMatchObject({ best: 6 });
    await settle({ as: null, undo: true });
    expect(await rowOf(school, school.childIds[0]!)).toMatchObject({ best: null });
    expect((await look()).waiting[0]).toMatchObject({ settledBy: null });
  });
  it('may be a workbook, with formulas and dates', async () => {
    const { school, drop } = await sent();
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('Scores');
    sheet.addRow(['Pupil', 'Result']);
    sheet.addRow(['Childa X.', { formula: '3+4', result: 7 }]);
    const bytes = Buffer.from(await book.xlsx.writeBuffer());
    const done = await lastLine(await drop('scores.xlsx', bytes, '&apply=1&columns=child%7Ctotal'));
    expect(done).toMatchObject({ counted: 1, waiting: 0 });
    expect(await rowOf(school, school.childIds[0]!)).toMatchObject({ best: 7 });
  });
  it('too large, empty, packed wrongly or no table at all is refused, and changes nothing', async () => {
    const { school, drop } = await sent();
    const refusal = async (name: string, bytes: Buffer) => {
      const response = await drop(name, bytes);
      return [response.status, ((await response.json()) as { problems: { fix: string }[] }).problems[0]!.fix !== ''];
    };
    expect(await refusal('big.csv', Buffer.alloc(MOST_BYTES + 1, 'a'))).toEqual([413, true]);
    expect(await refusal('empty.csv', Buffer.alloc(0))).toEqual([400, true]);
    expect(await refusal('heading.csv', Buffer.from('Name,Score\n'))).toEqual([400, true]);
    expect(await refusal('broken.xlsx', Buffer.from('PK\x03\x04 and nothing more'))).toEqual([400, true]);
    expect(await refusal('picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]))).toEqual([400, true]);
    expect((await scoresOf(school)).every((row) => row.reports === 0)).toBe(true);
  });
});

describe('a dropped file', () => {
  it('is read in its own letters: UTF-8, UTF-16 and Windows-1252', async () => {
    const text = 'Name,Score\nŽofie,3\n';
    const utf16 = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')]);
    for (const bytes of [Buffer.from(text), Buffer.from(`\uFEFF${text}`), utf16])
      expect(await readDropped('a.csv', bytes)).toMatchObject({
        rows: [
          ['Name', 'Score'],
          ['Žofie', '3'],
        ],
      });
    expect(await readDropped('a.csv', Buffer.from('Name,Score\nRen\xe9e,3\n', 'latin1'))).toMatchObject({
      rows: [
        ['Name', 'Score'],
        ['Renée', '3'],
      ],
      remark: expect.stringContaining('Windows-1252') as string,
    });
  });
  it('that unpacks to gigabytes is given up by a process of its own', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('s');
    // 60 million characters of one letter pack into a few kilobytes.
    for (let row = 0; row < 1800; row += 1) sheet.addRow([`${row}${'a'.repeat(32_000)}`]);
    const bytes = Buffer.from(await book.xlsx.writeBuffer());
    expect(bytes.length).toBeLessThan(MOST_BYTES);
    expect(await readFile('bomb.xlsx', bytes)).toMatchObject({ kind: 'problem' });
  }, 60_000);
  it('of messages gives their text alone, and a broken one gives no more than it has', async () => {
    const eml =
      'From: a@home.example\r\nSubject: Week 1\r\nMessage-ID: <m1@home.example>\r\nDate: Tue, 24 Nov 2026 10:00:00 +0000\r\n\r\nChilda X: 3 then 4, best 4\r\n';
    expect(await readDropped('m.eml', Buffer.from(eml))).toMatchObject({
      kind: 'messages',
      messages: [{ from: 'a@home.example', subject: 'Week 1', text: 'Childa X: 3 then 4, best 4' }],
    });
    const mbox = `From a@home.example Tue Nov 24\n${eml}\n\nFrom b@home.example Tue Nov 24\n${eml.replace('m1', 'm2')}`;
    const read = await readDropped('m.mbox', Buffer.from(mbox));
    expect(read.kind === 'messages' && read.messages).toHaveLength(2);
    expect(
      await readDropped('m.eml', Buffer.from('Subject: =?utf-8?B?broken\nContent-Type: multipart/mixed; boundary=x\n\n--x\n--x\n')),
    ).toMatchObject({ kind: 'messages' });
  });
});

describe('a message', () => {
  const mail = (id: string, words: string) =>
    Buffer.from(`From: home@family.example\r\nSubject: score\r\nMessage-ID: <${id}@family.example>\r\n\r\n${words}\r\n`);
  it('waits for a yes with the figures read out of its words, and is known again by its id', async () => {
    const { school, look, drop } = await sent();
    const first = (await (await drop('m.eml', mail('one', 'Childa X, week 1, level 1: 3 then 4, best 4'))).json()) as BroughtIn;
    expect(first).toMatchObject({ counted: 0, waiting: 1 });
    expect((await (await drop('m.eml', mail('one', 'Childa X, week 1: 9'))).json()) as unknown).toMatchObject({ again: 1, waiting: 0 });
    const { waiting } = await look();
    expect(waiting).toHaveLength(1);
    expect(waiting[0]).toMatchObject({ childId: school.childIds[0], total: 4 });
    expect((await scoresOf(school)).every((row) => row.reports === 0)).toBe(true);
  });
  it('with the living code of a slip counts by itself the first time, and waits when it is used again', async () => {
    const { school, week, look, drop } = await sent();
    const code = await week.token(school.childIds[1]!, 'slip');
    expect((await (await drop('m.eml', mail('two', `Code ${code}, week 1, best 4`))).json()) as unknown).toMatchObject({ counted: 1, waiting: 0 });
    expect(await rowOf(school, school.childIds[1]!)).toMatchObject({ best: 4 });
    expect((await (await drop('m.eml', mail('three', `Code ${code}, week 1, best 9`))).json()) as unknown).toMatchObject({ counted: 0, waiting: 1 });
    expect((await look()).waiting.filter(({ settledBy }) => settledBy === null)).toHaveLength(1);
  });
});

describe('a week of several games', () => {
  it('is filled game by game from a file, and from messages that name the game; what names none is asked', async () => {
    const school = await makeSchool(3);
    const now = new Date();
    const second = await transact((db) =>
      addGame(
        db,
        school.id,
        sensibleStart({ title: 'Reed Bucket', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'bucket', ageYears: 8 }),
        8,
        now,
      ),
    );
    await sendWeek(weekOf(school, { title: 'Shore day', games: [school.gameId, second].map((gameId) => ({ gameId, levelId: 'level-1' })) }), now);
    const teacher = await school.cookie('teacher');
    const drop = async (name: string, bytes: string, more = '') =>
      files(
        new Request(`http://lochside.test/api/v1/classes/x/files?name=${name}${more}`, {
          method: 'POST',
          headers: { host: 'lochside.test', origin: 'http://lochside.test', cookie: teacher },
          body: bytes,
        }),
        { params: Promise.resolve({ id: school.classId }) },
      );
    const table = 'Child,Week,Game,Score\nChilda X,1,Reed Bucket,4\nChildb X,1,,4\nChildc X,1,Puddle,4\n';
    expect(await lastLine(await drop('day.csv', table, '&apply=1'))).toMatchObject({ counted: 2, waiting: 1 });
    const scores = (await classWeek(school.classId, null, ZONE, WEEK)).event!;
    const totals = new Map(scores.map(({ name, bests, total }) => [name, [...bests.map(({ best }) => best), total.sum?.value ?? null]]));
    expect(totals.get('Childa X.')).toEqual([null, 4, 4]);
    expect(totals.get('Childb X.')).toEqual([4, null, 4]);
    const mail = (id: string, words: string) =>
      `From: home@family.example\r\nSubject: score\r\nMessage-ID: <${id}@family.example>\r\n\r\n${words}\r\n`;
    await drop('one.eml', mail('e1', 'Childc X, week 1, reed bucket: 3 points'));
    await drop('two.eml', mail('e2', 'Childc X, week 1: 3 points'));
    const { waiting, mayBe } = (await call(doubtsRoute, '/', { method: 'GET', cookie: teacher }, { id: school.classId })).answer as unknown as {
      waiting: Waiting[];
      mayBe: { weeks: { id: string; title: string }[] };
    };
    const bySource = new Map(
      waiting.map((one) => [one.words.includes('reed bucket') ? 'named' : one.words.includes('3 points') ? 'unnamed' : 'row', one]),
    );
    expect(mayBe.weeks.find(({ id }) => id === bySource.get('named')!.weekId)!.title).toBe('Reed Bucket');
    expect(bySource.get('unnamed')!.sentence).toBe('It does not say which of the games of the week.');
    expect(bySource.get('row')!.sentence).toBe('Week 1 has no game “Puddle”.');
  });
});

describe('the class over its weeks', () => {
  it('tells who took part, the best against par, and what waits; an impossible report is no credit', async () => {
    const { school, reported, onPaper } = await sent();
    const [one, two, three] = school.childIds;
    const best = await reported(one!, [3, 1, 0]);
    await reported(two!, [3, 1, 0], 10);
    await onPaper(three!, [500, 0, 0]);
    const found = await classWeeks(school.classId, WEEK);
    const cells = new Map(found.children.map(({ id, cells: [cell] }) => [id, cell]));
    expect(cells.get(one!)).toMatchObject({ credit: true, best, doubt: false });
    expect(cells.get(two!)).toMatchObject({ credit: true, best: null, doubt: true });
    expect(found.weeks).toMatchObject([{ number: 1, sentTo: 3, fit: { fit: 'too-few' } }]);
  });
  it('goes out as CSV, XLSX and JSON with the same figures, and no cell is a formula', async () => {
    const { school, teacher, reported } = await sent();
    const total = await reported(school.childIds[0]!, [3, 1, 0]);
    const get = (format: string, cookie = teacher) =>
      exportRoute(new Request(`http://lochside.test/x?format=${format}`, { headers: { host: 'lochside.test', cookie } }), {
        params: Promise.resolve({ id: school.classId }),
      });
    const { goes } = (await (await get('json')).json()) as { goes: { counts: number; child_id: string }[] };
    expect(goes).toMatchObject([{ counts: total, child_id: school.childIds[0] }]);
    const csv = Papa.parse<Record<string, string>>(await (await get('csv')).text(), { header: true }).data;
    expect(csv).toMatchObject([{ counts: `${total}`, child_id: school.childIds[0] }]);
    const book = new ExcelJS.Workbook();
    await book.xlsx.load(await (await get('xlsx')).arrayBuffer());
    expect(book.worksheets[0]!.getRow(2).getCell(12).value).toBe(total);
    expect((await get('ods')).status).toBe(400);
    const other = await makeSchool();
    expect((await get('csv', await other.cookie('teacher'))).status).toBe(404);
    const dangerous = { ...(await exportedGoes(school.classId))[0]!, game: '=HYPERLINK("http://x")', child: '+44', reason: '@x' };
    expect(asCsv([dangerous])).toContain(`"'=HYPERLINK(""http://x"")"`);
    expect(asCsv([dangerous])).toContain("'+44");
    await book.xlsx.load((await asWorkbook([dangerous])) as unknown as ArrayBuffer);
    book.worksheets[0]!.eachRow((row) => row.eachCell((cell) => expect(cell.formula).toBeUndefined()));
  });
});

describe('the code of a slip', () => {
  it('tells a helper which child it is, of this school only', async () => {
    const { school, week } = await sent();
    const code = await week.token(school.childIds[2]!, 'slip');
    const ask = async (who: TestSchool) => call(slip, '/', { cookie: await who.cookie('helper'), body: { code } });
    expect(await ask(school)).toMatchObject({ status: 200, answer: { childId: school.childIds[2] } });
    expect((await ask(await makeSchool())).status).toBe(404);
  });
});
