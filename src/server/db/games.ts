import type { ShelvedGame } from '@/contract/game';
import type { Uuid } from '@/contract/ids';
import { todaysGame } from '@/core/rules/format/from-format-1';
import { createHash } from 'node:crypto';
import type { Game } from '@/core/rules/format/game';
import { padded } from './gather';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, rows, type Db } from './pool';

interface GameRow {
  id: Buffer;
  draft: Game | string;
  draft_revision: number;
  age_years: number;
  put_away_at: Date | null;
  updated_at: Date;
  sent: number;
  folder: string | null;
  maker: string | null;
}

const SELECT = `SELECT g.id, g.draft, g.draft_revision, g.age_years, g.put_away_at, g.updated_at, g.folder,
       (SELECT t.name FROM teachers t WHERE t.id = g.made_by) AS maker,
       (SELECT COUNT(*) FROM week_items i JOIN game_versions v ON v.id = i.game_version_id WHERE v.game_id = g.id) AS sent
  FROM games g`;

export const parsed = <T>(json: T | string): T => (typeof json === 'string' ? (JSON.parse(json) as T) : json);

/** A game as it was stored, read as one of today: those of format 1 stay as they are where they lie. */
export const storedGame = (json: Game | string): Game => todaysGame(parsed(json));

const gameOf = (row: GameRow): ShelvedGame => ({
  id: toText(row.id),
  game: storedGame(row.draft),
  revision: row.draft_revision,
  ageYears: row.age_years,
  putAway: row.put_away_at !== null,
  updatedAt: row.updated_at,
  sent: Number(row.sent),
  folder: row.folder,
  madeBy: row.maker,
});

export async function gamesOf(schoolId: Uuid): Promise<ShelvedGame[]> {
  return (await rows<GameRow>(`${SELECT} WHERE g.school_id = ? ORDER BY g.updated_at DESC, g.id`, [toBytes(schoolId)])).map(gameOf);
}

/** Games on the shelf. */
export async function countOfGames(schoolId: Uuid): Promise<number> {
  const row = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM games WHERE school_id = ? AND put_away_at IS NULL', [toBytes(schoolId)]);
  return Number(row?.n ?? 0);
}

export async function gameById(schoolId: Uuid, gameId: Uuid, db?: Db): Promise<ShelvedGame | undefined> {
  const row = await firstRow<GameRow>(`${SELECT} WHERE g.school_id = ? AND g.id = ?`, [toBytes(schoolId), toBytes(gameId)], db);
  return row && gameOf(row);
}

/** Those of these games that are on the shelf. */
export async function gamesByIds(schoolId: Uuid, gameIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, Game>> {
  if (gameIds.length === 0) return new Map();
  const asked = padded(gameIds);
  const found = await rows<Pick<GameRow, 'id' | 'draft'>>(
    `SELECT id, draft FROM games WHERE school_id = ? AND put_away_at IS NULL AND id IN (${asked.map(() => '?').join(', ')})`,
    [toBytes(schoolId), ...asked.map(toBytes)],
  );
  return new Map(found.map(({ id, draft }) => [toText(id), storedGame(draft)]));
}

export async function addGame(db: Db, schoolId: Uuid, game: Game, ageYears: number, now: Date, madeBy: Uuid | null = null): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO games (id, school_id, draft, age_years, created_at, updated_at, made_by) VALUES (?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(schoolId),
    JSON.stringify(game),
    ageYears,
    now,
    now,
    madeBy ? toBytes(madeBy) : null,
  ]);
  return toText(id);
}

/** Saves a draft when it is still the revision that the editor began with; otherwise changes nothing and gives false. */
export async function saveDraft(db: Db, schoolId: Uuid, gameId: Uuid, revision: number, game: Game, ageYears: number, now: Date): Promise<boolean> {
  const touched = await change(
    db,
    'UPDATE games SET draft = ?, age_years = ?, draft_revision = draft_revision + 1, updated_at = ? WHERE id = ? AND school_id = ? AND draft_revision = ?',
    [JSON.stringify(game), ageYears, now, toBytes(gameId), toBytes(schoolId), revision],
  );
  return touched === 1;
}

