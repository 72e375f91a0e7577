/** People of a school: links for once, passwords, second factors, sessions, and who did what. */
import { Secret, TOTP } from 'otpauth';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Uuid } from '@/contract/ids';
import type { Oneself, People } from '@/contract/people';
import { GET as exportDeeds } from '@/app/api/v1/people/deeds/route';
import { DELETE as withdraw } from '@/app/api/v1/people/links/[id]/route';
import { PATCH as changePersonRoute } from '@/app/api/v1/people/[id]/route';
import { PUT as putRules } from '@/app/api/v1/people/rules/route';
import { GET as people, POST as invite } from '@/app/api/v1/people/route';
import { GET as lookAt, POST as join } from '@/app/api/v1/join/route';
import { GET as me, PATCH as rename } from '@/app/api/v1/me/route';
import { POST as newPassword } from '@/app/api/v1/me/password/route';
import { DELETE as endOne } from '@/app/api/v1/me/sessions/[id]/route';
import { DELETE as endOthers } from '@/app/api/v1/me/sessions/route';
import { DELETE as factorOff, POST as factorBegin, PUT as factorConfirm } from '@/app/api/v1/me/second-factor/route';
import { GET as games } from '@/app/api/v1/today/route';
import { POST as signIn } from '@/app/api/v1/sign-in/route';
import { stepOfCode } from '@/server/auth/second-factor';
import { signedInBy } from '@/server/auth/sessions';
import { deedsDone } from '@/server/db/audit';
import { toBytes } from '@/server/db/ids';
import { change, direct, rows } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { v7 } from 'uuid';
import { DEED_HEADER } from '@/contract/deed';
import { POST as addClass } from '@/app/api/v1/classes/route';
import { PUT as newsRead } from '@/app/api/v1/me/news/route';
import { NEWEST_NEWS, newsFor, newsSince } from '@/server/today/news';
import { call, makeSchool, PASSWORD, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const GOOD = 'heather under a slow gate';
const ALL = { by: null, action: '', from: '', until: '' } as const;

const tokenOf = (url: unknown) => String(url).split('#t=')[1]!;
const actionsOf = async (school: TestSchool) => (await deedsDone({ schoolId: school.id, timeZone: ZONE }, ALL)).map(({ action }) => action);

async function invited(school: TestSchool, role: 'teacher' | 'helper' | 'lead', email: string) {
  const { status, answer } = await call(invite, '/', { cookie: await school.cookie('lead'), body: { name: 'R. Fern', email, role } });
  expect(status).toBe(201);
  return answer as unknown as { id: Uuid; url: string };
}

const cookieOf = (headers: Headers) =>
  headers
    .getSetCookie()
    .map((one) => one.split(';')[0]!)
    .find((one) => one.startsWith('lochside='))!;

describe('a colleague', () => {
  it('comes in by a link that opens once, with a password of 12 characters or more that is not quickly guessed', async () => {
    const school = await makeSchool();
    const email = `fern-${school.id.slice(-6)}@school.example`;
    const token = tokenOf((await invited(school, 'helper', email)).url);
    expect((await call(lookAt, '/', { method: 'GET', token })).answer).toMatchObject({ name: 'R. Fern', email, reset: false, school: 'Test school' });
    const tried = (password: string) => call(join, '/', { body: { token, password } });
    expect(await tried('short')).toMatchObject({ status: 400, answer: { problems: [{ place: '/password' }] } });
    for (const weak of ['password1234', 'aaaaaaaaaaaaaa', 'fern fern fern'])
      expect(await tried(weak), weak).toMatchObject({ status: 400, answer: { problems: [{ place: '/password' }] } });
    const came = await tried(GOOD);
    expect(came).toMatchObject({ status: 201, answer: { signedIn: true } });
    expect((await call(me, '/', { method: 'GET', cookie: cookieOf(came.headers) })).answer).toMatchObject({
      email,
      role: 'helper',
      secondFactor: false,
    });
    expect((await tried(GOOD)).status).toBe(401);
    expect((await call(signIn, '/', { body: { email, password: GOOD } })).status).toBe(200);
  });

  it('eight times at once is still one account', async () => {
    const school = await makeSchool();
    const email = `eight-${school.id.slice(-6)}@school.example`;
    const token = tokenOf((await invited(school, 'teacher', email)).url);
    const answers = await Promise.all(Array.from({ length: 8 }, () => call(join, '/', { body: { token, password: GOOD } })));
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 401)).toHaveLength(7);
    expect(await rows('SELECT id FROM teachers WHERE email = ?', [email])).toHaveLength(1);
  });

  it('comes in no more by a link that was withdrawn, replaced or is three days old, nor at another school’s door', async () => {
    const school = await makeSchool();
    const [first, second] = [await invited(school, 'teacher', 'a@b.example'), await invited(school, 'teacher', 'a@b.example')];
    const opens = async (url: string) => (await call(lookAt, '/', { method: 'GET', token: tokenOf(url) })).status;
    expect([await opens(first.url), await opens(second.url)]).toEqual([401, 200]);
    const other = await makeSchool();
    expect((await call(withdraw, '/', { method: 'DELETE', cookie: await other.cookie('lead') }, { id: second.id })).status).toBe(404);
    expect((await call(withdraw, '/', { method: 'DELETE', cookie: await school.cookie('lead') }, { id: second.id })).status).toBe(200);
    expect(await opens(second.url)).toBe(401);
    const third = await invited(school, 'teacher', 'a@b.example');
    await change(direct(), 'UPDATE people_links SET ends_at = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE id = ?', [toBytes(third.id)]);
    expect(await opens(third.url)).toBe(401);
  });

  it('is invited, changed and closed by a lead alone', async () => {
    const school = await makeSchool();
    for (const role of ['teacher', 'helper'] as const) {
      const cookie = await school.cookie(role);
      expect((await call(people, '/', { method: 'GET', cookie })).status, role).toBe(403);
      expect((await call(invite, '/', { cookie, body: { name: 'N', email: 'n@s.example', role: 'lead' } })).status).toBe(403);
      expect(
        (await call(changePersonRoute, '/', { method: 'PATCH', cookie, body: { change: 'role', role: 'lead' } }, { id: school.teacherId })).status,
      ).toBe(403);
      expect((await call(exportDeeds, '/', { method: 'GET', cookie })).status).toBe(403);
    }
  });

  it('who leaves signs in no more at once, and the work stays; the last lead cannot go', async () => {
    const school = await makeSchool();
    const lead = await school.cookie('lead');
    const teacher = await school.cookie('teacher');
    const asked = (id: Uuid, body: object) => call(changePersonRoute, '/', { method: 'PATCH', cookie: lead, body }, { id });
    expect((await asked(school.teacherId, { change: 'close' })).status).toBe(200);
    expect((await call(games, '/', { method: 'GET', cookie: teacher })).status).toBe(401);
    expect((await call(signIn, '/', { body: { email: school.email, password: PASSWORD } })).status).toBe(401);
    expect((await asked(school.teacherId, { change: 'reopen' })).status).toBe(200);
    expect((await call(signIn, '/', { body: { email: school.email, password: PASSWORD } })).status).toBe(200);
    const listed = (await call(people, '/', { method: 'GET', cookie: lead })).answer as unknown as People;
    const own = listed.people.find(({ role }) => role === 'lead')!;
    for (const body of [{ change: 'close' }, { change: 'role', role: 'teacher' }])
      expect(await asked(own.id, body)).toMatchObject({ status: 409, answer: { problems: [{ reason: 'This is the last lead of the school.' }] } });
    expect((await asked((await makeSchool()).teacherId, { change: 'close' })).status).toBe(404);
  });

  it('two leads who close each other at once leave one', async () => {
    const school = await makeSchool();
    const lead = await school.cookie('lead');
    const own = ((await call(people, '/', { method: 'GET', cookie: lead })).answer as unknown as People).people.find(
      ({ role }) => role === 'lead',
    )!.id;
    await call(changePersonRoute, '/', { method: 'PATCH', cookie: lead, body: { change: 'role', role: 'lead' } }, { id: school.teacherId });
    const other = await school.cookie('teacher');
    await Promise.all([
      call(changePersonRoute, '/', { method: 'PATCH', cookie: lead, body: { change: 'close' } }, { id: school.teacherId }),
      call(changePersonRoute, '/', { method: 'PATCH', cookie: other, body: { change: 'close' } }, { id: own }),
    ]);
    const left = await rows("SELECT teacher_id FROM memberships WHERE school_id = ? AND role = 'lead' AND closed_at IS NULL", [toBytes(school.id)]);
    expect(left).toHaveLength(1);
  });
});

