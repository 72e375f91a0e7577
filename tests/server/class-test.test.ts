import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { GET as listed, POST as started } from '@/app/api/v1/classes/[id]/tests/route';
import { DELETE as removed, GET as opened } from '@/app/api/v1/class-tests/[id]/route';
import { PUT as written } from '@/app/api/v1/class-tests/[id]/hits/route';
import { POST as paper } from '@/app/api/v1/class-tests/[id]/paper/route';
import type { ClassTestSheet, TestsOfClass } from '@/contract/class-test';
import { classTestSchema, testsOfClassSchema } from '@/contract/class-test';
import type { Uuid } from '@/contract/ids';
import { testMarks } from '@/core/progress/class-test';
import { eraseChild } from '@/server/classes/erase-child';
import { testHitsOfClass } from '@/server/db/class-tests';
import { fitOfClass } from '@/server/progress/fit-of-class';
import { call, makeSchool, sendTo, useOwnSchema, type TestSchool } from './school';

beforeAll(useOwnSchema);

async function startIn(school: TestSchool, body: unknown = { family: 'throw', rolled: null }): Promise<Uuid> {
  const { status, answer } = await call(started, '/', { cookie: await school.cookie('teacher'), body }, { id: school.classId });
  expect(status).toBe(201);
  return answer['id'] as Uuid;
}
const write = async (school: TestSchool, testId: string, body: unknown, role: 'teacher' | 'helper' = 'helper') =>
  call(written, '/', { method: 'PUT', cookie: await school.cookie(role), body }, { id: testId });
const open = async (school: TestSchool, testId: string) => {
  const { status, answer } = await call(opened, '/', { method: 'GET', cookie: await school.cookie('helper') }, { id: testId });
  return { status, sheet: answer as unknown as ClassTestSheet };
};

