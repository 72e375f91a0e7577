/** Eight at once send the same deed to every route that writes: one of them does it, all get an answer, and none fails. */
import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { DEED_HEADER } from '@/contract/deed';
import { newUuid, type Uuid } from '@/contract/ids';
import { PUT as looks } from '@/app/api/v1/assignments/[id]/looks/route';
import { POST as undoFile } from '@/app/api/v1/batches/[id]/route';
import { PATCH as changeChild } from '@/app/api/v1/children/[id]/route';
import { POST as erase } from '@/app/api/v1/children/[id]/erase/route';
import { POST as fromLinks } from '@/app/api/v1/children/[id]/from-links/route';
import { POST as renewLinks } from '@/app/api/v1/children/[id]/links/route';
import { PUT as note } from '@/app/api/v1/children/[id]/note/route';
import { PUT as credit } from '@/app/api/v1/classes/[id]/credit/route';
import { POST as addChildren } from '@/app/api/v1/classes/[id]/children/route';
import { POST as startTest } from '@/app/api/v1/classes/[id]/tests/route';
import { PATCH as loanBack } from '@/app/api/v1/cupboard/loans/[id]/route';
import { POST as lend } from '@/app/api/v1/cupboard/loans/route';
import { PUT as keepThingRoute } from '@/app/api/v1/cupboard/things/route';
import { POST as takeRosterRoute } from '@/app/api/v1/school-roster/route';
import { POST as beginPlan } from '@/app/api/v1/plans/route';
import { DELETE as deletePlanRoute, PUT as savePlanRoute } from '@/app/api/v1/plans/[id]/route';
import { DELETE as removeTest } from '@/app/api/v1/class-tests/[id]/route';
import { PUT as writeHits } from '@/app/api/v1/class-tests/[id]/hits/route';
import { POST as addClass } from '@/app/api/v1/classes/route';
import { POST as gameAct, PUT as saveGame } from '@/app/api/v1/games/[id]/route';
import { POST as importGame } from '@/app/api/v1/games/import/route';
import { POST as newGame } from '@/app/api/v1/games/route';
import { POST as diary } from '@/app/api/v1/home/diary/route';
import { POST as invent } from '@/app/api/v1/home/inventions/route';
import { POST as homeReport } from '@/app/api/v1/home/reports/route';
import { POST as settleIncoming } from '@/app/api/v1/incoming/[id]/route';
import { PATCH as rename } from '@/app/api/v1/me/route';
import { PATCH as changePersonRoute } from '@/app/api/v1/people/[id]/route';
import { PUT as putRules } from '@/app/api/v1/people/rules/route';
import { POST as invitePerson } from '@/app/api/v1/people/route';
import { POST as takeInvention } from '@/app/api/v1/inventions/[id]/route';
import { POST as byKey } from '@/app/api/v1/reports/route';
import { POST as decision } from '@/app/api/v1/reports/[id]/decision/route';
import { PUT as putKeeping } from '@/app/api/v1/school/keeping/route';
import { POST as moveUp } from '@/app/api/v1/school-year/route';
import { POST as addKey } from '@/app/api/v1/school-keys/route';
import { DELETE as withdrawKey } from '@/app/api/v1/school-keys/[id]/route';
import { POST as typed } from '@/app/api/v1/scores/typed/route';
import { PATCH as changeWeek } from '@/app/api/v1/weeks/[id]/route';
import { POST as sendWeekRoute } from '@/app/api/v1/weeks/route';
import { POST as remind } from '@/app/api/v1/weeks/[id]/notices/route';
import { levelById } from '@/core/rules/format/level';
import { emptyPlan } from '@/core/invent/plan';
import { lookForsOf } from '@/core/sheet/teaching-points';
import { addBatch } from '@/server/db/batches';
import { addIncoming } from '@/server/db/incoming';
import { gameById } from '@/server/db/games';
import { toBytes, toText } from '@/server/db/ids';
import { rows, transact } from '@/server/db/pool';
import { addLoan, keepThing, thingsOfSchool } from '@/server/db/cupboard';
import { addPlan, planById } from '@/server/db/term-plans';
import { begunPlan } from '@/server/plans/begin';
import { versionBody } from '@/server/db/weeks';
import { call, envelopeFor, makeSchool, readingOf, sendTo, useOwnSchema, weekOf, type Ask, type TestSchool } from './school';

