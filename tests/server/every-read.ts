/** Every page and every read of a school, as its people and families ask for them; and what the database was asked meanwhile, with its plans. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import mysql from 'mysql2/promise';
import { GAMES_OF } from '@/contract/card-check';
import { DEED_HEADER } from '@/contract/deed';
import type { Uuid } from '@/contract/ids';
import { hashToken, newSchoolKey } from '@/server/auth/tokens';
import { openSession } from '@/server/auth/sessions';
import { tokenFor } from '@/server/db/access-keys';
import { toBytes, toText } from '@/server/db/ids';
import { firstRow, transact } from '@/server/db/pool';
import { addSchoolKey } from '@/server/db/school-keys';
import { v7 } from 'uuid';

/** The id of nothing. */
export const NOBODY = '018f0000-0000-7000-8000-00000000000f';

export interface Look {
  /** Of the application's folder: "(desk)/scores/page.tsx". */
  readonly file: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly method?: string;
  readonly body?: unknown;
}

/** Pages and reads of the application, by their files. */
export function filesThatAnswer(): readonly string[] {
  const app = join(import.meta.dirname, '../../src/app');
  return readdirSync(app, { recursive: true, encoding: 'utf8' })
    .map((name) => join(app, name))
    .filter((file) => statSync(file).isFile())
    .filter(
      (file) => /page\.tsx$/.test(file) || (/route\.ts$/.test(file) && /export (const|(async )?function) GET\b/.test(readFileSync(file, 'utf8'))),
    )
    .map((file) => relative(app, file));
}

const one = async (sql: string, schoolId: Uuid): Promise<Uuid> => {
  const row = await firstRow<{ id: Buffer }>(sql, [toBytes(schoolId)]);
  if (!row) throw new Error(`nothing to look at: ${sql}`);
  return toText(row.id);
};

