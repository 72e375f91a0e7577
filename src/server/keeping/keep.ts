/**
 * What a school keeps no longer, by its rules: counted for the page that says what will go when, and taken away by the job. Each kind in small
 * transactions, so that a job that was killed goes on where it was.
 */
import { KEPT_KINDS, type Gone, type KeepingStanding, type KeepingRules, type KeptKind, type KeptNow } from '@/contract/keeping';
import type { Uuid } from '@/contract/ids';
import { dayPlus } from '@/core/measure/days';
import type { Report } from '@/core/reports/report';
import { eraseChild } from '../classes/erase-child';
import { leaversOf } from '../db/children';
import { toBytes } from '../db/ids';
import { note, noted } from '../db/instance';
import { change, direct, firstRow, remove, rows, transact, type Db } from '../db/pool';
import { digestOf } from '../db/reports';
import { audit } from '../db/schools';
import { dueMoment, schoolDay } from '../school-day';
import { whereOf } from './school-tables';
import { daysGoesOn, leaverGoesOn, rawGoesOn, rawKeptSince, yearsLater } from './dates';

export interface KeepsIts {
  readonly schoolId: Uuid;
  readonly timeZone: string;
}

export const KEEPING_APPLIED = 'keeping applied';
const AT_A_TIME = 200;

/** Something of one kind: the rows of a school that are there, the column of their moment, and how those up to a moment go. */
interface Kept {
  /** Behind FROM; its one value is the school. */
  readonly rows: string;
  readonly at: string;
  /** Takes some away, or all; how many. Whoever takes less than `AT_A_TIME` is done. */
  readonly take: (db: Db, school: Buffer, until: Date) => Promise<number>;
}

const deleted = (table: string, where: string, at: string): Kept => ({
  rows: `${table} WHERE ${where}`,
  at,
  take: (db, school, until) => change(db, `DELETE FROM ${table} WHERE ${where} AND ${at} <= ? LIMIT ${AT_A_TIME}`, [school, until]),
});

/** Of children: all at once, found by keys. A school has few of them, since the job comes every day. */
const deletedOfChildren = (table: string, at: string): Kept => ({
  rows: `${table} WHERE ${whereOf(table)}`,
  at,
  take: (db, school, until) => remove(db, table, `${whereOf(table)} AND ${at} <= ?`, [school, until]),
});

const emptied = (table: string, where: string, at: string, set: string): Kept => ({
  rows: `${table} WHERE ${where}`,
  at,
  take: (db, school, until) => change(db, `UPDATE ${table} SET ${set} WHERE ${where} AND ${at} <= ? LIMIT ${AT_A_TIME}`, [school, until]),
});

const OF_SCHOOL = whereOf('reports');

/** Reports without their single tries: what they came to, and what was said with them, stays. */
const tries: Kept = {
  rows: `reports WHERE ${OF_SCHOOL} AND stripped_at IS NULL`,
  at: 'received_at',
  take: async (db, school, until) => {
    const found = await rows<{ id: Buffer; said: string; digest: string | null }>(
      `SELECT id, IF(digest IS NULL, body, '') AS said, digest FROM reports WHERE ${OF_SCHOOL} AND stripped_at IS NULL AND received_at <= ? LIMIT ${AT_A_TIME} FOR UPDATE`,
      [school, until],
      db,
    );
    for (const { id, said, digest } of found) {
      const kept = digest ?? digestOfBody(said);
      await change(db, 'UPDATE reports SET body = ?, digest = ?, stripped_at = UTC_TIMESTAMP(3) WHERE id = ?', [kept, kept, id]);
    }
    return found.length;
  },
};

/** Of reports from before there were digests. */
function digestOfBody(body: string): string {
  const { report, gameVersion } = JSON.parse(body) as { report: Report; gameVersion?: number };
  return digestOf({ report, gameVersion: gameVersion ?? null });
}

/** Only the mark stays by which a message is not read a second time. */
const EMPTY_MESSAGE = "words = '', source = '', reading = '{}'";