describe('a password', () => {
  it('is changed by who knows it, and every other session is over', async () => {
    const school = await makeSchool();
    const [here, there] = [await school.cookie('teacher'), await school.cookie('teacher')];
    expect(await call(newPassword, '/', { cookie: here, body: { current: 'something else', password: GOOD } })).toMatchObject({
      status: 401,
      answer: { problems: [{ place: '/current' }] },
    });
    expect((await call(newPassword, '/', { cookie: here, body: { current: PASSWORD, password: GOOD } })).status).toBe(200);
    expect((await call(me, '/', { method: 'GET', cookie: here })).status).toBe(200);
    expect((await call(me, '/', { method: 'GET', cookie: there })).status).toBe(401);
    expect((await call(signIn, '/', { body: { email: school.email, password: PASSWORD } })).status).toBe(401);
    expect((await call(signIn, '/', { body: { email: school.email, password: GOOD } })).status).toBe(200);
  });

  it('that was forgotten is set by a link of a lead', async () => {
    const school = await makeSchool();
    const session = await school.cookie('teacher');
    const made = await call(
      changePersonRoute,
      '/',
      { method: 'PATCH', cookie: await school.cookie('lead'), body: { change: 'reset' } },
      { id: school.teacherId },
    );
    const token = tokenOf(made.answer['url']);
    expect((await call(lookAt, '/', { method: 'GET', token })).answer).toMatchObject({ reset: true, email: school.email });
    expect((await call(join, '/', { body: { token, password: GOOD } })).status).toBe(201);
    expect((await call(me, '/', { method: 'GET', cookie: session })).status).toBe(401);
    expect((await call(signIn, '/', { body: { email: school.email, password: GOOD } })).status).toBe(200);
  });
});

