/** A child's own weeks: its own alone, every game to play again, readable after the term. */
import { beforeAll, describe, expect, it } from 'vitest';
import type { CardItem } from '@/contract/card';
import type { Uuid } from '@/contract/ids';
import { isMyWeeks, type MyWeeks } from '@/contract/my-weeks';
import { GET as card } from '@/app/api/v1/home/card/route';
import { GET as gameOfMine } from '@/app/api/v1/home/games/[id]/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { GET as weeks } from '@/app/api/v1/home/weeks/route';
import { keepLookMarks } from '@/server/db/look-marks';
import { change, direct } from '@/server/db/pool';
import { toBytes } from '@/server/db/ids';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema } from './school';

type SentWeek = Awaited<ReturnType<typeof sendTo>>;

beforeAll(useOwnSchema);

const asked = async (token: string) => call(weeks, '/api/v1/home/weeks', { method: 'GET', token });
const item = async (token: string, id: Uuid) => call(gameOfMine, `/api/v1/home/games/${id}`, { method: 'GET', token }, { id });

async function reported(week: SentWeek, childId: Uuid, hits: readonly number[]): Promise<number> {
  const assignment = await week.assignment(childId);
  const { total, ...envelope } = await envelopeFor(assignment, hits);
  expect((await call(report, '/api/v1/home/reports', { token: await week.token(childId), body: envelope })).status).toBe(201);
  return total;
}

describe('my weeks', () => {
  it('have the child’s own bests week by week and the days it moved, and nothing of another child', async () => {
    const school = await makeSchool(2);
    const [one, other] = school.childIds as [Uuid, Uuid];
    const first = await sendTo(school);
    const second = await sendTo(school);
    const totals = [await reported(first, one, [2, 1, 1]), await reported(second, one, [3, 2, 1])];
    await reported(first, other, [5, 5, 5]);
    const token = await second.token(one);
    const { status, answer } = await asked(token);
    expect(status).toBe(200);
    const mine: unknown = answer;
    if (!isMyWeeks(mine)) throw new Error('no weeks');
    expect(mine.weeks.map(({ games }) => games.map(({ best }) => best))).toEqual([[totals[0]], [totals[1]]]);
    expect(mine.weeks.flatMap(({ games }) => games.map(({ comment }) => comment))).toEqual(['', '']);
    expect(mine.weeks.map(({ daysMoved }) => daysMoved)).toEqual([1, 1]);
    const theirs = (await asked(await second.token(other))).answer as unknown as MyWeeks;
    expect(theirs.weeks[1]!.games[0]!.best).toBeNull();
    expect(JSON.stringify(mine)).not.toContain('Child');
  });

  it('have what the teacher wrote since families read it, and nothing that was written before', async () => {
    const school = await makeSchool(1);
    const [child] = school.childIds as [Uuid];
    const [first, second] = [await sendTo(school), await sendTo(school)];
    for (const [week, comment] of [
      [first, 'A long step'],
      [second, 'Eyes on the box'],
    ] as const)
      await keepLookMarks(direct(), (await week.assignment(child)).id, school.teacherId, { marks: [], film: true, comment }, new Date());
    await change(direct(), 'UPDATE look_marks SET told_family = 0 WHERE comment = ?', ['A long step']);
    const { weeks: told } = (await asked(await second.token(child))).answer as unknown as MyWeeks;
    expect(told.flatMap(({ games }) => games.map(({ comment }) => comment))).toEqual(['', 'Eyes on the box']);
  });

  it('open each game that was sent to this child, and none of another’s', async () => {
    const school = await makeSchool(2);
    const [one, other] = school.childIds as [Uuid, Uuid];
    const week = await sendTo(school);
    const own = await week.assignment(one);
    const found = await item(await week.token(one), own.id);
    expect(found.status).toBe(200);
    const { game, forms } = found.answer as unknown as CardItem;
    expect(game.title).not.toBe('');
    expect(forms.length).toBeGreaterThan(0);
    expect((await item(await week.token(other), own.id)).status).toBe(404);
    expect((await item('ABCDEFGHJKLMNPQRSTUVWX', own.id)).status).toBe(401);
  });

  it('can be read after the term has ended, as long as the child is in the school and the link is not replaced', async () => {
    const school = await makeSchool(1);
    const [child] = school.childIds as [Uuid];
    const week = await sendTo(school);
    const token = await week.token(child);
    await change(direct(), 'UPDATE terms SET ends_on = DATE_SUB(CURRENT_DATE, INTERVAL 200 DAY) WHERE school_id = ?', [toBytes(school.id)]);
    expect((await asked(token)).status).toBe(200);
    expect((await call(card, '/api/v1/home/card?games=2', { method: 'GET', token })).status).toBe(200);
    // What is played then is not taken any more.
    const { total: _total, ...envelope } = await envelopeFor(await week.assignment(child), [1, 1, 1]);
    expect((await call(report, '/api/v1/home/reports', { token, body: envelope })).status).toBe(401);
    await change(direct(), 'UPDATE enrolments SET until_on = DATE_SUB(CURRENT_DATE, INTERVAL 1 DAY) WHERE child_id = ?', [toBytes(child)]);
    expect((await asked(token)).status).toBe(401);
  });
});
