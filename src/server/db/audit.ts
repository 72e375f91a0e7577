/** Who did what, as it is looked at. Rows are only ever added; the database refuses to change one. */
import type { DeedDone } from '@/contract/people';
import { isUuid, type Uuid } from '@/contract/ids';
import { dayPlus, isDay } from '@/core/measure/days';
import { dueMoment } from '../school-day';
import { parsed } from './games';
import { toBytes, toText } from './ids';
import { rows, type Value } from './pool';

export interface DeedsAsked {
  /** Only what this person did, or only what has this in its name; from a day of the school on and up to one, ISO 8601. */
  readonly by: Uuid | null;
  readonly action: string;
  readonly from: string;
  readonly until: string;
}

export const MOST_DEEDS = 200;

/** What an address asks for; what is no id or no day narrows nothing. */
export function deedsAsked(query: Readonly<Record<string, unknown>>): DeedsAsked {
  const text = (name: string) => (typeof query[name] === 'string' ? query[name] : '');
  const dayOf = (name: string) => (isDay(text(name)) ? text(name) : '');
  const by = text('by');
  return { by: isUuid(by) ? by : null, action: text('action').slice(0, 60), from: dayOf('from'), until: dayOf('until') };
}

/** The newest first; `most` of them. */
export async function deedsDone(
  { schoolId, timeZone }: { schoolId: Uuid; timeZone: string },
  { by, action, from, until }: DeedsAsked,
  most = MOST_DEEDS,
): Promise<DeedDone[]> {
  const where: string[] = ['a.school_id = ?'];
  const values: Value[] = [toBytes(schoolId)];
  const only = (condition: string, value: Value) => {
    where.push(condition);
    values.push(value);
  };
  if (by) only('a.teacher_id = ?', toBytes(by));
  if (action !== '') only('a.action = ?', action);
  // After the last moment of the day before, up to the last of the day itself.
  if (from !== '') only('a.at > ?', dueMoment(dayPlus(from, -1), timeZone));
  if (until !== '') only('a.at <= ?', dueMoment(until, timeZone));
  const found = await rows<{ id: Buffer; at: Date; name: string | null; action: string; subject: Buffer | null; detail: unknown }>(
    `SELECT a.id, a.at, t.name, a.action, a.subject, a.detail FROM audit a LEFT JOIN teachers t ON t.id = a.teacher_id
      WHERE ${where.join(' AND ')} ORDER BY a.at DESC, a.id DESC LIMIT ${most}`,
    values,
  );
  return found.map((row) => ({
    id: toText(row.id),
    at: row.at.toISOString(),
    who: row.name ?? '',
    action: row.action,
    subject: row.subject ? toText(row.subject) : null,
    detail: detailWords(parsed<Readonly<Record<string, unknown>>>(row.detail as string)),
  }));
}

/** "role: helper, children: 24": what was noted beside a deed, on one line; of a list how many. */
function detailWords(detail: Readonly<Record<string, unknown>>): string {
  return Object.entries(detail)
    .map(([key, value]) => `${key}: ${Array.isArray(value) ? value.length : typeof value === 'object' ? JSON.stringify(value) : String(value)}`)
    .join(', ');
}

/** Every kind of deed that this school has. */
export async function kindsOfDeed(schoolId: Uuid): Promise<string[]> {
  return (await rows<{ action: string }>('SELECT DISTINCT action FROM audit WHERE school_id = ? ORDER BY action', [toBytes(schoolId)])).map(
    ({ action }) => action,
  );
}