/** All of them for a school that is as full as the demo school. */
export async function looksAt(schoolId: Uuid, serverKey: string): Promise<readonly Look[]> {
  const now = new Date();
  const id = {
    lead: await one("SELECT teacher_id AS id FROM memberships WHERE school_id = ? AND role = 'lead' LIMIT 1", schoolId),
    class: await one(
      'SELECT w.class_id AS id FROM weeks w JOIN classes c ON c.id = w.class_id WHERE c.school_id = ? ORDER BY w.id DESC LIMIT 1',
      schoolId,
    ),
    child: await one('SELECT id FROM children WHERE school_id = ? ORDER BY id DESC LIMIT 1', schoolId),
    game: await one('SELECT id FROM games WHERE school_id = ? LIMIT 1', schoolId),
    week: await one('SELECT w.id FROM weeks w JOIN classes c ON c.id = w.class_id WHERE c.school_id = ? ORDER BY w.id DESC LIMIT 1', schoolId),
    assignment: await one(
      'SELECT a.id FROM assignments a JOIN children c ON c.id = a.child_id WHERE c.school_id = ? ORDER BY a.id DESC LIMIT 1',
      schoolId,
    ),
    report: await one(
      'SELECT r.id FROM reports r JOIN assignments a ON a.id = r.assignment_id JOIN children c ON c.id = a.child_id WHERE c.school_id = ? ORDER BY r.id DESC LIMIT 1',
      schoolId,
    ),
    test: await one('SELECT t.id FROM class_tests t JOIN classes c ON c.id = t.class_id WHERE c.school_id = ? LIMIT 1', schoolId),
    plan: await one('SELECT id FROM term_plans WHERE school_id = ? LIMIT 1', schoolId),
    term: await one(
      'SELECT w.term_id AS id FROM weeks w JOIN classes c ON c.id = w.class_id WHERE c.school_id = ? ORDER BY w.id DESC LIMIT 1',
      schoolId,
    ),
  };
  const desk = { cookie: `lochside=${(await openSession(id.lead, schoolId, now)).token}` };
  const family = { authorization: `Bearer ${await transact((db) => tokenFor(db, serverKey, id.child, id.term, 'card', now))}` };
  const programKey = newSchoolKey();
  await transact((db) => addSchoolKey(db, { schoolId, teacherId: id.lead, name: 'p', tokenHash: hashToken(programKey) }, now));
  const program = { authorization: `Bearer ${programKey}` };
  const nobody = {};
  const of = (headers: Look['headers'], list: Readonly<Record<string, string>>) =>
    Object.entries(list).map(([file, path]): Look => ({ file, path, headers }));
  const group = `class=${id.class}`;
  return [
    ...of(desk, {
      '(desk)/today/page.tsx': '/today',
      '(desk)/games/page.tsx': '/games',
      '(desk)/games/new/page.tsx': '/games/new',
      '(desk)/games/[id]/page.tsx': `/games/${id.game}`,
      '(desk)/games/[id]/show/page.tsx': `/games/${id.game}/show`,
      '(desk)/plan/page.tsx': `/plan?plan=${id.plan}`,
      '(desk)/plan/cupboard/page.tsx': '/plan/cupboard',
      '(desk)/weeks/page.tsx': '/weeks',
      '(desk)/weeks/new/page.tsx': `/weeks/new?${group}`,
      '(desk)/weeks/[id]/page.tsx': `/weeks/${id.week}`,
      '(desk)/scores/page.tsx': `/scores?${group}`,
      '(desk)/scores/weeks/page.tsx': `/scores/weeks?${group}`,
      '(desk)/scores/progress/page.tsx': `/scores/progress?${group}`,
      '(desk)/scores/evening/page.tsx': `/scores/evening?${group}`,
      '(desk)/scores/doubts/page.tsx': `/scores/doubts?${group}`,
      '(desk)/scores/typing/page.tsx': `/scores/typing?${group}`,
      '(desk)/scores/bring-in/page.tsx': `/scores/bring-in?${group}`,
      '(desk)/classes/page.tsx': '/classes',
      '(desk)/classes/[id]/page.tsx': `/classes/${id.class}`,
      '(desk)/classes/[id]/links/page.tsx': `/classes/${id.class}/links`,
      '(desk)/classes/[id]/test/page.tsx': `/classes/${id.class}/test`,
      '(desk)/children/[id]/page.tsx': `/children/${id.child}`,
      '(desk)/school/page.tsx': '/school',
      '(desk)/school/deeds/page.tsx': '/school/deeds',
      '(desk)/school/keeping/page.tsx': '/school/keeping',
      '(desk)/school/data/page.tsx': '/school/data',
      '(desk)/school/server/page.tsx': '/school/server',
      'me/page.tsx': '/me',
      'page.tsx': '/',
      'api/v1/me/route.ts': '/api/v1/me',
      'api/v1/today/route.ts': '/api/v1/today',
      'api/v1/figures/route.ts': `/api/v1/figures?game=${id.game}&${group}`,
      'api/v1/classes/[id]/scores/route.ts': `/api/v1/classes/${id.class}/scores`,
      'api/v1/classes/[id]/levels/route.ts': `/api/v1/classes/${id.class}/levels?games=${id.game}`,
      'api/v1/classes/[id]/fit/route.ts': `/api/v1/classes/${id.class}/fit`,
      'api/v1/classes/[id]/doubts/route.ts': `/api/v1/classes/${id.class}/doubts`,
      'api/v1/classes/[id]/tests/route.ts': `/api/v1/classes/${id.class}/tests`,
      'api/v1/classes/[id]/sheets/route.ts': `/api/v1/classes/${id.class}/sheets`,
      'api/v1/classes/[id]/export/route.ts': `/api/v1/classes/${id.class}/export?format=json`,
      'api/v1/children/[id]/record/route.ts': `/api/v1/children/${id.child}/record`,
      'api/v1/reports/[id]/working/route.ts': `/api/v1/reports/${id.report}/working`,
      'api/v1/class-tests/[id]/route.ts': `/api/v1/class-tests/${id.test}`,
      'api/v1/plans/[id]/route.ts': `/api/v1/plans/${id.plan}`,
      'api/v1/plans/[id]/facts/route.ts': `/api/v1/plans/${id.plan}/facts`,
      'api/v1/plans/[id]/pars/route.ts': `/api/v1/plans/${id.plan}/pars`,
      'api/v1/plans/[id]/files/route.ts': `/api/v1/plans/${id.plan}/files?as=csv`,
      'api/v1/games/[id]/route.ts': `/api/v1/games/${id.game}`,
      'api/v1/games/set/route.ts': `/api/v1/games/set?game=${id.game}&measured=yes`,
      'api/v1/games/[id]/file/route.ts': `/api/v1/games/${id.game}/file`,
      'api/v1/games/[id]/versions/route.ts': `/api/v1/games/${id.game}/versions`,
      'api/v1/weeks/[id]/calendar/route.ts': `/api/v1/weeks/${id.week}/calendar`,
      'api/v1/weeks/[id]/notices/[notice]/route.ts': `/api/v1/weeks/${id.week}/notices/${NOBODY}`,
      'api/v1/people/route.ts': '/api/v1/people',
      'api/v1/people/deeds/route.ts': '/api/v1/people/deeds',
      'api/v1/assignments/[id]/route.ts': `/api/v1/assignments/${id.assignment}`,
      'api/v1/school/files/route.ts': '/api/v1/school/files',
    }),
    ...of(family, {
      'api/v1/home/card/route.ts': `/api/v1/home/card?games=${GAMES_OF}`,
      'api/v1/home/games/[id]/route.ts': `/api/v1/home/games/${id.assignment}`,
      'api/v1/home/weeks/route.ts': '/api/v1/home/weeks',
      'api/v1/home/calendar/route.ts': '/api/v1/home/calendar',
      'api/v1/home/first-sight/route.ts': '/api/v1/home/first-sight?language=en',
    }),
    ...of(program, { 'api/v1/assignments/route.ts': '/api/v1/assignments?class=P4%20Dippers' }),
    ...of(nobody, {
      'home/page.tsx': '/home',
      'sign-in/page.tsx': '/sign-in',
      'join/page.tsx': '/join',
      'api/v1/join/route.ts': '/api/v1/join',
      'api/v1/health/route.ts': '/api/v1/health',
      'api/v1/ready/route.ts': '/api/v1/ready',
    }),
  ];
}