const audited: Kept = {
  ...deleted('audit', 'school_id = ?', 'at'),
  take: async (db, school, until) => {
    // The database refuses to delete these without being told.
    await change(db, 'SET @lochside_deletes = 1');
    const gone = await change(db, `DELETE FROM audit WHERE school_id = ? AND at <= ? LIMIT ${AT_A_TIME}`, [school, until]);
    await change(db, 'SET @lochside_deletes = 0');
    return gone;
  },
};

interface Rule {
  readonly of: readonly Kept[];
  /** The day on which what came on `day` goes; what came before this day goes on `today`. */
  readonly goesOn: (day: string, rules: KeepingRules) => string;
  readonly keptSince: (today: string, rules: KeepingRules) => string;
}

const byDays = (of: readonly Kept[], days: (rules: KeepingRules) => number): Rule => ({
  of,
  goesOn: (day, rules) => daysGoesOn(day, days(rules)),
  keptSince: (today, rules) => dayPlus(today, -days(rules)),
});

const RULES: Readonly<Record<Exclude<KeptKind, 'leavers'>, Rule>> = {
  raw: {
    of: [
      tries,
      emptied('incoming', "school_id = ? AND settled_at IS NOT NULL AND words <> ''", 'received_at', EMPTY_MESSAGE),
      emptied('batches', "school_id = ? AND name <> ''", 'made_at', "name = ''"),
      deleted('outbox', 'school_id = ?', 'made_at'),
    ],
    goesOn: (day, { rawYears }) => rawGoesOn(day, rawYears),
    keptSince: (today, { rawYears }) => rawKeptSince(today, rawYears),
  },
  waiting: byDays(
    [emptied('incoming', 'school_id = ? AND settled_at IS NULL', 'received_at', `${EMPTY_MESSAGE}, settled_at = UTC_TIMESTAMP(3)`)],
    ({ waitingDays }) => waitingDays,
  ),
  sessions: byDays(
    [
      deleted('sessions', 'school_id = ?', 'expires_at'),
      deleted('people_links', 'school_id = ?', 'ends_at'),
      deletedOfChildren('short_codes', 'ends_on'),
      deletedOfChildren('child_days', 'day'),
    ],
    ({ sessionDays }) => sessionDays,
  ),
  audit: {
    of: [audited],
    goesOn: (day, { auditYears }) => dayPlus(yearsLater(day, auditYears), 1),
    keptSince: (today, { auditYears }) => yearsLater(today, -auditYears),
  },
};

/** What came before this moment goes on `today`. */
const until = (rule: Rule, today: string, rules: KeepingRules, timeZone: string) => dueMoment(dayPlus(rule.keptSince(today, rules), -1), timeZone);

export async function keepingRules(schoolId: Uuid): Promise<KeepingRules> {
  const row = await firstRow<Record<'raw' | 'waiting' | 'leaver' | 'session' | 'audit', number>>(
    `SELECT keep_raw_years AS raw, keep_waiting_days AS waiting, keep_leaver_years AS leaver, keep_session_days AS session, keep_audit_years AS audit
       FROM schools WHERE id = ?`,
    [toBytes(schoolId)],
  );
  return { rawYears: row!.raw, waitingDays: row!.waiting, leaverYears: row!.leaver, sessionDays: row!.session, auditYears: row!.audit };
}

export async function setKeepingRules(db: Db, schoolId: Uuid, rules: KeepingRules): Promise<void> {
  await change(
    db,
    'UPDATE schools SET keep_raw_years = ?, keep_waiting_days = ?, keep_leaver_years = ?, keep_session_days = ?, keep_audit_years = ? WHERE id = ?',
    [rules.rawYears, rules.waitingDays, rules.leaverYears, rules.sessionDays, rules.auditYears, toBytes(schoolId)],
  );
}

const countOf = async (kept: Kept, school: Buffer, upTo?: Date): Promise<number> =>
  Number(
    (await firstRow<{ n: number }>(`SELECT COUNT(*) AS n FROM ${kept.rows}${upTo ? ` AND ${kept.at} <= ?` : ''}`, [school, ...(upTo ? [upTo] : [])]))!
      .n,
  );

