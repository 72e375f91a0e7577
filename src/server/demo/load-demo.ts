/**
 * The demo school: Strathfinlas Primary with three classes, five collected weeks and a sixth coming in, with every kind of trouble in one class. Scores are played by simulated
 * children through the product's own engine, seeded, so that every install has the same ones; today lies in the last week.
 */
import { newUuid, type Uuid } from '@/contract/ids';
import { childTables } from '@/core/forecast/attempts';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { simulateGo } from '@/core/forecast/simulate';
import { SKILL_SPREAD_LN } from '@/core/motion/assumed';
import { drawU32, drawUnit, PURPOSE } from '@/core/random/draw';
import type { Go, Report } from '@/core/reports/report';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { emptyPlan, type InventedPlan } from '@/core/invent/plan';
import { judge } from '@/core/reports/judge';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { pacedGame } from '@/core/sheet/set-up';
import { childName } from '@/core/roster/read-roster';
import { createHash } from 'node:crypto';
import { format, parseISO, previousMonday } from 'date-fns';
import { hashPassword } from '../auth/passwords';
import { tokenFor } from '../db/access-keys';
import { addChild, childrenOf, type ChildSettings } from '../db/children';
import { addClass } from '../db/classes';
import { keepDiaryEntry } from '../db/diary';
import { addGame, gameById, versionOf } from '../db/games';
import { newId, toText } from '../db/ids';
import { deleteRowsOf } from '../keeping/delete-school';
import { keepInvention } from '../db/inventions';
import { firstRow, rows, transact } from '../db/pool';
import { storeReports } from '../db/reports';
import { addSchool, audit, yearAt } from '../db/schools';
import { addTeacher } from '../db/teachers';
import { assignmentsOfChild, versionBody, type ChildAssignment } from '../db/weeks';
import { dueMoment, schoolDay } from '../school-day';
import { dayPlus, daysBetween } from '@/core/measure/days';
import { sendWeek } from '../weeks/send-week';
import { decide, doubtsOf } from '../reports/doubts';
import { starters } from '../starters';
import { DEMO_CHILDREN } from './names';
import { addTroubles, TROUBLES } from './troubles';
import { demoGames } from './demo-games';
import { addDemoPlan, type DemoPlanned } from './demo-plan';

const SEED = 20270301;
const ZONE = 'Europe/London';
const DAY_MS = 86_400_000;

export interface DemoSignIn {
  readonly name: string;
  readonly email: string;
  readonly role: 'teacher' | 'helper';
  readonly password: string;
}

const CLASSES = [
  {
    name: 'P2 Wagtails',
    ageYears: 6,
    children: 24,
    games: ['pebble', 'gull', 'pebble', 'gull', 'pebble', 'gull'],
    toCome: ['kelp', 'kelp', null, 'loch-frames', 'loch-frames', 'pebble'],
  },
  {
    name: 'P4 Dippers',
    ageYears: 8,
    children: 26,
    games: ['kelp', 'lantern', 'heron', 'lantern', 'lantern', 'lantern'],
    toCome: ['heron', 'heron', null, 'loch-frames', 'loch-frames', 'kelp'],
  },
  {
    name: 'P6 Ospreys',
    ageYears: 10,
    children: 26,
    games: ['heron', 'lantern', 'lantern', 'lantern', 'lantern', 'event'],
    toCome: ['gull', 'gull', null, 'loch-frames', 'loch-frames', 'heron'],
  },
] as const;

/** The sixth week of the oldest: four games with one card, the two last from the starters. */
const EVENT = { title: 'Loch day', games: ['lantern', 'heron', 'loch-frames', 'oilskin-dash'] } as const;
const TROUBLED = CLASSES[2];
const CLOSED_WEEK = 1;

