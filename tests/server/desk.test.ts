import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { GET as assignmentRoute } from '@/app/api/v1/assignments/[id]/route';
import { POST as addClass } from '@/app/api/v1/classes/route';
import { POST as addChildren } from '@/app/api/v1/classes/[id]/children/route';
import { PATCH as changeChild } from '@/app/api/v1/children/[id]/route';
import { GET as gameRevision, POST as gameAct, PUT as saveGame } from '@/app/api/v1/games/[id]/route';
import { GET as versionsRoute } from '@/app/api/v1/games/[id]/versions/route';
import { GET as fileRoute } from '@/app/api/v1/games/[id]/file/route';
import { POST as importRoute } from '@/app/api/v1/games/import/route';
import { POST as newGame } from '@/app/api/v1/games/route';
import { POST as signIn } from '@/app/api/v1/sign-in/route';
import { POST as signOut } from '@/app/api/v1/sign-out/route';
import { POST as sendRoute } from '@/app/api/v1/weeks/route';
import { hashToken } from '@/server/auth/tokens';
import { signedInBy } from '@/server/auth/sessions';
import { childOfSchool } from '@/server/db/children';
import { gameById, gamesOf } from '@/server/db/games';
import { toBytes } from '@/server/db/ids';
import { change, direct, firstRow, rows } from '@/server/db/pool';
import { sentWeeks } from '@/server/db/weeks';
import { schoolDay } from '@/server/school-day';
import { linksOf } from '@/server/weeks/links';
import { starter } from '../examples/starters';
import { call, makeSchool, PASSWORD, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

const today = () => schoolDay(new Date(), ZONE);

describe('sessions', () => {
  const tokenOf = (cookie: string) => cookie.slice('lochside='.length);
  it('end when somebody signs out', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    expect(await signedInBy(tokenOf(cookie), new Date())).toMatchObject({ role: 'teacher', schoolName: 'Test school' });
    expect((await call(signOut, '/', { cookie })).status).toBe(200);
    expect(await signedInBy(tokenOf(cookie), new Date())).toBeUndefined();
    expect((await call(signOut, '/', { cookie })).status).toBe(401);
  });
  it('end after twelve hours, and with the membership', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    const began = Date.now();
    // Busy all day: idle it would be over after two.
    for (let hours = 1.5; hours < 12; hours += 1.5) expect(await signedInBy(tokenOf(cookie), new Date(began + hours * 3_600_000))).toBeDefined();
    expect(await signedInBy(tokenOf(cookie), new Date(began + 11.9 * 3_600_000))).toBeDefined();
    expect(await signedInBy(tokenOf(cookie), new Date(Date.now() + 12.1 * 3_600_000))).toBeUndefined();
    const helper = await school.cookie('helper');
    await change(direct(), 'DELETE FROM sessions WHERE token_hash = ?', [hashToken(tokenOf(helper))]);
    expect(await signedInBy(tokenOf(helper), new Date())).toBeUndefined();
    expect(await signedInBy('x'.repeat(500), new Date())).toBeUndefined();
  });
  it('a wrong password says the same for an account that is there and one that is not', async () => {
    const school = await makeSchool(0);
    const there = await call(signIn, '/', { body: { email: school.email, password: 'wrong' } });
    const notThere = await call(signIn, '/', { body: { email: `${v7()}@nowhere.example`, password: PASSWORD } });
    expect(there.status).toBe(401);
    expect(notThere.answer).toEqual(there.answer);
  });
});