beforeAll(useOwnSchema);

type Route = Parameters<typeof call>[0];

interface Deed {
  readonly route: Route;
  readonly ask: Ask;
  readonly params?: Record<string, string>;
  /** Counts what was done. */
  readonly effect: string;
  /** What stands in place of 200 and 201 for those who came too late, where it is said to them. */
  readonly late?: number;
}

const OF_SCHOOL = 'school_id = ?';
const OF_CLASS = 'class_id IN (SELECT id FROM classes WHERE school_id = ?)';
const OF_CHILD = 'child_id IN (SELECT id FROM children WHERE school_id = ?)';
const OF_REPORT = `report_id IN (SELECT r.id FROM reports r JOIN assignments a ON a.id = r.assignment_id WHERE a.${OF_CHILD})`;

const thingIn = async ({ id }: TestSchool): Promise<Uuid> => {
  await transact((db) => keepThing(db, id, { name: 'hoop', n: 12 }));
  return (await thingsOfSchool(id))[0]!.id;
};

const planIn = async ({ id }: TestSchool): Promise<Uuid> => {
  const document = await begunPlan(id, { name: 'Spring', startsOn: '2027-01-04', endsOn: '2027-03-26' }, '2027-01-04');
  return transact((db) => addPlan(db, id, document, new Date()));
};

const counted = async (effect: string, schoolId: Uuid) =>
  Number((await rows<{ n: number }>(`SELECT COUNT(*) AS n FROM ${effect}`, [toBytes(schoolId)]))[0]!.n);

/** A school with a class that was sent a week, a child with a wrong sum to look at, and another that has not played. */
async function played() {
  const school = await makeSchool(2);
  const week = await sendTo(school);
  const [first, second] = school.childIds as [Uuid, Uuid];
  const cookie = await school.cookie('teacher');
  const token = await week.token(first);
  const envelope = async (childId: Uuid, wrongBy = 0) => {
    const { total: _total, ...sent } = await envelopeFor(await week.assignment(childId), [2, 1, 0], wrongBy);
    return sent;
  };
  return { school, week, first, second, cookie, token, envelope };
}

type Played = Awaited<ReturnType<typeof played>>;

async function doubtOf({ token, envelope, first }: Played): Promise<Uuid> {
  const body = await envelope(first, 10);
  await call(homeReport, '/', { token, body });
  const [row] = await rows<{ id: Buffer }>('SELECT id FROM reports WHERE client_play_id = ?', [toBytes(body.playId as Uuid)]);
  return toText(row!.id);
}

async function testIn(school: TestSchool): Promise<Uuid> {
  const { answer } = await call(
    startTest,
    '/',
    { cookie: await school.cookie('teacher'), body: { family: 'throw', rolled: null } },
    { id: school.classId },
  );
  return answer['id'] as Uuid;
}

async function waitingScore(school: TestSchool): Promise<{ id: Uuid; batchId: Uuid }> {
  const batchId = newUuid();
  const whose = { schoolId: school.id, classId: school.classId };
  await transact(async (db) => {
    await addBatch(db, { id: batchId, ...whose, teacherId: school.teacherId, kind: 'file', name: 'x.csv' }, new Date());
    const sourceHash = createHash('sha256').update(batchId).digest();
    await addIncoming(
      db,
      [{ ...whose, batchId, way: 'message', source: '', sourceHash, words: '7', reading: readingOf(), why: 'not-confirmed' }],
      new Date(),
    );
  });
  const [row] = await rows<{ id: Buffer }>('SELECT id FROM incoming WHERE batch_id = ?', [toBytes(batchId)]);
  return { id: toText(row!.id), batchId };
}

const plan = { ...emptyPlan, title: 'Puddle Post' };

