import type { AssignedSetUp, KitThing, AroundTheGames } from '@/contract/assignment';
import type { Uuid } from '@/contract/ids';
import type { KnownLevel } from '@/core/reports/reach';
import type { Game } from '@/core/rules/format/game';
import { cache, keptOr } from '../caches';
import { storedGame, parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { padded } from './gather';
import { change, firstRow, insertMany, rows, type Db } from './pool';

export interface NewAssignment {
  readonly childId: Uuid;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
  /** Null for a kind of game that is not forecast. */
  readonly par: number | null;
  readonly parLow: number | null;
  readonly parHigh: number | null;
  /** Attempts of the class that the forecast rests on; 0 for what is assumed for the age. */
  readonly restsOn: number;
  readonly luckShare: number | null;
  /** The class's spread as a multiple of its age's, by its reports; null while it is not calibrated. */
  readonly fitSkill: number | null;
  readonly modelVersion: number;
  readonly seed: number;
  /** The forms in which it may be played, shared by children who are alike. */
  readonly homeFormsId: Uuid | null;
}

export interface Week {
  readonly id: Uuid;
  readonly classId: Uuid;
  readonly number: number;
  readonly dueOn: string;
  readonly sentAt: Date;
  readonly note: string;
  /** Of an event; else empty. */
  readonly title: string;
  readonly kit: readonly KitThing[];
  /** Sent by mistake: it stands on no card any more; what came in is kept. */
  readonly takenBack: boolean;
}

interface WeekRow {
  id: Buffer;
  class_id: Buffer;
  number: number;
  due_on: string;
  sent_at: Date;
  note: string;
  title: string;
  kit: KitThing[] | string | null;
  taken_back_at: Date | null;
}

const weekOf = (row: WeekRow): Week => ({
  id: toText(row.id),
  classId: toText(row.class_id),
  number: row.number,
  dueOn: row.due_on,
  sentAt: row.sent_at,
  note: row.note,
  title: row.title,
  kit: row.kit === null ? [] : parsed(row.kit),
  takenBack: row.taken_back_at !== null,
});

export async function addWeek(
  db: Db,
  week: { classId: Uuid; termId: Uuid; dueOn: string; note: string; title: string; kit: readonly KitThing[]; sentAs: Uuid | null },
  now: Date,
): Promise<{ id: Uuid; number: number }> {
  const last = await firstRow<{ number: number | null }>(
    'SELECT MAX(number) AS number FROM weeks WHERE class_id = ? AND term_id = ? FOR UPDATE',
    [toBytes(week.classId), toBytes(week.termId)],
    db,
  );
  const id = newId();
  const number = (last?.number ?? 0) + 1;
  await change(
    db,
    'INSERT INTO weeks (id, class_id, term_id, number, sent_at, due_on, note, title, kit, sent_as) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [
      id,
      toBytes(week.classId),
      toBytes(week.termId),
      number,
      now,
      week.dueOn,
      week.note,
      week.title,
      week.kit.length > 0 ? JSON.stringify(week.kit) : null,
      week.sentAs ? toBytes(week.sentAs) : null,
    ],
  );
  return { id: toText(id), number };
}

/** The week that was sent to this class under this id; undefined for none. */
export async function weekSentAs(
  db: Db,
  classId: Uuid,
  sentAs: Uuid,
): Promise<{ id: Uuid; number: number; termId: Uuid; children: number } | undefined> {
  const row = await firstRow<{ id: Buffer; number: number; term_id: Buffer; children: number }>(
    `SELECT w.id, w.number, w.term_id,
            (SELECT COUNT(DISTINCT a.child_id) FROM assignments a JOIN week_items i ON i.id = a.week_item_id WHERE i.week_id = w.id) AS children
       FROM weeks w WHERE w.class_id = ? AND w.sent_as = ?`,
    [toBytes(classId), toBytes(sentAs)],
    db,
  );
  return row && { id: toText(row.id), number: row.number, termId: toText(row.term_id), children: Number(row.children) };
}

