import type { Uuid } from '@/contract/ids';
import type { AssignedSetUp } from '@/contract/assignment';
import type { WayIn } from '@/core/reports/around';
import type { Choice } from '@/core/reports/decision';
import type { Reason, Verdict, VerdictKind } from '@/core/reports/judge';
import { toldOf, type Report, type ToldReport } from '@/core/reports/report';
import { ENGINE_VERSION } from '@/core/rules/playing/program';
import { parsed } from './games';
import { padded } from './gather';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, insertMany, rows, type Db } from './pool';

export interface NewReport {
  readonly assignmentId: Uuid;
  readonly accessKeyId: Uuid | null;
  readonly enteredBy: Uuid | null;
  /** By a link that had been replaced or had ended: it waits to be looked at. */
  readonly byOldLink: boolean;
  /** Whose play ids these are: the child's, of who typed it in, or of another program's key. */
  readonly source: Uuid;
  readonly clientPlayId: Uuid;
  readonly bodyHash: Buffer;
  readonly body: string;
  readonly report: Report;
  /** The number of the version that was played, where the sender says it. */
  readonly gameVersion: number | null;
  readonly verdict: Verdict;
  /** Of each go, whether it was played as it was asked or with an equal set-up. */
  readonly asAsked: readonly boolean[];
  readonly receivedAt: Date;
  readonly way: WayIn;
  readonly batchId: Uuid | null;
}

const REPORT = [
  'id',
  'assignment_id',
  'access_key_id',
  'entered_by',
  'source',
  'client_play_id',
  'body_hash',
  'body',
  'received_at',
  'way',
  'batch_id',
  'by_old_link',
  'digest',
];
const PLAY = ['id', 'report_id', 'go_number', 'level_id', 'value', 'attempts', 'successes', 'seconds', 'as_asked'];
const VERDICT = ['id', 'report_id', 'kind', 'reasons', 'engine_version', 'created_at'];

/** What came by a child's links is counted by its day (UTC): children in the order of their ids, so that two servers do not wait for each other. */
async function countDay(db: Db, added: readonly NewReport[]): Promise<void> {
  const byDay = new Map<string, { childId: Uuid; day: string; reports: number; bytes: number }>();
  for (const { accessKeyId, source: childId, receivedAt, body } of added) {
    if (accessKeyId === null) continue;
    const day = utcDay(receivedAt);
    const known = byDay.get(`${childId} ${day}`) ?? { childId, day, reports: 0, bytes: 0 };
    byDay.set(`${childId} ${day}`, { ...known, reports: known.reports + 1, bytes: known.bytes + Buffer.byteLength(body) });
  }
  if (byDay.size === 0) return;
  const rowsOf = padded([...byDay.entries()].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, one]) => one));
  const seen = new Set<string>();
  await change(
    db,
    `INSERT INTO child_days (child_id, day, reports, bytes) VALUES ${rowsOf.map(() => '(?, ?, ?, ?)').join(', ')}
     ON DUPLICATE KEY UPDATE reports = reports + VALUES(reports), bytes = bytes + VALUES(bytes)`,
    rowsOf.flatMap(({ childId, day, reports, bytes }) => {
      // Rows that only fill up the statement add nothing.
      const again = seen.has(`${childId} ${day}`);
      seen.add(`${childId} ${day}`);
      return [toBytes(childId), day, again ? 0 : reports, again ? 0 : bytes];
    }),
  );
}

/** The day in UTC: what is limited by the day is limited alike everywhere. */
export const utcDay = (now: Date): string => now.toISOString().slice(0, 10);

/** What views of a class need of a report: all but what happened moment by moment. */
export const digestOf = ({ report, gameVersion }: Pick<NewReport, 'report' | 'gameVersion'>): string =>
  JSON.stringify({ report: toldOf(report), ...(gameVersion !== null && { gameVersion }) });

/**
 * Stores reports as they came, their plays and their first verdicts. Throws error 1062 when one of the plays was stored before; the
 * transaction of the caller then holds nothing of them. The ids are in the order of the reports.
 */
