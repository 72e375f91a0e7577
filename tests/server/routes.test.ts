import type { Uuid } from '@/contract/ids';
import type { ClassWeek } from '@/contract/class-week';
import { withThingAt } from '@/core/course/move';
import { MODEL_VERSION } from '@/core/forecast/chances';
import { RACK_SHOTS, racksOf, writeRack } from '@/core/forecast/racks';
import { compile } from '@/core/rules/playing/compile';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../examples/starters';
import { POST as importGame } from '@/app/api/v1/games/import/route';
import { createHash } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { POST as assign } from '@/app/api/v1/weeks/route';
import { PATCH as changeChild } from '@/app/api/v1/children/[id]/route';
import { POST as renewLinks } from '@/app/api/v1/children/[id]/links/route';
import { POST as addChildren } from '@/app/api/v1/classes/[id]/children/route';
import { GET as scores } from '@/app/api/v1/classes/[id]/scores/route';
import { POST as addClassRoute } from '@/app/api/v1/classes/route';
import { POST as gameAct, PUT as saveGame } from '@/app/api/v1/games/[id]/route';
import { POST as newGame } from '@/app/api/v1/games/route';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as moveUpRoute } from '@/app/api/v1/school-year/route';
import { POST as typed } from '@/app/api/v1/scores/typed/route';
import { POST as signIn } from '@/app/api/v1/sign-in/route';
import { hashToken } from '@/server/auth/tokens';
import { childrenOf } from '@/server/db/children';
import { classesOf } from '@/server/db/classes';
import { gameById } from '@/server/db/games';
import { toBytes } from '@/server/db/ids';
import { firstRow, rows } from '@/server/db/pool';
import { dayPlus } from '@/core/measure/days';
import { schoolDay, schoolYearOf } from '@/server/school-day';
import { withThrowRules, readThrowRules } from '@/core/rules/format/throw-rules';
import { call, envelopeFor, makeSchool, PASSWORD, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

const reportsOf = async (childId: string) =>
  (
    await rows<{ n: number }>('SELECT COUNT(*) AS n FROM reports r JOIN assignments a ON a.id = r.assignment_id WHERE a.child_id = ?', [
      toBytes(childId as never),
    ])
  )[0]!.n;

describe('a report from home', () => {
  it('is received, counted once however often it is sent, and refused when it says something else', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const token = await week.token(child);
    const envelope = await envelopeFor(await week.assignment(child), [4, 2, 1]);
    const first = await call(report, '/api/v1/home/reports', { token, body: envelope });
    expect(first).toMatchObject({ status: 400 });
    const { total, ...sent } = envelope;
    expect(await call(report, '/api/v1/home/reports', { token, body: sent })).toMatchObject({
      status: 201,
      answer: { received: true, again: false, verdict: 'clean', goes: [{ value: total }] },
    });
    const later = { ...sent, report: { ...sent.report, sentAt: '2027-03-01T18:00:00.000Z' } };
    expect(await call(report, '/api/v1/home/reports', { token, body: later })).toMatchObject({ status: 200, answer: { again: true } });
    const other = { ...sent, report: { ...sent.report, word: 'something else' } };
    expect(await call(report, '/api/v1/home/reports', { token, body: other })).toMatchObject({ status: 409 });
    expect(await reportsOf(child)).toBe(1);
  });
  it('twenty sendings at the same moment count once', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const token = await week.token(child);
    const { total: _total, ...sent } = await envelopeFor(await week.assignment(child), [1, 1, 1]);
    const answers = await Promise.all(Array.from({ length: 20 }, () => call(report, '/api/v1/home/reports', { token, body: sent })));
    expect(answers.map((answer) => answer.status).sort()).toEqual([...new Array<number>(19).fill(200), 201]);
    expect(await reportsOf(child)).toBe(1);
  });
  it('is kept as it was sent, with the three times', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const { total: _total, ...sent } = await envelopeFor(await week.assignment(child), [1, 0, 0]);
    await call(report, '/api/v1/home/reports', { token: await week.token(child), raw: JSON.stringify(sent, null, 1) });
    const row = await firstRow<{ body: string; received_at: Date }>(
      'SELECT r.* FROM reports r JOIN assignments a ON a.id = r.assignment_id WHERE a.child_id = ?',
      [toBytes(child)],
    );
    expect(row!.body).toBe(JSON.stringify(sent, null, 1));
    expect(row!.body).toContain('2027-03-01T16:00:00.000Z');
    expect(row!.body).toContain('2027-03-01T16:05:00.000Z');
    expect(Math.abs(row!.received_at.getTime() - Date.now())).toBeLessThan(60_000);
  });
  it('with a wrong sum is kept and shown with the right working, never changed', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const { total, ...sent } = await envelopeFor(await week.assignment(child), [3, 0, 0], 5);
    expect(await call(report, '/api/v1/home/reports', { token: await week.token(child), body: sent })).toMatchObject({
      status: 201,
      answer: { verdict: 'sum' },
    });
    const { answer } = await call(
      scores,
      '/api/v1/classes/x/scores',
      { method: 'GET', cookie: await school.cookie('teacher') },
      { id: school.classId },
    );
    const row = (answer as unknown as ClassWeek).rows.find((one) => one.childId === child)!;
    expect(row).toMatchObject({ state: 'to-look-at', best: null });
    expect(row.reason).toContain(`It says ${total} points`);
  });
});

