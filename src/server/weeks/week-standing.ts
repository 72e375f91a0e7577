/** How a week that was sent stands: what was sent, who has not reported, what the class needs in all. */
import type { Uuid } from '@/contract/ids';
import type { KitThing } from '@/contract/assignment';
import { childrenOf } from '../db/children';
import { toBytes, toText } from '../db/ids';
import { rows } from '../db/pool';
import { versionBody, type Week } from '../db/weeks';

interface ItemRow {
  kind: 'warm-up' | 'game' | 'diary' | 'film' | 'page';
  game_version_id: Buffer | null;
  words: string;
  opens_on: string | null;
  id: Buffer;
}

async function itemsOf(weekId: Uuid): Promise<ItemRow[]> {
  return rows<ItemRow>('SELECT id, kind, game_version_id, words, opens_on FROM week_items WHERE week_id = ? ORDER BY position', [toBytes(weekId)]);
}

/** The event's title, or that of the one game. */
export async function titleOfWeek(week: Pick<Week, 'id' | 'title'>): Promise<string> {
  return week.title || titleOf(await itemsOf(week.id));
}

async function titleOf(items: readonly ItemRow[]): Promise<string> {
  const first = items.find((item) => item.game_version_id !== null);
  return first ? (await versionBody(toText(first.game_version_id!))).title : 'This week';
}

export interface WeekStanding {
  readonly title: string;
  readonly words: readonly { readonly kind: 'warm-up' | 'diary' | 'film' | 'page'; readonly words: string }[];
  readonly games: readonly {
    readonly title: string;
    readonly opensOn: string | null;
    /** How many children at which level. */
    readonly levels: readonly { readonly name: string; readonly children: number }[];
    readonly reported: number;
  }[];
  readonly children: number;
  /** Names of those who have reported none of its games. */
  readonly waiting: readonly { readonly childId: Uuid; readonly name: string; readonly medium: 'screen' | 'paper' }[];
  /** With the number for the whole class. */
  readonly kit: readonly (KitThing & { readonly total: number })[];
}

export async function standingOf(week: Week, today: string): Promise<WeekStanding> {
  const [items, children, assigned] = await Promise.all([
    itemsOf(week.id),
    childrenOf(week.classId, today),
    rows<{ week_item_id: Buffer; child_id: Buffer; level_id: string; reported: number }>(
      `SELECT a.week_item_id, a.child_id, a.level_id, (EXISTS (SELECT 1 FROM reports r WHERE r.assignment_id = a.id)
                OR EXISTS (SELECT 1 FROM look_marks m WHERE m.assignment_id = a.id AND m.film)) AS reported
         FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id = ?`,
      [toBytes(week.id)],
    ),
  ]);
  const reported = new Set(assigned.filter((row) => row.reported === 1).map((row) => toText(row.child_id)));
  const asked = new Set(assigned.map((row) => toText(row.child_id)));
  const games = await Promise.all(
    items
      .filter((item) => item.kind === 'game')
      .map(async (item) => {
        const game = await versionBody(toText(item.game_version_id!));
        const mine = assigned.filter((row) => row.week_item_id.equals(item.id));
        return {
          title: game.title,
          opensOn: item.opens_on,
          levels: game.levels.flatMap(({ id, name }) => {
            const n = mine.filter((row) => row.level_id === id).length;
            return n > 0 ? [{ name, children: n }] : [];
          }),
          reported: mine.filter((row) => row.reported === 1).length,
        };
      }),
  );
  return {
    title: week.title || (await titleOf(items)),
    words: items.flatMap((item) => (item.kind === 'game' ? [] : [{ kind: item.kind, words: item.words }])),
    games,
    children: asked.size,
    waiting: children
      .filter((child) => asked.has(child.id) && !reported.has(child.id))
      .map((child) => ({ childId: child.id, name: `${child.firstName} ${child.initial}`, medium: child.medium })),
    kit: week.kit.map((thing) => ({ ...thing, total: thing.n * asked.size })),
  };
}