export async function addItem(
  db: Db,
  weekId: Uuid,
  item: {
    position: number;
    kind: 'warm-up' | 'game' | 'diary' | 'film' | 'page';
    gameVersionId: Uuid | null;
    words: string;
    opensOn?: string | null;
    filmAlone?: boolean;
  },
): Promise<Uuid> {
  const id = newId();
  await change(
    db,
    'INSERT INTO week_items (id, week_id, position, kind, game_version_id, words, opens_on, film_alone) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    [
      id,
      toBytes(weekId),
      item.position,
      item.kind,
      item.gameVersionId ? toBytes(item.gameVersionId) : null,
      item.words,
      item.opensOn ?? null,
      item.filmAlone ?? false,
    ],
  );
  return toText(id);
}

const ASSIGNED = [
  'id',
  'week_item_id',
  'child_id',
  'level_id',
  'set_up',
  'par',
  'par_low',
  'par_high',
  'rests_on',
  'luck_share',
  'fit_skill',
  'model_version',
  'seed',
  'home_forms_id',
  'created_at',
];

/** Gives every child what it is to play. */
export async function assign(db: Db, added: readonly (NewAssignment & { readonly itemId: Uuid })[], now: Date): Promise<void> {
  await insertMany(
    db,
    'assignments',
    ASSIGNED,
    added.map((one) => [
      newId(),
      toBytes(one.itemId),
      toBytes(one.childId),
      one.levelId,
      JSON.stringify(one.setUp),
      one.par,
      one.parLow,
      one.parHigh,
      one.restsOn,
      one.luckShare,
      one.fitSkill,
      one.modelVersion,
      one.seed,
      one.homeFormsId ? toBytes(one.homeFormsId) : null,
      now,
    ]),
  );
}

/** The weeks of a class, newest first. */
export async function weeksOf(classId: Uuid): Promise<Week[]> {
  return (
    await rows<WeekRow>(
      'SELECT id, class_id, number, due_on, sent_at, note, title, kit, taken_back_at FROM weeks WHERE class_id = ? ORDER BY sent_at DESC, number DESC',
      [toBytes(classId)],
    )
  ).map(weekOf);
}

/** Takes a week off the cards, or puts it on them again. */
export async function takeBackWeek(db: Db, weekId: Uuid, at: Date | null): Promise<void> {
  await change(db, 'UPDATE weeks SET taken_back_at = ? WHERE id = ?', [at, toBytes(weekId)]);
}

/** Whether the film is all that a week asks for. */
export async function asksFilmAlone(weekId: Uuid): Promise<boolean> {
  const row = await firstRow<{ alone: number | null }>('SELECT MAX(film_alone) AS alone FROM week_items WHERE week_id = ?', [toBytes(weekId)]);
  return row?.alone === 1;
}

/** A week of this school with its term, its class and the words around its games. */
export async function weekOfSchool(
  schoolId: Uuid,
  weekId: Uuid,
): Promise<(Week & { termId: Uuid; className: string; classAge: number }) | undefined> {
  const row = await firstRow<WeekRow & { term_id: Buffer; class_name: string; age_years: number }>(
    `SELECT w.id, w.class_id, w.number, w.due_on, w.sent_at, w.note, w.title, w.kit, w.taken_back_at, w.term_id, c.name AS class_name, c.age_years
       FROM weeks w JOIN classes c ON c.id = w.class_id WHERE w.id = ? AND c.school_id = ?`,
    [toBytes(weekId), toBytes(schoolId)],
  );
  return row && { ...weekOf(row), termId: toText(row.term_id), className: row.class_name, classAge: row.age_years };
}

export interface WeekSummary extends Week {
  readonly className: string;
  /** The game's title, or the event's. */
  readonly gameTitle: string;
  readonly games: number;
  readonly gameId: Uuid | null;
  readonly children: number;
  readonly reported: number;
}

