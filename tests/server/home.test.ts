import type { Uuid } from '@/contract/ids';
import type { Card, CardItem } from '@/contract/card';
import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as diary } from '@/app/api/v1/home/diary/route';
import { POST as invent } from '@/app/api/v1/home/inventions/route';
import { GET as myWeeks } from '@/app/api/v1/home/weeks/route';
import type { MyWeeks } from '@/contract/my-weeks';
import { POST as take } from '@/app/api/v1/inventions/[id]/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { goOf } from '@/core/reports/from-parts';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { emptyPlan } from '@/core/invent/plan';
import { compile } from '@/core/rules/playing/compile';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { chooseSetUp, gameOfForm, usedSetUpOf, type HomeForm } from '@/core/sheet/home-form';
import { pacedGame } from '@/core/sheet/set-up';
import { gameById, putAway } from '@/server/db/games';
import { direct } from '@/server/db/pool';
import { inventionsOfClass } from '@/server/db/inventions';
import { playsOfChild } from '@/server/reports/plays';
import { schoolDay } from '@/server/school-day';
import { classWeek } from '@/server/scores/class-week';
import { sendWeek } from '@/server/weeks/send-week';
import { call, makeSchool, sendTo, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

async function cardOf(token: string): Promise<Card> {
  const { status, answer } = await call(card, '/?games=2', { method: 'GET', token });
  expect(status).toBe(200);
  return answer as unknown as Card;
}

/** A go in one form, with things of this home, counted afterwards. */
function goIn(item: CardItem, form: HomeForm, hits: number, object?: string) {
  const chosen = chooseSetUp(
    form,
    form.things.flatMap((thing) => (thing.object !== null && (object === undefined || thing.object === object) ? [thing.object] : [])),
    null,
  );
  const level = pacedGame(gameOfForm(item.game, form, chosen), item.setUp.stepM);
  const events = eventsFromFields(level, partFields(level), [hits]);
  const compiled = compile(level);
  if (!compiled.ok) throw new Error('the level does not compile');
  const { value, unit } = measure(compiled.value, replay(compiled.value, events, 'parts').state);
  return {
    go: goOf(
      { game: item.game, levelId: form.levelId, setUp: { ...usedSetUpOf(level), form: 'standing' } },
      { counting: 'parts', hand: 'right', otherHand: form.otherHand, events, total: value, unit },
    ),
    value,
  };
}

const sendGoes = (token: string, item: CardItem, goes: readonly unknown[]) =>
  call(report, '/', {
    token,
    body: {
      playId: v7(),
      assignmentId: item.assignmentId,
      report: { format: REPORT_FORMAT, goes, startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' },
    },
  });

async function eventFor(school: TestSchool, change: Partial<Parameters<typeof sendWeek>[0]> = {}) {
  const now = new Date();
  const today = schoolDay(now, ZONE);
  return sendWeek(
    {
      schoolId: school.id,
      teacherId: school.teacherId,
      classId: school.classId,
      title: 'Shore day',
      games: [
        { gameId: school.gameId, levelId: 'level-1', levels: { [school.childIds[0]!]: 'level-2' } },
        { gameId: school.gameId, levelId: 'level-2', opensOn: '2090-01-01' },
      ],
      kit: [
        { name: 'balloon', n: 2, from: 'school' },
        { name: 'basket', n: 1, from: 'home' },
      ],
      dueOn: '2090-01-07',
      warmUp: 'w',
      diary: 'd',
      film: 'Film three throws from the side.',
      note: '',
      racks: {},
      today,
      ...change,
    },
    now,
  );
}

describe('a session of several goes', () => {
  it('keeps each go with its form; only goes like what was asked are compared with par and make an own best', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    const item = (await cardOf(token)).weeks[0]!.games[0]!;
    const [asked] = item.forms;
    const lever = item.forms.find((form) => form.change.kind === 'farther' || form.change.kind === 'smaller' || form.change.kind === 'other-hand')!;
    const plain = goIn(item, asked!, 1);
    const standIn = goIn(item, asked!, 2, asked!.things[1]!.object!);
    const levered = goIn(item, lever, 5);
    expect((await sendGoes(token, item, [plain.go, standIn.go, levered.go])).status).toBe(201);

    const plays = await playsOfChild(school.childIds[0]!);
    expect(plays.map((play) => [play.goNumber, play.asAsked, play.value])).toEqual([
      [1, true, plain.value],
      [2, true, standIn.value],
      [3, false, levered.value],
    ]);
    expect((await cardOf(token)).weeks[0]!.games[0]!).toMatchObject({ best: standIn.value, received: 1 });
    const scores = await classWeek(school.classId, week.weekId, ZONE, schoolDay(new Date(), ZONE));
    expect(scores.rows.find((row) => row.childId === school.childIds[0])).toMatchObject({ best: standIn.value, otherForms: 1, reports: 1 });
  });

  it('that says it was played as asked, though the marks were much nearer, is not taken for it', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    const item = (await cardOf(token)).weeks[0]!.games[0]!;
    const { go } = goIn(item, item.forms[0]!, 4);
    const nearer = { ...go, setUp: { ...go.setUp, distancesM: go.setUp.distancesM.map((length) => length / 3) } };
    expect((await sendGoes(token, item, [nearer])).status).toBe(201);
    expect((await playsOfChild(school.childIds[0]!)).map((play) => play.asAsked)).toEqual([false]);
    expect((await cardOf(token)).weeks[0]!.games[0]!.best).toBeNull();
  });
});