describe('sessions', () => {
  it('are listed with what they were opened with, and ended one by one or all others at once', async () => {
    const school = await makeSchool();
    const opened = await call(signIn, '/', {
      body: { email: school.email, password: PASSWORD },
      headers: { 'user-agent': 'Mozilla/5.0 (Windows NT 10.0; rv:140.0) Gecko/20100101 Firefox/140.0' },
    });
    const here = cookieOf(opened.headers);
    await school.cookie('teacher');
    await school.cookie('teacher');
    const { sessions } = (await call(me, '/', { method: 'GET', cookie: here })).answer as unknown as Oneself;
    expect(sessions).toHaveLength(3);
    expect(sessions.filter((one) => one.here)).toMatchObject([{ browser: 'Firefox on Windows' }]);
    const other = sessions.find((one) => !one.here)!;
    const stranger = await (await makeSchool()).cookie('teacher');
    expect((await call(endOne, '/', { method: 'DELETE', cookie: stranger }, { id: other.id })).status).toBe(404);
    expect((await call(endOne, '/', { method: 'DELETE', cookie: here }, { id: other.id })).status).toBe(200);
    expect((await call(endOthers, '/', { method: 'DELETE', cookie: here })).answer).toEqual({ ended: 1 });
    expect((await call(me, '/', { method: 'GET', cookie: here })).status).toBe(200);
  });

  it('end when idle for as long as the school says, and in any case at their end', async () => {
    const school = await makeSchool();
    const lead = await school.cookie('lead');
    const rules = { idleMinutes: 30, longestHours: 2, secondFactorAsked: false };
    expect((await call(putRules, '/', { method: 'PUT', cookie: lead, body: rules })).status).toBe(200);
    expect((await call(putRules, '/', { method: 'PUT', cookie: lead, body: { ...rules, idleMinutes: 1 } })).status).toBe(400);
    const token = (await school.cookie('teacher')).split('=')[1]!;
    const after = (minutes: number) => signedInBy(token, new Date(Date.now() + minutes * 60_000));
    expect(await after(29)).toBeDefined();
    // A sign of life at 29 minutes: the half hour begins again.
    expect(await after(58)).toBeDefined();
    expect(await after(89)).toBeUndefined();
    const busy = (await school.cookie('teacher')).split('=')[1]!;
    for (const minutes of [25, 50, 75, 100, 119]) expect(await signedInBy(busy, new Date(Date.now() + minutes * 60_000)), `${minutes}`).toBeDefined();
    expect(await signedInBy(busy, new Date(Date.now() + 121 * 60_000))).toBeUndefined();
  });
});

