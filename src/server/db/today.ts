/** What the first page asks of a whole school, one statement for all classes. */
import type { Uuid } from '@/contract/ids';
import { ENROLLED } from './children';
import { groupedBy } from './grouped';
import { toBytes, toText } from './ids';
import { rows } from './pool';

export interface SentGame {
  readonly itemId: Uuid;
  readonly versionId: Uuid;
  readonly gameId: Uuid;
  /** How many children at which level. */
  readonly levels: readonly { readonly id: string; readonly children: number }[];
}

export interface WeekWithGames {
  readonly id: Uuid;
  readonly classId: Uuid;
  readonly number: number;
  readonly title: string;
  readonly sentAt: Date;
  readonly dueOn: string;
  readonly takenBack: boolean;
  readonly games: readonly SentGame[];
}

/** The weeks of a school since a day, the newest first, with their games. */
export async function weeksWithGames(schoolId: Uuid, since: string): Promise<WeekWithGames[]> {
  const found = await rows<{
    id: Buffer;
    class_id: Buffer;
    number: number;
    title: string;
    sent_at: Date;
    due_on: string;
    back: number;
    item_id: Buffer | null;
    version_id: Buffer;
    game_id: Buffer;
    level_id: string | null;
    children: number;
  }>(
    `SELECT w.id, w.class_id, w.number, w.title, w.sent_at, w.due_on, w.taken_back_at IS NOT NULL AS back,
            i.id AS item_id, i.game_version_id AS version_id, v.game_id, a.level_id, COUNT(a.id) AS children
       FROM weeks w JOIN classes c ON c.id = w.class_id
       LEFT JOIN week_items i ON i.week_id = w.id AND i.kind = 'game'
       LEFT JOIN game_versions v ON v.id = i.game_version_id
       LEFT JOIN assignments a ON a.week_item_id = i.id
      WHERE c.school_id = ? AND w.sent_at >= ?
      GROUP BY w.id, i.id, a.level_id
      ORDER BY w.sent_at DESC, w.number DESC, i.position`,
    [toBytes(schoolId), since],
  );
  return [...groupedBy(found, (row) => toText(row.id))].map(([id, of]): WeekWithGames => {
    const [first] = of as [(typeof of)[number]];
    const items = groupedBy(
      of.filter((row) => row.item_id !== null),
      (row) => toText(row.item_id!),
    );
    return {
      id,
      classId: toText(first.class_id),
      number: first.number,
      title: first.title,
      sentAt: first.sent_at,
      dueOn: first.due_on,
      takenBack: first.back === 1,
      games: [...items].map(([itemId, levels]) => ({
        itemId,
        versionId: toText(levels[0]!.version_id),
        gameId: toText(levels[0]!.game_id),
        levels: levels.flatMap((row) => (row.level_id === null ? [] : [{ id: row.level_id, children: Number(row.children) }])),
      })),
    };
  });
}

const byClass = (found: readonly { class_id: Buffer; n: number }[]): ReadonlyMap<Uuid, number> =>
  new Map(found.map(({ class_id, n }) => [toText(class_id), Number(n)]));

/** By class: what came in and is nobody's yet. */
export async function waitingByClass(schoolId: Uuid): Promise<ReadonlyMap<Uuid, number>> {
  return byClass(
    await rows(
      `SELECT n.class_id, COUNT(*) AS n FROM incoming n LEFT JOIN batches b ON b.id = n.batch_id
        WHERE n.school_id = ? AND n.settled_at IS NULL AND b.undone_at IS NULL GROUP BY n.class_id`,
      [toBytes(schoolId)],
    ),
  );
}

/** By class: children for whom neither a link nor a slip was made that is good on this day. */
export async function unlinkedByClass(schoolId: Uuid, day: string): Promise<ReadonlyMap<Uuid, number>> {
  return byClass(
    await rows(
      `SELECT e.class_id, COUNT(*) AS n FROM enrolments e JOIN classes c ON c.id = e.class_id
        WHERE c.school_id = ? AND ${ENROLLED}
          AND NOT EXISTS (SELECT 1 FROM access_keys k JOIN terms t ON t.id = k.term_id
                           WHERE k.child_id = e.child_id AND k.revoked_at IS NULL AND t.starts_on <= ? AND t.ends_on >= ?)
        GROUP BY e.class_id`,
      [toBytes(schoolId), day, day, day, day],
    ),
  );
}

/** By week, who has handed in a film in this school since a day. */
export async function filmsOfSchool(schoolId: Uuid, since: string): Promise<ReadonlyMap<Uuid, readonly Uuid[]>> {
  const found = await rows<{ week_id: Buffer; child_id: Buffer }>(
    `SELECT i.week_id, a.child_id FROM weeks w JOIN classes c ON c.id = w.class_id JOIN week_items i ON i.week_id = w.id
       JOIN assignments a ON a.week_item_id = i.id JOIN look_marks m ON m.assignment_id = a.id
      WHERE c.school_id = ? AND w.sent_at >= ? AND m.film`,
    [toBytes(schoolId), since],
  );
  const byWeek = groupedBy(found, (row) => toText(row.week_id));
  return new Map([...byWeek].map(([week, of]) => [week, of.map((row) => toText(row.child_id))]));
}