/** By the route's file and what is asked of it. */
const DEEDS: Readonly<Record<string, (of: Played) => Deed | Promise<Deed>>> = {
  'POST home/reports': async ({ token, first, envelope }) => ({
    route: homeReport,
    ask: { token, body: await envelope(first) },
    effect: `reports WHERE assignment_id IN (SELECT id FROM assignments WHERE ${OF_CHILD})`,
  }),
  'POST home/diary': ({ token, week }) => ({
    route: diary,
    ask: {
      token,
      body: { entries: [{ id: v7(), weekId: week.weekId, day: '2027-03-02', what: 'Walked', minutes: 20, initials: '', struck: false }] },
    },
    effect: `diary_entries WHERE ${OF_CHILD}`,
  }),
  'POST home/inventions': ({ token }) => ({
    route: invent,
    ask: { token, body: { id: v7(), plan, score: 7 } },
    effect: `inventions WHERE ${OF_CHILD}`,
  }),
  'POST scores/typed': async ({ cookie, first, envelope }) => ({
    route: typed,
    ask: { cookie, body: await envelope(first) },
    effect: `reports WHERE assignment_id IN (SELECT id FROM assignments WHERE ${OF_CHILD})`,
  }),
  'POST reports': async ({ cookie, first, envelope }) => {
    const { answer } = await call(addKey, '/', { cookie, body: { name: 'Timetable' } });
    return {
      route: byKey,
      ask: {
        headers: { authorization: `Bearer ${answer['key'] as string}` },
        body: { reports: [await envelope(first)] },
      },
      effect: `reports WHERE assignment_id IN (SELECT id FROM assignments WHERE ${OF_CHILD})`,
    };
  },
  'PUT assignments/[id]/looks': async ({ week, cookie, first }) => {
    const assignment = await week.assignment(first);
    const [look] = lookForsOf(levelById(await versionBody(assignment.versionId), assignment.levelId));
    return {
      route: looks,
      ask: { method: 'PUT', cookie, body: { marks: [{ look, mark: 'yes' }] } },
      params: { id: assignment.id },
      effect: `look_marks WHERE assignment_id IN (SELECT id FROM assignments WHERE ${OF_CHILD})`,
    };
  },
  'POST reports/[id]/decision': async (of) => ({
    route: decision,
    ask: { cookie: of.cookie, body: { choice: 'count-worked-out' } },
    params: { id: await doubtOf(of) },
    effect: `decisions WHERE ${OF_REPORT}`,
  }),
  'POST reports/[id]/decision, taken back': async (of) => {
    const params = { id: await doubtOf(of) };
    for (const choice of ['count-worked-out', 'keep-as-sent']) await call(decision, '/', { cookie: of.cookie, body: { choice } }, params);
    // Two stand; one press takes one of them back.
    return {
      route: decision,
      ask: { cookie: of.cookie, body: { choice: null } },
      params,
      effect: `decisions WHERE withdrawn_at IS NOT NULL AND ${OF_REPORT}`,
    };
  },
  'POST incoming/[id]': async ({ school, week, cookie, first }) => {
    const { id, levelId } = await week.assignment(first);
    return {
      route: settleIncoming,
      ask: { cookie, body: { as: { assignmentId: id, levelId, total: 7 } } },
      params: { id: (await waitingScore(school)).id },
      effect: `reports WHERE assignment_id IN (SELECT id FROM assignments WHERE ${OF_CHILD})`,
    };
  },
  'POST incoming/[id], opened again': async ({ school, week, cookie, first }) => {
    const { id, levelId } = await week.assignment(first);
    const params = { id: (await waitingScore(school)).id };
    await call(settleIncoming, '/', { cookie, body: { as: { assignmentId: id, levelId, total: 7 } } }, params);
    return { route: settleIncoming, ask: { cookie, body: { as: null, undo: true } }, params, effect: `decisions WHERE ${OF_REPORT}` };
  },
  'POST batches/[id]': async ({ school, cookie }) => ({
    route: undoFile,
    ask: { cookie, body: { undone: true } },
    params: { id: (await waitingScore(school)).batchId },
    effect: `batches WHERE undone_at IS NOT NULL AND ${OF_SCHOOL}`,
  }),
  'PATCH children/[id]': async ({ cookie, first }) => {
    const { answer } = await call(addClass, '/', { cookie, body: { name: 'P5', ageYears: 9 } });
    return {
      route: changeChild,
      ask: { method: 'PATCH', cookie, body: { change: 'move', classId: answer['id'] } },
      params: { id: first },
      // It comes too late for the others: the child is there already.
      late: 409,
      effect: `enrolments e JOIN classes c ON c.id = e.class_id WHERE c.name = 'P5' AND e.until_on IS NULL AND c.${OF_SCHOOL}`,
    };
  },
  'PUT children/[id]/note': ({ cookie, first }) => ({
    route: note,
    ask: { method: 'PUT', cookie, body: { words: 'Likes rolling.' } },
    params: { id: first },
    effect: `child_notes WHERE ${OF_CHILD}`,
  }),
  'POST children/[id]/erase': ({ cookie, first }) => ({
    route: erase,
    ask: { cookie, body: { name: 'Childa X.' } },
    params: { id: first },
    late: 404,
    effect: `audit WHERE action = 'child erased' AND ${OF_SCHOOL}`,
  }),
  'POST children/[id]/from-links': async (of) => {
    await doubtOf(of);
    return {
      route: fromLinks,
      ask: { cookie: of.cookie, body: { act: 'set-aside' } },
      params: { id: of.first },
      effect: `decisions WHERE ${OF_REPORT}`,
    };
  },
  'POST children/[id]/links': ({ cookie, second }) => ({
    route: renewLinks,
    ask: { cookie },
    params: { id: second },
    effect: `audit WHERE action = 'links renewed' AND ${OF_SCHOOL}`,
  }),
  'POST classes': ({ cookie }) => ({
    route: addClass,
    ask: { cookie, body: { name: 'P6', ageYears: 10 } },
    effect: `classes WHERE name = 'P6' AND ${OF_SCHOOL}`,
  }),
  'PUT classes/[id]/credit': ({ cookie, school }) => ({
    route: credit,
    ask: { method: 'PUT', cookie, body: { rule: 'both' } },
    params: { id: school.classId },
    effect: `classes WHERE credit = 'both' AND ${OF_SCHOOL}`,
  }),
  'POST classes/[id]/children': ({ cookie, school }) => ({
    route: addChildren,
    ask: { cookie, body: { children: [{ firstName: 'Wren', initial: 'O.', hand: null, ageYears: null }] } },
    params: { id: school.classId },
    effect: `children WHERE first_name = 'Wren' AND ${OF_SCHOOL}`,
  }),
  'POST classes/[id]/tests': ({ cookie, school }) => ({
    route: startTest,
    ask: { cookie, body: { family: 'kick', rolled: null } },
    params: { id: school.classId },
    effect: `class_tests WHERE family = 'kick' AND ${OF_CLASS}`,
  }),
  'PUT class-tests/[id]/hits': async ({ cookie, school, first }) => ({
    route: writeHits,
    ask: { method: 'PUT', cookie, body: { childId: first, mark: 1, hits: 2 } },
    params: { id: await testIn(school) },
    effect: `class_test_hits WHERE hits = 2 AND ${OF_CHILD}`,
  }),
  'DELETE class-tests/[id]': async ({ cookie, school }) => ({
    route: removeTest,
    ask: { method: 'DELETE', cookie },
    params: { id: await testIn(school) },
    late: 404,
    effect: `audit WHERE action = 'class test removed' AND ${OF_SCHOOL}`,
  }),
  'POST school-roster': ({ cookie }) => ({
    route: takeRosterRoute,
    ask: {
      cookie,
      body: {
        classes: [{ key: 'c', name: 'P7 Eight', ageYears: 11, children: [{ key: 'k', firstName: 'Eilidh', initial: 'R.' }] }],
        apply: true,
        leavers: [],
      },
    },
    effect: `children WHERE first_name = 'Eilidh' AND ${OF_SCHOOL}`,
  }),
  'PUT cupboard/things': ({ cookie }) => ({
    route: keepThingRoute,
    ask: { method: 'PUT', cookie, body: { name: 'soft ball', n: 30 } },
    effect: `school_things WHERE n = 30 AND ${OF_SCHOOL}`,
  }),
  'POST cupboard/loans': async ({ cookie, school }) => ({
    route: lend,
    ask: { cookie, body: { classId: school.classId, dueOn: '2099-01-01', things: [{ thingId: await thingIn(school), n: 5 }] } },
    effect: `loans WHERE n = 5 AND ${OF_SCHOOL}`,
  }),
  'PATCH cupboard/loans/[id]': async ({ cookie, school }) => {
    const thingId = await thingIn(school);
    const id = await transact((db) => addLoan(db, school.id, { thingId, classId: school.classId, n: 5, lentOn: '2027-01-04', dueOn: '2027-01-10' }));
    return {
      route: loanBack,
      ask: { method: 'PATCH', cookie, body: { returned: 4 } },
      params: { id },
      effect: `loans WHERE returned = 4 AND ${OF_SCHOOL}`,
    };
  },
  'POST plans': ({ cookie }) => ({
    route: beginPlan,
    ask: { cookie, body: { name: 'Eight', startsOn: '2027-01-04', endsOn: '2027-03-26' } },
    effect: `term_plans WHERE name = 'Eight' AND ${OF_SCHOOL}`,
  }),
  'PUT plans/[id]': async ({ cookie, school }) => {
    const id = await planIn(school);
    const { document } = (await planById(school.id, id))!;
    return {
      route: savePlanRoute,
      ask: { method: 'PUT', cookie, body: { revision: 1, document: { ...document, name: 'Changed' } } },
      params: { id },
      late: 409,
      effect: `term_plans WHERE name = 'Changed' AND revision = 2 AND ${OF_SCHOOL}`,
    };
  },
  'DELETE plans/[id]': async ({ cookie, school }) => ({
    route: deletePlanRoute,
    ask: { method: 'DELETE', cookie },
    params: { id: await planIn(school) },
    late: 404,
    effect: `audit WHERE action = 'plan deleted' AND ${OF_SCHOOL}`,
  }),
  'POST games': ({ cookie }) => ({
    route: newGame,
    ask: { cookie, body: { blank: true, title: 'Eight', ageYears: 8 } },
    effect: `games WHERE JSON_VALUE(draft, '$.title') = 'Eight' AND ${OF_SCHOOL}`,
  }),
  'POST games/import': ({ cookie }) => ({
    route: importGame,
    ask: { cookie, body: { starter: 'lily-pads' } },
    effect: `audit WHERE action = 'game brought in' AND ${OF_SCHOOL}`,
  }),
  'POST games/[id]': ({ cookie, school }) => ({
    route: gameAct,
    ask: { cookie, body: { action: 'duplicate' } },
    params: { id: school.gameId },
    effect: `games WHERE JSON_VALUE(draft, '$.title') LIKE '%(copy)' AND ${OF_SCHOOL}`,
  }),
  'PUT games/[id]': async ({ cookie, school }) => {
    const { game, revision } = (await gameById(school.id, school.gameId))!;
    return {
      route: saveGame,
      ask: { method: 'PUT', cookie, body: { revision, ageYears: 8, game: { ...game, title: 'Saved' } } },
      params: { id: school.gameId },
      late: 409,
      effect: `games WHERE JSON_VALUE(draft, '$.title') = 'Saved' AND ${OF_SCHOOL}`,
    };
  },
  'POST inventions/[id]': async ({ cookie, token }) => {
    const id = v7();
    await call(invent, '/', { token, body: { id, plan, score: 7 } });
    return {
      route: takeInvention,
      ask: { cookie, body: { ageYears: 8, title: 'Post' } },
      params: { id },
      effect: `games WHERE JSON_VALUE(draft, '$.title') = 'Post' AND ${OF_SCHOOL}`,
    };
  },
  'POST school-keys': ({ cookie }) => ({
    route: addKey,
    ask: { cookie, body: { name: 'Once' } },
    // Its words are told once: who comes late is told so.
    late: 409,
    effect: `school_keys WHERE name = 'Once' AND ${OF_SCHOOL}`,
  }),
  'DELETE school-keys/[id]': async ({ cookie }) => {
    const { answer } = await call(addKey, '/', { cookie, body: { name: 'Gone' } });
    return {
      route: withdrawKey as Route,
      ask: { method: 'DELETE' as never, cookie },
      params: { id: answer['id'] as string },
      late: 404,
      effect: `audit WHERE action = 'school key withdrawn' AND ${OF_SCHOOL}`,
    };
  },
  'POST people': async ({ school }) => ({
    route: invitePerson,
    ask: { cookie: await school.cookie('lead'), body: { name: 'N', email: 'eight@school.example', role: 'helper' } },
    effect: `people_links WHERE email = 'eight@school.example' AND ${OF_SCHOOL}`,
  }),
  'PATCH people/[id]': async ({ school }) => ({
    route: changePersonRoute,
    ask: { method: 'PATCH', cookie: await school.cookie('lead'), body: { change: 'close' } },
    params: { id: school.teacherId },
    effect: `memberships WHERE closed_at IS NOT NULL AND ${OF_SCHOOL}`,
  }),
  'PUT people/rules': async ({ school }) => ({
    route: putRules,
    ask: { method: 'PUT', cookie: await school.cookie('lead'), body: { idleMinutes: 31, longestHours: 12, secondFactorAsked: false } },
    effect: 'schools WHERE idle_minutes = 31 AND id = ?',
  }),
  'PUT school/keeping': async ({ school }) => ({
    route: putKeeping,
    ask: {
      method: 'PUT',
      cookie: await school.cookie('lead'),
      body: { rawYears: 2, waitingDays: 90, leaverYears: 0, sessionDays: 30, auditYears: 3 },
    },
    effect: 'schools WHERE keep_raw_years = 2 AND id = ?',
  }),
  'PATCH me': ({ cookie }) => ({
    route: rename,
    ask: { method: 'PATCH', cookie, body: { name: 'Eight' } },
    effect: `teachers WHERE name = 'Eight' AND id IN (SELECT teacher_id FROM memberships WHERE ${OF_SCHOOL})`,
  }),
  'POST school-year': ({ cookie }) => ({
    route: moveUp,
    ask: { cookie, body: { names: {} } },
    effect: `classes WHERE moved_from IS NOT NULL AND ${OF_SCHOOL}`,
  }),
  'POST weeks': ({ cookie, school }) => {
    const { schoolId: _school, teacherId: _teacher, today: _today, ...body } = weekOf(school, { sentAs: newUuid(), note: 'eight' });
    return { route: sendWeekRoute, ask: { cookie, body }, effect: `weeks WHERE note = 'eight' AND ${OF_CLASS}` };
  },
  'PATCH weeks/[id]': ({ cookie, week }) => ({
    route: changeWeek,
    ask: { method: 'PATCH', cookie, body: { takenBack: true } },
    params: { id: week.weekId },
    effect: `weeks WHERE taken_back_at IS NOT NULL AND ${OF_CLASS}`,
  }),
  'POST weeks/[id]/notices': ({ cookie, week }) => ({
    route: remind,
    ask: { cookie, body: { kind: 'reminder' } },
    params: { id: week.weekId },
    effect: `outbox WHERE kind = 'reminder' AND ${OF_SCHOOL}`,
  }),
};