/** Every week sent by the school since a day, newest first, with how many have reported. */
export async function sentWeeks(schoolId: Uuid, since: string): Promise<WeekSummary[]> {
  const found = await rows<
    WeekRow & { class_name: string; game_title: string | null; games: number; game_id: Buffer | null; children: number; reported: number }
  >(
    `SELECT w.id, w.class_id, w.number, w.due_on, w.sent_at, w.note, w.title, w.kit, w.taken_back_at, c.name AS class_name,
            MAX(JSON_VALUE(v.body, '$.title')) AS game_title, COUNT(DISTINCT i.id) AS games, MAX(v.game_id) AS game_id,
            COUNT(DISTINCT a.child_id) AS children,
            COUNT(DISTINCT CASE WHEN r.id IS NOT NULL THEN a.child_id END) AS reported
       FROM weeks w JOIN classes c ON c.id = w.class_id
       LEFT JOIN week_items i ON i.week_id = w.id AND i.kind = 'game'
       LEFT JOIN game_versions v ON v.id = i.game_version_id
       LEFT JOIN assignments a ON a.week_item_id = i.id
       LEFT JOIN reports r ON r.assignment_id = a.id
      WHERE c.school_id = ? AND w.sent_at >= ?
      GROUP BY w.id, w.class_id, w.number, w.due_on, w.sent_at, w.note, w.title, w.kit, w.taken_back_at, c.name
      ORDER BY w.sent_at DESC, c.name`,
    [toBytes(schoolId), since],
  );
  return found.map((row) => ({
    ...weekOf(row),
    className: row.class_name,
    gameTitle: row.title || (row.game_title ?? ''),
    games: Number(row.games),
    gameId: row.game_id ? toText(row.game_id) : null,
    children: Number(row.children),
    reported: Number(row.reported),
  }));
}

export interface ChildAssignment {
  readonly id: Uuid;
  readonly childId: Uuid;
  readonly weekId: Uuid;
  readonly versionId: Uuid;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
  /** Null for a kind of game that is not forecast. */
  readonly par: number | null;
  readonly parLow: number | null;
  readonly parHigh: number | null;
  readonly restsOn: number;
  readonly luckShare: number | null;
  readonly fitSkill: number | null;
  readonly homeFormsId: Uuid | null;
}

/** The columns of an `AssignmentRow`, of assignments `a` and week items `i`: one list for every statement, so that none leaves one out. */
export const ASSIGNMENT_COLUMNS =
  'a.id, a.child_id, i.week_id, i.game_version_id, a.level_id, a.set_up, a.par, a.par_low, a.par_high, a.rests_on, a.luck_share, a.fit_skill, a.home_forms_id';

export interface AssignmentRow {
  id: Buffer;
  child_id: Buffer;
  week_id: Buffer;
  game_version_id: Buffer;
  level_id: string;
  set_up: AssignedSetUp | string;
  par: number | null;
  par_low: number | null;
  par_high: number | null;
  rests_on: number;
  luck_share: number | null;
  fit_skill: number | null;
  home_forms_id: Buffer | null;
}

export const assignmentOf = (row: AssignmentRow): ChildAssignment => ({
  id: toText(row.id),
  childId: toText(row.child_id),
  weekId: toText(row.week_id),
  versionId: toText(row.game_version_id),
  levelId: row.level_id,
  setUp: parsed(row.set_up),
  par: row.par,
  parLow: row.par_low,
  parHigh: row.par_high,
  restsOn: row.rests_on,
  luckShare: row.luck_share,
  fitSkill: row.fit_skill,
  homeFormsId: row.home_forms_id ? toText(row.home_forms_id) : null,
});

const ASSIGNMENT = `SELECT ${ASSIGNMENT_COLUMNS}
  FROM assignments a JOIN week_items i ON i.id = a.week_item_id`;