/** Loads the demo school into an empty database. */
export async function loadDemo(signIns: readonly DemoSignIn[], serverKey: string, now: Date): Promise<void> {
  const today = schoolDay(now, ZONE);
  const { schoolId, teacherId } = await transact(async (db) => {
    const school = await addSchool(db, { name: 'Strathfinlas Primary', timeZone: ZONE, isDemo: true }, now);
    let first: Uuid | undefined;
    for (const signIn of signIns) {
      const added = await addTeacher(
        db,
        {
          schoolId: school,
          name: signIn.name,
          email: signIn.email,
          passwordHash: await hashPassword(signIn.password),
          role: first === undefined && signIn.role === 'teacher' ? 'lead' : signIn.role,
        },
        now,
      );
      first ??= added;
    }
    return { schoolId: school, teacherId: first! };
  });
  const games = new Map<string, Uuid>();
  for (const [index, { key, ageYears, game }] of demoGames().entries())
    games.set(key, await transact((db) => addGame(db, schoolId, game, ageYears, new Date(now.getTime() - (30 - index) * DAY_MS), teacherId)));
  for (const { id, game } of starters().filter((one) => EVENT.games.some((key) => key === one.id)))
    games.set(id, await transact((db) => addGame(db, schoolId, game, 8, new Date(now.getTime() - 25 * DAY_MS), teacherId)));
  await keptBefore(schoolId, teacherId, games.get('lantern')!, new Date(now.getTime() - 25 * DAY_MS));
  let nextName = 0;
  const inPlan: DemoPlanned[] = [];
  for (const planned of CLASSES) {
    const classId = await transact(async (db) => {
      const year = await yearAt(db, schoolId, today);
      const id = await addClass(db, { schoolId, yearId: year.id, name: planned.name, ageYears: planned.ageYears }, now);
      for (let i = 0; i < planned.children; i += 1) {
        await addChild(db, schoolId, id, childName(DEMO_CHILDREN[nextName]!)!, dayPlus(today, -60), now, settingsOf(nextName));
        nextName += 1;
      }
      return id;
    });
    const weeks: Uuid[] = [];
    const planSent: DemoPlanned['sent'][number][] = [];
    for (const [week, key] of planned.games.entries()) {
      const day = dayPlus(lastMonday(today), -7 * (planned.games.length - 1 - week));
      const sentAt = timeOfDay(day, 8.5);
      const sentAs = newUuid();
      const gameIds = (key === 'event' ? EVENT.games : [key]).map((one) => games.get(one)!);
      const levelId = `level-${week === 0 ? 1 : 2}`;
      planSent.push({ sentAs, gameIds, levelId });
      const sent = await sendWeek(
        {
          sentAs,
          schoolId,
          teacherId,
          classId,
          title: key === 'event' ? EVENT.title : '',
          games: gameIds.map((gameId) => ({ gameId, levelId })),
          kit: [],
          dueOn: dayPlus(day, 7),
          warmUp: 'Five minutes: walk on the spot, big arm circles, ten slow squats, shake everything out.',
          diary: 'Write down how many minutes you moved each day.',
          film: '',
          note: '',
          racks: {},
          today: day,
        },
        sentAt,
      );
      weeks.push(sent.id);
      const troubled = planned === TROUBLED && week === planned.games.length - 1;
      await reportsOf(classId, sent, week, day, serverKey, now, troubled ? TROUBLES.length : 0);
      if (troubled)
        await addTroubles(
          {
            schoolId,
            teacherId,
            classId,
            termId: sent.termId,
            weekId: sent.id,
            closedWeekId: weeks[CLOSED_WEEK]!,
            children: (await childrenOf(classId, today)).map((child) => ({ id: child.id, name: `${child.firstName} ${child.initial}` })),
            serverKey,
            today,
          },
          now,
        );
    }
    await decideEarlier(classId, weeks.slice(0, -1), { schoolId, teacherId }, now);
    if (planned === CLASSES[1]) await inventionsOf(classId, today, now);
    inPlan.push({ classId, sent: planSent, toCome: planned.toCome.map((key) => (key === null ? null : games.get(key)!)) });
  }
  await addDemoPlan(schoolId, dayPlus(lastMonday(today), -7 * LAST_WEEK), EVENT, inPlan, now);
  await transact((db) => audit(db, { schoolId, teacherId: null, action: LOADED }, now));
}

function settingsOf(index: number): Partial<ChildSettings> {
  const draw = drawU32(SEED, index, 0, PURPOSE.demo) % 24;
  return {
    hand: draw % 8 === 3 ? 'left' : 'right',
    medium: draw % 9 === 4 ? 'paper' : 'screen',
    form: draw === 11 ? 'seated' : draw === 17 ? 'two-hands' : draw === 20 ? 'other-exercise' : 'standing',
  };
}

/** The game was kept once in another form before it was sent: what is played on that version comes from an older card. */
async function keptBefore(schoolId: Uuid, teacherId: Uuid, gameId: Uuid, now: Date): Promise<void> {
  const { game } = (await gameById(schoolId, gameId))!;
  await transact((db) => versionOf(db, gameId, { ...game, aim: 'Light the lanterns' }, teacherId, now));
}

/** The weeks that were collected were cleared too: sums counted as worked out, what was too fast set aside. */
async function decideEarlier(classId: Uuid, weekIds: readonly Uuid[], who: { schoolId: Uuid; teacherId: Uuid }, now: Date): Promise<void> {
  const numbers = new Set(weekIds.map((_, index) => index + 1));
  for (const doubt of await doubtsOf(classId))
    if (numbers.has(doubt.weekNumber) && doubt.choice === null && !doubt.sentences.some((sentence) => sentence.startsWith('The week had closed')))
      await decide(who, null, doubt.reportId, doubt.kind === 'sum' ? 'count-worked-out' : 'set-aside', now);
}