describe('the second factor', () => {
  // RFC 6238, appendix B, SHA-1: eight figures there, of which an authenticator shows the last six.
  it.each([
    [59, '94287082'],
    [1_111_111_109, '07081804'],
    [1_111_111_111, '14050471'],
    [1_234_567_890, '89005924'],
    [2_000_000_000, '69279037'],
    [20_000_000_000, '65353130'],
  ])('at %i s is %s (RFC 6238)', (seconds, code) => {
    const secret = Secret.fromUTF8('12345678901234567890');
    const at = new Date(seconds * 1000);
    const step = Math.floor(seconds / 30);
    expect(stepOfCode(secret, code.slice(2), 0, at)).toBe(step);
    // Once: not again, and not one that is older. A clock that is half a minute off still opens, one of two minutes does not.
    expect(stepOfCode(secret, code.slice(2), step, at)).toBeNull();
    expect(stepOfCode(secret, code.slice(2), 0, new Date(at.getTime() + 30_000))).toBe(step);
    expect(stepOfCode(secret, code.slice(2), 0, new Date(at.getTime() + 120_000))).toBeNull();
  });

  const codeNow = (url: string, inSteps = 0) =>
    new TOTP({ secret: Secret.fromBase32(new URL(url).searchParams.get('secret')!) }).generate({ timestamp: Date.now() + inSteps * 30_000 });

  async function setUp(school: TestSchool, role: 'teacher' | 'lead' = 'teacher') {
    const cookie = await school.cookie(role);
    const begun = (await call(factorBegin, '/', { cookie, body: { current: PASSWORD } })).answer as unknown as {
      url: string;
      svg: string;
      pending: string;
    };
    expect(begun.svg).toContain('<svg');
    const wrong = await call(factorConfirm, '/', { method: 'PUT', cookie, body: { pending: begun.pending, code: '000000' } });
    expect(wrong).toMatchObject({ status: 400, answer: { problems: [{ place: '/code' }] } });
    const set = await call(factorConfirm, '/', { method: 'PUT', cookie, body: { pending: begun.pending, code: codeNow(begun.url, -1) } });
    expect(set.status).toBe(200);
    return { cookie, url: begun.url, codes: set.answer['recoveryCodes'] as string[] };
  }

  it('is asked for after the password; each code and each code to recover by opens once', async () => {
    const school = await makeSchool();
    const { url, codes, cookie } = await setUp(school);
    expect(codes).toHaveLength(10);
    const tried = async (code: string) => (await call(signIn, '/', { body: { email: school.email, password: PASSWORD, code } })).status;
    expect(await call(signIn, '/', { body: { email: school.email, password: PASSWORD } })).toMatchObject({
      status: 401,
      answer: { problems: [{ place: '/code' }] },
    });
    const code = codeNow(url);
    expect([await tried('123456'), await tried(code), await tried(code)]).toEqual([401, 200, 401]);
    expect([await tried(codes[3]!.toUpperCase().replace('-', ' ')), await tried(codes[3]!)]).toEqual([200, 401]);
    expect((await call(me, '/', { method: 'GET', cookie })).answer).toMatchObject({ secondFactor: true, recoveryCodes: 9 });
    // Eight with the same code at once: one comes in.
    const next = codeNow(url, 1);
    const all = await Promise.all(Array.from({ length: 8 }, () => tried(next)));
    expect(all.filter((status) => status === 200)).toHaveLength(1);
    // Neither the secret nor a code stands in the database.
    const kept = JSON.stringify(await rows('SELECT second_factor FROM teachers WHERE email = ?', [school.email]));
    expect(kept).not.toContain(new URL(url).searchParams.get('secret')!);
    expect(await actionsOf(school)).toEqual(
      expect.arrayContaining(['second factor set', 'signed in', 'signed in by recovery code', 'sign-in failed']),
    );
  });

  it('that the school asks for is set up before anything else is done; a lead who has none cannot ask for it', async () => {
    const school = await makeSchool();
    const lead = await school.cookie('lead');
    const rules = { idleMinutes: 120, longestHours: 12, secondFactorAsked: true };
    expect(await call(putRules, '/', { method: 'PUT', cookie: lead, body: rules })).toMatchObject({ status: 409 });
    const { cookie } = await setUp(school, 'lead');
    expect((await call(putRules, '/', { method: 'PUT', cookie, body: rules })).status).toBe(200);
    const teacher = await school.cookie('teacher');
    expect(await call(games, '/', { method: 'GET', cookie: teacher })).toMatchObject({ status: 403 });
    const own = await setUp(school);
    expect((await call(games, '/', { method: 'GET', cookie: own.cookie })).status).toBe(200);
    expect((await call(factorOff, '/', { method: 'DELETE', cookie: own.cookie, body: { current: PASSWORD } })).status).toBe(409);
    // The telephone is lost, and the codes with it.
    const off = await call(changePersonRoute, '/', { method: 'PATCH', cookie, body: { change: 'no-second-factor' } }, { id: school.teacherId });
    expect(off.status).toBe(200);
    expect((await call(signIn, '/', { body: { email: school.email, password: PASSWORD } })).status).toBe(200);
  });
});

