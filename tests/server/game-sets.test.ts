import { beforeAll, expect, it } from 'vitest';
import { GET as figures } from '@/app/api/v1/figures/route';
import { POST as bringIn } from '@/app/api/v1/games/import/route';
import { GET as setFile } from '@/app/api/v1/games/set/route';
import type { Uuid } from '@/contract/ids';
import { readSet, type GameSet } from '@/core/rules/format/evidence-file';
import { evidenceOfGame } from '@/server/db/game-evidence';
import { gameById, gamesOf } from '@/server/db/games';
import { call, makeSchool, useDemoSchool, type TestSchool } from './school';
import { openSession } from '@/server/auth/sessions';
import { toBytes, toText } from '@/server/db/ids';
import { firstRow } from '@/server/db/pool';
import { schoolsHere } from '@/server/db/schools';

beforeAll(() => useDemoSchool('lochside_sets'));

const asked = async (cookie: string, query: string): Promise<GameSet> => {
  const answer = await setFile(new Request(`http://lochside.test/${query}`, { headers: { host: 'lochside.test', cookie } }), {
    params: Promise.resolve({}),
  });
  expect(answer.status).toBe(200);
  return (await answer.json()) as GameSet;
};

async function demo(): Promise<{ schoolId: Uuid; cookie: string }> {
  const school = (await schoolsHere()).find(({ isDemo }) => isDemo)!;
  const lead = await firstRow<{ id: Buffer }>("SELECT teacher_id AS id FROM memberships WHERE school_id = ? AND role = 'lead'", [toBytes(school.id)]);
  return { schoolId: school.id, cookie: `lochside=${(await openSession(toText(lead!.id), school.id, new Date())).token}` };
}

const take = async (school: TestSchool, game: unknown, role: 'teacher' | 'helper' = 'teacher') =>
  call(bringIn, '/', { cookie: await school.cookie(role), body: { game, ageYears: 8 } });

it('games go out as one file with what was measured, in sums; in another school they are there with it, named as others’ and weighed by a third', async () => {
  const { schoolId, cookie } = await demo();
  const games = await gamesOf(schoolId);
  const set = await asked(cookie, '?measured=yes');
  expect(readSet(set).ok).toBe(true);
  expect(set.games).toHaveLength(games.filter(({ putAway }) => !putAway).length);
  const rows = set.evidence!.flatMap((evidence) => evidence.rows);
  expect(rows.length).toBeGreaterThan(0);
  for (const row of rows) {
    expect(row.children).toBeGreaterThanOrEqual(10);
    expect(row.tries).toBeGreaterThanOrEqual(60);
    // Sums, and nothing that points at somebody.
    expect(Object.keys(row).sort()).toEqual(['ageYears', 'children', 'distanceM', 'hits', 'implement', 'level', 'object', 'tries', 'weeks']);
  }
  // Without being asked nothing measured goes out.
  expect((await asked(cookie, `?game=${games[0]!.id}`)).evidence).toBeUndefined();

  const other = await makeSchool(1);
  const before = (await gamesOf(other.id)).length;
  const { status, answer } = await take(other, set);
  expect(status, JSON.stringify(answer)).toBe(201);
  const there = await gamesOf(other.id);
  expect(there).toHaveLength(before + set.games.length);
  const titles = new Map(set.games.map((game) => [game.title, game]));
  const told = await Promise.all(there.map(async ({ id, game }) => ({ id, game, evidence: await evidenceOfGame(other.id, id) })));
  expect(told.filter(({ evidence }) => evidence.length > 0)).toHaveLength(set.evidence!.length);
  const one = told.find(({ evidence, game }) => evidence.some(({ rows: of }) => of.length > 0) && titles.has(game.title))!;
  const level = one.evidence[0]!.rows[0]!.level;
  const lines = await figures(
    new Request(`http://lochside.test/?game=${one.id}&level=${level}`, { headers: { host: 'lochside.test', cookie: await other.cookie('helper') } }),
    { params: Promise.resolve({}) },
  );
  expect(await lines.text()).toMatch(/others: \d+ of \d+ from .*measured by another school, weighed by a third/);
});

it('a set is taken whole or not at all, by a teacher', async () => {
  const { cookie } = await demo();
  const set = await asked(cookie, '');
  const school = await makeSchool(1);
  const before = (await gamesOf(school.id)).length;
  const broken = { ...set, games: [...set.games, { ...set.games[0]!, parts: [] }] };
  const refused = await take(school, broken);
  expect(refused.status).toBe(400);
  expect((refused.answer['problems'] as { place: string }[])[0]!.place).toMatch(new RegExp(`^/games/${set.games.length}`));
  expect((await take(school, set, 'helper')).status).toBe(403);
  expect(await gamesOf(school.id)).toHaveLength(before);
  expect(await gameById(school.id, school.gameId)).toBeDefined();
});
