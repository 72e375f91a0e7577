import type { Verdict, VerdictKind } from '@/core/reports/judge';
import type { Report } from '@/core/reports/report';
import { ENGINE_VERSION } from '@/core/rules/compile';
import { newId, toBytes, toText, type Uuid } from './ids';
import { change, firstRow, rows, type Db } from './pool';

export interface NewReport {
  readonly assignmentId: Uuid;
  readonly accessKeyId: Uuid | null;
  readonly enteredBy: Uuid | null;
  readonly clientPlayId: Uuid;
  readonly bodyHash: Buffer;
  readonly body: string;
  readonly report: Report;
  readonly verdict: Verdict;
  /** Of each go, whether it was played as it was asked or with an equal set-up. */
  readonly asAsked: readonly boolean[];
  readonly receivedAt: Date;
}

/** `number` rows of placeholders for one INSERT. */
function placeholders(columns: number, number: number): string {
  const row = `(${new Array(columns).fill('?').join(', ')})`;
  return new Array(number).fill(row).join(', ');
}

/**
 * Stores reports as they came, their plays and their first verdicts. Throws error 1062 when one of the plays was stored before; the
 * transaction of the caller then holds nothing of them.
 */
export async function storeReports(db: Db, added: readonly NewReport[]): Promise<void> {
  const ids = added.map(() => newId());
  await change(
    db,
    `INSERT INTO reports (id, assignment_id, access_key_id, entered_by, source, client_play_id, body_hash, body, client_started_at, client_sent_at, received_at)
     VALUES ${placeholders(11, added.length)}`,
    added.flatMap((one, index) => [
      ids[index]!,
      toBytes(one.assignmentId),
      one.accessKeyId ? toBytes(one.accessKeyId) : null,
      one.enteredBy ? toBytes(one.enteredBy) : null,
      toBytes((one.accessKeyId ?? one.enteredBy)!),
      toBytes(one.clientPlayId),
      one.bodyHash,
      one.body,
      new Date(one.report.startedAt),
      new Date(one.report.sentAt),
      one.receivedAt,
    ]),
  );
  const plays = added.flatMap(({ report, verdict, asAsked }, index) =>
    report.goes.map((go, goIndex) => {
      const judged = verdict.goes[goIndex]!;
      return [
        newId(),
        ids[index]!,
        goIndex + 1,
        go.level,
        go.counting,
        JSON.stringify({ ...go.setUp, form: go.form, hand: go.hand, otherHand: go.otherHand }),
        JSON.stringify(go.events),
        judged.result?.value ?? null,
        judged.result?.unit ?? go.unit,
        judged.result?.attempts ?? 0,
        judged.result?.successes ?? 0,
        judged.seconds,
        asAsked[goIndex] ?? false,
      ];
    }),
  );
  await change(
    db,
    `INSERT INTO plays (id, report_id, go_number, level_id, counting, set_up, events, value, unit, attempts, successes, seconds, as_asked) VALUES ${placeholders(13, plays.length)}`,
    plays.flat(),
  );
  await change(
    db,
    `INSERT INTO verdicts (id, report_id, kind, reasons, engine_version, created_at) VALUES ${placeholders(6, added.length)}`,
    added.flatMap(({ verdict, receivedAt }, index) => [
      newId(),
      ids[index]!,
      verdict.kind,
      JSON.stringify(verdict.reasons),
      ENGINE_VERSION,
      receivedAt,
    ]),
  );
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

export interface ReportedPlay {
  readonly reportId: Uuid;
  readonly assignmentId: Uuid;
  readonly childId: Uuid;
  readonly versionId: Uuid;
  readonly weekId: Uuid;
  readonly levelId: string;
  /** As it was asked, or with an equal set-up: only like is compared with like. */
  readonly asAsked: boolean;
  /** The same for plays that are like each other, when both were played as asked. */
  readonly likeKey: string;
  readonly goNumber: number;
  readonly value: number | null;
  readonly total: number;
  readonly attempts: number;
  readonly successes: number;
  readonly seconds: number;
  readonly kind: VerdictKind;
  readonly reasons: readonly { readonly sentence: string }[];
  readonly receivedAt: Date;
  readonly typed: boolean;
  readonly felt: string | null;
  readonly looks: Report['looks'];
  /** A word to the teacher; empty for none. */
  readonly word: string;
}

interface ReportedRow {
  report_id: Buffer;
  assignment_id: Buffer;
  child_id: Buffer;
  game_version_id: Buffer;
  week_id: Buffer;
  level_id: string;
  go_number: number;
  as_asked: number | null;
  assigned_level: string;
  set_up: unknown;
  value: number | null;
  attempts: number;
  successes: number;
  seconds: number;
  kind: VerdictKind;
  reasons: unknown;
  received_at: Date;
  entered_by: Buffer | null;
  body: string;
}

/** Every play reported by the children who were assigned something in this class, oldest first, with the newest verdict on it. */
export async function playsOfClass(classId: Uuid): Promise<ReportedPlay[]> {
  return playsWhere(
    'a.child_id IN (SELECT a2.child_id FROM assignments a2 JOIN week_items i2 ON i2.id = a2.week_item_id JOIN weeks w2 ON w2.id = i2.week_id WHERE w2.class_id = ?)',
    classId,
  );
}

export async function playsOfChild(childId: Uuid): Promise<ReportedPlay[]> {
  return playsWhere('a.child_id = ?', childId);
}

async function playsWhere(condition: string, id: Uuid): Promise<ReportedPlay[]> {
  const found = await rows<ReportedRow>(
    `SELECT r.id AS report_id, r.assignment_id, a.child_id, i.game_version_id, i.week_id, p.level_id, p.go_number, p.as_asked, a.level_id AS assigned_level, p.set_up, p.value, p.attempts, p.successes,
            p.seconds, r.received_at, r.entered_by, r.body,
            (SELECT v.kind FROM verdicts v WHERE v.report_id = r.id ORDER BY v.created_at DESC, v.id DESC LIMIT 1) AS kind,
            (SELECT v.reasons FROM verdicts v WHERE v.report_id = r.id ORDER BY v.created_at DESC, v.id DESC LIMIT 1) AS reasons
       FROM reports r
       JOIN assignments a ON a.id = r.assignment_id
       JOIN week_items i ON i.id = a.week_item_id
       JOIN plays p ON p.report_id = r.id
      WHERE ${condition}
      ORDER BY r.received_at, r.id, p.go_number`,
    [toBytes(id)],
  );
  return found.map((row) => {
    const body = (JSON.parse(row.body) as { report: Report }).report;
    const setUp = (typeof row.set_up === 'string' ? JSON.parse(row.set_up) : row.set_up) as Record<string, unknown>;
    return {
      reportId: toText(row.report_id),
      assignmentId: toText(row.assignment_id),
      childId: toText(row.child_id),
      versionId: toText(row.game_version_id),
      weekId: toText(row.week_id),
      levelId: row.level_id,
      asAsked: row.as_asked === null ? row.level_id === row.assigned_level && setUp['otherHand'] !== true : row.as_asked === 1,
      likeKey: `${toText(row.game_version_id)}|${row.level_id}|${String(setUp['form'])}`,
      goNumber: row.go_number,
      value: row.value,
      total: body.goes[row.go_number - 1]?.total ?? 0,
      attempts: row.attempts,
      successes: row.successes,
      seconds: row.seconds,
      kind: row.kind,
      reasons: (typeof row.reasons === 'string' ? JSON.parse(row.reasons) : row.reasons) as { sentence: string }[],
      receivedAt: row.received_at,
      typed: row.entered_by !== null,
      felt: body.felt ?? null,
      looks: body.looks,
      word: body.word ?? '',
    };
  });
}