export async function assignmentOfSchool(schoolId: Uuid, assignmentId: Uuid): Promise<ChildAssignment | undefined> {
  const row = await firstRow<AssignmentRow>(`${ASSIGNMENT} JOIN children ch ON ch.id = a.child_id WHERE a.id = ? AND ch.school_id = ?`, [
    toBytes(assignmentId),
    toBytes(schoolId),
  ]);
  return row && assignmentOf(row);
}

/** Of some assignments those that are of children of this school, by id. */
export async function assignmentsOfSchool(schoolId: Uuid, ids: readonly Uuid[]): Promise<ReadonlyMap<Uuid, ChildAssignment>> {
  const asked = padded(ids);
  const found = await rows<AssignmentRow>(
    `${ASSIGNMENT} JOIN children ch ON ch.id = a.child_id WHERE a.id IN (${asked.map(() => '?').join(', ')}) AND ch.school_id = ?`,
    [...asked.map(toBytes), toBytes(schoolId)],
  );
  return new Map(found.map((row) => [toText(row.id), assignmentOf(row)]));
}

export interface AssignmentInWeek extends ChildAssignment {
  readonly week: Week;
  /** The day from which it may be played; null from the start. */
  readonly opensOn: string | null;
  readonly around: AroundTheGames;
}

/** The assignments of one child in one term (null: in all), newest week first and in the order of the week, with their weeks. */
export async function assignmentsOfChild(childId: Uuid, termId: Uuid | null): Promise<AssignmentInWeek[]> {
  const found = await rows<
    AssignmentRow & Omit<WeekRow, 'id'> & { w_id: Buffer; opens_on: string | null; around: string | null; film_alone: number | null }
  >(
    `SELECT ${ASSIGNMENT_COLUMNS}, i.opens_on,
            w.id AS w_id, w.class_id, w.number, w.due_on, w.sent_at, w.note, w.title, w.kit, w.taken_back_at,
            (SELECT JSON_OBJECTAGG(i2.kind, i2.words) FROM week_items i2 WHERE i2.week_id = w.id AND i2.kind <> 'game') AS around,
            (SELECT MAX(i3.film_alone) FROM week_items i3 WHERE i3.week_id = w.id) AS film_alone
       FROM assignments a JOIN week_items i ON i.id = a.week_item_id JOIN weeks w ON w.id = i.week_id
      WHERE a.child_id = ?${termId === null ? '' : ' AND w.term_id = ?'} ORDER BY w.sent_at DESC, i.position`,
    [toBytes(childId), ...(termId === null ? [] : [toBytes(termId)])],
  );
  return found.map((row) => {
    const around = (row.around === null ? {} : parsed(row.around)) as Partial<Record<'warm-up' | 'diary' | 'film' | 'page', string>>;
    return {
      ...assignmentOf(row),
      week: weekOf({ ...row, id: row.w_id }),
      opensOn: row.opens_on,
      around: {
        warmUp: around['warm-up'] ?? '',
        diary: around.diary ?? '',
        film: around.film ?? '',
        filmAlone: row.film_alone === 1,
        page: around.page ?? '',
      },
    };
  });
}

export interface KnownVersion {
  readonly game: Game;
  /** Its levels as the engine has compiled them so far, by their place. */
  readonly levels: Map<number, KnownLevel>;
}

const versions = cache<Promise<KnownVersion>>('versions of games', 500);

/** A version with its compiled levels. Versions never change, so what was read once is kept. */
export function knownVersion(versionId: Uuid): Promise<KnownVersion> {
  return keptOr(versions, versionId, async () => {
    const row = await firstRow<{ body: Game | string }>('SELECT body FROM game_versions WHERE id = ?', [toBytes(versionId)]);
    return { game: storedGame(row!.body), levels: new Map<number, KnownLevel>() };
  });
}

export async function versionBody(versionId: Uuid): Promise<Game> {
  return (await knownVersion(versionId)).game;
}
