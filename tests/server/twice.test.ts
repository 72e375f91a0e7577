import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { PATCH as changeWeek } from '@/app/api/v1/weeks/[id]/route';
import { POST as sendWeekRoute } from '@/app/api/v1/weeks/route';
import { POST as files } from '@/app/api/v1/classes/[id]/files/route';
import { POST as renew } from '@/app/api/v1/children/[id]/links/route';
import { POST as addClass } from '@/app/api/v1/classes/route';
import { gameById, versionOf } from '@/server/db/games';
import { transact } from '@/server/db/pool';
import { addSchool, termAt, yearAt } from '@/server/db/schools';
import { weeksOf } from '@/server/db/weeks';
import { playsOfClass } from '@/server/reports/plays';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, weekOf, ZONE } from './school';

beforeAll(useOwnSchema);

const statuses = (answers: readonly { status: number }[]) => answers.map(({ status }) => status).sort();

describe('unhappy at the server: the same is sent twice, or by eight at once', () => {
  it('a week is one week, and each is told of the same one', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const { schoolId: _school, teacherId: _teacher, today: _today, ...body } = weekOf(school, { sentAs: v7() as never });
    const answers = await Promise.all(Array.from({ length: 8 }, () => call(sendWeekRoute, '/', { cookie, body })));
    expect(new Set(statuses(answers))).toEqual(new Set([201]));
    expect(new Set(answers.map(({ answer }) => answer['id'])).size).toBe(1);
    expect(await weeksOf(school.classId)).toHaveLength(1);
    // An id that the database would not take is refused, not failed at.
    for (const sentAs of [`{${v7()}}`, v7().toUpperCase(), v7().replaceAll('-', '')])
      expect((await call(sendWeekRoute, '/', { cookie, body: { ...body, sentAs } })).status).toBe(400);
    // Another plan is another week, though it says the same.
    await call(sendWeekRoute, '/', { cookie, body: { ...body, sentAs: v7() } });
    expect(await weeksOf(school.classId)).toHaveLength(2);
  });

  it('a week sent by mistake is taken off the cards, and what came in stays; it can be put on them again', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    const childId = school.childIds[0]!;
    const token = await week.token(childId);
    const { total: _total, ...envelope } = await envelopeFor(await week.assignment(childId), [2, 1, 0]);
    expect((await call(report, '/', { token, body: envelope })).status).toBe(201);
    const cookie = await school.cookie('teacher');
    const put = (takenBack: boolean, who = cookie) =>
      call(changeWeek, '/', { method: 'PATCH', cookie: who, body: { takenBack } }, { id: week.weekId });
    const weeksOnCard = async () => ((await call(card, '/?games=2', { method: 'GET', token })).answer['weeks'] as unknown[]).length;
    expect(await weeksOnCard()).toBe(1);
    expect((await put(true)).status).toBe(200);
    expect(await weeksOnCard()).toBe(0);
    // Played before it was taken back, sent after.
    expect((await call(report, '/', { token, body: { ...envelope, playId: v7() } })).status).toBe(201);
    expect(await playsOfClass(school.classId)).toHaveLength(2);
    expect((await weeksOf(school.classId)).map(({ takenBack }) => takenBack)).toEqual([true]);
    expect((await put(false)).status).toBe(200);
    expect(await weeksOnCard()).toBe(1);
    expect((await put(true, await school.cookie('helper'))).status).toBe(403);
    expect((await put(true, await (await makeSchool(1)).cookie('teacher'))).status).toBe(404);
  });

  it('a dropped file is counted once, and said so; undone it may be dropped again', async () => {
    const school = await makeSchool(2);
    await sendTo(school);
    const cookie = await school.cookie('teacher');
    const drop = async () => {
      const response = await files(
        new Request('http://lochside.test/api/v1/classes/x/files?name=s.csv&apply', {
          method: 'POST',
          headers: { host: 'lochside.test', origin: 'http://lochside.test', cookie },
          body: 'name,score\nChilda X,7\nChildb X,9\n',
        }),
        { params: Promise.resolve({ id: school.classId }) },
      );
      return JSON.parse((await response.text()).trim().split('\n').at(-1)!) as { batchId?: string; problem?: string };
    };
    const both = await Promise.all([drop(), drop()]);
    expect(both.filter(({ batchId }) => batchId !== undefined)).toHaveLength(1);
    expect(both.find(({ problem }) => problem)!.problem).toMatch(/^This file was brought in already, on .*Nothing was added/);
    expect((await drop()).problem).toBeDefined();
    const plays = (await playsOfClass(school.classId)).length;
    expect(plays).toBeLessThanOrEqual(2);
  });

  it('the first use of a school year and of a term make one of each', async () => {
    const schoolId = await transact((db) => addSchool(db, { name: 'S', timeZone: ZONE, isDemo: false }, new Date()));
    const terms = await Promise.all(Array.from({ length: 8 }, () => transact((db) => termAt(db, schoolId, '2031-02-03'))));
    expect(new Set(terms.map(({ id }) => id)).size).toBe(1);
    const years = await Promise.all(Array.from({ length: 8 }, () => transact((db) => yearAt(db, schoolId, '2035-10-03'))));
    expect(new Set(years.map(({ id }) => id)).size).toBe(1);
  });

  it('links are replaced by all of them, and none fails', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    await week.token(school.childIds[0]!);
    const cookie = await school.cookie('teacher');
    const answers = await Promise.all(Array.from({ length: 8 }, () => call(renew, '/', { cookie, body: {} }, { id: school.childIds[0]! })));
    expect(new Set(statuses(answers))).toEqual(new Set([200]));
  });

  it('a version is kept once, and others get numbers of their own', async () => {
    const school = await makeSchool(1);
    const { game } = (await gameById(school.id, school.gameId))!;
    const keep = (title: string) => transact((db) => versionOf(db, school.gameId, { ...game, title }, school.teacherId, new Date()));
    const same = await Promise.all(Array.from({ length: 8 }, () => keep('Same')));
    expect(new Set(same.map(({ id }) => id)).size).toBe(1);
    const others = await Promise.all(Array.from({ length: 8 }, (_, n) => keep(`Other ${n}`)));
    expect(new Set(others.map(({ number }) => number)).size).toBe(8);
  });

  it('a class of one name is one class', async () => {
    const school = await makeSchool(1);
    const cookie = await school.cookie('teacher');
    const answers = await Promise.all(Array.from({ length: 8 }, () => call(addClass, '/', { cookie, body: { name: 'P9', ageYears: 9 } })));
    expect(answers.filter(({ status }) => status >= 500)).toEqual([]);
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
  });
});
