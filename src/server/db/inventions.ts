/** Games that children made and sent: the plan and what they scored. Whose it is stays here; a class game made of it does not know. */
import type { Uuid } from '@/contract/ids';
import type { InventedPlan } from '@/core/invent/plan';
import { ENROLLED } from './children';
import { parsed } from './games';
import { toBytes, toText } from './ids';
import { errorNumber } from './patience';
import { change, direct, DUPLICATE, firstRow, rows, type Db } from './pool';

const MOST_OF_CLASSMATES = 12;

export interface Invention {
  readonly id: Uuid;
  readonly childName: string;
  readonly plan: InventedPlan;
  readonly score: number | null;
  readonly receivedAt: Date;
  /** The class game that was made of it; null for none yet. */
  readonly gameId: Uuid | null;
}

interface InventionRow {
  id: Buffer;
  first_name: string;
  initial: string;
  body: InventedPlan | string;
  score: number | null;
  received_at: Date;
  game_id: Buffer | null;
}

const inventionOf = (row: InventionRow): Invention => ({
  id: toText(row.id),
  childName: `${row.first_name} ${row.initial}`,
  plan: parsed(row.body),
  score: row.score,
  receivedAt: row.received_at,
  gameId: row.game_id ? toText(row.game_id) : null,
});

const INVENTION = `SELECT v.id, ch.first_name, ch.initial, v.body, v.score, v.received_at, v.game_id
  FROM inventions v JOIN children ch ON ch.id = v.child_id`;

/** Stores one once, however often it is sent. False when its id belongs to another child's. */
export async function keepInvention(childId: Uuid, invention: { id: Uuid; plan: InventedPlan; score: number | null }, now: Date): Promise<boolean> {
  try {
    await change(direct(), 'INSERT INTO inventions (id, child_id, body, score, received_at) VALUES (?, ?, ?, ?, ?)', [
      toBytes(invention.id),
      toBytes(childId),
      JSON.stringify(invention.plan),
      invention.score,
      now,
    ]);
    return true;
  } catch (error) {
    if (errorNumber(error) !== DUPLICATE) throw error;
  }
  return (await firstRow('SELECT 1 AS mine FROM inventions WHERE id = ? AND child_id = ?', [toBytes(invention.id), toBytes(childId)])) !== undefined;
}

/** Games that this child made since then, but for this one. */
export async function inventionsOfChild(childId: Uuid, since: Date, but: Uuid): Promise<number> {
  const row = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM inventions WHERE child_id = ? AND received_at >= ? AND id <> ?', [
    toBytes(childId),
    since,
    toBytes(but),
  ]);
  return Number(row!.n);
}

/** What children who are in this class sent, newest first. */
export async function inventionsOfClass(classId: Uuid, today: string): Promise<Invention[]> {
  return (
    await rows<InventionRow>(
      `${INVENTION} JOIN enrolments e ON e.child_id = ch.id
        WHERE e.class_id = ? AND ${ENROLLED} ORDER BY v.received_at DESC, v.id DESC LIMIT 100`,
      [toBytes(classId), today, today],
    )
  ).map(inventionOf);
}

/** Games that others of this child's class made and a teacher put on the shelf, under the title that they have there, newest first. Nobody is named. */
export async function inventionsOfClassmates(childId: Uuid, today: string): Promise<InventedPlan[]> {
  const found = await rows<{ body: InventedPlan | string; title: string }>(
    `SELECT v.body, JSON_VALUE(g.draft, '$.title') AS title FROM inventions v
       JOIN games g ON g.id = v.game_id AND g.put_away_at IS NULL
       JOIN enrolments e ON e.child_id = v.child_id
       JOIN enrolments mine ON mine.class_id = e.class_id AND mine.child_id = ?
      WHERE v.child_id <> mine.child_id AND ${ENROLLED} AND ${ENROLLED.replaceAll('e.', 'mine.')}
      ORDER BY v.received_at DESC, v.id DESC LIMIT ${MOST_OF_CLASSMATES}`,
    [toBytes(childId), today, today, today, today],
  );
  return found.map(({ body, title }) => ({ ...parsed(body), title }));
}

export async function inventionOfSchool(schoolId: Uuid, id: Uuid): Promise<Invention | undefined> {
  const row = await firstRow<InventionRow>(`${INVENTION} WHERE v.id = ? AND ch.school_id = ?`, [toBytes(id), toBytes(schoolId)]);
  return row && inventionOf(row);
}

/** Notes the class game that was made of it; false when somebody was first. */
export async function takenAs(db: Db, id: Uuid, gameId: Uuid): Promise<boolean> {
  return (await change(db, 'UPDATE inventions SET game_id = ? WHERE id = ? AND game_id IS NULL', [toBytes(gameId), toBytes(id)])) === 1;
}