const LAST_WEEK = 5;

async function reportsOf(
  classId: Uuid,
  sent: { id: Uuid; termId: Uuid },
  week: number,
  sentOn: string,
  serverKey: string,
  now: Date,
  passedOver: number,
): Promise<void> {
  const today = schoolDay(now, ZONE);
  const children = await childrenOf(classId, today);
  for (const [number, child] of children.entries()) {
    // Those at the front of the list bring trouble instead.
    if (number < passedOver) continue;
    const draw = drawUnit(SEED, number, week, PURPOSE.demo);
    const takesPart = drawUnit(SEED, number, 99, PURPOSE.demo) > 0.08 && draw < (week === LAST_WEEK ? 0.55 : 0.86);
    const [assignment, ...others] = (await assignmentsOfChild(child.id, sent.termId)).filter((found) => found.weekId === sent.id);
    if (!assignment || !takesPart) continue;
    const goes = 1 + (drawU32(SEED, number, week + 40, PURPOSE.demo) % 2);
    const skill =
      Math.exp(SKILL_SPREAD_LN * 1.6 * (drawUnit(SEED, number, 7, PURPOSE.skill) + drawUnit(SEED, number, 8, PURPOSE.skill) - 1)) * 0.97 ** week;
    await diaryOf(child.id, sent.id, sentOn, today, number * 10 + week, now);
    for (let go = 0; go < goes; go += 1) {
      const daysOpen = Math.min(6, daysBetween(sentOn, today));
      const startedAt = timeOfDay(
        dayPlus(sentOn, drawU32(SEED, number, week * 10 + go, PURPOSE.choice) % daysOpen),
        15.5 + 3.5 * drawUnit(SEED, number, week * 10 + go, PURPOSE.aimTime),
      );
      await storePlay(assignment, child.id, sent.termId, skill, number * 100 + week * 10 + go, startedAt, serverKey, wrongness(number, week, go));
    }
    // Most play the other games of an event too, an hour later.
    for (const [game, other] of others.entries()) {
      if (drawUnit(SEED, number, 500 + game, PURPOSE.demo) > 0.7) continue;
      const startedAt = new Date(timeOfDay(sentOn, 16.5).getTime() + game * 900_000);
      await storePlay(other, child.id, sent.termId, skill, number * 100 + 5000 + game, startedAt, serverKey, 'none');
    }
  }
}

const MOVED = ['walked to school', 'danced in the kitchen', 'football in the park', 'swimming', 'cycled with an adult'] as const;

/** Some families write the movement diary, one line on some of the days that have passed. */
async function diaryOf(childId: Uuid, weekId: Uuid, sentOn: string, today: string, draw: number, now: Date): Promise<void> {
  if (drawUnit(SEED, draw, 61, PURPOSE.demo) > 0.6) return;
  for (let day = 0; day < Math.min(6, daysBetween(sentOn, today)); day += 1) {
    if (drawUnit(SEED, draw, 70 + day, PURPOSE.demo) > 0.7) continue;
    const drawn = drawU32(SEED, draw, 80 + day, PURPOSE.demo);
    await keepDiaryEntry(
      childId,
      {
        id: toText(newId()),
        weekId,
        day: dayPlus(sentOn, day),
        what: MOVED[drawn % MOVED.length]!,
        minutes: 10 + 5 * (drawn % 9),
        initials: 'AB',
        struck: false,
      },
      now,
    );
  }
}

/** Two children of the second class have made a game of their own. */
async function inventionsOf(classId: Uuid, today: string, now: Date): Promise<void> {
  const [one, other] = await childrenOf(classId, today);
  const plans: readonly (readonly [Uuid, InventedPlan, number])[] = [
    [one!.id, { ...emptyPlan, title: 'Puddle Post', marks: [...emptyPlan.marks, { xM: 0.8, yM: 0.9, points: 3 }] }, 14],
    [
      other!.id,
      {
        ...emptyPlan,
        title: 'Over the Wall of Wool',
        target: { object: 'bucket', xM: 3.3, yM: 1.2 },
        marks: [{ xM: 1.4, yM: 1.9, points: 2 }],
        obstacles: [{ object: 'pillow', xM: 2.4, yM: 1.5 }],
        stop: { kind: 'seconds', s: 60 },
      },
      9,
    ],
  ];
  for (const [childId, plan, score] of plans) await keepInvention(childId, { id: toText(newId()), plan, score }, now);
}

