/**
 * A whole school as files in open formats: one ZIP with each table as CSV (RFC 4180, UTF-8; ids as UUIDs, moments in UTC, what has parts as JSON)
 * and each game in the published format. Nothing by which somebody could sign in or open a link.
 */
import { mkdtemp, open, rm } from 'node:fs/promises';
import { createWriteStream } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import Papa from 'papaparse';
import { ZipFile } from 'yazl';
import type { Uuid } from '@/contract/ids';
import { parsed } from '../db/games';
import { toBytes, toText } from '../db/ids';
import { rows, transact, type Db } from '../db/pool';
import { SCHOOL_TABLES, type SchoolTable } from './school-tables';

/** Secrets, and what limits or repeats: nothing of the school. */
const LEFT_OUT = new Set([
  'recovery_codes',
  'people_links',
  'sessions',
  'deeds',
  'child_days',
  'short_codes',
  'access_keys',
  'school_keys',
  'class_fits',
]);
const SECRET = /_hash$|^second_factor(?!_asked)|^password|^digest$|^roster_key$/;

const AT_A_TIME = 500;

interface Column {
  readonly name: string;
  readonly type: string;
}

async function columnsOf(db: Db, table: string): Promise<Column[]> {
  const found = await rows<Column>(
    `SELECT column_name AS name, data_type AS type FROM information_schema.columns
      WHERE table_schema = DATABASE() AND table_name = ? ORDER BY ordinal_position`,
    [table],
    db,
  );
  return found.filter(({ name, type }) => !SECRET.test(name) && type !== 'varbinary');
}

const cellOf = (value: unknown): string => {
  if (value === null || value === undefined) return '';
  if (Buffer.isBuffer(value)) return value.length === 16 ? toText(value) : value.toString('hex');
  if (value instanceof Date) return value.toISOString();
  return typeof value === 'object' ? JSON.stringify(value) : String(value as string | number | boolean);
};

/** A table piece by piece, so that years of reports need little memory. */
async function* asLines(db: Db, { name, where }: SchoolTable, school: Buffer): AsyncGenerator<string> {
  const columns = await columnsOf(db, name);
  const hasId = columns.some((column) => column.name === 'id');
  const fields = columns.map((column) => column.name);
  yield `${Papa.unparse([fields])}\r\n`;
  const selected = fields.map((field) => `\`${field}\``).join(', ');
  let after: Buffer = Buffer.alloc(16);
  for (;;) {
    const found = hasId
      ? await rows<Record<string, unknown>>(
          `SELECT ${selected} FROM ${name} WHERE ${where} AND id > ? ORDER BY id LIMIT ${AT_A_TIME}`,
          [school, after],
          db,
        )
      : await rows<Record<string, unknown>>(`SELECT ${selected} FROM ${name} WHERE ${where}`, [school], db);
    if (found.length > 0) yield `${Papa.unparse(found.map((row) => fields.map((field) => cellOf(row[field]))))}\r\n`;
    if (!hasId || found.length < AT_A_TIME) return;
    after = found.at(-1)!['id'] as Buffer;
  }
}

const READ_ME = `Everything that Lochside keeps of this school.

tables/   one CSV file a table (UTF-8, first line: names of the columns). Ids are UUIDs and the same in every file: child_id in
          diary_entries.csv is id in children.csv. Moments are in UTC. Cells with parts are JSON.
          reports.csv holds what families sent, as it came; plays.csv what each go came to; decisions.csv what teachers decided.
games/    one JSON file a game, in the format that is published with Lochside (docs/format).

There are names of children in it. Keep it as you keep your register, and delete it when it has served.
Passwords, keys, links and codes are left out.
`;

/** Writes the file from one snapshot, and gives it to read; it is gone from the disk when it has been read or given up. */
export async function wholeSchool(schoolId: Uuid): Promise<{ readonly body: ReadableStream<Uint8Array>; readonly bytes: number }> {
  const folder = await mkdtemp(join(tmpdir(), 'lochside-school-'));
  try {
    const file = join(folder, 'school.zip');
    await transact((db) => writeZip(db, file, toBytes(schoolId)));
    const handle = await open(file, 'r');
    const { size } = await handle.stat();
    return { body: Readable.toWeb(handle.createReadStream()) as ReadableStream<Uint8Array>, bytes: size };
  } finally {
    // Who has opened it reads on.
    await rm(folder, { recursive: true, force: true });
  }
}

async function writeZip(db: Db, file: string, school: Buffer): Promise<void> {
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream, createWriteStream(file, { mode: 0o600 }));
  const add = (name: string, lines: AsyncIterable<string> | Iterable<string>) =>
    new Promise<void>((resolve, reject) => {
      const stream = Readable.from(lines);
      stream.once('end', resolve).once('error', reject);
      written.catch(reject);
      zip.addReadStream(stream, name);
    });
  // One after the other: they share the connection of the snapshot.
  await add('README.txt', [READ_ME]);
  for (const table of SCHOOL_TABLES) if (!LEFT_OUT.has(table.name)) await add(`tables/${table.name}.csv`, asLines(db, table, school));
  const games = await rows<{ id: Buffer; draft: object | string }>('SELECT id, draft FROM games WHERE school_id = ?', [school], db);
  for (const { id, draft } of games) await add(`games/${toText(id)}.json`, [JSON.stringify(parsed(draft), null, 2)]);
  zip.end();
  await written;
}
