import type { Uuid } from '@/contract/ids';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { GET as sent } from '@/app/api/v1/assignments/route';
import { POST as handIn } from '@/app/api/v1/reports/route';
import { DELETE as withdraw } from '@/app/api/v1/school-keys/[id]/route';
import { POST as makeKey } from '@/app/api/v1/school-keys/route';
import { readGame } from '@/core/rules/format/read-game';
import { toBytes } from '@/server/db/ids';
import { rows } from '@/server/db/pool';
import { schoolKeysOf } from '@/server/db/school-keys';
import { schoolDay } from '@/server/school-day';
import { classWeek } from '@/server/scores/class-week';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const NO_ORIGIN = { origin: '' };

async function withKey(school: TestSchool) {
  const { status, answer } = await call(makeKey, '/', { cookie: await school.cookie('teacher'), body: { name: 'Clipboard' } });
  expect(status).toBe(201);
  return answer as unknown as { id: Uuid; key: string };
}

async function envelope(week: Awaited<ReturnType<typeof sendTo>>, childId: Uuid, hits: readonly number[], wrongBy = 0) {
  const { total, ...body } = await envelopeFor(await week.assignment(childId), hits, wrongBy);
  return { total, body };
}

const counted = async (school: TestSchool) =>
  (
    await rows<{ n: number }>(
      'SELECT COUNT(*) AS n FROM reports r JOIN assignments a ON a.id = r.assignment_id JOIN children c ON c.id = a.child_id WHERE c.school_id = ?',
      [toBytes(school.id)],
    )
  )[0]!.n;

describe('another program of the school', () => {
  it('is told what was sent to a class, with games that read, and nothing without a good key', async () => {
    const school = await makeSchool(2);
    await sendTo(school);
    const { id, key } = await withKey(school);
    const ask = (token: string | undefined, which = 'P4') =>
      call(sent, `/api/v1/assignments?class=${which}`, { method: 'GET', ...(token ? { token } : {}) });
    const { status, answer } = await ask(key);
    const told = answer as unknown as {
      format: string;
      weeks: { games: { title: string; assignments: { child: { id: string; name: string }; gameVersionId: string }[] }[] }[];
      games: Record<string, unknown>;
    };
    expect([status, told.format]).toEqual([200, 'lochside.sent/1']);
    expect(told.weeks[0]!.games[0]!.assignments.map(({ child }) => child.name)).toEqual(['Childa X.', 'Childb X.']);
    for (const game of Object.values(told.games)) expect(readGame(game).ok).toBe(true);
    expect((await ask(key, 'P9')).answer.problems).toMatchObject([{ place: 'class' }]);
    for (const wrong of [undefined, 'school_short', `school_${'x'.repeat(32)}`]) expect((await ask(wrong)).status).toBe(401);
    expect((await schoolKeysOf(school.id))[0]!.usedAt).not.toBeNull();

    const stranger = await (await makeSchool(1)).cookie('teacher');
    expect((await call(withdraw, '/', { method: 'PUT', cookie: stranger }, { id })).status).toBe(404);
    expect((await call(withdraw, '/', { method: 'PUT', cookie: await school.cookie('helper') }, { id })).status).toBe(403);
    expect((await call(withdraw, '/', { method: 'PUT', cookie: await school.cookie('teacher') }, { id })).status).toBe(200);
    expect((await ask(key)).status).toBe(401);
    expect(await schoolKeysOf(school.id)).toEqual([]);
  });

  it('hands reports in: judged, each acknowledged once it is stored, the same play counted once', async () => {
    const school = await makeSchool(2);
    const week = await sendTo(school);
    const { key } = await withKey(school);
    const [one, other] = school.childIds as [Uuid, Uuid];
    const good = await envelope(week, one, [3, 1, 0]);
    const wrong = await envelope(week, other, [2, 1, 0], 7);
    const send = (reports: unknown) => call(handIn, '/', { token: key, body: { reports }, headers: NO_ORIGIN });
    const first = await send([good.body, wrong.body]);
    expect(first.status).toBe(200);
    expect(first.answer['reports']).toMatchObject([
      { playId: good.body.playId, received: true, again: false, verdict: 'clean', goes: [{ value: good.total }] },
      { playId: wrong.body.playId, received: true, verdict: 'sum' },
    ]);
    const changed = { ...good.body, report: { ...good.body.report, word: 'another' } };
    const again = await send([good.body, changed]);
    expect(again.answer['reports']).toMatchObject([
      { received: true, again: true },
      { received: false, problems: [{ place: '/reports/1/playId' }] },
    ]);
    expect(await counted(school)).toBe(2);
    const scores = await classWeek(school.classId, null, ZONE, schoolDay(new Date(), ZONE));
    expect(scores.rows.map(({ state, best }) => [state, best])).toEqual([
      ['counted', good.total],
      ['to-look-at', null],
    ]);
    const [stored] = await rows<{ way: string }>('SELECT way FROM reports WHERE client_play_id = ?', [toBytes(good.body.playId as Uuid)]);
    expect(stored).toEqual({ way: 'api' });
  });

  it('changes nothing when one report is of another school, or cannot be read; each place is named', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    const elsewhere = await makeSchool(1);
    const theirs = await sendTo(elsewhere);
    const { key } = await withKey(school);
    const mine = await envelope(week, school.childIds[0]!, [1, 1, 1]);
    const stranger = await envelope(theirs, elsewhere.childIds[0]!, [1, 1, 1]);
    const send = (reports: unknown) => call(handIn, '/', { token: key, body: { reports }, headers: NO_ORIGIN });
    const refused = await send([mine.body, stranger.body]);
    expect([refused.status, refused.answer.problems?.[0]?.place]).toEqual([404, '/reports/1/assignmentId']);
    const unread = await send([mine.body, { ...mine.body, playId: v7(), report: { ...mine.body.report, goes: [] } }]);
    expect([unread.status, unread.answer.problems?.[0]?.place]).toEqual([400, '/reports/1/report/goes']);
    expect((await send([])).status).toBe(400);
    expect((await send(Array.from({ length: 51 }, () => mine.body))).status).toBe(400);
    expect((await counted(school)) + (await counted(elsewhere))).toBe(0);
    // A key is made by a teacher only.
    expect((await call(makeKey, '/', { cookie: await school.cookie('helper'), body: { name: 'x' } })).status).toBe(403);
  });
});