export async function storeReports(db: Db, added: readonly NewReport[]): Promise<Uuid[]> {
  const ids = added.map(() => newId());
  await insertMany(
    db,
    'reports',
    REPORT,
    added.map((one, index) => [
      ids[index]!,
      toBytes(one.assignmentId),
      one.accessKeyId ? toBytes(one.accessKeyId) : null,
      one.enteredBy ? toBytes(one.enteredBy) : null,
      toBytes(one.source),
      toBytes(one.clientPlayId),
      one.bodyHash,
      one.body,
      one.receivedAt,
      one.way,
      one.batchId ? toBytes(one.batchId) : null,
      one.byOldLink,
      digestOf(one),
    ]),
  );
  await insertMany(
    db,
    'plays',
    PLAY,
    added.flatMap(({ report, verdict, asAsked }, index) =>
      report.goes.map((go, goIndex) => {
        const { result, seconds } = verdict.goes[goIndex]!;
        return [
          newId(),
          ids[index]!,
          goIndex + 1,
          go.level,
          result?.value ?? null,
          result?.attempts ?? 0,
          result?.successes ?? 0,
          seconds,
          asAsked[goIndex] ?? false,
        ];
      }),
    ),
  );
  await insertMany(
    db,
    'verdicts',
    VERDICT,
    added.map(({ verdict, receivedAt }, index) => [newId(), ids[index]!, verdict.kind, JSON.stringify(verdict.reasons), ENGINE_VERSION, receivedAt]),
  );
  await countDay(db, added);
  return ids.map(toText);
}

export interface StoredReport {
  readonly id: Uuid;
  readonly bodyHash: Buffer;
  readonly receivedAt: Date;
}

export async function reportByPlay(source: Uuid, clientPlayId: Uuid): Promise<StoredReport | undefined> {
  const row = await firstRow<{ id: Buffer; body_hash: Buffer; received_at: Date }>(
    'SELECT id, body_hash, received_at FROM reports WHERE source = ? AND client_play_id = ?',
    [toBytes(source), toBytes(clientPlayId)],
  );
  return row && { id: toText(row.id), bodyHash: row.body_hash, receivedAt: row.received_at };
}

/** How many reports came under this link after it had been replaced or had ended. Whoever asks next waits for this transaction. */
export async function countByOldLink(db: Db, keyId: Uuid): Promise<number> {
  await rows('SELECT id FROM access_keys WHERE id = ? FOR UPDATE', [toBytes(keyId)], db);
  const row = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM reports WHERE access_key_id = ? AND by_old_link', [toBytes(keyId)], db);
  return Number(row!.n);
}

/** A play as it is stored, with the newest verdict and what a person decided of it. */
export interface StoredPlay {
  readonly reportId: Uuid;
  readonly assignmentId: Uuid;
  readonly childId: Uuid;
  readonly versionId: Uuid;
  /** The number of that version, and of the one that the report says was played. */
  readonly version: { readonly sent: number; readonly played: number | null };
  readonly weekId: Uuid;
  readonly dueOn: string;
  readonly timeZone: string;
  readonly assignedLevelId: string;
  readonly setUp: AssignedSetUp;
  /** What was likely for one go as it was asked; null where it is not forecast. */
  readonly par: number | null;
  readonly homeFormsId: Uuid | null;
  /** As it was asked, or with an equal set-up: only like is compared with like. */
  readonly asAsked: boolean;
  readonly goNumber: number;
  readonly value: number | null;
  readonly attempts: number;
  readonly successes: number;
  readonly seconds: number;
  readonly kind: VerdictKind;
  readonly reasons: readonly Reason[];
  readonly receivedAt: Date;
  readonly way: WayIn;
  readonly byOldLink: boolean;
  readonly batchId: Uuid | null;
  /** What a person answered to the doubt; null for none, or withdrawn. */
  readonly choice: Choice | null;
  readonly report: ToldReport;
}

interface PlayRow {
  report_id: Buffer;
  assignment_id: Buffer;
  child_id: Buffer;
  game_version_id: Buffer;
  version_number: number;
  week_id: Buffer;
  due_on: string;
  time_zone: string;
  level_id: string;
  go_number: number;
  as_asked: number | null;
  assigned_level: string;
  assigned_set_up: AssignedSetUp | string;
  par: number | null;
  home_forms_id: Buffer | null;
  value: number | null;
  attempts: number;
  successes: number;
  seconds: number;
  kind: VerdictKind;
  reasons: Reason[] | string;
  received_at: Date;
  way: WayIn;
  by_old_link: number;
  batch_id: Buffer | null;
  choice: Choice | null;
  said: string;
}

/** Who was assigned something in a class. */
const CHILDREN_OF_CLASS =
  'a.child_id IN (SELECT a2.child_id FROM assignments a2 JOIN week_items i2 ON i2.id = a2.week_item_id JOIN weeks w2 ON w2.id = i2.week_id WHERE w2.class_id = ?)';

/** Of whom reports are asked for. */
export type Whose = { readonly classId: Uuid } | { readonly childId: Uuid };

/** The condition on their assignments, and its value: of a class the children who were assigned something in it. */
const assignedTo = (whose: Whose): readonly [string, Uuid] =>
  'classId' in whose ? [CHILDREN_OF_CLASS, whose.classId] : ['a.child_id = ?', whose.childId];

/**
 * What tells reports that stand from others, or from themselves at another time: how many there are, how many verdicts, decisions and decisions
 * taken back, and their ids folded together.
 */