describe('a class test', () => {
  it('is started with the marks that tell most, written down by anybody of the school, and calibrates the class before a week is sent', async () => {
    const school = await makeSchool(12);
    const testId = await startIn(school);
    for (const [index, childId] of school.childIds.entries())
      for (const mark of [0, 1]) expect((await write(school, testId, { childId, mark, hits: index % 3 === 0 ? 2 : 3 })).status).toBe(200);
    const { sheet } = await open(school, testId);
    expect(classTestSchema.validate(sheet).error).toBeUndefined();
    expect(sheet.marksM).toEqual(testMarks('throw', 8));
    expect(sheet.children.map(({ hits }) => hits)).toEqual(school.childIds.map((_, index) => (index % 3 === 0 ? [2, 2] : [3, 3])));
    const list = (await call(listed, '/', { method: 'GET', cookie: await school.cookie('teacher') }, { id: school.classId }))
      .answer as unknown as TestsOfClass;
    expect(testsOfClassSchema.validate(list).error).toBeUndefined();
    expect(list.tests).toMatchObject([{ id: testId, family: 'throw', tries: 72, rolled: null }]);

    const { group, children } = await fitOfClass(school.classId);
    expect(group.attempts).toBe(72);
    expect(group.high).toBeLessThan(0.95);
    expect(Object.keys(children)).toHaveLength(12);
    const assignment = await (await sendTo(school)).assignment(school.childIds[1]!);
    expect(assignment.restsOn).toBe(72);
    expect(assignment.fitSkill).toBeCloseTo(group.families!.throw!.skill, 9);
  });

  it('takes what is said twice once, what is said anew instead, and what is taken back away; the fit follows', async () => {
    const school = await makeSchool(2);
    const testId = await startIn(school);
    const [childId] = school.childIds;
    for (const hits of [1, 1, 3]) await write(school, testId, { childId, mark: 0, hits });
    expect(await testHitsOfClass(school.classId)).toMatchObject([{ childId, mark: 0, tries: 3, hits: 3 }]);
    const before = await fitOfClass(school.classId);
    await write(school, testId, { childId, mark: 0, hits: 0 });
    expect((await fitOfClass(school.classId)).group.skill).toBeGreaterThan(before.group.skill);
    await write(school, testId, { childId, mark: 0, hits: null });
    expect(await testHitsOfClass(school.classId)).toEqual([]);
    expect((await fitOfClass(school.classId)).group.attempts).toBe(0);
  });

  it('keeps what a ball off a book said of the floor: on one that rolls worse the same hits are worth more', async () => {
    const skill = async (rolled: unknown) => {
      const school = await makeSchool(6);
      const testId = await startIn(school, { family: 'roll', rolled });
      for (const childId of school.childIds) for (const mark of [0, 1]) await write(school, testId, { childId, mark, hits: 2 });
      return (await fitOfClass(school.classId)).group.families!.roll!.skill;
    };
    expect(await skill({ heightM: 0.03, lengthM: 0.12 })).toBeLessThan(await skill({ heightM: 0.03, lengthM: 0.8 }));
  });

  it('refuses what cannot be, names it, and changes nothing', async () => {
    const school = await makeSchool(2);
    const other = await makeSchool(1);
    const testId = await startIn(school);
    const [childId] = school.childIds;
    for (const [body, place] of [
      [{ childId, mark: 0, hits: 4 }, '/hits'],
      [{ childId, mark: 2, hits: 1 }, '/mark'],
      [{ childId, mark: 0, hits: 1.5 }, '/hits'],
      [{ childId: other.childIds[0], mark: 0, hits: 1 }, '/childId'],
      [{ childId, mark: 0 }, '/hits'],
    ] as const) {
      const { status, answer } = await write(school, testId, body);
      expect(status, JSON.stringify(body)).toBe(400);
      expect(answer.problems![0]!.place).toBe(place);
    }
    const start = async (body: unknown) =>
      (await call(started, '/', { cookie: await school.cookie('teacher'), body }, { id: school.classId })).status;
    expect(await start({ family: 'swim', rolled: null })).toBe(400);
    expect(await start({ family: 'roll', rolled: { heightM: 0, lengthM: 1 } })).toBe(400);
    expect(await testHitsOfClass(school.classId)).toEqual([]);
  });

  it('is of its school alone; a helper writes and prints but neither starts nor takes back', async () => {
    const school = await makeSchool(2);
    const stranger = await makeSchool(1);
    const testId = await startIn(school);
    expect((await open(stranger, testId)).status).toBe(404);
    expect((await write(stranger, testId, { childId: school.childIds[0], mark: 0, hits: 1 })).status).toBe(404);
    const as = async (role: 'teacher' | 'helper', whose = school) => ({ cookie: await whose.cookie(role) });
    expect((await call(removed, '/', { method: 'DELETE', ...(await as('teacher', stranger)) }, { id: testId })).status).toBe(404);
    expect((await call(started, '/', { ...(await as('helper')), body: { family: 'throw', rolled: null } }, { id: school.classId })).status).toBe(403);
    expect((await call(removed, '/', { method: 'DELETE', ...(await as('helper')) }, { id: testId })).status).toBe(403);
    expect((await call(paper, '/', { ...(await as('teacher', stranger)), body: { size: 'A4' } }, { id: testId })).status).toBe(404);
    expect((await call(opened, '/', { method: 'GET' }, { id: testId })).status).toBe(401);
    await write(school, testId, { childId: school.childIds[0], mark: 0, hits: 1 });
    expect((await call(removed, '/', { method: 'DELETE', ...(await as('teacher')) }, { id: testId })).status).toBe(200);
    expect((await open(school, testId)).status).toBe(404);
    expect((await open(school, v7())).status).toBe(404);
  });

  it('an erased child is in no test any more, and the fit is made anew without it', async () => {
    const school = await makeSchool(3);
    const testId = await startIn(school);
    for (const childId of school.childIds) await write(school, testId, { childId, mark: 0, hits: 2 });
    await fitOfClass(school.classId);
    await eraseChild(school.id, school.teacherId, school.childIds[0]!, new Date());
    expect((await testHitsOfClass(school.classId)).map(({ childId }) => childId)).toEqual(school.childIds.slice(1).sort());
    expect(Object.keys((await fitOfClass(school.classId)).children)).not.toContain(school.childIds[0]);
  });
});