describe('the shelf', () => {
  it('a starter and a game file come on to the shelf, and a file goes out as it came in', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const made = await call(importRoute, '/', { cookie, body: { starter: 'squall' } });
    expect(made.status).toBe(201);
    const { id } = made.answer as unknown as { id: string };
    const kept = await gameById(school.id, id as never);
    expect(kept!.game).toEqual(starter('squall'));
    const file = await call(fileRoute, '/', { method: 'GET', cookie }, { id });
    expect(file.headers.get('content-disposition')).toContain('squall.lochside.json');
    expect(file.answer).toEqual({ ...starter('squall'), ageYears: 9 });
    const again = await call(importRoute, '/', { cookie, body: { game: file.answer, ageYears: 6 } });
    expect((await gameById(school.id, (again.answer as unknown as { id: string }).id as never))!.ageYears).toBe(9);
    expect((await call(importRoute, '/', { cookie: await school.cookie('helper'), body: { starter: 'squall' } })).status).toBe(403);
    expect((await call(importRoute, '/', { cookie, body: { starter: 'nowhere' } })).status).toBe(404);
    const stranger = await makeSchool(0);
    expect((await call(fileRoute, '/', { method: 'GET', cookie: await stranger.cookie('teacher') }, { id })).status).toBe(404);
  });
  it('a file that is no game gets every problem with its place, and nothing is kept', async () => {
    const school = await makeSchool(0);
    const before = (await gamesOf(school.id)).length;
    const broken = structuredClone(starter('loch-frames')) as unknown as { title?: string; parts: { stop: unknown[] }[] };
    delete broken.title;
    broken.parts[0]!.stop = [{ if: [['n.nothing', '>=', 3]], why: 'goal' }];
    const refused = await call(importRoute, '/', { cookie: await school.cookie('teacher'), body: { game: broken, ageYears: 8 } });
    expect(refused.status).toBe(400);
    expect(refused.answer.problems!.map((problem) => problem.place)).toContain('/title');
    expect((await gamesOf(school.id)).length).toBe(before);
  });
  it('a game with scores can be put away and brought back, and is never lost', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    await sendTo(school);
    const act = (action: string) => call(gameAct, '/', { cookie, body: { action } }, { id: school.gameId });
    expect((await act('put-away')).status).toBe(200);
    expect(await gameById(school.id, school.gameId)).toMatchObject({ putAway: true, sent: 1 });
    expect((await act('bring-back')).status).toBe(200);
    expect(await gameById(school.id, school.gameId)).toMatchObject({ putAway: false });
    expect((await act('throw-away')).status).toBe(400);
  });
  it('a copy is a game of its own', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    expect((await call(gameAct, '/', { cookie, body: { action: 'duplicate' } }, { id: school.gameId })).status).toBe(201);
    expect((await gamesOf(school.id)).map((one) => one.game.title).sort()).toEqual(['Otter Steps', 'Otter Steps (copy)']);
  });
  it('a new game starts from skill and gear, and nothing that is not in the house gets in', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    const from = { title: 'Seal Supper', aim: '', technique: 'overarm', implement: 'foam-ball', target: 'bottle', ageYears: 10 };
    const made = await call(newGame, '/', { cookie, body: from });
    expect(made.status).toBe(201);
    expect((await gameById(school.id, made.answer['id'] as never))!.game.kit.implement).toBe('foam-ball');
    const blank = await call(newGame, '/', { cookie, body: { blank: true, title: 'Empty', ageYears: 5 } });
    expect((await gameById(school.id, blank.answer['id'] as never))!.game).toMatchObject({ title: 'Empty', course: { places: {}, targets: {} } });
    expect((await call(newGame, '/', { cookie, body: { blank: true, title: 'Empty', ageYears: 5, target: 'box' } })).status).toBe(400);
    expect(await call(newGame, '/', { cookie, body: { ...from, target: 'vase' } })).toMatchObject({
      status: 400,
      answer: { problems: [{ place: '/target' }] },
    });
  });
});

