import { beforeAll, describe, expect, it, vi } from 'vitest';
import { v7 } from 'uuid';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as diary } from '@/app/api/v1/home/diary/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as signIn } from '@/app/api/v1/sign-in/route';
import { POST as sendWeekRoute } from '@/app/api/v1/weeks/route';
import { PATCH as changeChild } from '@/app/api/v1/children/[id]/route';
import { POST as fromLinks } from '@/app/api/v1/children/[id]/from-links/route';
import { POST as addChildren } from '@/app/api/v1/classes/[id]/children/route';
import { heldBackMs } from '@/server/auth/limits';
import { leaversOf } from '@/server/db/children';
import { addTeacher } from '@/server/db/teachers';
import { hashPassword } from '@/server/auth/passwords';
import { transact } from '@/server/db/pool';
import { playsOfChild } from '@/server/reports/plays';
import { readBody } from '@/server/http/body';
import { refuse } from '@/server/http/answer';
import { schoolDay } from '@/server/school-day';
import { call, envelopeFor, makeSchool, PASSWORD, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

async function family(children = 1) {
  const school = await makeSchool(children);
  const week = await sendTo(school);
  const childId = school.childIds[0]!;
  const token = await week.token(childId);
  const { total: _total, ...envelope } = await envelopeFor(await week.assignment(childId), [2, 1, 0]);
  const send = (more: object = {}) => call(report, '/', { token, body: { ...envelope, playId: v7(), ...more } });
  return { school, week, childId, token, envelope, send };
}

describe('unhappy at the server: one family’s link sends without end', () => {
  it('forty reports a day are taken, then no more, with words; what was taken is told again', async () => {
    const { childId, send } = await family();
    const first = v7();
    expect((await send({ playId: first })).status).toBe(201);
    for (let n = 1; n < 40; n += 1) expect((await send()).status).toBe(201);
    const refused = await send();
    expect(refused.status).toBe(429);
    expect(refused.answer.problems![0]).toMatchObject({ place: 'day', reason: 'The school takes no more from one child today.' });
    expect((await send({ playId: first })).answer).toMatchObject({ received: true, again: true });
    expect(await playsOfChild(childId)).toHaveLength(40);
  });

  it('sixty goes are a report, sixty-one are none', async () => {
    const { envelope, send } = await family();
    const goes = (n: number) => ({ report: { ...envelope.report, goes: Array.from({ length: n }, () => envelope.report.goes[0]!) } });
    expect((await send(goes(60))).status).toBe(201);
    expect((await send(goes(61))).status).toBe(400);
  });

  it('two megabytes a day are taken, then no more', async () => {
    const { childId, envelope, send } = await family();
    // As large as a body may be: long goes, tap by tap.
    const go = { ...envelope.report.goes[0]!, counting: 'attempts', total: null };
    const events = Array.from({ length: 1900 }, (_, n) => ({ do: 'attempt', t: n, end: 'in' }));
    const large = { report: { ...envelope.report, goes: Array.from({ length: 3 }, () => ({ ...go, events })) } };
    const answers = [];
    for (let n = 0; n < 12; n += 1) answers.push((await send(large)).status);
    expect(answers[0]).toBe(201);
    expect(answers.at(-1)).toBe(429);
    expect(new Set(answers)).toEqual(new Set([201, 429]));
    expect((await playsOfChild(childId)).length).toBeLessThan(36);
  });

  it('sixty lines of the diary a day', async () => {
    const { week, token } = await family();
    const day = schoolDay(new Date(), ZONE);
    const lines = (n: number) =>
      Array.from({ length: n }, () => ({ id: v7(), weekId: week.weekId, day, what: 'Walked', minutes: 5, initials: '', struck: false }));
    expect((await call(diary, '/', { token, body: { entries: lines(50) } })).status).toBe(201);
    expect((await call(diary, '/', { token, body: { entries: lines(11) } })).status).toBe(429);
    const last = lines(10);
    for (let n = 0; n < 2; n += 1) expect((await call(diary, '/', { token, body: { entries: last } })).status).toBe(201);
    // The same again, whose answer was lost, is no further one; a new one is.
    expect((await call(diary, '/', { token, body: { entries: lines(1) } })).status).toBe(429);
  });
});

describe('unhappy at the server: a link got into other hands', () => {
  it('all that came by it is set aside in one act, and is as it was when that is taken back', async () => {
    const { school, childId, send } = await family();
    for (let n = 0; n < 3; n += 1) await send();
    const cookie = await school.cookie('teacher');
    const ask = (body: object, who = cookie) => call(fromLinks, '/', { cookie: who, body }, { id: childId });
    const counts = async () => (await playsOfChild(childId)).map((play) => play.counts);
    const before = await counts();
    const done = await ask({ act: 'set-aside' });
    expect(done.answer).toMatchObject({ reports: 3 });
    expect(await counts()).toEqual([null, null, null]);
    expect((await ask({ act: 'set-aside' })).answer).toMatchObject({ reports: 0 });
    expect((await ask({ act: 'take-back', at: done.answer['at'] })).answer).toMatchObject({ reports: 3 });
    expect(await counts()).toEqual(before);
    for (const at of ['2027-99-01T00:00:00.000Z', '2027-W05', '{}']) expect((await ask({ act: 'take-back', at })).status).toBe(400);
    expect((await ask({ act: 'set-aside' }, await school.cookie('helper'))).status).toBe(403);
    expect((await ask({ act: 'set-aside' }, await (await makeSchool(1)).cookie('teacher'))).status).toBe(404);
  });
});

describe('unhappy at the server: a child has left the school', () => {
  it('its links stop at once, and nothing under them is taken', async () => {
    const { school, childId, token, send } = await family();
    expect((await send()).status).toBe(201);
    const cookie = await school.cookie('teacher');
    expect((await call(changeChild, '/', { method: 'PATCH', cookie, body: { change: 'leave' } }, { id: childId })).status).toBe(200);
    expect((await call(card, '/?games=2', { method: 'GET', token })).status).toBe(401);
    expect((await send()).status).toBe(401);
    const today = schoolDay(new Date(), ZONE);
    expect((await leaversOf(school.id, today)).map(({ id, leftOn }) => [id, leftOn])).toEqual([[childId, today]]);
    expect(await leaversOf((await makeSchool(1)).id, today)).toEqual([]);
  });
});

/** A body that comes in pieces, without a word on how large it is. */
function chunked(pieces: number, size: number, everyMs = 0) {
  let sent = 0;
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      if (sent >= pieces) return controller.close();
      if (everyMs > 0) await new Promise((resolve) => setTimeout(resolve, everyMs));
      sent += 1;
      controller.enqueue(new Uint8Array(size).fill(97));
    },
  });
  const headers = { host: 'lochside.test', origin: 'http://lochside.test', 'content-type': 'application/json' };
  const request = (more: Record<string, string> = {}) =>
    new Request('http://lochside.test/', { method: 'POST', headers: { ...headers, ...more }, body, duplex: 'half' } as RequestInit);
  return { request, read: () => sent };
}