describe('a family token', () => {
  it("opens its own child's card only, and reports for that child only", async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const [mine, other] = [school.childIds[0]!, school.childIds[1]!];
    const token = await week.token(mine);
    expect(await call(card, '/api/v1/home/card?games=2', { method: 'GET', token })).toMatchObject({
      status: 200,
      answer: { child: { name: 'Childa X.' } },
    });
    const { total: _total, ...sent } = await envelopeFor(await week.assignment(other), [1, 0, 0]);
    expect(await call(report, '/api/v1/home/reports', { token, body: sent })).toMatchObject({ status: 404 });
    expect(await reportsOf(other)).toBe(0);
  });
  it('stops when a new generation is made, and the new one opens', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const old = await week.token(child);
    expect((await call(renewLinks, '/', { cookie: await school.cookie('teacher') }, { id: child })).status).toBe(200);
    expect((await call(card, '/api/v1/home/card?games=2', { method: 'GET', token: old })).status).toBe(401);
    const renewed = await week.token(child);
    expect(renewed).not.toBe(old);
    expect((await call(card, '/api/v1/home/card?games=2', { method: 'GET', token: renewed })).status).toBe(200);
    // A page of the version before, still open, plays on with the card that it has.
    expect(await call(card, '/api/v1/home/card', { method: 'GET', token: renewed })).toMatchObject({ status: 429 });
  });
  it('for a slip tells no name and no history, but reports', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const slip = await week.token(child, 'slip');
    expect(await call(card, '/?games=2', { method: 'GET', token: slip })).toMatchObject({ status: 200, answer: { scope: 'slip', child: null } });
    const { total: _total, ...sent } = await envelopeFor(await week.assignment(child), [1, 0, 0]);
    expect((await call(report, '/', { token: slip, body: sent })).status).toBe(201);
  });
  it('is stored as a hash only, and is 128 bits long', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    expect(Buffer.from(token, 'base64url')).toHaveLength(16);
    const found = await firstRow<{ token_hash: Buffer }>('SELECT token_hash FROM access_keys WHERE token_hash = ?', [hashToken(token)]);
    expect(found!.token_hash.equals(createHash('sha256').update(token).digest())).toBe(true);
  });
  it('guessed by its first letters is slowed down after twenty failures, while the true one still opens', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    const guess = (n: number) => token.slice(0, 12) + String(n).padStart(10, 'A');
    const answers = [];
    for (let n = 0; n < 22; n += 1) answers.push((await call(card, '/?games=2', { method: 'GET', token: guess(n) })).status);
    expect(answers.slice(0, 20).every((status) => status === 401)).toBe(true);
    expect(answers.at(-1)).toBe(429);
    expect((await call(card, '/?games=2', { method: 'GET', token })).status).toBe(200);
  });
});

