/** The movement diary: what, how many minutes, whose initials. An entry is struck out, never changed or deleted. */
import type { DiaryEntry } from '@/contract/diary';
import type { Uuid } from '@/contract/ids';
import { groupedBy } from './grouped';
import { padded } from './gather';
import { toBytes, toText } from './ids';
import { errorNumber } from './patience';
import { change, direct, DUPLICATE, firstRow, rows } from './pool';

interface DiaryRow {
  id: Buffer;
  child_id: Buffer;
  week_id: Buffer;
  on_day: string;
  what: string;
  minutes: number;
  initials: string;
  struck_at: Date | null;
}

const entryOf = (row: DiaryRow): DiaryEntry => ({
  id: toText(row.id),
  weekId: toText(row.week_id),
  day: row.on_day,
  what: row.what,
  minutes: row.minutes,
  initials: row.initials,
  struck: row.struck_at !== null,
});

const ENTRY = 'SELECT id, child_id, week_id, on_day, what, minutes, initials, struck_at FROM diary_entries';

export async function diaryOfChild(childId: Uuid): Promise<DiaryEntry[]> {
  return (await rows<DiaryRow>(`${ENTRY} WHERE child_id = ? ORDER BY on_day, id`, [toBytes(childId)])).map(entryOf);
}

type EntriesByChild = ReadonlyMap<Uuid, readonly DiaryEntry[]>;

/** Every child's entries of a week that were not struck out, by child. */
export async function diaryOfWeek(weekId: Uuid): Promise<EntriesByChild> {
  return (await diaryOfWeeks([weekId])).get(weekId) ?? new Map<Uuid, readonly DiaryEntry[]>();
}

/** The same of many weeks, in one statement. */
export async function diaryOfWeeks(weekIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, EntriesByChild>> {
  if (weekIds.length === 0) return new Map();
  const asked = padded(weekIds);
  const found = await rows<DiaryRow>(
    `${ENTRY} WHERE week_id IN (${asked.map(() => '?').join(', ')}) AND struck_at IS NULL ORDER BY on_day, id`,
    asked.map(toBytes),
  );
  const byWeek = groupedBy(found, (row) => toText(row.week_id));
  return new Map(
    [...byWeek].map(([week, entries]) => [
      week,
      new Map([...groupedBy(entries, (row) => toText(row.child_id))].map(([child, own]) => [child, own.map(entryOf)])),
    ]),
  );
}

/** Whether something of this week was asked of this child. */
export async function weekIsOfChild(weekId: Uuid, childId: Uuid): Promise<boolean> {
  return (
    (await firstRow('SELECT 1 AS mine FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id = ? AND a.child_id = ? LIMIT 1', [
      toBytes(weekId),
      toBytes(childId),
    ])) !== undefined
  );
}

/** Lines of the diary of one child in one week, struck out or not. */
export async function diaryLines(weekId: Uuid, childId: Uuid): Promise<number> {
  const row = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM diary_entries WHERE week_id = ? AND child_id = ?', [
    toBytes(weekId),
    toBytes(childId),
  ]);
  return Number(row!.n);
}

/** Lines of this child that came since then, in whatever week, but for these. */
export async function diaryLinesSince(childId: Uuid, since: Date, but: readonly Uuid[]): Promise<number> {
  const asked = padded(but);
  const row = await firstRow<{ n: number }>(
    `SELECT COUNT(*) AS n FROM diary_entries WHERE child_id = ? AND created_at >= ? AND id NOT IN (${asked.map(() => '?').join(', ')})`,
    [toBytes(childId), since, ...asked.map(toBytes)],
  );
  return Number(row!.n);
}

/** Writes an entry, or strikes out one that is there. False when its id belongs to another child's entry. */
export async function keepDiaryEntry(childId: Uuid, entry: DiaryEntry, now: Date): Promise<boolean> {
  const values = [toBytes(childId), toBytes(entry.weekId), entry.day, entry.what, entry.minutes, entry.initials, entry.struck ? now : null, now];
  try {
    await change(
      direct(),
      'INSERT INTO diary_entries (id, child_id, week_id, on_day, what, minutes, initials, struck_at, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
      [toBytes(entry.id), ...values],
    );
    return true;
  } catch (error) {
    if (errorNumber(error) !== DUPLICATE) throw error;
  }
  const known = await firstRow<DiaryRow>(`${ENTRY} WHERE id = ?`, [toBytes(entry.id)]);
  if (!known || toText(known.child_id) !== childId) return false;
  if (entry.struck && known.struck_at === null)
    await change(direct(), 'UPDATE diary_entries SET struck_at = ? WHERE id = ? AND struck_at IS NULL', [now, toBytes(entry.id)]);
  return true;
}