/** What families and teachers send most, each once, and the heaviest deeds: a child erased, and at last the school. */
export async function sendsTo(schoolId: Uuid, serverKey: string, email: string, password: string): Promise<readonly Look[]> {
  const now = new Date();
  const lead = await firstRow<{ id: Buffer }>('SELECT id FROM teachers WHERE email = ?', [email]);
  const desk = { cookie: `lochside=${(await openSession(toText(lead!.id), schoolId, now)).token}` };
  const school = await firstRow<{ name: string }>('SELECT name FROM schools WHERE id = ?', [toBytes(schoolId)]);
  const sent = await firstRow<{ body: string; child_id: Buffer; term_id: Buffer; id: Buffer; name: string }>(
    `SELECT r.id, r.body, a.child_id, w.term_id, CONCAT(c.first_name, ' ', c.initial) AS name FROM reports r JOIN assignments a ON a.id = r.assignment_id
     JOIN week_items i ON i.id = a.week_item_id JOIN weeks w ON w.id = i.week_id JOIN children c ON c.id = a.child_id
     WHERE c.school_id = ? AND r.way = 'link' ORDER BY r.id DESC LIMIT 1`,
    [toBytes(schoolId)],
  );
  const childId = toText(sent!.child_id);
  const family = { authorization: `Bearer ${await transact((db) => tokenFor(db, serverKey, childId, toText(sent!.term_id), 'card', now))}` };
  const post = (path: string, headers: Look['headers'], body: unknown, method = 'POST'): Look => ({
    file: '',
    path: `/api/v1/${path}`,
    headers,
    method,
    body,
  });
  return [
    post('home/reports', family, { ...(JSON.parse(sent!.body) as object), playId: v7() }),
    post('sign-in', {}, { email, password, code: '' }),
    post(`reports/${toText(sent!.id)}/decision`, desk, { choice: 'set-aside' }),
    post(`children/${childId}/note`, desk, { words: 'catches well' }, 'PUT'),
    post(`children/${childId}/links`, desk, undefined),
    post(`children/${childId}/erase`, desk, { name: sent!.name }),
    post('school', desk, { name: school!.name, current: password }, 'DELETE'),
  ];
}

