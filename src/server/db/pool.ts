/** Statements and transactions, asked patiently. Only execute(): no text is built from input. */
import { newId } from './ids';
import { DEADLOCK, errorNumber, isLost, patiently } from './patience';
import { pool } from './servers';

export type Value = string | number | boolean | Buffer | Date | null;

export interface Db {
  /** The rows of a SELECT, or what a change reports of itself. */
  execute(sql: string, values: readonly Value[]): Promise<unknown>;
}

interface Executes {
  execute(sql: string, values: Value[], done: (error: Error | null, result: unknown) => void): unknown;
}

/** By callback: the package's own promises keep a stack for each statement, which the intake of reports would feel. */
function dbOver(connection: Executes): Db {
  return {
    execute: (sql, values) =>
      new Promise((resolve, reject) => connection.execute(sql, values as Value[], (error, result) => (error ? reject(error) : resolve(result)))),
  };
}

/** The database as a connection for single statements outside a transaction. A change must come to the same when it is made twice: its answer may be lost. */
export function direct(): Db {
  return { execute: patientlyAlone };
}

/** A value that is there already after an attempt of which nobody knows what came: that attempt put it there. */
async function patientlyAlone(sql: string, values: readonly Value[]): Promise<unknown> {
  return patiently(async (failedBefore) => {
    try {
      return await dbOver(pool().pool as unknown as Executes).execute(sql, values);
    } catch (error) {
      if (errorNumber(error) === DUPLICATE && isLost(failedBefore)) return { affectedRows: 1 };
      throw error;
    }
  });
}

/** One statement, once: for whoever wants to know how the database is at this moment. */
export const atOnce = (): Db => dbOver(pool().pool as unknown as Executes);

/** Rows of a SELECT. */
export async function rows<T>(sql: string, values: readonly Value[] = [], db: Db = direct()): Promise<T[]> {
  return (await db.execute(sql, values)) as T[];
}

export async function firstRow<T>(sql: string, values: readonly Value[] = [], db?: Db): Promise<T | undefined> {
  return (await rows<T>(sql, values, db))[0];
}

/** Runs one changing statement; the number of rows it touched. */
export async function change(db: Db, sql: string, values: readonly Value[] = []): Promise<number> {
  return ((await db.execute(sql, values)) as { affectedRows: number }).affectedRows;
}

/**
 * Takes the rows away that a condition picks; how many. In the form for several tables, which looks a condition with subqueries up by keys: in the form
 * for one table MariaDB 10 reads and locks all of it.
 */
export const remove = (db: Db, table: string, where: string, values: readonly Value[]): Promise<number> =>
  change(db, `DELETE FROM ${table} USING ${table} WHERE ${where}`, values);

/** Rows a statement: few enough for the number of its values, and for the packets of a server that allows 16 MB. */
const MOST_ROWS = 256;

/**
 * Writes many rows with few statements, each in full groups of powers of two, so that few different statements are prepared. `how` is
 * "INSERT" or "INSERT IGNORE"; every row has a value for each column. How many rows were written.
 */
export async function insertMany(
  db: Db,
  table: string,
  columns: readonly string[],
  added: readonly (readonly Value[])[],
  how: 'INSERT' | 'INSERT IGNORE' = 'INSERT',
): Promise<number> {
  const row = `(${columns.map(() => '?').join(', ')})`;
  let written = 0;
  for (let at = 0; at < added.length;) {
    const number = Math.min(MOST_ROWS, 2 ** Math.floor(Math.log2(added.length - at)));
    const values = added.slice(at, at + number).flat();
    written += await change(db, `${how} INTO ${table} (${columns.join(', ')}) VALUES ${new Array(number).fill(row).join(', ')}`, values);
    at += number;
  }
  return written;
}

/** MariaDB's number for a value that is already in a unique key. */
export const DUPLICATE = 1062;

/** Nobody knows whether what was asked was written: the database was lost at that moment, and is not back. */
export class NotKnown extends Error {}

export interface HowToWrite {
  /** Somebody else made the same a moment ago: the next try sees it, or it is an answer to who asked. */
  readonly duplicate?: 'again' | 'tells';
  /** How it is known, after the database was lost in the moment of the commit, what came of it: by a mark written with it, or by unique keys of its own. */
  readonly settledBy?: 'mark' | 'keys';
}

/**
 * All of `work` or nothing, and never twice. On a deadlock, a lost connection or a node that is not ready the whole of it again, so `work` does nothing
 * outside of the database that cannot be done twice. Where the database was lost in the moment of the commit, the mark that is written with it tells
 * the next try that it was done; it comes to what that try came to.
 */
export function transact<T>(work: (db: Db) => Promise<T>, { duplicate = 'again', settledBy = 'mark' }: HowToWrite = {}): Promise<T> {
  const mark = newId();
  let unknown: { readonly result: T } | undefined;
  let duplicates = 0;
  return patiently(async () => {
    const connection = await pool().getConnection();
    let whole = false;
    try {
      await connection.beginTransaction();
      const db = noticing(dbOver(connection.connection as unknown as Executes));
      if (unknown && settledBy === 'mark' && (await firstRow('SELECT 1 FROM commits WHERE id = ? FOR UPDATE', [mark], db))) {
        await connection.rollback();
        whole = true;
        return unknown.result;
      }
      const result = await work(db);
      if (db.hasChanged && settledBy === 'mark') await leaveMark(db, mark);
      try {
        await connection.commit();
      } catch (error) {
        if (isLost(error) && db.hasChanged) unknown = { result };
        throw error;
      }
      whole = true;
      return result;
    } catch (error) {
      if (errorNumber(error) !== DUPLICATE || duplicate === 'tells' || (duplicates += 1) > 1) throw error;
      throw madeMeanwhile(error);
    } finally {
      if (!whole) await connection.rollback().catch(() => connection.destroy());
      connection.release();
    }
  }).catch((error: unknown) => {
    if (unknown && isLost(error)) throw new NotKnown('the database was lost in the moment of a commit', { cause: error });
    throw error;
  });
}

async function leaveMark(db: Db, mark: Buffer): Promise<void> {
  try {
    await change(db, 'INSERT INTO commits (id, at) VALUES (?, UTC_TIMESTAMP(3))', [mark]);
  } catch (error) {
    // The commit that was thought lost came in between: the next try finds it.
    throw errorNumber(error) === DUPLICATE ? madeMeanwhile(error) : error;
  }
}

/** As a deadlock: nothing was done, and the next try sees what somebody else did. */
const madeMeanwhile = (cause: unknown) => Object.assign(new Error('made by somebody else a moment ago', { cause }), { errno: DEADLOCK });

/** Tells whether anything but reading was asked. */
function noticing(db: Db): Db & { readonly hasChanged: boolean } {
  let hasChanged = false;
  return {
    execute: (sql, values) => {
      hasChanged ||= !/^\s*(SELECT|SET|WITH)\b/i.test(sql);
      return db.execute(sql, values);
    },
    get hasChanged() {
      return hasChanged;
    },
  };
}

/** Marks older than a day: nobody asks for them any more. */
export async function forgetMarks(): Promise<void> {
  while ((await change(direct(), 'DELETE FROM commits WHERE at < UTC_TIMESTAMP(3) - INTERVAL 1 DAY LIMIT 5000')) === 5000);
}
