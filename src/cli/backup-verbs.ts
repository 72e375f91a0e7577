/** Backups on the command line: a pair of keys, a backup, one that is tried out, one that is put back. */
import { accessSync, constants, existsSync, mkdtempSync, readFileSync, renameSync, rmSync, chmodSync, writeFileSync } from 'node:fs';
import { tmpdir, userInfo } from 'node:os';
import { basename, join } from 'node:path';
import { randomBytes } from 'node:crypto';
import { shareJournal } from '@/server/classes/erasure-journal';
import { lastBackup, newBackupKey, noteVerified, takeBackup, withBackup, writeRecipient, type Opened } from '@/server/backup/backup';
import { replayOneClass } from '@/server/backup/replay';
import { emptyDatabase, restoreInto, type Restored } from '@/server/backup/restore';
import { alone } from '@/server/db/leases';
import { closePools } from '@/server/db/servers';
import { startInstance } from '../../scripts/lib/instance.mjs';
import type { Options } from './input';
import { checkStopped, ownHome, useJournal, useOwnInstance } from './own-instance';

const print = (said: unknown) => process.stdout.write(`${JSON.stringify(said, null, 2)}\n`);

export const recipientFile = () => join(ownHome(), 'backup-recipient.txt');

/** What startInstance gives, as far as it is used here. */
interface Instance {
  readonly url: (name?: string) => string;
  readonly stop: () => Promise<void>;
}

const identityIn = (options: Options): string => {
  const file = options['identity'];
  if (!file) throw new Error('--identity names the file with the private key');
  mayRead(file);
  const text = readFileSync(file, 'utf8');
  // The words around the key, as they were printed, do no harm.
  return /AGE-SECRET-KEY-1[0-9A-Z]+/.exec(text)?.[0] ?? text.trim();
};

/** Throws, with words, for a file that is not there, or that the user whose school it is may not read. */
function mayRead(file: string): void {
  try {
    accessSync(file, constants.R_OK);
  } catch (error) {
    const denied = (error as NodeJS.ErrnoException).code === 'EACCES';
    const words = `${file} may not be read by “${userInfo().username}”, whose school it is: put it where that user may read it`;
    throw new Error(denied ? words : `there is no file ${file}`);
  }
}

/** Makes the pair of keys: the private one is told here and kept nowhere. */
export async function backupKey(options: Options): Promise<number> {
  if (existsSync(recipientFile()) && options['new'] !== 'yes')
    throw new Error('there is a key for backups already; --new yes makes another, and older backups still need the old one');
  const { identity, recipient } = await newBackupKey();
  await writeRecipient(recipientFile(), recipient);
  process.stdout.write(
    `The private key, told once. Print it and put it into the school's safe: without it no backup can be read.\n\n${identity}\n\nBackups are encrypted to ${recipient} (${recipientFile()}).\n`,
  );
  return 0;
}

export async function backup(options: Options): Promise<number> {
  useOwnInstance();
  const recipient = existsSync(recipientFile()) ? readFileSync(recipientFile(), 'utf8').trim() : undefined;
  if (!recipient) throw new Error('there is no key for backups yet: npx lochside backup key');
  const keep = options['keep'] === undefined ? undefined : Number(options['keep']);
  if (keep !== undefined && !(Number.isInteger(keep) && keep >= 1)) throw new Error('--keep is a whole number from 1');
  const secretsFile = join(ownHome(), 'secrets.json');
  try {
    const made = await alone('backup', () =>
      takeBackup(
        process.env['DATABASE_URL']!,
        {
          secretsFile: existsSync(secretsFile) ? secretsFile : null,
          recipient,
          out: options['out'] ?? join(ownHome(), 'backups'),
          ...(keep !== undefined && { keep }),
        },
        new Date(),
      ),
    );
    if (!made) throw new Error('a backup is being made already, perhaps on another machine');
    const { file, manifest } = made.done;
    print({ file, madeAt: manifest.madeAt, migration: manifest.migration, rows: Object.values(manifest.rows).reduce((sum, n) => sum + n, 0) });
    return 0;
  } finally {
    await closePools();
  }
}

/** A database server of its own in a folder that goes afterwards. */
async function inScratchInstance<T>(work: (url: string) => Promise<T>): Promise<T> {
  const home = mkdtempSync(join(tmpdir(), 'lochside-verify-'));
  chmodSync(home, 0o755);
  const instance = (await startInstance(home, randomBytes(18).toString('base64url'), { fast: true })) as Instance;
  try {
    process.env['DATABASE_URL'] = instance.url();
    return await work(instance.url());
  } finally {
    await closePools();
    await instance.stop();
    rmSync(home, { recursive: true, force: true });
  }
}