describe('who may do what', () => {
  it('nobody without a session, no helper where a teacher is asked for, nobody of another school', async () => {
    const school = await makeSchool();
    const stranger = await makeSchool();
    const helper = await school.cookie('helper');
    const other = await stranger.cookie('teacher');
    const game = (await gameById(school.id, school.gameId))!.game;
    const draft = { revision: 1, ageYears: 8, game };
    const start = { title: 'X', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 };
    const week = {
      classId: school.classId,
      games: [{ gameId: school.gameId, levelId: 'level-1' }],
      dueOn: '2090-01-01',
      warmUp: '',
      diary: '',
      note: '',
    };
    const asks: ReadonlyArray<[Parameters<typeof call>[0], unknown, Record<string, string>, 'POST' | 'PUT' | 'PATCH']> = [
      [newGame, start, {}, 'POST'],
      [saveGame, draft, { id: school.gameId }, 'PUT'],
      [gameAct, { action: 'duplicate' }, { id: school.gameId }, 'POST'],
      [addClassRoute, { name: 'New', ageYears: 8 }, {}, 'POST'],
      [addChildren, { children: [{ firstName: 'A', initial: '', hand: null, ageYears: null }] }, { id: school.classId }, 'POST'],
      [changeChild, { change: 'leave' }, { id: school.childIds[0]! }, 'PATCH'],
      [assign, week, {}, 'POST'],
      [renewLinks, undefined, { id: school.childIds[0]! }, 'POST'],
      [moveUpRoute, { names: {} }, {}, 'POST'],
    ];
    for (const [route, body, params, method] of asks) {
      expect((await call(route, '/', { method, body }, params)).status, `${route.name} nobody`).toBe(401);
      expect((await call(route, '/', { method, body, cookie: helper }, params)).status, `${route.name} helper`).toBe(403);
      if (Object.keys(params).length > 0 || route === assign)
        expect((await call(route, '/', { method, body, cookie: other }, params)).status, `${route.name} stranger`).toBe(404);
    }
    expect((await call(scores, '/', { method: 'GET', cookie: other }, { id: school.classId })).status).toBe(404);
    expect((await childrenOf(school.classId, schoolDay(new Date(), ZONE))).length).toBe(2);
  });
  it('a helper types in a score from paper', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const { total, ...sent } = await envelopeFor(await week.assignment(school.childIds[1]!), [2, 1, 0]);
    expect(await call(typed, '/', { cookie: await school.cookie('helper'), body: sent })).toMatchObject({
      status: 201,
      answer: { verdict: 'clean', goes: [{ value: total }] },
    });
  });
  it('a post from another site is refused, whatever cookie the browser added', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const body = { name: 'P5', ageYears: 9 };
    expect((await call(addClassRoute, '/', { cookie, body, headers: { origin: 'https://elsewhere.example' } })).status).toBe(403);
    expect((await call(addClassRoute, '/', { cookie, body, headers: { 'content-type': 'text/plain' } })).status).toBe(415);
    expect((await call(addClassRoute, '/', { cookie, body })).status).toBe(201);
  });
});

describe('signing in', () => {
  it('opens a session in a cookie that scripts cannot read', async () => {
    const school = await makeSchool();
    const done = await call(signIn, '/', { body: { email: school.email, password: PASSWORD } });
    expect(done.status).toBe(200);
    expect(done.headers.get('set-cookie')).toMatch(/^lochside=.{40,}; Max-Age=\d+; Path=\/; HttpOnly; SameSite=Lax$/);
    expect(
      await firstRow('SELECT 1 FROM sessions WHERE token_hash = ?', [hashToken(/lochside=([^;]+)/.exec(done.headers.get('set-cookie')!)![1]!)]),
    ).toBeDefined();
  });
});