describe('an event of several games', () => {
  it('comes as one card with its order, its opening days, its kit and its film task, each child at its own level', async () => {
    const school = await makeSchool();
    const first = await sendTo(school);
    await eventFor(school);
    const one = (await cardOf(await first.token(school.childIds[0]!))).weeks[0]!;
    const other = (await cardOf(await first.token(school.childIds[1]!))).weeks[0]!;
    expect(one).toMatchObject({ title: 'Shore day', film: 'Film three throws from the side.', kit: [{ name: 'balloon', n: 2 }, { name: 'basket' }] });
    expect(one.games.map((item) => [item.levelId, item.opensOn])).toEqual([
      ['level-2', null],
      ['level-2', '2090-01-01'],
    ]);
    expect(other.games.map((item) => item.levelId)).toEqual(['level-1', 'level-2']);
    expect(one.games.every((item) => item.forms.length > 3)).toBe(true);
  });

  it('with a game that opens after it is due, or a level that is not there, is refused and nothing is sent', async () => {
    const school = await makeSchool();
    const first = await sendTo(school);
    const token = await first.token(school.childIds[0]!);
    const wrong = { gameId: school.gameId, levelId: 'level-1' };
    await expect(eventFor(school, { games: [{ ...wrong, opensOn: '2091-01-01' }] })).rejects.toMatchObject({
      problems: [{ place: '/games/0/opensOn' }],
    });
    await expect(eventFor(school, { games: [wrong, { ...wrong, levelId: 'level-9' }] })).rejects.toMatchObject({
      problems: [{ place: '/games/1/levelId' }],
    });
    expect((await cardOf(token)).weeks.length).toBe(1);
  });
});

describe('the movement diary', () => {
  const entry = (weekId: string, change: object = {}) => ({
    id: v7(),
    weekId,
    day: '2027-03-02',
    what: 'Walked to school',
    minutes: 20,
    initials: 'AB',
    struck: false,
    ...change,
  });

  it('is written once however often it is sent, and struck out, never changed', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    const line = entry(week.weekId);
    for (let n = 0; n < 2; n += 1) expect((await call(diary, '/', { token, body: { entries: [line] } })).status).toBe(201);
    expect((await cardOf(token)).weeks[0]!.diaryEntries).toEqual([line]);
    await call(diary, '/', { token, body: { entries: [{ ...line, minutes: 300, struck: true }] } });
    expect((await cardOf(token)).weeks[0]!.diaryEntries).toEqual([{ ...line, struck: true }]);
  });

  it("does not open to a slip, to another child's entry, nor to a week that is not the child's; rubbish is refused by name", async () => {
    const school = await makeSchool();
    const stranger = await makeSchool();
    const [week, elsewhere] = [await sendTo(school), await sendTo(stranger)];
    const token = await week.token(school.childIds[0]!);
    const line = entry(week.weekId);
    expect((await call(diary, '/', { token, body: { entries: [line] } })).status).toBe(201);
    expect((await call(diary, '/', { token: await week.token(school.childIds[0]!, 'slip'), body: { entries: [entry(week.weekId)] } })).status).toBe(
      403,
    );
    expect((await call(diary, '/', { token: await week.token(school.childIds[1]!), body: { entries: [{ ...line, struck: true }] } })).status).toBe(
      404,
    );
    expect((await call(diary, '/', { token, body: { entries: [entry(elsewhere.weekId)] } })).status).toBe(404);
    expect((await call(diary, '/', { body: { entries: [line] } })).status).toBe(401);
    const refused = await call(diary, '/', { token, body: { entries: [entry(week.weekId, { minutes: 2000 })] } });
    expect(refused).toMatchObject({ status: 400, answer: { problems: [{ place: '/entries/0/minutes' }] } });
    expect((await cardOf(token)).weeks[0]!.diaryEntries).toEqual([line]);
  });
});

