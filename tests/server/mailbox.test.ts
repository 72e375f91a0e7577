import type { Uuid } from '@/contract/ids';
import type { Waiting } from '@/contract/to-look-at';
import { existsSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { GET as doubtsRoute } from '@/app/api/v1/classes/[id]/doubts/route';
import { POST as mailbox } from '@/app/api/v1/classes/[id]/mailbox/route';
import { addChild } from '@/server/db/children';
import { addClass } from '@/server/db/classes';
import { batchesOf } from '@/server/db/batches';
import { transact } from '@/server/db/pool';
import { yearAt } from '@/server/db/schools';
import { readMailboxFolder } from '@/server/files/mailbox';
import { schoolDay } from '@/server/school-day';
import { sendWeek } from '@/server/weeks/send-week';
import { call, makeSchool, sendTo, useOwnSchema, weekOf, ZONE, type TestSchool } from './school';

let folder: string;
beforeAll(useOwnSchema);
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'lochside-mailbox-'));
  process.env['LOCHSIDE_MAILBOX'] = folder;
});
afterEach(() => {
  delete process.env['LOCHSIDE_MAILBOX'];
  rmSync(folder, { recursive: true, force: true });
});

const TODAY = schoolDay(new Date(), ZONE);
const mail = (id: string, words: string) =>
  `From: home@family.example\r\nSubject: score\r\nMessage-ID: <${id}@family.example>\r\nDate: Mon, 1 Mar 2027 16:00:00 +0000\r\n\r\n${words}\r\n`;
const put = (name: string, text: string) => writeFileSync(join(folder, name), text);

async function read(school: TestSchool, classId: Uuid, role: 'teacher' | 'helper' = 'teacher') {
  // Several schools share the tests' server: the folder of this one is the whole of it.
  if (!existsSync(join(folder, school.id))) symlinkSync(folder, join(folder, school.id));
  return call(mailbox, '/', { cookie: await school.cookie(role) }, { id: classId });
}

async function waitingIn(school: TestSchool, classId: Uuid): Promise<readonly Waiting[]> {
  const { answer } = await call(doubtsRoute, '/', { method: 'GET', cookie: await school.cookie('teacher') }, { id: classId });
  return (answer as unknown as { waiting: Waiting[] }).waiting;
}

/** A school with a second class, to which the same game was sent. */
async function twoClasses() {
  const school = await makeSchool(2);
  await sendTo(school);
  const now = new Date();
  const { other, child } = await transact(async (db) => {
    const year = await yearAt(db, school.id, TODAY);
    const id = await addClass(db, { schoolId: school.id, yearId: year.id, name: 'P7', ageYears: 11 }, now);
    return { other: id, child: await addChild(db, school.id, id, { firstName: 'Wren', initial: 'T.' }, TODAY, now) };
  });
  await sendWeek(weekOf(school, { classId: other }), now);
  return { school, other, child };
}

describe('the mailbox folder of a school', () => {
  it('is read once, whichever class asks: each message waits in the class of the child that it names', async () => {
    const { school, other } = await twoClasses();
    put('1.eml', mail('one', 'Childa X, week 1: 7 points'));
    put('2.eml', mail('two', 'Wren T scored 9 points in week 1'));
    put('3.eml', mail('three', 'We played! 4 points.'));
    expect((await read(school, school.classId)).answer).toMatchObject({ counted: 0, waiting: 2, elsewhere: 1, again: 0, problems: [] });
    expect((await waitingIn(school, other)).map(({ total }) => total)).toEqual([9]);
    expect((await waitingIn(school, school.classId)).map(({ total }) => total).sort()).toEqual([4, 7]);
    // The other class finds nothing new, and no empty line in what was brought in.
    expect((await read(school, other, 'helper')).answer).toMatchObject({ counted: 0, waiting: 0, elsewhere: 0, again: 3 });
    expect(await batchesOf(other)).toHaveLength(1);
    expect(await batchesOf(school.classId)).toHaveLength(1);
    expect(await waitingIn(school, other)).toHaveLength(1);
  });

  it('goes by the code of a slip before any name', async () => {
    const { school, other, child } = await twoClasses();
    const { settings } = await import('@/server/settings');
    const { tokenFor } = await import('@/server/db/access-keys');
    const { termAt } = await import('@/server/db/schools');
    const code = await transact(async (db) => tokenFor(db, settings().serverKey, child, (await termAt(db, school.id, TODAY)).id, 'slip', new Date()));
    put('slip.eml', mail('slip', `Code ${code}: 6 points. Childa X says hello.`));
    expect((await read(school, school.classId)).answer).toMatchObject({ elsewhere: 1, waiting: 0, counted: 0 });
    expect(await waitingIn(school, school.classId)).toEqual([]);
    expect((await waitingIn(school, other))[0]).toMatchObject({ childId: child, counted: true });
  });

  it('is nobody’s of another school, and says what is wrong with a file that cannot be read', async () => {
    const { school } = await twoClasses();
    put('1.eml', mail('one', 'Childa X, week 1: 7 points'));
    put('notes.txt', 'no message');
    put('table.mbox', '');
    mkdirSync(join(folder, 'sub'));
    writeFileSync(join(folder, 'large.eml'), Buffer.alloc(5 * 1024 * 1024 + 1, 65));
    const stranger = await (await makeSchool(1)).cookie('teacher');
    expect((await call(mailbox, '/', { cookie: stranger }, { id: school.classId })).status).toBe(404);
    const { messages, problems } = await readMailboxFolder(folder);
    expect(messages).toHaveLength(1);
    expect(problems.map(({ file }) => file)).toContain('large.eml');
    expect((await read(school, school.classId)).answer).toMatchObject({ waiting: 1 });
  });

  it('that is not there holds nothing; where none is set up it is said', async () => {
    const { school } = await twoClasses();
    expect(await readMailboxFolder(join(folder, 'gone'))).toEqual({ messages: [], problems: [] });
    process.env['LOCHSIDE_MAILBOX'] = '';
    expect(await read(school, school.classId)).toMatchObject({
      status: 409,
      answer: { problems: [{ fix: expect.stringContaining('LOCHSIDE_MAILBOX') }] },
    });
  });
});