/** The last Monday before this day: the week that is coming in was sent then. */
function lastMonday(day: string): string {
  return format(previousMonday(parseISO(day)), 'yyyy-MM-dd');
}

/** A time of a day at the school: 15.5 is half past three. */
function timeOfDay(day: string, hours: number): Date {
  return new Date(dueMoment(day, ZONE).getTime() - DAY_MS + hours * 3_600_000);
}

type Wrongness = 'none' | 'sum' | 'too-fast';

/** A few reports are wrong, as at every school. */
function wrongness(number: number, week: number, go: number): Wrongness {
  const draw = drawU32(SEED, number, week * 7 + go, PURPOSE.choice) % 29;
  return draw === 5 ? 'sum' : draw === 13 ? 'too-fast' : 'none';
}

async function storePlay(
  assignment: ChildAssignment,
  childId: Uuid,
  termId: Uuid,
  skill: number,
  play: number,
  startedAt: Date,
  serverKey: string,
  wrong: Wrongness,
): Promise<void> {
  const game = await versionBody(assignment.versionId);
  const index = game.levels.findIndex((level) => level.id === assignment.levelId);
  const { ageYears, form, stepM, ...setUp } = assignment.setUp;
  const paced = pacedGame(resolveLevel(game, index), stepM);
  const compiled = compile(paced);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const program = compiled.value;
  const state = start(program);
  const recorded: PlayEvent[] = [];
  simulateGo(program, childTables(program, { ageYears, form, skill }, shippedRacks), state, SEED, play, { fetchMs: 0, exerciseMs: 0 }, recorded);
  const events =
    wrong === 'too-fast' ? recorded.map((event) => (event.do === 'finish' ? event : { ...event, t: Math.round(event.t / 6) })) : recorded;
  const result = measure(program, state);
  const sped =
    wrong === 'too-fast'
      ? events.map((event) => (event.do === 'finish' && event.why !== 'time' ? { ...event, t: Math.round(event.t / 6) } : event))
      : events;
  const go: Go = {
    level: assignment.levelId,
    counting: 'attempts',
    hand: 'right',
    otherHand: false,
    form,
    setUp,
    events: sped,
    total: (result.value ?? 0) + (wrong === 'sum' ? 10 : 0),
    unit: result.unit,
  };
  const report: Report = {
    format: REPORT_FORMAT,
    goes: [go],
    startedAt: startedAt.toISOString(),
    sentAt: new Date(startedAt.getTime() + 180_000).toISOString(),
    felt: (['hard', 'right', 'easy'] as const)[drawU32(SEED, play, 3, PURPOSE.demo) % 3]!,
    adultInitials: 'AB',
  };
  const receivedAt = new Date(startedAt.getTime() + 181_000);
  const envelope = { playId: toText(newId()), assignmentId: assignment.id, report };
  const body = JSON.stringify(envelope);
  await transact(async (db) => {
    const token = await tokenFor(db, serverKey, childId, termId, 'card', receivedAt);
    const key = (await firstRow<{ id: Buffer }>(
      'SELECT id FROM access_keys WHERE token_hash = ?',
      [createHash('sha256').update(token).digest()],
      db,
    ))!;
    await storeReports(db, [
      {
        assignmentId: assignment.id,
        accessKeyId: toText(key.id),
        enteredBy: null,
        source: assignment.childId,
        clientPlayId: envelope.playId,
        bodyHash: createHash('sha256').update(body).digest(),
        body,
        report,
        gameVersion: null,
        verdict: judge({ game, report }),
        asAsked: [true],
        receivedAt,
        way: 'link',
        byOldLink: false,
        batchId: null,
      },
    ]);
  });
}

/** The last thing that the loading writes; without it the demo is half a demo. */
const LOADED = 'demo loaded';

export type Holding = 'nothing' | 'a school' | 'demo' | 'half a demo';

export async function whatItHolds(): Promise<Holding> {
  const schools = await rows<{ is_demo: number }>('SELECT is_demo FROM schools');
  if (schools.length === 0) return 'nothing';
  if (!schools.some((school) => school.is_demo)) return 'a school';
  return (await firstRow('SELECT 1 AS there FROM audit WHERE action = ? LIMIT 1', [LOADED])) ? 'demo' : 'half a demo';
}

/** Takes a half-loaded demo away so that the next start begins again. */
export async function dropDemo(): Promise<void> {
  const schools = await rows<{ id: Buffer }>('SELECT id FROM schools');
  await transact(async (db) => {
    for (const { id } of schools) await deleteRowsOf(db, toText(id));
  });
}