/** Asks for it as a browser does. */
export async function asked(
  address: string,
  { path, headers, method = 'GET', body }: Look,
): Promise<{ readonly status: number; readonly text: string }> {
  const writes = method !== 'GET';
  const answer = await fetch(`${address}${path}`, {
    method,
    redirect: 'manual',
    headers: { ...headers, ...(writes && { origin: address, 'content-type': 'application/json', [DEED_HEADER]: v7() }) },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
  return { status: answer.status, text: await answer.text() };
}

export interface Asked {
  /** A statement with its values, as it was asked first; its bytes as Latin-1. */
  readonly sql: string;
  /** How often one of its shape was asked. */
  readonly times: number;
}

const ENTRY = /^(?:\d{6} +\d+:\d\d:\d\d)?\t+ *\d+ ([A-Z][A-Za-z ]*)\t/m;

/** The statements of a general log of MariaDB, one of each shape. */
export function statementsIn(log: Buffer): readonly Asked[] {
  const parts = log.toString('latin1').split(new RegExp(ENTRY, 'gm'));
  const found = new Map<string, { sql: string; times: number }>();
  for (let at = 1; at < parts.length; at += 2) {
    const sql = parts[at + 1]!.trim();
    if (
      !['Execute', 'Query'].includes(parts[at]!) ||
      !/^(SELECT|UPDATE|DELETE|INSERT|REPLACE|WITH)\b/i.test(sql) ||
      sql.includes('information_schema')
    )
      continue;
    const shape = sql
      .replaceAll(/'(?:\\.|[^'\\])*'/gs, '?')
      .replaceAll(/\b\d+\b/g, '?')
      .replaceAll(/\(\s*\?(?:,\s*\?)*\s*\)/g, '(?)')
      .replaceAll(/\s+/g, ' ');
    const known = found.get(shape);
    if (known) known.times += 1;
    else found.set(shape, { sql, times: 1 });
  }
  return [...found.values()];
}

export interface Step {
  readonly table: string;
  /** How MariaDB gets at the rows: "ref", "range"; "ALL" and "index" read a table or an index whole. */
  readonly type: string;
  readonly key: string;
  /** How many it expects to read. */
  readonly rows: number;
}

/** How the database would answer. */
export async function planOf(db: mysql.Connection, sql: string): Promise<readonly Step[]> {
  // Rows that are only put in are looked up by nothing.
  if (/^(INSERT|REPLACE)/i.test(sql) && !/\bSELECT\b/i.test(sql)) return [];
  const [found] = await db.query(`EXPLAIN ${sql}`);
  return (found as { table: string | null; type: string | null; key: string | null; rows: number | string | null }[])
    .filter(({ table, type }) => table !== null && type !== null && !table.startsWith('<'))
    .map(({ table, type, key, rows }) => ({ table: table!, type: type!, key: key ?? '', rows: Number(rows) }));
}

/** A connection that sends text as the bytes that it was read from. */
export const latin1Connection = (url: string) => mysql.createConnection({ uri: url, charset: 'LATIN1_SWEDISH_CI' });