export interface ReportsMark {
  readonly reports: number;
  readonly reportIds: number;
  readonly verdicts: number;
  readonly verdictIds: number;
  readonly decisions: number;
  readonly decisionIds: number;
  readonly withdrawn: number;
}

const NO_MARK: ReportsMark = { reports: 0, reportIds: 0, verdicts: 0, verdictIds: 0, decisions: 0, decisionIds: 0, withdrawn: 0 };

/** The mark of the reports of two marks together. */
const folded = (one: ReportsMark, other: ReportsMark): ReportsMark => ({
  reports: one.reports + other.reports,
  reportIds: (one.reportIds ^ other.reportIds) >>> 0,
  verdicts: one.verdicts + other.verdicts,
  verdictIds: (one.verdictIds ^ other.verdictIds) >>> 0,
  decisions: one.decisions + other.decisions,
  decisionIds: (one.decisionIds ^ other.decisionIds) >>> 0,
  withdrawn: one.withdrawn + other.withdrawn,
});

/** The mark of all these reports. */
export const markOfAll = (stamps: readonly ReportStamp[], from: ReportsMark = NO_MARK): ReportsMark =>
  stamps.reduce((sum, { mark }) => folded(sum, mark), from);

export const sameMark = (one: ReportsMark, other: ReportsMark): boolean =>
  (Object.keys(NO_MARK) as (keyof ReportsMark)[]).every((part) => one[part] === other[part]);

/** A report that stands, of whom it is and when it came; its mark is another one whenever what is known of it is. */
export interface ReportStamp {
  readonly reportId: Uuid;
  readonly childId: Uuid;
  readonly receivedMs: number;
  readonly mark: ReportsMark;
}

/** Every report that stands, oldest first; `after` an id only those that were taken in later. */
export async function stampsOf(whose: Whose, after?: Uuid): Promise<ReportStamp[]> {
  const [assigned, id] = assignedTo(whose);
  const found = await rows<{ id: Buffer; child_id: Buffer; received_at: Date; crc: number; verdicts: string; decisions: string }>(
    `SELECT r.id, a.child_id, r.received_at, CRC32(r.id) AS crc,
            (SELECT CONCAT(COUNT(*), ' ', BIT_XOR(CRC32(v.id))) FROM verdicts v WHERE v.report_id = r.id) AS verdicts,
            (SELECT CONCAT(COUNT(*), ' ', BIT_XOR(CRC32(d.id)), ' ', COUNT(d.withdrawn_at)) FROM decisions d WHERE d.report_id = r.id) AS decisions
       FROM reports r JOIN assignments a ON a.id = r.assignment_id LEFT JOIN batches b ON b.id = r.batch_id
      WHERE ${assigned} AND b.undone_at IS NULL ${after === undefined ? '' : 'AND r.id > ?'}
      ORDER BY r.received_at, r.id`,
    [toBytes(id), ...(after === undefined ? [] : [toBytes(after)])],
  );
  return found.map((row) => {
    const [verdicts, verdictIds] = row.verdicts.split(' ').map(Number) as [number, number];
    const [decisions, decisionIds, withdrawn] = row.decisions.split(' ').map(Number) as [number, number, number];
    return {
      reportId: toText(row.id),
      childId: toText(row.child_id),
      receivedMs: row.received_at.getTime(),
      mark: { reports: 1, reportIds: row.crc, verdicts, verdictIds, decisions, decisionIds, withdrawn },
    };
  });
}

/** The mark of all that `stampsOf` would give, without reading it: three counts in one statement. */
export async function markOf(whose: Whose): Promise<ReportsMark> {
  const [assigned, id] = assignedTo(whose);
  const of = (what: string, ids: string, more = '', withdrawn = '0') =>
    `SELECT '${what}' AS what, COUNT(*) AS n, BIT_XOR(CRC32(${ids})) AS ids, ${withdrawn} AS withdrawn
       FROM reports r JOIN assignments a ON a.id = r.assignment_id LEFT JOIN batches b ON b.id = r.batch_id ${more}
      WHERE ${assigned} AND b.undone_at IS NULL`;
  const found = await rows<{ what: string; n: number; ids: string | number; withdrawn: number }>(
    [
      of('reports', 'r.id'),
      of('verdicts', 'v.id', 'JOIN verdicts v ON v.report_id = r.id'),
      of('decisions', 'd.id', 'JOIN decisions d ON d.report_id = r.id', 'COUNT(d.withdrawn_at)'),
    ].join(' UNION ALL '),
    [toBytes(id), toBytes(id), toBytes(id)],
  );
  const counted = (what: string) => found.find((row) => row.what === what)!;
  const [reports, verdicts, decisions] = [counted('reports'), counted('verdicts'), counted('decisions')];
  return {
    reports: reports.n,
    reportIds: Number(reports.ids),
    verdicts: verdicts.n,
    verdictIds: Number(verdicts.ids),
    decisions: decisions.n,
    decisionIds: Number(decisions.ids),
    withdrawn: Number(decisions.withdrawn),
  };
}

