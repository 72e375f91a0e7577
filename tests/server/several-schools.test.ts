/** Somebody who works at more than one school: one account, one password, and nothing of one school in the other. */
import { beforeAll, describe, expect, it } from 'vitest';
import type { Uuid } from '@/contract/ids';
import type { Oneself, People } from '@/contract/people';
import { SCHOOL_HEADER } from '@/contract/window';
import { GET as lookAt, POST as join, PUT as joinKnown } from '@/app/api/v1/join/route';
import { PUT as goTo } from '@/app/api/v1/me/school/route';
import { GET as me } from '@/app/api/v1/me/route';
import { PATCH as changePersonRoute } from '@/app/api/v1/people/[id]/route';
import { GET as people, POST as invite } from '@/app/api/v1/people/route';
import { POST as addClass } from '@/app/api/v1/classes/route';
import { POST as signIn } from '@/app/api/v1/sign-in/route';
import { GET as today } from '@/app/api/v1/today/route';
import { deedsDone } from '@/server/db/audit';
import { toBytes } from '@/server/db/ids';
import { change, direct, rows } from '@/server/db/pool';
import { deleteSchool } from '@/server/keeping/delete-school';
import { call, makeSchool, PASSWORD, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const GOOD = 'heather under a slow gate';
const tokenOf = (url: unknown) => String(url).split('#t=')[1]!;
const cookieOf = (headers: Headers) =>
  headers
    .getSetCookie()
    .map((one) => one.split(';')[0]!)
    .find((one) => one.startsWith('lochside='))!;

async function invited(school: TestSchool, email: string, role: 'teacher' | 'helper' = 'helper'): Promise<string> {
  const made = await call(invite, '/', { cookie: await school.cookie('lead'), body: { name: 'R. Fern', email: email.toUpperCase(), role } });
  expect(made.status).toBe(201);
  return tokenOf(made.answer['url']);
}

const comeIn = (token: string, password: string) => call(joinKnown, '/', { method: 'PUT', body: { token, password, code: '' } });
const asked = async (school: TestSchool, id: Uuid, body: object) =>
  call(changePersonRoute, '/', { method: 'PATCH', cookie: await school.cookie('lead'), body }, { id });
const own = async (cookie: string) => (await call(me, '/', { method: 'GET', cookie })).answer as unknown as Oneself;

/** A teacher of the first who is a helper of the second. */
async function inTwo() {
  const [first, second] = [await makeSchool(), await makeSchool()];
  await change(direct(), 'UPDATE schools SET name = ? WHERE id = ?', ['Shorehead', toBytes(second.id)]);
  const came = await comeIn(await invited(second, first.email), PASSWORD);
  expect(came.status).toBe(201);
  return { first, second, cookie: cookieOf(came.headers) };
}

describe('a teacher of one school who is invited to another', () => {
  it('comes in with the password that she has, not with a new one', async () => {
    const [first, second] = [await makeSchool(), await makeSchool()];
    const token = await invited(second, first.email);
    expect((await call(lookAt, '/', { method: 'GET', token })).answer).toMatchObject({ known: true, reset: false, email: first.email });
    // Who made the link cannot choose a password for her.
    expect(await call(join, '/', { body: { token, password: GOOD } })).toMatchObject({ status: 409 });
    expect(await comeIn(token, 'a guess of the lead')).toMatchObject({ status: 401, answer: { problems: [{ place: '/password' }] } });
    expect((await own(cookieOf((await comeIn(token, PASSWORD)).headers))).schools).toHaveLength(2);
    expect((await comeIn(token, PASSWORD)).status).toBe(401);
    const actions = (await deedsDone({ schoolId: second.id, timeZone: ZONE }, { by: null, action: '', from: '', until: '' })).map(
      ({ action }) => action,
    );
    expect(actions).toEqual(expect.arrayContaining(['person joined', 'sign-in failed', 'person invited']));
  });

  it('eight times at once is one membership', async () => {
    const [first, second] = [await makeSchool(), await makeSchool()];
    const token = await invited(second, first.email);
    const answers = await Promise.all(Array.from({ length: 8 }, () => comeIn(token, PASSWORD)));
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    expect(await rows('SELECT 1 FROM memberships WHERE teacher_id = ?', [toBytes(first.teacherId)])).toHaveLength(2);
  });

  it('who has left the other begins with a new password: nothing but this school is opened by it', async () => {
    const [first, second] = [await makeSchool(), await makeSchool()];
    expect((await asked(first, first.teacherId, { change: 'close' })).status).toBe(200);
    const token = await invited(second, first.email);
    expect((await call(lookAt, '/', { method: 'GET', token })).answer).toMatchObject({ known: false });
    expect((await comeIn(token, PASSWORD)).status).toBe(401);
    expect((await call(join, '/', { body: { token, password: GOOD } })).status).toBe(201);
    const { headers } = await call(signIn, '/', { body: { email: first.email, password: GOOD } });
    expect((await own(cookieOf(headers))).schools).toMatchObject([{ id: second.id, role: 'helper', here: true }]);
  });
});

describe('somebody of two schools', () => {
  it('goes from one to the other, with the role that she has there, and signs in where she was last', async () => {
    const { first, second, cookie } = await inTwo();
    expect(await own(cookie)).toMatchObject({
      role: 'helper',
      schools: [
        { id: second.id, here: true },
        { id: first.id, here: false },
      ],
    });
    const makes = () => call(addClass, '/', { cookie, body: { name: 'P7', ageYears: 11 } });
    expect((await makes()).status).toBe(403);
    const go = (school: Uuid) => call(goTo, '/', { method: 'PUT', cookie, body: { school } });
    expect((await go(first.id)).status).toBe(200);
    expect((await makes()).status).toBe(201);
    expect(await rows("SELECT 1 FROM classes WHERE school_id = ? AND name = 'P7'", [toBytes(second.id)])).toHaveLength(0);
    const again = cookieOf((await call(signIn, '/', { body: { email: first.email, password: PASSWORD } })).headers);
    expect(await own(again)).toMatchObject({ role: 'teacher' });
    expect((await go((await makeSchool()).id)).status).toBe(404);
    expect(await own(cookie)).toMatchObject({ role: 'teacher' });
  });

  it('a window that is still of the other school changes nothing and reads nothing', async () => {
    const { first, second, cookie } = await inTwo();
    const headers = { [SCHOOL_HEADER]: first.id };
    const made = await call(addClass, '/', { cookie, headers, body: { name: 'P6', ageYears: 10 } });
    expect(made).toMatchObject({ status: 403, answer: { problems: [{ reason: expect.stringContaining('Shorehead') as string }] } });
    expect((await call(today, '/', { method: 'GET', cookie, headers })).status).toBe(403);
    expect((await call(today, '/', { method: 'GET', cookie, headers: { [SCHOOL_HEADER]: second.id } })).status).toBe(200);
  });

  it('is no matter of one lead alone: neither password nor second factor, also by a link made before', async () => {
    const [first, second] = [await makeSchool(), await makeSchool()];
    const before = tokenOf((await asked(first, first.teacherId, { change: 'reset' })).answer['url']);
    expect((await comeIn(await invited(second, first.email), PASSWORD)).status).toBe(201);
    expect((await call(join, '/', { body: { token: before, password: GOOD } })).status).toBe(401);
    for (const school of [first, second])
      for (const act of ['reset', 'no-second-factor'])
        expect(await asked(school, first.teacherId, { change: act }), act).toMatchObject({ status: 409 });
    // After she has left the second, the first helps again.
    expect((await asked(second, first.teacherId, { change: 'close' })).status).toBe(200);
    expect((await asked(first, first.teacherId, { change: 'reset' })).status).toBe(200);
  });

  it('who leaves one is signed out there, and stays in the other', async () => {
    const { first, second, cookie } = await inTwo();
    const there = await first.cookie('teacher');
    expect((await asked(second, first.teacherId, { change: 'close' })).status).toBe(200);
    expect((await call(me, '/', { method: 'GET', cookie })).status).toBe(401);
    expect((await own(there)).schools).toHaveLength(1);
    expect((await call(goTo, '/', { method: 'PUT', cookie: there, body: { school: second.id } })).status).toBe(404);
    const listed = (await call(people, '/', { method: 'GET', cookie: await second.cookie('lead') })).answer as unknown as People;
    expect(listed.people.find(({ id }) => id === first.teacherId)).toMatchObject({ closed: true });
  });

  it('keeps the account when one of them is deleted', async () => {
    const { first, second } = await inTwo();
    await deleteSchool(second.id, new Date());
    const { status, headers } = await call(signIn, '/', { body: { email: first.email, password: PASSWORD } });
    expect(status).toBe(200);
    expect((await own(cookieOf(headers))).schools).toMatchObject([{ id: first.id }]);
  });

  it('a session is no longer than the school allows to which it went over', async () => {
    const { first, cookie } = await inTwo();
    await change(direct(), 'UPDATE schools SET longest_hours = 1 WHERE id = ?', [toBytes(first.id)]);
    expect((await call(goTo, '/', { method: 'PUT', cookie, body: { school: first.id } })).status).toBe(200);
    const [row] = await rows<{ hours: number }>(
      'SELECT TIMESTAMPDIFF(SECOND, created_at, expires_at) / 3600 AS hours FROM sessions WHERE teacher_id = ? ORDER BY seen_at DESC LIMIT 1',
      [toBytes(first.teacherId)],
    );
    expect(Number(row!.hours)).toBeCloseTo(1, 2);
  });
});
