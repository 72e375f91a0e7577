/** The pool of connections, one a process, and transactions that are tried again as a whole on a deadlock. Only execute(): no text is built from input. */
import mysql from 'mysql2/promise';
import { log } from '../log';

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

declare global {
  // The development server and the build's chunks must share one pool.
  var lochsidePool: mysql.Pool | undefined;
}

export function connectionOptions(url: string): mysql.PoolOptions {
  return {
    uri: url,
    timezone: 'Z',
    dateStrings: ['DATE'],
    supportBigNumbers: true,
    bigNumberStrings: false,
    connectionLimit: 16,
    maxIdle: 16,
    charset: 'utf8mb4',
    enableKeepAlive: true,
  };
}

export function pool(): mysql.Pool {
  if (!globalThis.lochsidePool) {
    const url = process.env['DATABASE_URL'];
    if (!url) throw new Error('DATABASE_URL is not set: start Lochside with npm start or npm run serve.');
    globalThis.lochsidePool = mysql.createPool(connectionOptions(url));
    globalThis.lochsidePool.pool.on('connection', (connection) => {
      connection.query("SET time_zone = '+00:00'");
    });
  }
  return globalThis.lochsidePool;
}

/** The pool as a connection for single statements outside a transaction. */
export function direct(): Db {
  return dbOver(pool().pool as unknown as Executes);
}

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

const DEADLOCK = 1213;
const LOCK_TIMEOUT = 1205;
const TRIES = 5;

export function errorNumber(error: unknown): number {
  return typeof error === 'object' && error !== null && 'errno' in error && typeof error.errno === 'number' ? error.errno : 0;
}

/** MariaDB's number for a value that is already in a unique key. */
export const DUPLICATE = 1062;

/**
 * All of `work` or nothing; on a deadlock or lock timeout the whole of it again. So too, once, where somebody else made the same a moment ago: the
 * next try sees it. `tells` leaves that out, for work to which a duplicate is an answer.
 */
export async function transact<T>(work: (db: Db) => Promise<T>, duplicate: 'again' | 'tells' = 'again'): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    const connection = await pool().getConnection();
    try {
      await connection.beginTransaction();
      const result = await work(dbOver(connection.connection as unknown as Executes));
      await connection.commit();
      return result;
    } catch (error) {
      await connection.rollback().catch(() => connection.destroy());
      const errno = errorNumber(error);
      const again = ([DEADLOCK, LOCK_TIMEOUT].includes(errno) && attempt < TRIES) || (errno === DUPLICATE && duplicate === 'again' && attempt === 1);
      if (!again) throw error;
      log.warn({ errno, attempt }, 'a transaction is tried again');
      await new Promise((resolve) => setTimeout(resolve, 10 * 2 ** attempt));
    } finally {
      connection.release();
    }
  }
}
