import { beforeAll, expect, it } from 'vitest';
import { GET as figures } from '@/app/api/v1/figures/route';
import { POST as bringIn } from '@/app/api/v1/games/import/route';
import { GET as setFile } from '@/app/api/v1/games/set/route';
import type { Uuid } from '@/contract/ids';
import { readSet, type GameSet } from '@/core/rules/format/evidence-file';
import { evidenceOfGames } from '@/server/db/game-evidence';
import { gameById, gamesOf, saveDraft } from '@/server/db/games';
import { fitsByOthers } from '@/server/games/measured';
import { previewWeek } from '@/server/weeks/send-week';
import { call, makeSchool, useDemoSchool, weekOf, type TestSchool } from './school';
import { openSession } from '@/server/auth/sessions';
import { toBytes, toText } from '@/server/db/ids';
import { direct, firstRow } from '@/server/db/pool';
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
  const told = await Promise.all(
    there.map(async ({ id, game }) => ({ id, game, evidence: (await evidenceOfGames(other.id, id)).map(({ evidence }) => evidence) })),
  );
  expect(told.filter(({ evidence }) => evidence.length > 0)).toHaveLength(set.evidence!.length);
  const one = told.find(({ evidence, game }) => evidence.some(({ rows: of }) => of.length > 0) && titles.has(game.title))!;
  const level = one.evidence[0]!.rows[0]!.level;
  const lines = await figures(
    new Request(`http://lochside.test/?game=${one.id}&level=${level}`, { headers: { host: 'lochside.test', cookie: await other.cookie('helper') } }),
    { params: Promise.resolve({}) },
  );
  expect(await lines.text()).toMatch(/others: \d+ of \d+ from .*measured by another school, weighed by a third/);
});

it('what others measured is weighed into the par of a week until the class has reported enough, and into none of a changed game', async () => {
  const { cookie } = await demo();
  const set = await asked(cookie, '?measured=yes');
  const measured = set.evidence!.find(({ rows }) => rows.length > 0)!;
  const parWith = async (hitsOf: (tries: number) => number, changed = false) => {
    const school = await makeSchool(1);
    const evidence = [{ ...measured, rows: measured.rows.map((row) => ({ ...row, hits: hitsOf(row.tries), tries: row.tries * 9 })) }];
    expect((await take(school, { ...set, evidence })).status).toBe(201);
    const games = await gamesOf(school.id);
    const fits = await fitsByOthers(school.id, games);
    expect(fits.size).toBe(1);
    const shelved = games.find(({ id }) => fits.has(id))!;
    if (changed) {
      const title = `${shelved.game.title} again`;
      await saveDraft(direct(), school.id, shelved.id, shelved.revision, { ...shelved.game, title }, shelved.ageYears, new Date());
    }
    const sent = [{ gameId: shelved.id, levelId: measured.rows[0]!.level }];
    const { card } = await previewWeek(weekOf(school, { games: sent }), null);
    return card.weeks[0]!.games[0]!.par!;
  };
  const [all, none] = [await parWith((tries) => tries * 9), await parWith(() => 0)];
  expect(all).toBeGreaterThan(none);
  const changed = await parWith((tries) => tries * 9, true);
  expect(changed).toBeLessThan(all);
  expect(changed).toBeGreaterThan(none);
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