const total = async (of: readonly Kept[], school: Buffer, upTo?: Date) =>
  (await Promise.all(of.map((kept) => countOf(kept, school, upTo)))).reduce((sum, n) => sum + n, 0);

async function keptNow(kind: Exclude<KeptKind, 'leavers'>, { schoolId, timeZone }: KeepsIts, rules: KeepingRules, today: string): Promise<KeptNow> {
  const rule = RULES[kind];
  const school = toBytes(schoolId);
  const there = await total(rule.of, school);
  const oldest = await Promise.all(
    // A column of days is given as a moment too.
    rule.of.map(
      async ({ rows: from, at }) => (await firstRow<{ at: Date | null }>(`SELECT CAST(MIN(${at}) AS DATETIME) AS at FROM ${from}`, [school]))!.at,
    ),
  );
  const first = oldest.filter((at) => at !== null).sort((a, b) => a.getTime() - b.getTime())[0];
  if (!first) return { kind, there, next: null };
  const falls = rule.goesOn(schoolDay(first, timeZone), rules);
  const on = falls > today ? falls : today;
  return { kind, there, next: { on, count: await total(rule.of, school, until(rule, on, rules, timeZone)) } };
}

/** What is there of each kind, and what will go when. */
export async function keepingOf(school: KeepsIts, now: Date): Promise<KeepingStanding> {
  const today = schoolDay(now, school.timeZone);
  const rules = await keepingRules(school.schoolId);
  const leavers = (await leaversOf(school.schoolId, today, null))
    .map((one) => ({ ...one, goesOn: leaverGoesOn(one.leftOn, rules.leaverYears) }))
    .sort((a, b) => (a.goesOn < b.goesOn ? -1 : a.goesOn > b.goesOn ? 1 : 0));
  const nextOn = leavers[0] && (leavers[0].goesOn > today ? leavers[0].goesOn : today);
  const kept = await Promise.all(
    KEPT_KINDS.map((kind) =>
      kind === 'leavers'
        ? { kind, there: leavers.length, next: nextOn ? { on: nextOn, count: leavers.filter(({ goesOn }) => goesOn <= nextOn).length } : null }
        : keptNow(kind, school, rules, today),
    ),
  );
  return { rules, kept, leavers, appliedAt: (await noted(KEEPING_APPLIED))?.at.toISOString() ?? null };
}

/** Takes away what is over, or with `dry` only counts it. How much of each kind. */
export async function applyKeeping({ schoolId, timeZone }: KeepsIts, now: Date, dry = false): Promise<Gone> {
  const today = schoolDay(now, timeZone);
  const rules = await keepingRules(schoolId);
  const school = toBytes(schoolId);
  const gone: Record<KeptKind, number> = { raw: 0, waiting: 0, leavers: 0, sessions: 0, audit: 0 };
  for (const [kind, rule] of Object.entries(RULES) as [Exclude<KeptKind, 'leavers'>, Rule][]) {
    const upTo = until(rule, today, rules, timeZone);
    for (const kept of rule.of) gone[kind] += dry ? await countOf(kept, school, upTo) : await takeAll(kept, school, upTo);
  }
  // Last, so that a dry run counts what is theirs as the job does.
  for (const { id, leftOn } of await leaversOf(schoolId, today, null)) {
    if (leaverGoesOn(leftOn, rules.leaverYears) > today) continue;
    if (!dry) await eraseChild(schoolId, null, id, now);
    gone.leavers += 1;
  }
  if (!dry && Object.values(gone).some((n) => n > 0))
    await audit(direct(), { schoolId, teacherId: null, action: 'kept no longer', detail: gone }, now);
  return gone;
}

async function takeAll(kept: Kept, school: Buffer, upTo: Date): Promise<number> {
  for (let all = 0; ;) {
    const some = await transact((db) => kept.take(db, school, upTo));
    all += some;
    if (some < AT_A_TIME) return all;
  }
}

export const noteKeepingApplied = (now: Date): Promise<void> => note(KEEPING_APPLIED, '', now);