describe('games', () => {
  it('two windows never overwrite each other: the second is told', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const { game } = (await gameById(school.id, school.gameId))!;
    const put = (revision: number, title: string) =>
      call(saveGame, '/', { method: 'PUT', cookie, body: { revision, ageYears: 8, game: { ...game, title } } }, { id: school.gameId });
    expect(await put(1, 'First')).toMatchObject({ status: 200, answer: { revision: 2 } });
    expect((await put(1, 'Second')).status).toBe(409);
    expect((await gameById(school.id, school.gameId))!.game.title).toBe('First');
  });
  it('a bad draft names its places and changes nothing', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const { game } = (await gameById(school.id, school.gameId))!;
    const broken = { ...game, parts: [{ ...game.parts[0]!, counters: ['other'] }] };
    const answer = await call(saveGame, '/', { method: 'PUT', cookie, body: { revision: 1, ageYears: 8, game: broken } }, { id: school.gameId });
    expect(answer.status).toBe(400);
    expect(answer.answer.problems!.map((problem) => problem.place)).toContain('/parts/0/measure/of/sum/points');
    expect((await gameById(school.id, school.gameId))!.revision).toBe(1);
  });
  it('a version that was sent never changes when the draft does', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const week = await sendTo(school);
    const before = await rows<{ body: unknown }>('SELECT body FROM game_versions WHERE game_id = ?', [toBytes(school.gameId)]);
    const { game } = (await gameById(school.id, school.gameId))!;
    const changed = withThrowRules(game, { ...readThrowRules(game)!, values: [9, 9, 9] });
    await call(saveGame, '/', { method: 'PUT', cookie, body: { revision: 1, ageYears: 8, game: changed } }, { id: school.gameId });
    await sendTo(school);
    const after = await rows<{ body: unknown; number: number }>('SELECT body, number FROM game_versions WHERE game_id = ? ORDER BY number', [
      toBytes(school.gameId),
    ]);
    expect(after).toHaveLength(2);
    expect(after[0]!.body).toEqual(before[0]!.body);
    expect((await week.assignment(school.childIds[0]!)).versionId).not.toBe(
      (await sendTo(school).then((again) => again.assignment(school.childIds[0]!))).versionId,
    );
  });
  it('sending stores level, set-up, par, model version and seed with each child', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const row = await firstRow<Record<string, unknown>>('SELECT * FROM assignments WHERE id = ?', [
      toBytes((await week.assignment(school.childIds[0]!)).id),
    ]);
    expect(row).toMatchObject({ level_id: 'level-1', model_version: MODEL_VERSION });
    expect(row!['par']).toBeGreaterThan(0);
    expect(row!['seed']).toEqual(expect.any(Number));
    const { setUp } = await week.assignment(school.childIds[0]!);
    setUp.distancesM.forEach((length) => expect((2 * length) / setUp.stepM).toBeCloseTo(Math.round((2 * length) / setUp.stepM), 1));
  });
});

describe('pins that a desk has worked out', () => {
  it('give the par that was shown there; rubbish in place of a table is refused and sends nothing', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const frames = starter('loch-frames');
    const moved = withThingAt(frames, 0, { kind: 'place', group: 'line', index: 0 }, { xM: 1.73, yM: 1.1 });
    const added = await call(importGame, '/', { cookie, body: { game: { ...moved, ageYears: 9 }, ageYears: 9 } });
    const { id: gameId } = added.answer as { id: string };
    const level = resolveLevel(moved, 0);
    const compiled = compile(level);
    if (!compiled.ok) throw new Error('frames compile');
    const [rack] = racksOf(level, compiled.value);
    const all = writeRack(new Uint16Array(RACK_SHOTS).fill(63));
    const week = (racks: unknown) => ({
      classId: school.classId,
      games: [{ gameId, levelId: 'level-1' }],
      dueOn: schoolDay(new Date(), 'Europe/London'),
      warmUp: '',
      diary: '',
      note: '',
      racks,
    });
    const weeks = () => firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM weeks WHERE class_id = ?', [toBytes(school.classId)]);
    expect((await call(assign, '/', { cookie, body: week({ [rack!.key]: 'fff' }) })).status).toBe(400);
    expect(Number((await weeks())!.n)).toBe(0);
    const parOf = async (racks: unknown) => {
      const answer = await call(assign, '/', { cookie, body: week(racks) });
      expect(answer.status).toBe(201);
      const { id } = answer.answer as { id: Uuid };
      const row = await firstRow<{ par: number }>(
        'SELECT a.par FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id = ? LIMIT 1',
        [toBytes(id)],
      );
      return row!.par;
    };
    const rough = await parOf({});
    // Where every ball that arrives fells all six there is little below the most.
    expect(await parOf({ [rack!.key]: all })).toBeGreaterThan(rough + 20);
  });
});

