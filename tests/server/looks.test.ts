import { beforeAll, describe, expect, it } from 'vitest';
import { PUT as markLooks } from '@/app/api/v1/assignments/[id]/looks/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { levelById } from '@/core/rules/format/level';
import { lookForsOf } from '@/core/sheet/teaching-points';
import { versionBody } from '@/server/db/weeks';
import { classWeek } from '@/server/scores/class-week';
import { schoolDay } from '@/server/school-day';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

const rowOf = async (classId: never, childId: string) =>
  (await classWeek(classId, null, ZONE, schoolDay(new Date(), ZONE))).rows.find((row) => row.childId === childId)!;

async function sent() {
  const school = await makeSchool();
  const week = await sendTo(school);
  const child = school.childIds[0]!;
  const assignment = await week.assignment(child);
  const looks = lookForsOf(levelById(await versionBody(assignment.versionId), assignment.levelId));
  return { school, week, child, assignment, looks };
}

describe('what is looked at in the movement', () => {
  it('comes with the report, marked by the child or an adult, and stands beside the score', async () => {
    const { school, week, child, assignment, looks } = await sent();
    const { total: _total, ...envelope } = await envelopeFor(assignment, [3, 1, 0]);
    const marked = { by: 'adult' as const, marks: [{ look: looks[0]!, mark: 'sometimes' as const }] };
    const body = { ...envelope, report: { ...envelope.report, looks: marked } };
    expect(await call(report, '/', { token: await week.token(child), body })).toMatchObject({ status: 201, answer: { verdict: 'clean' } });
    expect((await rowOf(school.classId as never, child)).looksHome).toEqual(marked);
  });
  it('a report with five things looked at, or one twice, is refused with the place', async () => {
    const { week, child, assignment } = await sent();
    const { total: _total, ...envelope } = await envelopeFor(assignment, [3, 1, 0]);
    const send = async (names: readonly string[]) =>
      call(report, '/', {
        token: await week.token(child),
        body: { ...envelope, report: { ...envelope.report, looks: { by: 'child', marks: names.map((look) => ({ look, mark: 'yes' })) } } },
      });
    for (const names of [
      ['a', 'b', 'c', 'd', 'e'],
      ['a', 'a'],
    ]) {
      const { status, answer } = await send(names);
      expect(status).toBe(400);
      expect(JSON.stringify(answer)).toContain('/report/looks/marks');
    }
  });
  it('is marked by a teacher too; the newest marks stand', async () => {
    const { school, child, assignment, looks } = await sent();
    const cookie = await school.cookie('teacher');
    const mark = (marks: unknown) => call(markLooks, '/', { method: 'PUT', cookie, body: { marks } }, { id: assignment.id });
    expect(await mark([{ look: looks[0], mark: 'not-yet' }])).toMatchObject({ status: 200, answer: { kept: 1 } });
    await mark([{ look: looks[0], mark: 'yes' }]);
    expect((await rowOf(school.classId as never, child)).looksTeacher).toEqual([{ look: looks[0], mark: 'yes' }]);
    expect(await mark([{ look: 'Stands on one leg.', mark: 'yes' }])).toMatchObject({ status: 400 });
  });
  it('is not marked by a helper, nor by another school', async () => {
    const { school, assignment, looks } = await sent();
    const body = { marks: [{ look: looks[0], mark: 'yes' }] };
    expect((await call(markLooks, '/', { method: 'PUT', cookie: await school.cookie('helper'), body }, { id: assignment.id })).status).toBe(403);
    const other = await makeSchool();
    expect((await call(markLooks, '/', { method: 'PUT', cookie: await other.cookie('teacher'), body }, { id: assignment.id })).status).toBe(404);
    expect((await call(markLooks, '/', { method: 'PUT', body }, { id: assignment.id })).status).toBe(401);
  });
});