describe('versions of a game', () => {
  interface Versions {
    since: string[];
    versions: { id: string; number: number; why: string; by: string | null; sent: number; game: { title: string }; changes: string[] }[];
  }
  const versions = async (cookie: string, id: string) =>
    (await call(versionsRoute, '/', { method: 'GET', cookie }, { id })).answer as unknown as Versions;
  const save = async (school: { id: string; gameId: string }, cookie: string, change: Record<string, unknown>) => {
    const there = (await gameById(school.id as never, school.gameId as never))!;
    const body = { revision: there.revision, ageYears: 8, game: { ...there.game, ...change } };
    return call(saveGame, '/', { method: 'PUT', cookie, body }, { id: school.gameId });
  };
  it('are kept by hand, each with what it changed and who kept it; the same again is no further version', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    const keep = () => call(gameAct, '/', { cookie, body: { action: 'keep' } }, { id: school.gameId });
    expect((await keep()).answer).toMatchObject({ number: 1 });
    expect((await keep()).answer).toMatchObject({ number: 1 });
    expect((await save(school, cookie, { title: 'Otter Leaps' })).status).toBe(200);
    expect((await versions(cookie, school.gameId)).since).toEqual(['now called Otter Leaps']);
    expect((await keep()).answer).toMatchObject({ number: 2 });
    const found = await versions(cookie, school.gameId);
    expect(found.since).toEqual([]);
    expect(found.versions.map(({ number, why, changes }) => ({ number, why, changes }))).toEqual([
      { number: 2, why: 'kept', changes: ['now called Otter Leaps'] },
      { number: 1, why: 'kept', changes: [] },
    ]);
    expect(found.versions[1]!.game.title).toBe('Otter Steps');
  });
  it('what was sent stays as it was sent, whatever is changed afterwards', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    await sendTo(school);
    await save(school, cookie, { title: 'Something else' });
    const found = await versions(cookie, school.gameId);
    expect(found.versions).toHaveLength(1);
    expect(found.versions[0]).toMatchObject({ why: 'sent', sent: 1, game: { title: 'Otter Steps' } });
    expect(found.since).toEqual(['now called Something else']);
  });
  it('after a pause of more than half an hour the game is kept as it was before the new sitting', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    await save(school, cookie, { title: 'At once' });
    expect((await versions(cookie, school.gameId)).versions).toEqual([]);
    await change(direct(), 'UPDATE games SET updated_at = ? WHERE id = ?', [new Date(Date.now() - 31 * 60_000), toBytes(school.gameId)]);
    await save(school, cookie, { title: 'The day after' });
    expect((await versions(cookie, school.gameId)).versions.map(({ why, game }) => [why, game.title])).toEqual([['sitting', 'At once']]);
  });
  it('a second window learns which draft is the newest, and cannot overwrite it', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    const revision = async () => (await call(gameRevision, '/', { method: 'GET', cookie }, { id: school.gameId })).answer['revision'] as number;
    const before = await revision();
    await save(school, cookie, { title: 'First window' });
    expect(await revision()).toBe(before + 1);
    const there = (await gameById(school.id, school.gameId))!;
    const late = await call(
      saveGame,
      '/',
      { method: 'PUT', cookie, body: { revision: before, ageYears: 8, game: { ...there.game, title: 'Second window' } } },
      { id: school.gameId },
    );
    expect(late.status).toBe(409);
    expect((await gameById(school.id, school.gameId))!.game.title).toBe('First window');
  });
  it('nobody of another school sees them, a helper may look and not keep', async () => {
    const [school, stranger] = [await makeSchool(0), await makeSchool(0)];
    const ask = (cookie: string | undefined) => call(versionsRoute, '/', { method: 'GET', ...(cookie ? { cookie } : {}) }, { id: school.gameId });
    expect((await ask(await stranger.cookie('teacher'))).status).toBe(404);
    expect((await ask(undefined)).status).toBe(401);
    const helper = await school.cookie('helper');
    expect((await ask(helper)).status).toBe(200);
    expect((await call(gameAct, '/', { cookie: helper, body: { action: 'keep' } }, { id: school.gameId })).status).toBe(403);
    expect((await call(gameRevision, '/', { method: 'GET', cookie: await stranger.cookie('teacher') }, { id: school.gameId })).status).toBe(404);
  });
});

