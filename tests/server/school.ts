/** A school of its own for each test, in the test worker's own schema. */
import type { Uuid } from '@/contract/ids';
import { hashPassword } from '@/server/auth/passwords';
import type { PersonRole } from '@/contract/people';
import { openSession } from '@/server/auth/sessions';
import { addChild } from '@/server/db/children';
import { addClass } from '@/server/db/classes';
import { addGame } from '@/server/db/games';
import { migrate } from '@/server/db/migrate';
import { tokenFor } from '@/server/db/access-keys';
import type { Reading } from '@/server/db/incoming';
import { transact } from '@/server/db/pool';
import { addSchool, termAt, yearAt } from '@/server/db/schools';
import { addTeacher } from '@/server/db/teachers';
import { assignmentsOfChild, type ChildAssignment } from '@/server/db/weeks';
import { schoolDay } from '@/server/school-day';
import { sendWeek, type WeekToSend } from '@/server/weeks/send-week';
import { sensibleStart } from '@/core/course/sensible-start';
import { goOf } from '@/core/reports/from-parts';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import type { Report } from '@/core/reports/report';
import { settings } from '@/server/settings';
import { dropDemo, loadDemo } from '@/server/demo/load-demo';
import { spawnSync } from 'node:child_process';
import { v7 } from 'uuid';

const HOST = 'lochside.test';
export const ZONE = 'Europe/London';

/** Points this worker at a schema of its own and migrates it. */
export async function useOwnSchema(): Promise<void> {
  const url = new URL(process.env['DATABASE_URL']!);
  url.pathname = `/lochside_unit_${process.env['VITEST_POOL_ID'] ?? '1'}`;
  process.env['DATABASE_URL'] = url.toString();
  await migrate(url.toString());
}

/**
 * Points this worker at the demo school in a database that no other file uses: a copy of the one that the whole run has loaded, or where there is none
 * (a single file run by hand) loaded here.
 */
export async function useDemoSchool(database: 'lochside_demo' | 'lochside_backup' | 'lochside_sets'): Promise<void> {
  const of = new URL(process.env['DATABASE_URL']!);
  const own = new URL(of);
  own.pathname = `/${database}`;
  process.env['DATABASE_URL'] = own.toString();
  await migrate(own.toString());
  await dropDemo();
  await demoInto(of, own);
}

/** The demo school into a database that has its tables and no school: of the database of the whole run, or loaded where there is none. */
export async function demoInto(of: URL, own: URL): Promise<void> {
  if (process.env['LOCHSIDE_DEMO_IS_LOADED'] === undefined)
    return loadDemo([{ name: 'Ms Tarn', email: 'tarn@example.org', role: 'teacher', password: PASSWORD }], settings().serverKey, new Date());
  const at = (url: URL) => ({
    args: ['--no-defaults', `--host=${url.hostname}`, `--port=${url.port}`, `--user=${url.username}`],
    options: { env: { ...process.env, MYSQL_PWD: decodeURIComponent(url.password) }, maxBuffer: 256_000_000 } as const,
  });
  const [from, to] = [at(of), at(own)];
  const dump = spawnSync(
    'mariadb-dump',
    [
      ...from.args,
      '--single-transaction',
      '--hex-blob',
      '--no-create-info',
      ...OF_THE_PROGRAM.map((table) => `--ignore-table=lochside.${table}`),
      'lochside',
    ],
    from.options,
  );
  const read = spawnSync('mariadb', [...to.args, own.pathname.slice(1)], { ...to.options, input: dump.stdout });
  if (dump.status !== 0 || read.status !== 0) throw new Error(`the demo school could not be copied: ${dump.stderr}${read.stderr}`);
}

/** What is of the program and not of the school: each database has its own. */
const OF_THE_PROGRAM = ['migrations', 'migrations_begun', 'migration_lease', 'instance'];

export interface TestSchool {
  readonly id: Uuid;
  readonly classId: Uuid;
  readonly teacherId: Uuid;
  readonly gameId: Uuid;
  readonly childIds: readonly Uuid[];
  readonly email: string;
  readonly cookie: (role: PersonRole) => Promise<string>;
}

export const PASSWORD = 'reeds and lilies';

/** a to z, then ba, bb and so on. */
const lettersOf = (n: number): string => (n < 26 ? '' : lettersOf(Math.floor(n / 26))) + 'abcdefghijklmnopqrstuvwxyz'[n % 26];

/** Worked out once: that takes long on purpose. */
let hashed: Promise<string> | undefined;
const passwordHashed = () => (hashed ??= hashPassword(PASSWORD));

