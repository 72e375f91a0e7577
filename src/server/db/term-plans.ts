import type { KeptTermPlan, SentCell } from '@/contract/term-plan';
import type { Uuid } from '@/contract/ids';
import type { TermDocument } from '@/core/plan/document';
import { padded } from './gather';
import { parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

export interface ListedPlan {
  readonly id: Uuid;
  readonly name: string;
  readonly startsOn: string;
  readonly endsOn: string;
}

interface PlanRow {
  id: Buffer;
  document: TermDocument | string;
  revision: number;
}

/** The plans of a school, that of the latest term first. */
export async function plansOf(schoolId: Uuid): Promise<ListedPlan[]> {
  const found = await rows<{ id: Buffer; name: string; starts_on: string; ends_on: string }>(
    'SELECT id, name, starts_on, ends_on FROM term_plans WHERE school_id = ? ORDER BY starts_on DESC, id DESC',
    [toBytes(schoolId)],
  );
  return found.map((row) => ({ id: toText(row.id), name: row.name, startsOn: row.starts_on, endsOn: row.ends_on }));
}

export async function planById(schoolId: Uuid, planId: Uuid, db?: Db): Promise<KeptTermPlan | undefined> {
  const row = await firstRow<PlanRow>(
    'SELECT id, document, revision FROM term_plans WHERE school_id = ? AND id = ?',
    [toBytes(schoolId), toBytes(planId)],
    db,
  );
  return row && { id: toText(row.id), revision: row.revision, document: parsed(row.document) };
}

/** The plan of the term that is on, or else of one that begins by a day; of several that of the latest term. */
export async function planOn(schoolId: Uuid, day: string, beginsBy: string): Promise<KeptTermPlan | undefined> {
  const row = await firstRow<PlanRow>(
    `SELECT id, document, revision FROM term_plans WHERE school_id = ? AND starts_on <= ? AND ends_on >= ?
      ORDER BY starts_on <= ? DESC, starts_on DESC, id DESC LIMIT 1`,
    [toBytes(schoolId), beginsBy, day, day],
  );
  return row && { id: toText(row.id), revision: row.revision, document: parsed(row.document) };
}

/** Of these ids of cells, those under which a week was sent to their classes that was not taken back. */
export async function sentAsOf(classIds: readonly Uuid[], cellIds: readonly Uuid[]): Promise<ReadonlySet<Uuid>> {
  if (classIds.length === 0 || cellIds.length === 0) return new Set();
  const [of, asked] = [padded(classIds), padded(cellIds)];
  const found = await rows<{ sent_as: Buffer }>(
    `SELECT sent_as FROM weeks WHERE class_id IN (${of.map(() => '?').join(', ')}) AND sent_as IN (${asked.map(() => '?').join(', ')})
        AND taken_back_at IS NULL`,
    [...of, ...asked].map(toBytes),
  );
  return new Set(found.map(({ sent_as }) => toText(sent_as)));
}

export async function addPlan(db: Db, schoolId: Uuid, document: TermDocument, now: Date): Promise<Uuid> {
  const id = newId();
  await change(
    db,
    'INSERT INTO term_plans (id, school_id, name, starts_on, ends_on, document, created_at, updated_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    [id, toBytes(schoolId), document.name, document.startsOn, document.endsOn, JSON.stringify(document), now, now],
  );
  return toText(id);
}

/** Keeps a plan when it is still the revision that the window began with; otherwise changes nothing and gives false. */
export async function savePlan(db: Db, schoolId: Uuid, planId: Uuid, revision: number, document: TermDocument, now: Date): Promise<boolean> {
  const touched = await change(
    db,
    `UPDATE term_plans SET document = ?, name = ?, starts_on = ?, ends_on = ?, revision = revision + 1, updated_at = ?
      WHERE school_id = ? AND id = ? AND revision = ?`,
    [JSON.stringify(document), document.name, document.startsOn, document.endsOn, now, toBytes(schoolId), toBytes(planId), revision],
  );
  return touched === 1;
}

export const deletePlan = async (db: Db, schoolId: Uuid, planId: Uuid): Promise<boolean> =>
  (await change(db, 'DELETE FROM term_plans WHERE school_id = ? AND id = ?', [toBytes(schoolId), toBytes(planId)])) === 1;

export interface GameSent {
  readonly classId: Uuid;
  readonly gameId: Uuid;
  /** The id under which its week was sent; null for one of before. */
  readonly sentAs: Uuid | null;
}

interface SentRow {
  class_id: Buffer;
  id: Buffer;
  number: number;
  due_on: string;
  sent_as: Buffer | null;
  taken_back: number;
  game_id: Buffer;
}

/** What has been sent to these classes: each game that was not taken back, and the weeks that have an id of their own. */
export async function sentToClasses(
  classIds: readonly Uuid[],
): Promise<{ readonly games: readonly GameSent[]; readonly weeks: readonly SentCell[] }> {
  if (classIds.length === 0) return { games: [], weeks: [] };
  const asked = padded(classIds);
  const found = await rows<SentRow>(
    `SELECT w.class_id, w.id, w.number, w.due_on, w.sent_as, w.taken_back_at IS NOT NULL AS taken_back, v.game_id
       FROM weeks w JOIN week_items i ON i.week_id = w.id JOIN game_versions v ON v.id = i.game_version_id
      WHERE w.class_id IN (${asked.map(() => '?').join(', ')}) ORDER BY w.sent_at`,
    asked.map(toBytes),
  );
  const weeks = new Map<string, SentCell>();
  for (const { sent_as, id, number, due_on, taken_back } of found)
    if (sent_as) weeks.set(toText(sent_as), { sentAs: toText(sent_as), weekId: toText(id), number, dueOn: due_on, takenBack: taken_back === 1 });
  return {
    games: found
      .filter((row) => row.taken_back === 0)
      .map((row) => ({ classId: toText(row.class_id), gameId: toText(row.game_id), sentAs: row.sent_as ? toText(row.sent_as) : null })),
    weeks: [...weeks.values()],
  };
}
