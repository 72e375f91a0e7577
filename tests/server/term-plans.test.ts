import { beforeAll, describe, expect, it } from 'vitest';
import { POST as begin } from '@/app/api/v1/plans/route';
import { DELETE as remove, GET as look, PUT as save } from '@/app/api/v1/plans/[id]/route';
import { GET as filesOf } from '@/app/api/v1/plans/[id]/files/route';
import { GET as parsOf } from '@/app/api/v1/plans/[id]/pars/route';
import { PATCH as changeWeek } from '@/app/api/v1/weeks/[id]/route';
import { POST as sendRoute } from '@/app/api/v1/weeks/route';
import { newUuid, type Uuid } from '@/contract/ids';
import { parsOfPlanSchema, termDocumentSchema } from '@/contract/term-plan';
import { dayPlus, mondayOf } from '@/core/measure/days';
import { dueAfter, lessonIn, weeksOfTerm } from '@/core/plan/calendar';
import { withCell, type TermDocument } from '@/core/plan/document';
import { addClass } from '@/server/db/classes';
import { transact } from '@/server/db/pool';
import { yearAt } from '@/server/db/schools';
import { planById } from '@/server/db/term-plans';
import { plannedNext } from '@/server/plans/planned-next';
import { planToRead } from '@/server/plans/facts';
import { schoolDay } from '@/server/school-day';
import { call, makeSchool, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const today = schoolDay(new Date(), ZONE);
const dates = { startsOn: today, endsOn: dayPlus(today, 40) };

async function begunIn(school: TestSchool, body: object = { name: 'Autumn', ...dates }): Promise<Uuid> {
  const { status, answer } = await call(begin, '/', { cookie: await school.cookie('teacher'), body });
  expect(status, JSON.stringify(answer)).toBe(201);
  return answer['id'] as Uuid;
}

const documentOf = async (school: TestSchool, id: Uuid): Promise<TermDocument> => (await planById(school.id, id))!.document;

const saved = async (school: TestSchool, id: Uuid, revision: number, document: unknown, role: 'teacher' | 'helper' = 'teacher') =>
  call(save, '/', { method: 'PUT', cookie: await school.cookie(role), body: { revision, document } }, { id });

const cellOf = (school: TestSchool, sentAs: Uuid = newUuid()) => ({ sentAs, offerId: school.gameId, levelId: 'level-1', pinned: false });

describe('the plan of a term', () => {
  it('begins with the classes of the year and the usual wishes, and is kept under its revision: a window that is behind overwrites nothing', async () => {
    const school = await makeSchool(3);
    const id = await begunIn(school);
    const document = await documentOf(school, id);
    expect(termDocumentSchema.validate(document).error).toBeUndefined();
    expect(document.classes).toEqual([{ classId: school.classId, weekday: 1 }]);
    expect(document.wishes.map(({ kind }) => kind)).toContain('twice');
    const changed = withCell(document, school.classId, 1, cellOf(school));
    expect((await saved(school, id, 1, changed)).status).toBe(200);
    expect((await saved(school, id, 1, document)).status).toBe(409);
    expect(await documentOf(school, id)).toEqual(changed);
    expect((await call(look, '/', { method: 'GET', cookie: await school.cookie('helper') }, { id })).answer).toEqual({ revision: 2 });
  });

  it('is the school’s own, and a helper changes nothing', async () => {
    const [school, other] = [await makeSchool(1), await makeSchool(1)];
    const id = await begunIn(school);
    const document = await documentOf(school, id);
    expect((await saved(other, id, 1, document)).status).toBe(404);
    expect((await saved(school, id, 1, document, 'helper')).status).toBe(403);
    expect((await call(look, '/', { method: 'GET', cookie: await other.cookie('teacher') }, { id })).status).toBe(404);
    expect((await call(remove, '/', { method: 'DELETE', cookie: await other.cookie('teacher') }, { id })).status).toBe(404);
    expect(await planById(school.id, id)).toBeDefined();
    expect((await call(remove, '/', { method: 'DELETE', cookie: await school.cookie('teacher') }, { id })).status).toBe(200);
    expect(await planById(school.id, id)).toBeUndefined();
  });

  it('refuses what is none, names the place and keeps what was', async () => {
    const school = await makeSchool(1);
    const id = await begunIn(school);
    const document = await documentOf(school, id);
    const bad: readonly object[] = [
      { endsOn: dayPlus(document.startsOn, -1) },
      { endsOn: dayPlus(document.startsOn, 400) },
      { startsOn: '2027-02-30' },
      { holidays: [{ from: dayPlus(today, 5), to: today, name: 'Backwards' }] },
      { wishes: [{ id: 'w', kind: 'weeks', skill: 'juggling', least: 1, most: null }] },
      { wishes: [{ id: 'w', kind: 'order', first: 'roll', then: 'roll' }] },
      { wishes: [{ id: 'w', kind: 'often', most: 0 }] },
      { cells: { [school.classId]: [{ ...cellOf(school), sentAs: 'x' }] } },
      { cells: { [school.classId]: Array.from({ length: 21 }, () => null) } },
    ];
    for (const change of bad) {
      const { status, answer } = await saved(school, id, 1, { ...document, ...change });
      expect(status, JSON.stringify(change)).toBe(400);
      expect((answer['problems'] as { reason: string }[])[0]!.reason).toBeTruthy();
    }
    expect(await documentOf(school, id)).toEqual(document);
    const refused = await call(begin, '/', {
      cookie: await school.cookie('teacher'),
      body: { name: 'Too long', startsOn: today, endsOn: dayPlus(today, 200) },
    });
    expect(refused.status).toBe(400);
  });

  it('tells what each class may be expected to do, par of its cells, and of a cell whether its week was sent', async () => {
    const school = await makeSchool(2);
    const id = await begunIn(school);
    const sentAs = newUuid();
    // Whatever day it is, the lesson of the second week is to come.
    const document = withCell(await documentOf(school, id), school.classId, 1, cellOf(school, sentAs));
    await saved(school, id, 1, document);
    const before = (await planToRead(school.id, id, today))!;
    expect(before.facts.offers.map(({ title, skills }) => [title, skills])).toEqual([['Otter Steps', ['underarm']]]);
    const [levels] = before.facts.expected[school.classId]!;
    expect(levels!.map(({ chance }) => chance)).toEqual([...levels!.map(({ chance }) => chance)].sort((a, b) => b! - a!));
    expect(before.sent).toEqual([]);
    const next = async () => (await plannedNext(school.id, today)).get(school.classId) ?? null;
    expect(await next()).toEqual({ planId: id, week: 1, on: dayPlus(mondayOf(today), 7), title: 'Otter Steps', level: 'Paddle' });
    expect((await plannedNext((await makeSchool(1)).id, today)).size).toBe(0);
    const pars = await call(parsOf, '/', { method: 'GET', cookie: await school.cookie('helper') }, { id });
    expect(parsOfPlanSchema.validate(pars.answer).error).toBeUndefined();
    expect(pars.answer['pars']).toMatchObject([{ classId: school.classId, week: 1, unit: 'points' }]);

    const body = {
      sentAs,
      classId: school.classId,
      games: [{ gameId: school.gameId, levelId: 'level-1' }],
      dueOn: dayPlus(today, 6),
      warmUp: 'w',
      diary: 'd',
      note: '',
    };
    const send = async () => call(sendRoute, '/', { cookie: await school.cookie('teacher'), body });
    expect([(await send()).status, (await send()).status]).toEqual([201, 201]);
    const after = (await planToRead(school.id, id, today))!;
    expect(after.sent).toMatchObject([{ sentAs, number: 1, dueOn: dayPlus(today, 6) }]);
    expect(await next()).toBeNull();
    await call(
      changeWeek,
      '/',
      { method: 'PATCH', cookie: await school.cookie('teacher'), body: { takenBack: true } },
      { id: after.sent[0]!.weekId },
    );
    expect((await planToRead(school.id, id, today))!.sent).toMatchObject([{ sentAs, takenBack: true }]);
    // A week that was taken back is to be sent again.
    expect(await next()).toMatchObject({ week: 1 });
    // What the plan itself sent does not count as played before it.
    expect(after.facts.played[school.classId]).toEqual([]);
  });

  it('goes on to another year: the class of the same name, ids of its own, wishes of single classes with them', async () => {
    const school = await makeSchool(1);
    const id = await begunIn(school);
    const document = withCell(await documentOf(school, id), school.classId, 2, { ...cellOf(school), pinned: true });
    await saved(school, id, 1, { ...document, wishes: [...document.wishes, { id: 'own', classIds: [school.classId], kind: 'minutes', most: 5 }] });
    const nextYear = `${Number(today.slice(0, 4)) + 2}-10-04`;
    const classId = await transact(async (db) =>
      addClass(db, { schoolId: school.id, yearId: (await yearAt(db, school.id, nextYear)).id, name: 'P4', ageYears: 8 }, new Date()),
    );
    const copy = await documentOf(school, await begunIn(school, { name: 'Next', startsOn: nextYear, endsOn: dayPlus(nextYear, 20), copyOf: id }));
    expect(copy.classes).toEqual([{ classId, weekday: 1 }]);
    expect(copy.wishes.at(-1)).toMatchObject({ classIds: [classId] });
    expect(copy.cells[classId]).toMatchObject([null, null, { offerId: school.gameId, levelId: 'level-1' }, null]);
    expect(copy.cells[classId]![2]!.sentAs).not.toBe(document.cells[school.classId]![2]!.sentAs);
  });

  it('goes out as a table, a workbook and a calendar: each lesson on its day, a holiday by its name, no formula', async () => {
    const school = await makeSchool(1);
    const id = await begunIn(school);
    const mondays = weeksOfTerm(dates);
    const holiday = { from: mondays[2]!, to: dayPlus(mondays[2]!, 6), name: '=Half-term' };
    const document = withCell({ ...(await documentOf(school, id)), holidays: [holiday] }, school.classId, 1, cellOf(school));
    await saved(school, id, 1, document);
    const fileAs = async (as: string) => {
      const answer = await filesOf(
        new Request(`http://lochside.test/?as=${as}`, { headers: { host: 'lochside.test', cookie: await school.cookie('helper') } }),
        { params: Promise.resolve({ id }) },
      );
      return { status: answer.status, bytes: Buffer.from(await answer.arrayBuffer()) };
    };
    const { on } = lessonIn(document, mondays[1]!, 1);
    const csv = (await fileAs('csv')).bytes.toString();
    expect(csv.split('\r\n')[1]).toMatch(new RegExp(`^P4,2,${on},${dueAfter(on)},Otter Steps,.+,underarm throw,0\\.\\d+,\\d+,points,\\d+$`));
    expect(csv).toContain("'=Half-term");
    const calendar = (await fileAs('ics')).bytes.toString();
    expect(calendar).toContain(`DTSTART;VALUE=DATE:${on.replaceAll('-', '')}`);
    expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(1);
    expect((await fileAs('xlsx')).bytes.subarray(0, 2).toString()).toBe('PK');
    expect((await fileAs('pdf')).status).toBe(400);
  });
});