/** Routes that are asked by POST and write nothing, or whose doubles have tests of their own. */
const ELSEWHERE: Readonly<Record<string, string>> = {
  'POST scores/slip': 'looks a code up',
  'POST home/codes': 'looks a code up; short-codes.test.ts',
  'POST classes/list-file': 'reads a file, writes nothing',
  'POST weeks/preview': 'works out, writes nothing',
  'POST weeks/preview/paper': 'works out, writes nothing',
  'POST weeks/[id]/paper': 'makes a file, writes nothing',
  'POST class-tests/[id]/paper': 'makes a file, writes nothing',
  'POST weeks/[id]/notices/[notice]': 'makes a file, writes nothing',
  'POST sign-in': 'limits.test.ts',
  'POST join': 'people.test.ts',
  'PUT join': 'several-schools.test.ts',
  'PUT me/school': 'several-schools.test.ts; gone there twice one is there',
  'DELETE school': 'keeping.test.ts; deleted twice it is gone',
  'DELETE people/links/[id]': 'people.test.ts; withdrawn twice it is gone',
  'POST me/password': 'people.test.ts; asks for the password that it changes',
  'POST me/second-factor': 'tells a secret, writes nothing',
  'PUT me/second-factor': 'people.test.ts; the newest holds',
  'PUT me/news': 'people.test.ts; the highest number holds',
  'DELETE me/second-factor': 'people.test.ts; taken off twice it is off',
  'DELETE me/sessions': 'people.test.ts; ended twice they are over',
  'DELETE me/sessions/[id]': 'people.test.ts; ended twice it is over',
  'POST sign-out': 'ends one session; ended twice it is over',
  'POST classes/[id]/files': 'twice.test.ts',
  'POST classes/[id]/mailbox': 'mailbox.test.ts',
};