describe('sending', () => {
  const week = (school: { classId: string; gameId: string }, more: Record<string, unknown> = {}) => ({
    classId: school.classId,
    games: [{ gameId: school.gameId, levelId: 'level-2' }],
    dueOn: '2090-01-01',
    warmUp: 'Walk',
    diary: '',
    note: '',
    ...more,
  });
  it('is refused, with the reason, for an empty class, a day that has passed and a level that is not there', async () => {
    const empty = await makeSchool(0);
    expect(await call(sendRoute, '/', { cookie: await empty.cookie('teacher'), body: week(empty) })).toMatchObject({
      status: 400,
      answer: { problems: [{ place: '/classId' }] },
    });
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    expect(await call(sendRoute, '/', { cookie, body: week(school, { dueOn: '2020-01-01' }) })).toMatchObject({
      status: 400,
      answer: { problems: [{ place: '/dueOn' }] },
    });
    expect(await call(sendRoute, '/', { cookie, body: week(school, { games: [{ gameId: school.gameId, levelId: 'level-9' }] }) })).toMatchObject({
      status: 400,
      answer: { problems: [{ place: '/games/0/levelId' }] },
    });
    expect(await sentWeeks(school.id, '2000-01-01')).toEqual([]);
  });
  it('numbers the weeks of a class and keeps their parts in order', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    for (const number of [1, 2])
      expect(await call(sendRoute, '/', { cookie, body: week(school) })).toMatchObject({ status: 201, answer: { number, children: 2 } });
    const items = await rows<{ kind: string; position: number }>(
      'SELECT i.kind, i.position FROM week_items i JOIN weeks w ON w.id = i.week_id WHERE w.class_id = ? AND w.number = 1 ORDER BY i.position',
      [toBytes(school.classId)],
    );
    expect(items).toEqual([
      { kind: 'warm-up', position: 1 },
      { kind: 'game', position: 2 },
    ]);
    expect(await sentWeeks(school.id, '2000-01-01')).toMatchObject([
      { number: 2, children: 2, reported: 0, gameTitle: 'Otter Steps' },
      { number: 1 },
    ]);
  });
  it('gives each child the steps of its own, and another par to another form', async () => {
    const school = await makeSchool(3);
    const cookie = await school.cookie('teacher');
    const settings = { ageYears: null, hand: null, stepCm: 70, form: 'seated', medium: 'screen' };
    expect(
      (await call(changeChild, '/', { method: 'PATCH', cookie, body: { change: 'settings', settings } }, { id: school.childIds[0]! })).status,
    ).toBe(200);
    const sent = await sendTo(school);
    const [own, usual, same] = await Promise.all(school.childIds.map((child) => sent.assignment(child)));
    expect(own!.setUp).toMatchObject({ stepM: 0.7, form: 'seated' });
    expect(own!.setUp.distancesM).not.toEqual(usual!.setUp.distancesM);
    expect(usual!.par).toBe(same!.par);
    expect((await call(assignmentRoute, '/', { method: 'GET', cookie }, { id: own!.id })).answer).toMatchObject({
      levelId: 'level-1',
      setUp: { stepM: 0.7 },
    });
  });
});

describe('links to print', () => {
  it('are the same when they are printed again, with a code each, the token in the fragment', async () => {
    const school = await makeSchool();
    const first = await linksOf(school.id, school.classId, today(), new Date());
    const again = await linksOf(school.id, school.classId, today(), new Date());
    expect(again.links.map((link) => link.cardUrl)).toEqual(first.links.map((link) => link.cardUrl));
    for (const link of first.links) {
      expect(link.cardUrl).toMatch(/\/home#k=[A-Za-z0-9_-]{22}$/);
      expect(link.slipUrl).not.toBe(link.cardUrl);
      expect(link.cardQr).toContain('<svg');
      expect(new URL(link.cardUrl).search).toBe('');
    }
    expect(new Set(first.links.flatMap((link) => [link.cardUrl, link.slipUrl])).size).toBe(4);
  });
});

describe('children', () => {
  it('are added once or not at all: one bad name refuses the list', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    const child = (firstName: string) => ({ firstName, initial: 'A.', hand: null, ageYears: null });
    expect((await call(addChildren, '/', { cookie, body: { children: [child('Isla'), child('Not a name')] } }, { id: school.classId })).status).toBe(
      400,
    );
    expect(await firstRow('SELECT 1 FROM children WHERE school_id = ?', [toBytes(school.id)])).toBeUndefined();
  });
  it('are at most sixty in a class', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    const children = Array.from({ length: 35 }, () => ({ firstName: 'Isla', initial: 'A.', hand: null, ageYears: null }));
    const add = () => call(addChildren, '/', { cookie, body: { children } }, { id: school.classId });
    expect((await add()).status).toBe(201);
    expect((await add()).status).toBe(409);
  });
  it('can be renamed, within first name and initial', async () => {
    const school = await makeSchool(1);
    const cookie = await school.cookie('teacher');
    const rename = (firstName: string, initial: string) =>
      call(changeChild, '/', { method: 'PATCH', cookie, body: { change: 'name', firstName, initial } }, { id: school.childIds[0]! });
    expect((await rename('Zofia', 'W.')).status).toBe(200);
    expect((await rename('Zofia', 'Wojcik')).status).toBe(400);
    expect(await childOfSchool(school.id, school.childIds[0]!, today())).toMatchObject({ firstName: 'Zofia', initial: 'W.' });
  });
  it('a class of the same name in the same year is told', async () => {
    const school = await makeSchool(0);
    const cookie = await school.cookie('teacher');
    expect(await call(addClass, '/', { cookie, body: { name: 'P4', ageYears: 8 } })).toMatchObject({
      status: 409,
      answer: { problems: [{ place: '/name' }] },
    });
  });
});
