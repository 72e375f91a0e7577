/** A database as one file of statements, from one snapshot, and back. MariaDB's own programs do it. */
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { createInterface } from 'node:readline';
import { finished } from 'node:stream/promises';
import { addressesOf } from '../db/servers';

export interface Dumped {
  /** Rows by table, counted in the very snapshot. */
  readonly rows: Readonly<Record<string, number>>;
  readonly bytes: number;
  /** SHA-256 of the file, hex. */
  readonly sha256: string;
}

/** What is of no use later; and the journal of erasures, which stands outside of backups. */
export const OF_THE_MOMENT = ['commits', 'leases', 'erasures'];

function clientOf(address: string): { readonly at: readonly string[]; readonly database: string; readonly env: NodeJS.ProcessEnv } {
  const { hostname, port, username, password, pathname } = new URL(address);
  return {
    at: [
      '--no-defaults',
      `--host=${hostname}`,
      `--port=${port || '3306'}`,
      `--user=${decodeURIComponent(username)}`,
      '--default-character-set=utf8mb4',
    ],
    database: pathname.slice(1),
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
  };
}

/** Waits for a program; throws its last words when it failed. */
async function ended(program: ReturnType<typeof spawn>, what: string): Promise<void> {
  let words = '';
  program.stderr?.on('data', (said: Buffer) => (words = `${words}${said.toString()}`.slice(-1000)));
  const [code] = (await once(program, 'close')) as [number | null];
  if (code !== 0) throw new Error(`${what} failed: ${words.trim() || `code ${code}`}`);
}

/** Writes all of it to a file: a row a line, so that they are counted as they pass. Writers go on meanwhile. */
export async function dumpTo(url: string, file: string): Promise<Dumped> {
  // Of several servers the last: the first is the one that is written to.
  const { at, database, env } = clientOf(addressesOf(url).at(-1)!);
  const dump = spawn(
    'mariadb-dump',
    [
      ...at,
      '--single-transaction',
      '--quick',
      '--hex-blob',
      '--no-autocommit',
      '--skip-extended-insert',
      '--skip-dump-date',
      '--triggers',
      ...OF_THE_MOMENT.map((table) => `--ignore-table-data=${database}.${table}`),
      database,
    ],
    { env, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  const done = ended(dump, 'mariadb-dump');
  const [hash, rows] = [createHash('sha256'), new Map<string, number>()];
  let bytes = 0;
  const out = createWriteStream(file, { mode: 0o600 });
  for await (const line of createInterface({ input: dump.stdout, crlfDelay: Infinity })) {
    // A trigger belongs to whoever reads it in.
    const text = Buffer.from(`${line.replace(/\/\*!\d+ DEFINER=[^*]*\*\/ ?/, '')}\n`);
    const table = /^(?:CREATE TABLE|INSERT INTO) `([^`]+)`/.exec(line);
    if (table) rows.set(table[1]!, (rows.get(table[1]!) ?? 0) + (line.startsWith('INSERT') ? 1 : 0));
    hash.update(text);
    bytes += text.length;
    if (!out.write(text)) await once(out, 'drain');
  }
  out.end();
  await Promise.all([done, finished(out)]);
  return { rows: Object.fromEntries([...rows].sort()), bytes, sha256: hash.digest('hex') };
}

/** Reads a file of statements into a database that has nothing in it yet. */
export async function loadFrom(url: string, file: string): Promise<void> {
  const { at, database, env } = clientOf(addressesOf(url)[0]!);
  const client = spawn('mariadb', [...at, '--abort-source-on-error', database], { env, stdio: ['pipe', 'ignore', 'pipe'] });
  const done = ended(client, 'reading the backup in');
  client.stdin.on('error', () => undefined);
  createReadStream(file).pipe(client.stdin);
  await done;
}