describe('unhappy at the server: eight at once send the same deed', () => {
  it.each(Object.entries(DEEDS))('%s: it is done once, and none fails', async (_name, deedOf) => {
    const of = await played();
    const { route, ask, params, effect, late } = await deedOf(of);
    const before = await counted(effect, of.school.id);
    const headers = { ...ask.headers, [DEED_HEADER]: v7() };
    const answers = await Promise.all(Array.from({ length: 8 }, () => call(route, '/', { ...ask, headers }, params)));
    const done = answers.filter(({ status }) => status === 200 || status === 201);
    expect(done.length, JSON.stringify(answers.map(({ status, answer }) => [status, answer]))).toBeGreaterThanOrEqual(1);
    if (late === undefined) expect(done).toHaveLength(8);
    else expect(answers.filter(({ status }) => status !== late && !done.some((one) => one.status === status))).toEqual([]);
    expect((await counted(effect, of.school.id)) - before).toBe(1);
  });

  it('a deed is known by what it asks for: something else under its id is refused, and does nothing', async () => {
    const { school, cookie } = await played();
    const headers = { [DEED_HEADER]: v7() };
    const add = (name: string, under: Record<string, string> = headers) =>
      call(addClass, '/', { cookie, headers: under, body: { name, ageYears: 9 } });
    expect((await add('P7')).status).toBe(201);
    expect((await add('P8')).status).toBe(409);
    expect((await add('P8', { [DEED_HEADER]: 'eight' })).status).toBe(400);
    expect(await counted(`classes WHERE name = 'P8' AND ${OF_SCHOOL}`, school.id)).toBe(0);
    // Another school's id is its own.
    const other = await makeSchool(1);
    expect((await call(addClass, '/', { cookie: await other.cookie('teacher'), headers, body: { name: 'P7', ageYears: 9 } })).status).toBe(201);
  });

  it('every route that writes is among them', async () => {
    const found: string[] = [];
    const routes = 'src/app/api/v1';
    for (const file of await readdir(routes, { recursive: true })) {
      if (!file.endsWith('/route.ts')) continue;
      const of = file.replace('/route.ts', '');
      for (const [, method] of (await readFile(join(routes, file), 'utf8')).matchAll(/export const (POST|PUT|PATCH|DELETE)\b/g))
        found.push(`${method} ${of}`);
    }
    expect(found.filter((one) => !(one in DEEDS) && !(one in ELSEWHERE))).toEqual([]);
    expect(Object.keys(ELSEWHERE).filter((one) => !found.includes(one))).toEqual([]);
  });
});