export async function makeSchool(children = 2): Promise<TestSchool> {
  const now = new Date();
  const today = schoolDay(now, ZONE);
  const email = `${v7()}@school.example`;
  const made = await transact(async (db) => {
    const id = await addSchool(db, { name: 'Test school', timeZone: ZONE, isDemo: false }, now);
    const passwordHash = await passwordHashed();
    const teacherId = await addTeacher(db, { schoolId: id, name: 'T', email, passwordHash, role: 'teacher' }, now);
    const helperId = await addTeacher(db, { schoolId: id, name: 'H', email: `h-${email}`, passwordHash, role: 'helper' }, now);
    const leadId = await addTeacher(db, { schoolId: id, name: 'L', email: `l-${email}`, passwordHash, role: 'lead' }, now);
    const year = await yearAt(db, id, today);
    const classId = await addClass(db, { schoolId: id, yearId: year.id, name: 'P4', ageYears: 8 }, now);
    const childIds: Uuid[] = [];
    for (let n = 0; n < children; n += 1)
      childIds.push(await addChild(db, id, classId, { firstName: `Child${lettersOf(n)}`, initial: 'X.' }, today, now));
    const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
    return { id, teacherId, helperId, leadId, classId, childIds, gameId: await addGame(db, id, game, 8, now) };
  });
  return {
    ...made,
    email,
    cookie: async (role) => {
      const id = { teacher: made.teacherId, helper: made.helperId, lead: made.leadId }[role];
      return `lochside=${(await openSession(id, made.id, new Date())).token}`;
    },
  };
}

/** A week of the first game for the class of the school, due today. */
export const weekOf = (school: TestSchool, change: Partial<WeekToSend> = {}): WeekToSend => ({
  schoolId: school.id,
  teacherId: school.teacherId,
  classId: school.classId,
  title: '',
  games: [{ gameId: school.gameId, levelId: 'level-1' }],
  kit: [],
  dueOn: schoolDay(new Date(), ZONE),
  warmUp: '',
  diary: '',
  film: '',
  note: '',
  racks: {},
  today: schoolDay(new Date(), ZONE),
  ...change,
});

export async function sendTo(school: TestSchool): Promise<{
  weekId: Uuid;
  termId: Uuid;
  assignment: (childId: Uuid) => Promise<ChildAssignment>;
  token: (childId: Uuid, scope?: 'card' | 'slip') => Promise<string>;
}> {
  const now = new Date();
  const today = schoolDay(now, ZONE);
  const sent = await sendWeek(weekOf(school, { warmUp: 'w', diary: 'd' }), now);
  return {
    weekId: sent.id,
    termId: sent.termId,
    assignment: async (childId) => (await assignmentsOfChild(childId, sent.termId)).find((one) => one.weekId === sent.id)!,
    token: (childId, scope = 'card') =>
      transact(async (db) => tokenFor(db, settings().serverKey, childId, (await termAt(db, school.id, today)).id, scope, new Date())),
  };
}

/** A clean report of so many hits from each mark, as an envelope. */
export async function envelopeFor(assignment: ChildAssignment, hits: readonly number[], wrongBy = 0) {
  const { versionBody } = await import('@/server/db/weeks');
  const game = await versionBody(assignment.versionId);
  const part = game.parts[0]!;
  const values = part.groups['mark']!.value!;
  const total = hits.reduce((sum, n, index) => sum + n * values[index]!, 0) + wrongBy;
  const go = goOf(
    { game, levelId: assignment.levelId, setUp: assignment.setUp },
    { counting: 'parts', hand: 'either', events: eventsFromFields(game, partFields(game), hits), total },
  );
  const report: Report = { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' };
  return { playId: v7(), assignmentId: assignment.id, report, total };
}

/** What was read of a score that waits: seven points of nobody known. */
export const readingOf = (more: Partial<Reading> = {}): Reading => ({
  child: '',
  childId: null,
  assignmentId: null,
  level: '',
  total: 7,
  unit: 'points',
  notFinished: false,
  week: null,
  spans: [],
  confidence: null,
  sentence: '',
  ...more,
});

export interface Ask {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly cookie?: string;
  readonly token?: string;
  readonly body?: unknown;
  readonly raw?: string;
  readonly headers?: Readonly<Record<string, string>>;
}

type Route = (request: Request, context: { params: Promise<Record<string, string | string[] | undefined>> }) => Promise<Response>;

/** Calls a route handler as a browser would. */
export async function call(
  route: Route,
  path: string,
  { method = 'POST', cookie, token, body, raw, headers = {} }: Ask = {},
  params: Record<string, string> = {},
) {
  const text = raw ?? (body === undefined ? undefined : JSON.stringify(body));
  const response = await route(
    new Request(`http://${HOST}${path}`, {
      method,
      headers: {
        host: HOST,
        ...(method === 'GET' ? {} : { origin: `http://${HOST}`, 'content-type': 'application/json' }),
        ...(cookie ? { cookie } : {}),
        ...(token ? { authorization: `Bearer ${token}` } : {}),
        ...headers,
      },
      ...(text === undefined || method === 'GET' ? {} : { body: text }),
    }),
    { params: Promise.resolve(params) },
  );
  const answer = (await response
    .clone()
    .json()
    .catch(() => null)) as Record<string, unknown> & { problems?: { place: string; reason: string }[] };
  return { status: response.status, answer, headers: response.headers };
}
