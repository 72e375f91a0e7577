import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { Today } from '@/contract/today';
import { todaySchema } from '@/contract/today';
import { GET as today } from '@/app/api/v1/today/route';
import { POST as receive } from '@/app/api/v1/home/reports/route';
import { PATCH as changeWeek } from '@/app/api/v1/weeks/[id]/route';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, weekOf, type TestSchool } from './school';
import { sendWeek } from '@/server/weeks/send-week';

describe('the first page', () => {
  beforeAll(useOwnSchema);
  const ask = (cookie?: string) => call(today, '/api/v1/today', { method: 'GET', ...(cookie && { cookie }) });
  const seen = async (school: TestSchool) => (await ask(await school.cookie('teacher'))).answer as unknown as Today;

  it('is for who has signed in, of their own school alone, and holds what its schema says', async () => {
    expect((await ask()).status).toBe(401);
    const [one, other] = [await makeSchool(2), await makeSchool(3)];
    await sendTo(other);
    const found = await seen(one);
    expect(found.classes.map(({ id, children, week }) => ({ id, children, week }))).toEqual([{ id: one.classId, children: 2, week: null }]);
    expect(todaySchema.validate(await seen(other), { convert: false }).error).toBeUndefined();
    expect((await ask(await one.cookie('helper'))).status).toBe(200);
  });
  it('leads a new school until its first week is sent', async () => {
    const school = await makeSchool(2);
    expect((await seen(school)).begin).toEqual({ classes: 1, classId: school.classId, children: 2, games: 1 });
    await sendTo(school);
    expect((await seen(school)).begin).toBeNull();
  });
  it('counts children who reported, what waits, and links that are missing, as they come in', async () => {
    const school = await makeSchool(3);
    const week = await sendTo(school);
    const [of] = (await seen(school)).classes;
    expect(of).toMatchObject({ week: { weekId: week.weekId, sentTo: 3, reported: 0, byDay: [0], usual: null }, doubts: 0, unlinked: 3 });
    const report = async (child: number, wrongBy: number) => {
      const childId = school.childIds[child]!;
      const { total: _total, ...envelope } = await envelopeFor(await week.assignment(childId), [2, 1, 0], wrongBy);
      return call(receive, '/api/v1/home/reports', { token: await week.token(childId), body: { ...envelope, playId: v7() } });
    };
    expect([(await report(0, 0)).status, (await report(0, 0)).status, (await report(1, 3)).status]).toEqual([201, 201, 201]);
    expect((await seen(school)).classes[0]).toMatchObject({ week: { reported: 2, byDay: [2] }, doubts: 1, unlinked: 1 });
  });
  it('shows a week that was taken back as just that, and the one before as what is out', async () => {
    const school = await makeSchool(2);
    const first = await sendTo(school);
    const second = await sendWeek(weekOf(school), new Date(Date.now() + 1000));
    expect((await seen(school)).classes[0]).toMatchObject({ week: { weekId: second.id }, alsoOut: 1 });
    await call(
      changeWeek,
      `/api/v1/weeks/${second.id}`,
      { method: 'PATCH', cookie: await school.cookie('teacher'), body: { takenBack: true } },
      { id: second.id },
    );
    expect((await seen(school)).classes[0]).toMatchObject({ week: { weekId: first.weekId }, alsoOut: 0 });
  });
});