describe('who did what', () => {
  it('is narrowed by the days of the school, not of the server', async () => {
    const school = await makeSchool();
    // 03:12 of the 28th in London is still the 27th in New York.
    await audit(direct(), { schoolId: school.id, teacherId: school.teacherId, action: 'late at night' }, new Date('2026-11-28T03:12:00Z'));
    const found = async (timeZone: string, from: string, until: string) =>
      (await deedsDone({ schoolId: school.id, timeZone }, { ...ALL, from, until })).map(({ action }) => action);
    expect(await found('Europe/London', '2026-11-28', '2026-11-28')).toEqual(['late at night']);
    expect(await found('Europe/London', '2026-11-27', '2026-11-27')).toEqual([]);
    expect(await found('America/New_York', '2026-11-27', '2026-11-27')).toEqual(['late at night']);
    expect(await found('America/New_York', '2026-11-28', '')).toEqual([]);
  });

  it('is added to and never changed, names no child, and goes out as a file', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('lead');
    expect((await call(rename, '/', { method: 'PATCH', cookie, body: { name: '=cmd()' } })).status).toBe(200);
    await expect(change(direct(), "UPDATE audit SET action = 'nothing' WHERE school_id = ?", [toBytes(school.id)])).rejects.toThrow(
      /stays as it was/,
    );
    await expect(change(direct(), 'DELETE FROM audit WHERE school_id = ?', [toBytes(school.id)])).rejects.toThrow(/only deleted/);
    const file = await exportDeeds(new Request('http://lochside.test/api/v1/people/deeds', { headers: { host: 'lochside.test', cookie } }), {
      params: Promise.resolve({}),
    });
    const text = await file.text();
    expect(text).toContain('own name changed');
    // A spreadsheet works out nothing of what somebody wrote.
    expect(text).toContain("'=cmd()");
    expect(await actionsOf(school)).toContain('who did what exported');
  });
});

describe('what was changed in Lochside', () => {
  it('is told once to who was here before, and not to who begins now; leads are told more', async () => {
    const school = await makeSchool();
    const told = async (isLead = false) => (await newsFor({ teacherId: school.teacherId, isLead })).map(({ number }) => number);
    expect(await told()).toEqual([]);
    await change(direct(), 'UPDATE teachers SET news_told = 0 WHERE id = ?', [toBytes(school.teacherId)]);
    const all = await told();
    expect(all.length).toBeGreaterThan(0);
    expect((await told(true)).length).toBeGreaterThan(all.length);
    const cookie = await school.cookie('teacher');
    const read = async (upTo: number) => (await call(newsRead, '/', { method: 'PUT', cookie, body: { upTo } })).status;
    expect(await read((await told(true)).at(-1)!)).toBe(200);
    expect(await told()).toEqual([]);
    // A page that was open since before says so later; and a number that is not there yet is not taken in advance.
    expect(await read(1)).toBe(200);
    expect(await told(true)).toEqual([]);
    expect(await read(10_000)).toBe(200);
    const [row] = await rows<{ news_told: number }>('SELECT news_told FROM teachers WHERE id = ?', [toBytes(school.teacherId)]);
    expect(row!.news_told).toBe(NEWEST_NEWS);
    expect((await call(newsRead, '/', { method: 'PUT', body: { upTo: 1 } })).status).toBe(401);
  });
  it('is named by an upgrade, as far as the database has not had it', () => {
    expect(newsSince('')).toEqual([]);
    expect(newsSince('0069-short-codes.sql')).toHaveLength(NEWEST_NEWS);
    expect(newsSince('0080-schools-keeping.sql').length).toBeLessThan(NEWEST_NEWS);
    expect(newsSince('0091-game-evidence.sql')).toEqual([]);
  });
});

describe('who did what', () => {
  it('is written down once for a deed that is sent again, and again for another', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const add = (name: string, deed: string) => call(addClass, '/', { cookie, headers: { [DEED_HEADER]: deed }, body: { name, ageYears: 9 } });
    const [deed, other] = [v7(), v7()];
    for (const sent of [deed, deed, deed]) expect((await add('P7', sent)).status).toBe(201);
    expect((await add('P8', other)).status).toBe(201);
    const written = await rows("SELECT 1 FROM audit WHERE school_id = ? AND action = 'class made'", [toBytes(school.id)]);
    expect(written).toHaveLength(2);
  });
});
