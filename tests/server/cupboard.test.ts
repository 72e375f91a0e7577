import { beforeAll, expect, it } from 'vitest';
import { POST as lend } from '@/app/api/v1/cupboard/loans/route';
import { PATCH as back } from '@/app/api/v1/cupboard/loans/[id]/route';
import { PUT as keep } from '@/app/api/v1/cupboard/things/route';
import { dayPlus } from '@/core/measure/days';
import { loansOut, thingsOfSchool } from '@/server/db/cupboard';
import { schoolDay } from '@/server/school-day';
import { call, makeSchool, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const today = schoolDay(new Date(), ZONE);
const put = async (school: TestSchool, name: string, n: number, role: 'teacher' | 'helper' = 'teacher') =>
  (await call(keep, '/', { method: 'PUT', cookie: await school.cookie(role), body: { name, n } })).status;
const lentTo = async (school: TestSchool, thingId: string, n: number, classId: string = school.classId, dueOn = dayPlus(today, 6)) =>
  (await call(lend, '/', { cookie: await school.cookie('helper'), body: { classId, dueOn, things: [{ thingId, n }] } })).status;
const returned = async (school: TestSchool, id: string, n: number) =>
  (await call(back, '/', { method: 'PATCH', cookie: await school.cookie('helper'), body: { returned: n } }, { id })).status;

it('the cupboard counts what is there and what is out: nobody takes more than is left, and what is out cannot be counted away', async () => {
  const school = await makeSchool(1);
  expect([await put(school, 'hoop', 12), await put(school, 'Hoop', 14), await put(school, 'hoop', 3, 'helper')]).toEqual([200, 200, 403]);
  const [hoop] = await thingsOfSchool(school.id);
  expect(hoop).toMatchObject({ name: 'hoop', n: 14, out: 0 });
  expect(await lentTo(school, hoop!.id, 10)).toBe(201);
  expect(await lentTo(school, hoop!.id, 5)).toBe(409);
  expect(await put(school, 'hoop', 9)).toBe(409);
  // Two at once take the last four: one gets them.
  expect([await Promise.all([lentTo(school, hoop!.id, 4), lentTo(school, hoop!.id, 4)])].flat().sort()).toEqual([201, 409]);
  expect((await thingsOfSchool(school.id))[0]).toMatchObject({ n: 14, out: 14 });
  const loans = await loansOut(school.id);
  expect(loans.map(({ n, className }) => [n, className])).toEqual([
    [10, 'P4'],
    [4, 'P4'],
  ]);
  expect([await returned(school, loans[0]!.id, 11), await returned(school, loans[0]!.id, 7), await returned(school, loans[1]!.id, 4)]).toEqual([
    409, 200, 200,
  ]);
  expect((await thingsOfSchool(school.id))[0]).toMatchObject({ out: 3 });
  expect((await loansOut(school.id)).map(({ returned: n }) => n)).toEqual([7]);
  await returned(school, loans[0]!.id, 10);
  // What was lent once stays, with its loans.
  expect(await put(school, 'hoop', 0)).toBe(409);
  expect([await put(school, 'rope', 2), await put(school, 'rope', 0)]).toEqual([200, 200]);
  expect((await thingsOfSchool(school.id)).map(({ name }) => name)).toEqual(['hoop']);
});

it('another school’s things and classes are nobody’s to lend; a day that has passed is refused', async () => {
  const [school, other] = [await makeSchool(1), await makeSchool(1)];
  await put(school, 'hoop', 5);
  await put(other, 'hoop', 5);
  const [hoop] = await thingsOfSchool(school.id);
  const [theirs] = await thingsOfSchool(other.id);
  expect([
    await lentTo(school, theirs!.id, 1),
    await lentTo(school, hoop!.id, 1, other.classId),
    await lentTo(school, hoop!.id, 1, school.classId, dayPlus(today, -1)),
  ]).toEqual([404, 404, 400]);
  expect(await loansOut(school.id)).toEqual([]);
});