const noParams = { params: Promise.resolve({}) };

describe('unhappy at the server: a body', () => {
  it('without a link is not read at all', async () => {
    const { request, read } = chunked(4000, 65_536);
    expect((await report(request(), noParams)).status).toBe(401);
    expect((await report(chunked(10, 65_536).request({ authorization: `Bearer ${'A'.repeat(22)}` }), noParams)).status).toBe(401);
    // A stream keeps one piece at hand.
    expect(read()).toBeLessThanOrEqual(1);
  });

  it('with a link is read as far as a family’s may be, and no farther', async () => {
    const { token } = await family();
    const { request, read } = chunked(4000, 65_536);
    expect((await report(request({ authorization: `Bearer ${token}` }), noParams)).status).toBe(413);
    expect(read()).toBeLessThanOrEqual(7);
  });

  it('of somebody who signs in is read no farther either', async () => {
    const { request, read } = chunked(4000, 65_536);
    expect((await signIn(request(), noParams)).status).toBe(413);
    expect(read()).toBeLessThanOrEqual(7);
  });

  it('that drips is given up after ten seconds; one of a phone at 64 kbit/s is heard', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'setInterval', 'clearInterval', 'Date'] });
    const read = (pieces: number, size: number) => readBody(chunked(pieces, size, 1000).request(), 1_000_000, () => refuse(413, '', 'large', ''));
    const dripping = read(60, 100).catch((error: { status: number }) => error.status);
    await vi.advanceTimersByTimeAsync(13_000);
    expect(await dripping).toBe(408);
    const slow = read(30, 8000);
    await vi.advanceTimersByTimeAsync(32_000);
    expect((await slow).length).toBe(240_000);
    vi.useRealTimers();
  });
});