describe('children and classes', () => {
  it('a surname does not get in', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const add = (child: unknown) => call(addChildren, '/', { cookie, body: { children: [child] } }, { id: school.classId });
    expect((await add({ firstName: 'Isla Robertson', initial: '', hand: null, ageYears: null })).status).toBe(400);
    expect((await add({ firstName: 'Isla', initial: 'Robertson', hand: null, ageYears: null })).status).toBe(400);
    expect((await add({ firstName: 'Isla', initial: 'R.', hand: 'left', ageYears: 7 })).status).toBe(201);
  });
  it('move and leave keep the records', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const week = await sendTo(school);
    const child = school.childIds[0]!;
    const { total: _total, ...sent } = await envelopeFor(await week.assignment(child), [1, 0, 0]);
    await call(report, '/', { token: await week.token(child), body: sent });
    const { answer } = await call(addClassRoute, '/', { cookie, body: { name: 'P5', ageYears: 9 } });
    expect((await call(changeChild, '/', { method: 'PATCH', cookie, body: { change: 'move', classId: answer['id'] } }, { id: child })).status).toBe(
      200,
    );
    const today = schoolDay(new Date(), ZONE);
    expect((await childrenOf(answer['id'] as never, today)).map((one) => one.id)).toEqual([child]);
    expect((await childrenOf(school.classId, today)).map((one) => one.id)).not.toContain(child);
    await call(changeChild, '/', { method: 'PATCH', cookie, body: { change: 'leave' } }, { id: child });
    expect(await childrenOf(answer['id'] as never, today)).toEqual([]);
    expect(await reportsOf(child)).toBe(1);
  });
  it('a new school year moves classes up on its first day, not before, and only once', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    expect(await call(moveUpRoute, '/', { cookie, body: { names: { [school.classId]: 'P5' } } })).toMatchObject({
      status: 201,
      answer: { classes: 1, children: 2, left: 0 },
    });
    const today = schoolDay(new Date(), ZONE);
    const firstDay = dayPlus(schoolYearOf(today).endsOn, 1);
    expect(await childrenOf(school.classId, today)).toHaveLength(2);
    expect(await childrenOf(school.classId, firstDay)).toHaveLength(0);
    const [moved] = await classesOf(school.id, firstDay);
    expect(moved).toMatchObject({ name: 'P5', ageYears: 9, children: 2 });
    expect((await call(moveUpRoute, '/', { cookie, body: { names: {} } })).status).toBe(409);
  });
});

describe("the class's week", () => {
  it('shows who has reported, against par, own bests on a like set-up, and who has not', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const [child] = [school.childIds[0]!];
    const first = await sendTo(school);
    const sendHits = async (week: Awaited<ReturnType<typeof sendTo>>, hits: number[]) => {
      const { total, ...sent } = await envelopeFor(await week.assignment(child), hits);
      expect((await call(report, '/', { token: await week.token(child), body: sent })).status).toBe(201);
      return total;
    };
    await sendHits(first, [3, 0, 0]);
    const second = await sendTo(school);
    await sendHits(second, [1, 0, 0]);
    const best = await sendHits(second, [5, 1, 0]);
    const seen = await call(scores, `/x?week=${second.weekId}`, { method: 'GET', cookie }, { id: school.classId });
    const week = seen.answer as unknown as ClassWeek;
    expect(week.reported).toBe(1);
    expect(week.rows.find((row) => row.childId === child)).toMatchObject({ state: 'counted', best, reports: 2, personalBest: true });
    expect(week.rows.find((row) => row.childId !== child)).toMatchObject({ state: 'not-yet', reports: 0, best: null });
    const again = await call(
      scores,
      `/x?week=${second.weekId}`,
      { method: 'GET', cookie, headers: { 'if-none-match': seen.headers.get('etag')! } },
      { id: school.classId },
    );
    expect(again.status).toBe(304);
  });
  it('asks for a class id that is one', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    expect((await call(scores, '/', { method: 'GET', cookie }, { id: 'nonsense' })).status).toBe(404);
    expect((await call(scores, '/', { method: 'GET', cookie }, { id: v7() })).status).toBe(404);
  });
});
