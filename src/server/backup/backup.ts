/**
 * A backup: one snapshot of the database, the secrets, and a manifest that says what is in it; packed, and encrypted to a public key (the age
 * format), so that what makes one unattended cannot read it.
 */
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { chmod, mkdir, mkdtemp, open, readdir, readFile, rename, rm, stat, unlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { createGunzip, createGzip } from 'node:zlib';
import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption';
import { extract, pack } from 'tar-stream';
import { migrationFiles } from '../db/migration-files';
import { note, noted } from '../db/instance';
import { firstRow, rows } from '../db/pool';
import { dumpTo, type Dumped } from './dump';

const FORMAT = 'lochside-backup/1';

export interface Manifest extends Dumped {
  readonly format: typeof FORMAT;
  readonly madeAt: string;
  /** The last migration that the database had. */
  readonly migration: string;
}

const NAMED = /^lochside-\d{8}T\d{6}Z\.age$/;
const KEPT = 35;
const LAST = 'last backup';
const VERIFIED = 'backup verified';

/** A pair of keys: the private one is for a safe, the other stands beside the school. */
export async function newBackupKey(): Promise<{ identity: string; recipient: string }> {
  const identity = await generateX25519Identity();
  return { identity, recipient: await identityToRecipient(identity) };
}

/** A folder that nobody else reads, and that goes whatever happens. */
async function inScratch<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'lochside-backup-'));
  await chmod(folder, 0o700);
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const asWeb = (stream: Readable) => Readable.toWeb(stream) as unknown as ReadableStream<Uint8Array>;
const asNode = (stream: ReadableStream<Uint8Array>) => Readable.fromWeb(stream as unknown as WebStream<Uint8Array>);

/** Makes one in a folder, whole or not at all, and takes away the oldest beyond `keep`. Its file. */
export async function takeBackup(
  url: string,
  { secretsFile, recipient, out, keep = KEPT }: { secretsFile: string | null; recipient: string; out: string; keep?: number },
  now: Date,
): Promise<{ file: string; manifest: Manifest }> {
  await mkdir(out, { recursive: true, mode: 0o700 });
  const name = `lochside-${now.toISOString().slice(0, 19).replace(/[-:]/g, '')}Z.age`;
  const part = join(out, `${name}.part`);
  const manifest = await inScratch(async (folder) => {
    const dump = join(folder, 'dump.sql');
    const dumped = await dumpTo(url, dump);
    const last = await firstRow<{ name: string }>('SELECT MAX(name) AS name FROM migrations');
    const made: Manifest = { format: FORMAT, madeAt: now.toISOString(), migration: last!.name, ...dumped };
    const encrypter = new Encrypter();
    encrypter.addRecipient(recipient);
    const packed = pack();
    const filled = (async () => {
      packed.entry({ name: 'manifest.json' }, JSON.stringify(made, null, 2));
      if (secretsFile) packed.entry({ name: 'secrets.json', mode: 0o600 }, await readFile(secretsFile, 'utf8'));
      const entry = packed.entry({ name: 'dump.sql', size: (await stat(dump)).size });
      await pipeline(createReadStream(dump), entry);
      packed.finalize();
    })();
    const closed = await encrypter.encrypt(asWeb(packed.pipe(createGzip())));
    await Promise.all([filled, pipeline(asNode(closed), createWriteStream(part, { mode: 0o600 }))]);
    return made;
  });
  // On the disk before it has its name: what is named as a backup is one.
  const written = await open(part, 'r');
  await written.sync();
  await written.close();
  const file = join(out, name);
  await rename(part, file);
  await noteBackup(name, now);
  const older = (await readdir(out)).filter((one) => NAMED.test(one)).sort();
  for (const one of older.slice(0, Math.max(0, older.length - keep))) await unlink(join(out, one));
  return { file, manifest };
}

/** A database of a version before notes is backed up too, and takes none. */
async function noteBackup(name: string, now: Date): Promise<void> {
  const there = await rows("SHOW TABLES LIKE 'instance'");
  if (there.length === 0) return;
  await note(LAST, name, now);
}

/** One was restored into a server of its own, and nothing of it was another. */
export const noteVerified = (name: string, now: Date): Promise<void> => note(VERIFIED, name, now);

/** When one was last tried out with success; null for never. */
export async function lastVerified(): Promise<Date | null> {
  return (await noted(VERIFIED))?.at ?? null;
}

/** When the last one was made here; null for never. */
export async function lastBackup(): Promise<Date | null> {
  return (await noted(LAST))?.at ?? null;
}

export interface Opened {
  readonly manifest: Manifest;
  readonly dump: string;
  /** Null in one that was made without secrets. */
  readonly secrets: string | null;
}

/** Opens one with its private key while `work` runs; throws, with words, for another key, a file that was cut off or changed, or one of a newer program. */
export function withBackup<T>(file: string, identity: string, work: (opened: Opened) => Promise<T>): Promise<T> {
  return inScratch(async (folder) => {
    const decrypter = new Decrypter();
    try {
      decrypter.addIdentity(identity.trim());
    } catch {
      throw new Error('That is no private key of a backup: it begins with AGE-SECRET-KEY-1.');
    }
    const dump = join(folder, 'dump.sql');
    let [manifest, secrets]: [Manifest | null, string | null] = [null, null];
    const hash = createHash('sha256');
    try {
      const opened = await decrypter.decrypt(asWeb(createReadStream(file)));
      const entries = extract();
      const unpacked = pipeline(asNode(opened), createGunzip(), entries);
      unpacked.catch(() => undefined);
      for await (const entry of entries) {
        if (entry.header.name === 'dump.sql') {
          const out = createWriteStream(dump, { mode: 0o600 });
          entry.on('data', (piece) => hash.update(piece as Buffer));
          await pipeline(entry, out);
          continue;
        }
        const parts: Buffer[] = [];
        for await (const piece of entry) parts.push(piece as Buffer);
        const text = Buffer.concat(parts).toString();
        if (entry.header.name === 'manifest.json') manifest = JSON.parse(text) as Manifest;
        if (entry.header.name === 'secrets.json') secrets = text;
      }
      await unpacked;
    } catch (error) {
      throw new Error(`This backup does not open: another key, or the file was cut off or changed (${(error as Error).message}).`, { cause: error });
    }
    if (manifest?.format !== FORMAT) throw new Error('This is no backup of Lochside.');
    if (hash.digest('hex') !== manifest.sha256) throw new Error('What is in this backup is not what was put in: its checksum differs.');
    const known = await migrationFiles();
    if (!known.some((one) => one === manifest.migration || one.startsWith(manifest.migration)))
      throw new Error('This backup was made by a newer Lochside. Install that one first.');
    return work({ manifest, dump, secrets });
  });
}

/** What a database has otherwise than the manifest says, in words; empty where all is there. */
export async function differences({ rows: expected }: Manifest): Promise<string[]> {
  const wrong: string[] = [];
  for (const [table, n] of Object.entries(expected)) {
    const [found] = await rows<{ n: number }>(`SELECT COUNT(*) AS n FROM \`${table}\``);
    if (Number(found!.n) !== n) wrong.push(`${table}: ${Number(found!.n)} rows, ${n} in the backup`);
  }
  return wrong;
}

export const writeRecipient = (file: string, recipient: string) => writeFile(file, `${recipient}\n`, { mode: 0o644 });
