import { beforeAll, describe, expect, it } from 'vitest';
import { buffer } from 'node:stream/consumers';
import { ZipFile } from 'yazl';
import { POST as listFile } from '@/app/api/v1/classes/list-file/route';
import { POST as takeRoute } from '@/app/api/v1/school-roster/route';
import type { RosterChanges, RosterToTake } from '@/contract/school-roster';
import { rosterChangesSchema } from '@/contract/school-roster';
import { childOfSchool, childrenOf } from '@/server/db/children';
import { classesOf } from '@/server/db/classes';
import { toBytes } from '@/server/db/ids';
import { rows } from '@/server/db/pool';
import { readDropped } from '@/server/files/read-dropped';
import { schoolDay } from '@/server/school-day';
import { call, makeSchool, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const today = schoolDay(new Date(), ZONE);
const child = (key: string, firstName: string, initial = 'R.') => ({ key, firstName, initial });
const P4 = (...children: ReturnType<typeof child>[]) => ({ key: 'c4', name: 'P4', ageYears: 8, children });
const P5 = (...children: ReturnType<typeof child>[]) => ({ key: 'c5', name: 'P5', ageYears: 9, children });

async function take(school: TestSchool, list: Partial<RosterToTake>, role: 'teacher' | 'helper' = 'teacher') {
  const body = { classes: [], apply: true, leavers: [], ...list };
  const { status, answer } = await call(takeRoute, '/', { cookie: await school.cookie(role), body });
  return { status, changes: answer as unknown as RosterChanges & { moved: unknown } };
}
const inClass = async (school: TestSchool, name: string) => {
  const of = (await classesOf(school.id, today)).find((one) => one.name === name);
  return of ? (await childrenOf(of.id, today)).map(({ firstName, initial }) => `${firstName} ${initial}`) : null;
};

describe('the list of the school’s own system', () => {
  it('is told first and changes nothing; then adds what is new, and knows by name who is there already', async () => {
    const school = await makeSchool(2);
    const classes = [P4(child('a', 'Childa', 'X.'), child('b', 'Isla')), P5(child('c', 'Finn'))];
    const told = await take(school, { classes, apply: false });
    expect(rosterChangesSchema.validate(told.changes).error).toBeUndefined();
    expect(told.changes).toMatchObject({ newClasses: ['P5'], added: 2, moved: [], stay: 1, missing: [] });
    expect(await inClass(school, 'P5')).toBeNull();
    expect(await take(school, { classes })).toMatchObject({ status: 201, changes: { newClasses: 1, added: 2, stay: 1 } });
    expect(await inClass(school, 'P4')).toEqual(['Childa X.', 'Childb X.', 'Isla R.']);
    expect(await inClass(school, 'P5')).toEqual(['Finn R.']);
    // Once more: all stay.
    expect((await take(school, { classes, apply: false })).changes).toMatchObject({ newClasses: [], added: 0, stay: 3 });
  });

  it('next time moves who is in another class, renames, and asks about who is missing: nobody leaves but who is named', async () => {
    const school = await makeSchool(1);
    await take(school, { classes: [P4(child('a', 'Isla'), child('b', 'Finn'), child('d', 'Skye')), P5(child('c', 'Rory'))] });
    const [isla] = (await childrenOf(school.classId, today)).filter(({ firstName }) => firstName === 'Isla');
    const next = [P4(child('b', 'Finnian')), P5(child('c', 'Rory'), child('a', 'Isla'))];
    const told = (await take(school, { classes: next, apply: false })).changes;
    expect(told).toMatchObject({ moved: [{ name: 'Isla R.', from: 'P4', to: 'P5' }], renamed: 1, missing: [{ name: 'Skye R.', className: 'P4' }] });
    const somebodyElse = school.childIds[0]!;
    await take(school, { classes: next, leavers: [somebodyElse] });
    expect(await inClass(school, 'P4')).toEqual(['Childa X.', 'Finnian R.', 'Skye R.']);
    expect((await childOfSchool(school.id, isla!.id, today))!.classId).not.toBe(school.classId);
    await take(school, { classes: next, leavers: [told.missing[0]!.id] });
    expect(await inClass(school, 'P4')).toEqual(['Childa X.', 'Finnian R.']);
  });

  it('keeps no id of that system: a keyed hash, of this school alone', async () => {
    const [school, other] = [await makeSchool(1), await makeSchool(1)];
    for (const one of [school, other]) await take(one, { classes: [P5(child('the-sourced-id', 'Isla'))] });
    const keysOf = async ({ id }: TestSchool) =>
      (await rows<{ roster_key: Buffer }>('SELECT roster_key FROM children WHERE school_id = ? AND roster_key IS NOT NULL', [toBytes(id)])).map(
        (row) => row.roster_key.toString('hex'),
      );
    const [mine, theirs] = [await keysOf(school), await keysOf(other)];
    expect(mine).toHaveLength(1);
    expect(mine).not.toEqual(theirs);
    const told = await rows<{ all: string }>('SELECT CONCAT(action, detail) AS `all` FROM audit WHERE school_id = ?', [toBytes(school.id)]);
    expect(JSON.stringify(told)).not.toContain('the-sourced-id');
  });

  it('is a teacher’s, and takes no surname', async () => {
    const school = await makeSchool(1);
    expect((await take(school, { classes: [P5(child('a', 'Isla'))] }, 'helper')).status).toBe(403);
    expect((await take(school, { classes: [P5(child('a', 'Isla Robertson'))] })).status).toBe(400);
    expect((await take(school, { classes: [P5(child('a', 'Isla'), child('a', 'Finn'))] })).status).toBe(400);
    expect(await inClass(school, 'P5')).toBeNull();
  });
});

/** An OpenDocument spreadsheet, as small as one can be. */
async function ods(rowsOf: string): Promise<Buffer> {
  const zip = new ZipFile();
  zip.addBuffer(Buffer.from('application/vnd.oasis.opendocument.spreadsheet'), 'mimetype', { compress: false });
  const xml = `<?xml version="1.0"?><office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet><table:table table:name="Sheet1">${rowsOf}</table:table></office:spreadsheet></office:body></office:document-content>`;
  zip.addBuffer(Buffer.from(xml), 'content.xml');
  zip.end();
  return buffer(zip.outputStream);
}
const row = (...cells: string[]) =>
  `<table:table-row>${cells.map((one) => `<table:table-cell><text:p>${one}</text:p></table:table-cell>`).join('')}</table:table-row>`;

describe('a class list as a workbook', () => {
  it('of OpenDocument is read: what is marked up, said to repeat, and the empty sheet to the right left out', async () => {
    const file = await ods(
      `${row('First name', 'Surname', 'Hand')}<table:table-row><table:table-cell><text:p>Isla <text:span>Mary</text:span></text:p></table:table-cell><table:table-cell table:number-columns-repeated="2"><text:p>left</text:p></table:table-cell><table:table-cell table:number-columns-repeated="16381"/></table:table-row><table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>`,
    );
    expect(await readDropped('list.ods', file)).toEqual({
      kind: 'table',
      sheet: 'Sheet1',
      rows: [
        ['First name', 'Surname', 'Hand'],
        ['Isla Mary', 'left', 'left'],
      ],
      remark: '',
    });
    expect(await readDropped('odd.odt', await ods('<table:table-row>'))).toMatchObject({ kind: 'problem' });
  });

  it('gives names cut to an initial, and keeps nothing', async () => {
    const school = await makeSchool(1);
    const asked = async (role: 'teacher' | 'helper', body: Buffer) => {
      const answer = await listFile(
        new Request('http://lochside.test/', {
          method: 'POST',
          headers: { host: 'lochside.test', origin: 'http://lochside.test', cookie: await school.cookie(role) },
          body: new Uint8Array(body),
        }),
        { params: Promise.resolve({}) },
      );
      return { status: answer.status, text: await answer.text() };
    };
    const file = await ods(row('First name', 'Surname', 'Hand', 'Age') + row('Isla', 'Robertson', 'left', '7') + row('Finn', 'MacDonald', '', ''));
    const read = await asked('teacher', file);
    expect(JSON.parse(read.text)).toEqual({
      children: [
        { firstName: 'Isla', initial: 'R.', hand: 'left', ageYears: 7 },
        { firstName: 'Finn', initial: 'M.', hand: null, ageYears: null },
      ],
      problems: [],
    });
    expect(read.text).not.toMatch(/Robertson|MacDonald/);
    expect((await asked('helper', file)).status).toBe(403);
    expect((await asked('teacher', Buffer.from([0, 1, 2, 3]))).status).toBe(400);
  });
});