/** Restores a backup into a database server of its own, compares it with its manifest and replays the reports of a class. Nothing of the school is touched. */
export async function verifyBackup(args: readonly string[], options: Options): Promise<number> {
  const [file] = args;
  if (!file) throw new Error('name the backup');
  mayRead(file);
  delete process.env['LOCHSIDE_ERASURES'];
  const url = process.env['DATABASE_URL'];
  return withBackup(file, identityIn(options), (opened) =>
    inScratchInstance(async (url) => {
      const { manifest, migrated } = await restoreInto(url, opened, new Date());
      const replayed = await replayOneClass();
      print({
        file,
        madeAt: manifest.madeAt,
        rows: Object.values(manifest.rows).reduce((sum, n) => sum + n, 0),
        migrated,
        replayed: replayed && { reports: replayed.reports, different: replayed.different.length },
        good: (replayed?.different.length ?? 0) === 0,
      });
      return (replayed?.different.length ?? 0) === 0 ? 0 : 1;
    }),
  ).then(async (code) => {
    if (code === 0) await noteWhereItRuns(file, url);
    return code;
  });
}

/** The lead is told which backup was tried out last, where the school runs on this machine. */
async function noteWhereItRuns(file: string, url: string | undefined): Promise<void> {
  await closePools();
  if (url === undefined) delete process.env['DATABASE_URL'];
  else process.env['DATABASE_URL'] = url;
  try {
    useOwnInstance();
    await noteVerified(basename(file), new Date());
    await closePools();
  } catch {
    // It is tried out elsewhere, or the school is stopped.
  }
}

/** Puts a backup in the place of what is here. Into the database of DATABASE_URL, or into the school's own instance while it does not run. */
export async function restore(args: readonly string[], options: Options): Promise<number> {
  const [file] = args;
  if (!file) throw new Error('name the backup');
  mayRead(file);
  const now = new Date();
  useJournal();
  return withBackup(file, identityIn(options), async (opened) => {
    const restored = process.env['DATABASE_URL'] ? await intoNamed(opened, options, now) : await intoOwn(opened, now);
    print({
      restored: file,
      madeAt: restored.manifest.madeAt,
      rows: Object.values(restored.manifest.rows).reduce((sum, n) => sum + n, 0),
      migrated: restored.migrated,
      erasedAgain: restored.erased,
    });
    return 0;
  });
}

async function intoNamed(opened: Opened, options: Options, now: Date): Promise<Restored> {
  try {
    if (options['over'] === 'yes') {
      await shareJournal().catch(() =>
        process.stderr.write('What the database itself knows of erasures could not be read; those of this machine are done again.\n'),
      );
      await emptyDatabase();
    }
    return await restoreInto(process.env['DATABASE_URL']!, opened, now);
  } finally {
    await closePools();
  }
}

async function intoOwn({ manifest, dump, secrets }: Opened, now: Date): Promise<Restored> {
  const home = ownHome();
  checkStopped(home);
  const aside = now.toISOString().slice(0, 19).replace(/[-:]/g, '');
  for (const name of ['data', 'secrets.json']) if (existsSync(join(home, name))) renameSync(join(home, name), join(home, `${name}.before-${aside}`));
  const kept = JSON.parse(secrets ?? '{}') as Record<string, unknown>;
  const databasePassword = String(kept['databasePassword'] ?? randomBytes(24).toString('base64url'));
  writeFileSync(join(home, 'secrets.json'), `${JSON.stringify({ ...kept, databasePassword }, null, 2)}\n`, { mode: 0o600 });
  const instance = (await startInstance(home, databasePassword)) as Instance;
  try {
    process.env['DATABASE_URL'] = instance.url();
    process.env['LOCHSIDE_SERVER_KEY'] ??= String(kept['serverKey'] ?? '');
    return await restoreInto(instance.url(), { manifest, dump }, now);
  } finally {
    await closePools();
    await instance.stop();
  }
}

/** When the last backup was made. */
export async function backupStanding(): Promise<number> {
  useOwnInstance();
  try {
    print({ last: (await lastBackup())?.toISOString() ?? null });
    return 0;
  } finally {
    await closePools();
  }
}
