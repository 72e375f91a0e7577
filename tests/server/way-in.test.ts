/** What a teacher finds her way by: folders of the shelf, levels that reports speak for, a page of her own on the card. */
import { v7 } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Card } from '@/contract/card';
import { figuresSchema } from '@/contract/figures';
import type { Uuid } from '@/contract/ids';
import { levelsForClassSchema, type LevelsOfGameForClass } from '@/contract/levels-for-class';
import { GET as levels } from '@/app/api/v1/classes/[id]/levels/route';
import { POST as act } from '@/app/api/v1/games/[id]/route';
import { GET as figures } from '@/app/api/v1/figures/route';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as send } from '@/app/api/v1/weeks/route';
import { gameById } from '@/server/db/games';
import { weeksOf } from '@/server/db/weeks';
import { sheetsOfWeek } from '@/server/paper/week-sheets';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, weekOf, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

describe('a folder of the shelf', () => {
  const putIn = async (school: TestSchool, body: object, role: 'teacher' | 'helper' = 'teacher', id = school.gameId) =>
    call(act, `/api/v1/games/${id}`, { cookie: await school.cookie(role), body }, { id });
  const folderOf = async (school: TestSchool) => (await gameById(school.id, school.gameId))!.folder;

  it('is given and taken by a teacher of the school alone', async () => {
    const [school, other] = [await makeSchool(1), await makeSchool(1)];
    expect((await putIn(school, { action: 'folder', folder: '  Rainy days ' })).status).toBe(400);
    expect((await putIn(school, { action: 'folder', folder: 'Rainy days' })).status).toBe(200);
    expect(await folderOf(school)).toBe('Rainy days');
    expect((await putIn(school, { action: 'folder', folder: 'x' }, 'helper')).status).toBe(403);
    expect((await putIn(other, { action: 'folder', folder: 'x' }, 'teacher', school.gameId)).status).toBe(404);
    expect((await putIn(school, { action: 'folder', folder: 'x'.repeat(41) })).status).toBe(400);
    expect((await putIn(school, { action: 'keep', folder: 'x' })).status).toBe(400);
    expect(await folderOf(school)).toBe('Rainy days');
    expect((await putIn(school, { action: 'folder', folder: '' })).status).toBe(200);
    expect(await folderOf(school)).toBeNull();
  });
  it('does not make a game another one, and a copy says who made it', async () => {
    const school = await makeSchool(1);
    const { revision } = (await gameById(school.id, school.gameId))!;
    await putIn(school, { action: 'folder', folder: 'Summer' });
    expect((await gameById(school.id, school.gameId))!).toMatchObject({ revision, madeBy: null });
    const { answer } = await putIn(school, { action: 'duplicate' });
    expect(await gameById(school.id, (answer as { id: Uuid }).id)).toMatchObject({ folder: null, madeBy: 'T' });
  });
});

describe('where a figure is from', () => {
  const ask = async (school: TestSchool, of: string, cookie?: string) =>
    call(figures, `/api/v1/figures?${of}`, { method: 'GET', cookie: cookie ?? (await school.cookie('helper')) });

  it('is told line by line of a game of the school, for a class of it, and of a starter', async () => {
    const school = await makeSchool(1);
    for (const of of [`game=${school.gameId}`, `game=${school.gameId}&class=${school.classId}&level=none`, 'starter=loch-frames']) {
      const { status, answer } = await ask(school, of);
      expect(status, of).toBe(200);
      const { value, error } = figuresSchema.validate(answer);
      expect(error).toBeUndefined();
      const { lines } = value as { lines: { what: string; source: string }[] };
      expect(lines.length).toBeGreaterThan(3);
      for (const { what, source } of lines) expect(source, what).not.toBe('');
    }
  });
  it('is told of nobody else’s game or class, of nothing that is none, and to nobody who is not signed in', async () => {
    const [school, other] = [await makeSchool(1), await makeSchool(1)];
    for (const of of [
      `game=${other.gameId}`,
      `game=${school.gameId}&class=${other.classId}`,
      `game=${school.gameId}&class=x`,
      'starter=x',
      'game=',
      '',
    ])
      expect((await ask(school, of)).status, of).toBe(404);
    expect((await ask(school, `game=${school.gameId}`, '')).status).toBe(401);
  });
});