describe('unhappy at the server: words and days that cannot be', () => {
  it.each(['2027-02-30', '2027-04-31', '2027-02-29'])('a week due on %s is refused at its place', async (dueOn) => {
    const { school } = await family();
    const body = {
      classId: school.classId,
      title: '',
      games: [{ gameId: school.gameId, levelId: 'level-1' }],
      dueOn,
      warmUp: '',
      diary: '',
      film: '',
      note: '',
    };
    const { status, answer } = await call(sendWeekRoute, '/', { cookie: await school.cookie('teacher'), body });
    expect(status).toBe(400);
    expect(answer.problems![0]!.place).toBe('/dueOn');
  });

  it.each([
    ['half a character', '{"children":[{"firstName":"Wr\\ud83den","initial":"T.","hand":null,"ageYears":null}]}'],
    ['an empty character', '{"children":[{"firstName":"Wr\\u0000en","initial":"T.","hand":null,"ageYears":null}]}'],
  ])('%s in a name is refused at its place, and changes nothing', async (_what, raw) => {
    const { school } = await family();
    const { status, answer } = await call(addChildren, '/', { cookie: await school.cookie('teacher'), raw }, { id: school.classId });
    expect(status).toBe(400);
    expect(answer.problems![0]!.place).toBe('/children/0/firstName');
  });
});

describe('unhappy at the server: somebody tries passwords', () => {
  it('each try is held back longer, up to eight seconds, and nobody is kept out', () => {
    expect([1, 4, 5, 6, 7, 8, 9, 10, 11, 500].map(heldBackMs)).toEqual([0, 0, 250, 500, 1000, 2000, 4000, 8000, 8000, 8000]);
  });

  it('many at once are each counted before they are checked; the right password opens after them, and at once in a browser that is known', async () => {
    const before = process.env['LOCHSIDE_LIMITS'];
    delete process.env['LOCHSIDE_LIMITS'];
    const school = await makeSchool();
    const ask = (password: string, cookie?: string) =>
      call(signIn, '/', { body: { email: school.email, password }, ...(cookie && { cookie }), headers: { 'x-forwarded-for': v7() } });
    const first = await ask(PASSWORD);
    expect(first.status).toBe(200);
    const known = first.headers
      .getSetCookie()
      .find((one) => one.startsWith('lochside-known='))!
      .split(';')[0]!;
    const wrong = await Promise.all(Array.from({ length: 8 }, () => ask('wrong')));
    expect(wrong.map(({ status }) => status)).toEqual(Array.from({ length: 8 }, () => 401));
    const quick = performance.now();
    expect((await ask(PASSWORD, known)).status).toBe(200);
    // A stranger's next would be held back for four seconds.
    expect(performance.now() - quick).toBeLessThan(3500);
    expect((await ask(PASSWORD)).status).toBe(200);
    expect((await ask('wrong', 'lochside-known=AAAA')).status).toBe(401);
    if (before !== undefined) process.env['LOCHSIDE_LIMITS'] = before;
  });

  it('an address with an accent is not the one without', async () => {
    const school = await makeSchool();
    const email = `josé-${v7()}@school.example`;
    const passwordHash = await hashPassword('other words entirely');
    await transact((db) => addTeacher(db, { schoolId: school.id, name: 'J', email, passwordHash, role: 'teacher' }, new Date()));
    const ask = (address: string) => call(signIn, '/', { body: { email: address, password: 'other words entirely' } });
    expect((await ask(email.toUpperCase())).status).toBe(200);
    expect((await ask(email.replace('é', 'e'))).status).toBe(401);
    await transact((db) =>
      addTeacher(db, { schoolId: school.id, name: 'K', email: email.replace('é', 'e'), passwordHash, role: 'helper' }, new Date()),
    );
  });
});