export async function putAway(db: Db, schoolId: Uuid, gameId: Uuid, at: Date | null): Promise<boolean> {
  return (await change(db, 'UPDATE games SET put_away_at = ? WHERE id = ? AND school_id = ?', [at, toBytes(gameId), toBytes(schoolId)])) === 1;
}

/** Puts a game into a folder of the shelf, or with null out of any. */
export async function putInFolder(db: Db, schoolId: Uuid, gameId: Uuid, folder: string | null): Promise<boolean> {
  return (await change(db, 'UPDATE games SET folder = ? WHERE id = ? AND school_id = ?', [folder, toBytes(gameId), toBytes(schoolId)])) === 1;
}

/** Why a version was kept: it was sent, the teacher kept it, a sitting at the chart table began with it, or another was brought back over it. */
export type KeptWhy = 'sent' | 'kept' | 'sitting' | 'before';

export interface GameVersion {
  readonly id: Uuid;
  readonly number: number;
  readonly game: Game;
}

/** The version with exactly this body, made if it is new. A version never changes once it is there. */
export async function versionOf(db: Db, gameId: Uuid, game: Game, teacherId: Uuid | null, now: Date, why: KeptWhy = 'sent'): Promise<GameVersion> {
  const body = JSON.stringify(game);
  const hash = createHash('sha256').update(body).digest();
  // One after the other for one game: what another keeps meanwhile is seen, and numbers are given once.
  await firstRow('SELECT id FROM games WHERE id = ? FOR UPDATE', [toBytes(gameId)], db);
  const known = await firstRow<{ id: Buffer; number: number }>(
    'SELECT id, number FROM game_versions WHERE game_id = ? AND body_hash = ? FOR UPDATE',
    [toBytes(gameId), hash],
    db,
  );
  if (known) return { id: toText(known.id), number: known.number, game };
  const last = await firstRow<{ number: number | null }>(
    'SELECT MAX(number) AS number FROM game_versions WHERE game_id = ? FOR UPDATE',
    [toBytes(gameId)],
    db,
  );
  const id = newId();
  const number = (last?.number ?? 0) + 1;
  await change(db, 'INSERT INTO game_versions (id, game_id, number, body, body_hash, created_by, created_at, why) VALUES (?, ?, ?, ?, ?, ?, ?, ?)', [
    id,
    toBytes(gameId),
    number,
    body,
    hash,
    teacherId ? toBytes(teacherId) : null,
    now,
    why,
  ]);
  return { id: toText(id), number, game };
}

export interface KeptVersion extends GameVersion {
  readonly keptAt: Date;
  readonly by: string | null;
  readonly why: KeptWhy;
  /** Weeks in which this version was sent. */
  readonly sent: number;
}

interface VersionRow {
  id: Buffer;
  number: number;
  body: Game | string;
  created_at: Date;
  teacher: string | null;
  why: KeptWhy;
  sent: number;
}

/** The newest sixty versions of a game of this school, the newest first. */
export async function versionsOfGame(schoolId: Uuid, gameId: Uuid): Promise<KeptVersion[]> {
  const found = await rows<VersionRow>(
    `SELECT v.id, v.number, v.body, v.created_at, v.why, t.name AS teacher,
            (SELECT COUNT(*) FROM week_items i WHERE i.game_version_id = v.id) AS sent
       FROM game_versions v JOIN games g ON g.id = v.game_id LEFT JOIN teachers t ON t.id = v.created_by
      WHERE g.school_id = ? AND g.id = ? ORDER BY v.number DESC LIMIT 60`,
    [toBytes(schoolId), toBytes(gameId)],
  );
  return found.map((row) => ({
    id: toText(row.id),
    number: row.number,
    game: storedGame(row.body),
    keptAt: row.created_at,
    by: row.teacher,
    why: row.sent > 0 ? 'sent' : row.why,
    sent: Number(row.sent),
  }));
}

/** The game that a version is of. */
export async function gamesOfVersions(versionIds: readonly Uuid[]): Promise<ReadonlyMap<Uuid, Uuid>> {
  if (versionIds.length === 0) return new Map();
  const asked = padded(versionIds);
  const found = await rows<{ id: Buffer; game_id: Buffer }>(
    `SELECT id, game_id FROM game_versions WHERE id IN (${asked.map(() => '?').join(', ')})`,
    asked.map(toBytes),
  );
  return new Map(found.map((row) => [toText(row.id), toText(row.game_id)]));
}