describe('a game that a child made', () => {
  const invention = () => ({ id: v7(), plan: { ...emptyPlan, title: 'Puddle Post' }, score: 7 });

  it('is kept once, shown to the teacher with its score, and becomes a class game without the child', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    const mine = invention();
    for (let n = 0; n < 2; n += 1) expect((await call(invent, '/', { token, body: mine })).status).toBe(201);
    const today = schoolDay(new Date(), ZONE);
    expect(await inventionsOfClass(school.classId, today)).toMatchObject([
      { plan: { title: 'Puddle Post' }, score: 7, childName: 'Childa X.', gameId: null },
    ]);
    const cookie = await school.cookie('teacher');
    const taken = await call(take, '/', { cookie, body: { ageYears: 8, title: 'Post of the puddle' } }, { id: mine.id });
    expect(taken.status).toBe(201);
    const shelved = await gameById(school.id, taken.answer['id'] as Uuid);
    expect(shelved!.game.title).toBe('Post of the puddle');
    expect(JSON.stringify(shelved)).not.toContain('Childa');
    expect((await call(take, '/', { cookie, body: { ageYears: 8, title: 'Again' } }, { id: mine.id })).status).toBe(409);
    expect((await inventionsOfClass(school.classId, today))[0]!.gameId).toBe(taken.answer['id']);
    // The others of the class find it under that title and nobody's name; whoever made it has it already.
    const found = async (childId: Uuid) =>
      ((await call(myWeeks, '/', { method: 'GET', token: await week.token(childId) })).answer as unknown as MyWeeks).fromClass;
    expect(await found(school.childIds[1]!)).toEqual([{ ...mine.plan, title: 'Post of the puddle' }]);
    expect(await found(school.childIds[0]!)).toEqual([]);
    await putAway(direct(), school.id, taken.answer['id'] as Uuid, new Date());
    expect(await found(school.childIds[1]!)).toEqual([]);
  });

  it("is not sent with a slip, not over another child's, not taken by a helper or another school; rubbish is refused by name", async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const token = await week.token(school.childIds[0]!);
    const mine = invention();
    expect((await call(invent, '/', { token: await week.token(school.childIds[0]!, 'slip'), body: mine })).status).toBe(403);
    expect((await call(invent, '/', { token, body: mine })).status).toBe(201);
    expect((await call(invent, '/', { token: await week.token(school.childIds[1]!), body: mine })).status).toBe(404);
    const wrong = { ...invention(), plan: { ...emptyPlan, title: 'x', marks: [] } };
    expect(await call(invent, '/', { token, body: wrong })).toMatchObject({ status: 400, answer: { problems: [{ place: '/plan/marks' }] } });
    const body = { ageYears: 8, title: 'T' };
    expect((await call(take, '/', { body }, { id: mine.id })).status).toBe(401);
    expect((await call(take, '/', { cookie: await school.cookie('helper'), body }, { id: mine.id })).status).toBe(403);
    expect((await call(take, '/', { cookie: await (await makeSchool()).cookie('teacher'), body }, { id: mine.id })).status).toBe(404);
  });
});
