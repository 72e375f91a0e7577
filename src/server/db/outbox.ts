/** What would be sent to families: texts that are ready, kept with the week. Real mail is left to the school's own channel. */
import type { Uuid } from '@/contract/ids';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

export interface FamilyNotice {
  readonly id: Uuid;
  readonly kind: 'week' | 'reminder' | 'ask';
  readonly subject: string;
  readonly words: string;
  readonly madeAt: Date;
}

interface NoticeRow {
  id: Buffer;
  kind: 'week' | 'reminder' | 'ask';
  subject: string;
  words: string;
  made_at: Date;
}

const noticeOf = (row: NoticeRow): FamilyNotice => ({
  id: toText(row.id),
  kind: row.kind,
  subject: row.subject,
  words: row.words,
  madeAt: row.made_at,
});

export async function addNotice(
  db: Db,
  notice: { schoolId: Uuid; weekId: Uuid; kind: FamilyNotice['kind']; subject: string; words: string },
  now: Date,
): Promise<FamilyNotice> {
  const id = newId();
  await change(db, 'INSERT INTO outbox (id, school_id, week_id, kind, subject, words, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(notice.schoolId),
    toBytes(notice.weekId),
    notice.kind,
    notice.subject,
    notice.words,
    now,
  ]);
  return { id: toText(id), kind: notice.kind, subject: notice.subject, words: notice.words, madeAt: now };
}

/** A text that asks a family about one report. */
export async function addAskNotice(
  db: Db,
  notice: { schoolId: Uuid; weekId: Uuid; reportId: Uuid; subject: string; words: string },
  now: Date,
): Promise<Uuid> {
  const id = newId();
  await change(db, "INSERT INTO outbox (id, school_id, week_id, kind, subject, words, made_at, report_id) VALUES (?, ?, ?, 'ask', ?, ?, ?, ?)", [
    id,
    toBytes(notice.schoolId),
    toBytes(notice.weekId),
    notice.subject,
    notice.words,
    now,
    toBytes(notice.reportId),
  ]);
  return toText(id);
}

/** The notices of a week of this school, newest first. */
export async function noticesOf(schoolId: Uuid, weekId: Uuid): Promise<FamilyNotice[]> {
  return (
    await rows<NoticeRow>('SELECT id, kind, subject, words, made_at FROM outbox WHERE school_id = ? AND week_id = ? ORDER BY made_at DESC, id DESC', [
      toBytes(schoolId),
      toBytes(weekId),
    ])
  ).map(noticeOf);
}

export async function noticeOfSchool(schoolId: Uuid, noticeId: Uuid): Promise<FamilyNotice | undefined> {
  const row = await firstRow<NoticeRow>('SELECT id, kind, subject, words, made_at FROM outbox WHERE school_id = ? AND id = ?', [
    toBytes(schoolId),
    toBytes(noticeId),
  ]);
  return row && noticeOf(row);
}