/** So many reports are read with one statement: what a statement gives stands in memory twice for a moment. */
const MOST_READ = 128;

/** The plays of these reports, those of one report one after the other. */
export async function storedPlays(reportIds: readonly Uuid[]): Promise<StoredPlay[]> {
  const plays: StoredPlay[] = [];
  for (let at = 0; at < reportIds.length; at += MOST_READ) plays.push(...(await playsOfSome(reportIds.slice(at, at + MOST_READ))));
  return plays;
}

/** What happened in every go of these reports, by report: read for what rests on single tries, and let go of. Of reports whose tries are no longer kept nothing. */
export async function bodiesOf(reportIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, Report>> {
  const bodies = new Map<Uuid, Report>();
  for (let at = 0; at < reportIds.length; at += MOST_READ) {
    const asked = padded(reportIds.slice(at, at + MOST_READ));
    const found = await rows<{ id: Buffer; body: string }>(
      `SELECT id, body FROM reports WHERE stripped_at IS NULL AND id IN (${asked.map(() => '?').join(', ')})`,
      asked.map(toBytes),
    );
    for (const { id, body } of found) bodies.set(toText(id), (JSON.parse(body) as { report: Report }).report);
  }
  return bodies;
}

async function playsOfSome(reportIds: readonly Uuid[]): Promise<StoredPlay[]> {
  const asked = padded(reportIds);
  const found = await rows<PlayRow>(
    `SELECT r.id AS report_id, r.assignment_id, a.child_id, i.game_version_id, gv.number AS version_number, i.week_id, w.due_on, s.time_zone,
            p.level_id, p.go_number, p.as_asked, a.level_id AS assigned_level, a.set_up AS assigned_set_up, a.par, a.home_forms_id, p.value, p.attempts,
            p.successes, p.seconds, r.received_at, r.way, r.by_old_link, r.batch_id, COALESCE(r.digest, r.body) AS said,
            (SELECT d.choice FROM decisions d WHERE d.report_id = r.id AND d.withdrawn_at IS NULL ORDER BY d.created_at DESC, d.id DESC LIMIT 1) AS choice,
            (SELECT v.kind FROM verdicts v WHERE v.report_id = r.id ORDER BY v.created_at DESC, v.id DESC LIMIT 1) AS kind,
            (SELECT v.reasons FROM verdicts v WHERE v.report_id = r.id ORDER BY v.created_at DESC, v.id DESC LIMIT 1) AS reasons
       FROM reports r
       JOIN assignments a ON a.id = r.assignment_id
       JOIN week_items i ON i.id = a.week_item_id
       JOIN weeks w ON w.id = i.week_id
       JOIN classes c ON c.id = w.class_id
       JOIN schools s ON s.id = c.school_id
       JOIN game_versions gv ON gv.id = i.game_version_id
       JOIN plays p ON p.report_id = r.id
      WHERE r.id IN (${asked.map(() => '?').join(', ')})
      ORDER BY r.received_at, r.id, p.go_number`,
    asked.map(toBytes),
  );
  let last: { id: Buffer; envelope: { report: ToldReport; gameVersion?: number } } | null = null;
  return found.map((row) => {
    // The goes of one report share its body, which is read once.
    if (!last?.id.equals(row.report_id)) {
      const { report: told, gameVersion: version } = JSON.parse(row.said) as { report: Report; gameVersion?: number };
      last = { id: row.report_id, envelope: { report: toldOf(told), ...(version !== undefined && { gameVersion: version }) } };
    }
    const { report, gameVersion } = last.envelope;
    return {
      reportId: toText(row.report_id),
      assignmentId: toText(row.assignment_id),
      childId: toText(row.child_id),
      versionId: toText(row.game_version_id),
      version: { sent: row.version_number, played: gameVersion ?? null },
      weekId: toText(row.week_id),
      dueOn: row.due_on,
      timeZone: row.time_zone,
      assignedLevelId: row.assigned_level,
      setUp: parsed(row.assigned_set_up),
      par: row.par,
      homeFormsId: row.home_forms_id ? toText(row.home_forms_id) : null,
      asAsked: row.as_asked === null ? row.level_id === row.assigned_level && report.goes[row.go_number - 1]?.otherHand !== true : row.as_asked === 1,
      goNumber: row.go_number,
      value: row.value,
      attempts: row.attempts,
      successes: row.successes,
      seconds: row.seconds,
      kind: row.kind,
      reasons: parsed(row.reasons),
      receivedAt: row.received_at,
      way: row.way,
      byOldLink: row.by_old_link === 1,
      batchId: row.batch_id ? toText(row.batch_id) : null,
      choice: row.choice,
      report,
    };
  });
}