describe('levels child by child', () => {
  const ask = async (school: TestSchool, games: string, cookie?: string) =>
    call(
      levels,
      `/api/v1/classes/${school.classId}/levels?games=${games}`,
      { method: 'GET', cookie: cookie ?? (await school.cookie('helper')) },
      { id: school.classId },
    );

  it('are told by what each child reported, and of nobody else’s class or game', async () => {
    const school = await makeSchool(2);
    const week = await sendTo(school);
    const [one, other] = school.childIds as [Uuid, Uuid];
    const reported = async (hits: readonly number[]) => {
      const { total: _total, ...envelope } = await envelopeFor(await week.assignment(one), hits);
      expect((await call(report, '/', { token: await week.token(one), body: { ...envelope, playId: v7() } })).status).toBe(201);
    };
    await reported([6, 6, 6]);
    await reported([6, 6, 6]);
    const { status, answer } = await ask(school, school.gameId);
    expect(status).toBe(200);
    expect(levelsForClassSchema.validate(answer, { convert: false }).error).toBeUndefined();
    const [of] = (answer as unknown as { games: readonly LevelsOfGameForClass[] }).games;
    expect(of!.gameId).toBe(school.gameId);
    const by = new Map(of!.children.map((child) => [child.childId, child]));
    expect(by.get(other)).toEqual({ childId: other, levelId: null, why: 'nothing is known yet' });
    // The parts were typed: no try is known, so it is the level that was played.
    expect(by.get(one)).toEqual({ childId: one, levelId: 'level-1', why: 'played at Paddle: again' });

    const stranger = await makeSchool(1);
    expect((await ask(school, stranger.gameId)).status).toBe(404);
    expect((await ask(school, school.gameId, await stranger.cookie('teacher'))).status).toBe(404);
    expect((await ask(school, 'games')).status).toBe(400);
    expect((await ask(school, '')).status).toBe(400);
    expect((await call(levels, `/?games=${school.gameId}`, { method: 'GET' }, { id: school.classId })).status).toBe(401);
  });
});

describe('a film or page of the teacher’s own', () => {
  const sent = async (school: TestSchool, page: unknown) => {
    const { schoolId: _school, teacherId: _teacher, today: _today, ...week } = weekOf(school);
    return call(send, '/api/v1/weeks', { cookie: await school.cookie('teacher'), body: { ...week, ...(page === undefined ? {} : { page }) } });
  };
  it('comes with its address to the card and the week, and to no sheet of paper', async () => {
    const school = await makeSchool(1);
    const { token } = await sendTo(school);
    const address = 'https://films.school.example/underarm?v=3';
    expect((await sent(school, address)).status).toBe(201);
    const [newest] = await weeksOf(school.classId);
    const [child] = school.childIds as [Uuid];
    const { answer } = await call(card, '/?games=2', { method: 'GET', token: await token(child) });
    expect((answer as unknown as Card).weeks.find(({ id }) => id === newest!.id)!.page).toBe(address);
    expect((await sheetsOfWeek({ schoolId: school.id, weekId: newest!.id, kind: 'home', timeZone: ZONE, who: 'all' }, new Date())).length).toBe(1);
  });
  it('is an address that leads somewhere safely, or none', async () => {
    const school = await makeSchool(1);
    for (const page of ['http://films.example/a', 'javascript:alert(1)', 'films', `https://films.example/${'a'.repeat(300)}`, 7])
      expect((await sent(school, page)).status, String(page)).toBe(400);
    expect(await weeksOf(school.classId)).toHaveLength(0);
    // A window of the version before does not know of it.
    expect((await sent(school, undefined)).status).toBe(201);
    expect((await sent(school, '')).status).toBe(201);
  });
});
