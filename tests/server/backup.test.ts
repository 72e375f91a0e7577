/** A backup is made while the school goes on, destroyed, and put back: every figure is the same, and who was erased since then stays erased. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newBackupKey, takeBackup, withBackup, lastBackup } from '@/server/backup/backup';
import { backUpBeforeUpgrade } from '@/server/backup/before-upgrade';
import { replayOneClass } from '@/server/backup/replay';
import { emptyDatabase, restoreInto } from '@/server/backup/restore';
import { eraseChild } from '@/server/classes/erase-child';
import { classesOf } from '@/server/db/classes';
import { toText } from '@/server/db/ids';
import { migrate } from '@/server/db/migrate';
import { migrationFiles } from '@/server/db/migration-files';
import { rows } from '@/server/db/pool';
import { OF_THE_MOMENT } from '@/server/backup/dump';
import { closePools } from '@/server/db/servers';
import { classWeek } from '@/server/scores/class-week';
import { exportedGoes } from '@/server/scores/export';
import { schoolDay } from '@/server/school-day';
import { todayOf } from '@/server/today/today';
import { useDemoSchool, ZONE } from './school';

const folder = mkdtempSync(join(tmpdir(), 'lochside-backups-'));
const secrets = join(folder, 'secrets.json');
const journal = join(folder, 'erasures.jsonl');
const NOW = new Date();

beforeAll(async () => {
  await useDemoSchool('lochside_backup');
  writeFileSync(secrets, JSON.stringify({ serverKey: 'a key', databasePassword: 'p' }));
  process.env['LOCHSIDE_ERASURES'] = journal;
});
afterAll(async () => {
  delete process.env['LOCHSIDE_ERASURES'];
  rmSync(folder, { recursive: true, force: true });
  await closePools();
});

const url = () => process.env['DATABASE_URL']!;

/** What every page of the school shows, as far as it is figures. */
async function figures() {
  const [school] = await rows<{ id: Buffer }>('SELECT id FROM schools');
  const schoolId = toText(school!.id);
  const today = schoolDay(NOW, ZONE);
  const classes = await classesOf(schoolId, today);
  return {
    today: await todayOf(schoolId, ZONE, NOW),
    classes: await Promise.all(
      classes.map(async ({ id, name }) => {
        const weeks = await rows<{ id: Buffer }>('SELECT id FROM weeks WHERE class_id = (SELECT id FROM classes WHERE name = ?) ORDER BY number', [
          name,
        ]);
        return {
          name,
          goes: await exportedGoes(id),
          weeks: await Promise.all(weeks.map((week) => classWeek(id, toText(week.id), ZONE, today))),
        };
      }),
    ),
  };
}

/** MariaDB's own checksum of each table, past every cache of ours; of the backup's own note, the lease and what is of the moment nothing is asked. */
async function checksums(): Promise<Record<string, string>> {
  const tables = (await rows<Record<string, string>>('SHOW TABLES'))
    .map((row) => Object.values(row)[0]!)
    .filter((name) => !/^(instance|migration_lease)$/.test(name) && !OF_THE_MOMENT.includes(name));
  const found = await Promise.all(tables.map((name) => rows<{ Checksum: string }>(`CHECKSUM TABLE \`${name}\` EXTENDED`)));
  return Object.fromEntries(tables.map((name, index) => [name, String(found[index]![0]!.Checksum)]));
}

describe('a backup', () => {
  it('destroyed and put back shows the same figures on every page; a child erased since then is erased again', async () => {
    const { identity, recipient } = await newBackupKey();
    const { file, manifest } = await takeBackup(url(), { secretsFile: secrets, recipient, out: folder }, NOW);
    expect(await lastBackup()).toEqual(NOW);
    const before = JSON.stringify(await figures());
    const sums = await checksums();
    expect(Object.keys(sums).length).toBeGreaterThan(30);
    expect(before.length).toBeGreaterThan(100_000);
    const [child] = await rows<{ id: Buffer; school_id: Buffer }>('SELECT id, school_id FROM children ORDER BY id LIMIT 1');
    await emptyDatabase();
    expect(await rows('SHOW TABLES')).toEqual([]);
    await withBackup(file, identity, async (opened) => {
      expect(opened.secrets).toBe(readFileSync(secrets, 'utf8'));
      expect(await restoreInto(url(), opened, NOW)).toMatchObject({ erased: 0, migrated: 0, manifest: { sha256: manifest.sha256 } });
      expect(await checksums()).toEqual(sums);
      expect(JSON.stringify(await figures())).toBe(before);
      expect(await replayOneClass()).toMatchObject({ different: [] });
      // A database in which something stands is not written over.
      await expect(restoreInto(url(), opened, NOW)).rejects.toThrow('There is something in this database already');
      await eraseChild(toText(child!.school_id), null, toText(child!.id), NOW);
      await emptyDatabase();
      expect(await restoreInto(url(), opened, NOW)).toMatchObject({ erased: 1 });
      expect(await rows('SELECT 1 FROM children WHERE id = ?', [child!.id])).toEqual([]);
    });
  }, 180_000);

  it('tells nothing to who has not the key, and says so when it was cut off, changed, or is none', async () => {
    const { identity, recipient } = await newBackupKey();
    const { file } = await takeBackup(url(), { secretsFile: secrets, recipient, out: join(folder, 'apart') }, NOW);
    const bytes = readFileSync(file);
    expect(bytes.includes('CREATE TABLE')).toBe(false);
    expect(bytes.subarray(0, 21).toString()).toBe('age-encryption.org/v1');
    const opens = (of: string, key = identity) => withBackup(of, key, async () => 'open');
    expect(await opens(file)).toBe('open');
    await expect(opens(file, (await newBackupKey()).identity)).rejects.toThrow(/another key/);
    await expect(opens(file, 'nonsense')).rejects.toThrow(/AGE-SECRET-KEY-1/);
    const broken = join(folder, 'broken.age');
    for (const changed of [
      bytes.subarray(0, bytes.length - 5000),
      Buffer.concat([bytes.subarray(0, 9000), Buffer.from([bytes[9000]! ^ 1]), bytes.subarray(9001)]),
      Buffer.from('not a backup'),
    ]) {
      writeFileSync(broken, changed);
      await expect(opens(broken)).rejects.toThrow(/does not open/);
    }
    // Debian's age, which shares no code with it, opens the same file, where it is installed.
    const key = join(folder, 'key.txt');
    writeFileSync(key, identity, { mode: 0o600 });
    const age = spawnSync('age', ['-d', '-i', key, file], { maxBuffer: 512_000_000 });
    if (age.error === undefined) expect(age.stdout.subarray(0, 2)).toEqual(Buffer.from([0x1f, 0x8b]));
  });

  it('has its name only when it is whole, and the oldest go', async () => {
    const { recipient } = await newBackupKey();
    const out = join(folder, 'many');
    for (let day = 1; day <= 3; day += 1)
      await takeBackup(url(), { secretsFile: null, recipient, out, keep: 2 }, new Date(Date.UTC(2027, 0, day, 3)));
    expect(readdirSync(out).sort()).toEqual(['lochside-20270102T030000Z.age', 'lochside-20270103T030000Z.age']);
    // A database that goes away in the middle leaves no backup.
    await expect(takeBackup(url().replace(/lochside_backup/, 'nowhere'), { secretsFile: null, recipient, out }, NOW)).rejects.toThrow(
      /mariadb-dump failed/,
    );
    expect(readdirSync(out).filter((name) => name.endsWith('.age'))).toHaveLength(2);
  });

  it('is made before a newer Lochside changes the database; where there is no key, that is said', async () => {
    const home = join(folder, 'home');
    mkdirSync(home);
    expect(await backUpBeforeUpgrade(url(), home, NOW)).toBe('');
    await emptyDatabase();
    expect(await backUpBeforeUpgrade(url(), home, NOW)).toBe('');
    const files = await migrationFiles();
    await migrate(url(), files[39]);
    expect(await backUpBeforeUpgrade(url(), home, NOW)).toContain('no key for backups');
    const { identity, recipient } = await newBackupKey();
    writeFileSync(join(home, 'backup-recipient.txt'), recipient);
    expect(await backUpBeforeUpgrade(url(), home, NOW)).toContain('A backup was made before');
    const [made] = readdirSync(join(home, 'backups'));
    const { migration } = await withBackup(join(home, 'backups', made!), identity, async ({ manifest }) => manifest);
    expect(migration).toBe(files[39]);
    // A file of keys that cannot be used: nothing is changed, and it is said.
    writeFileSync(join(home, 'backup-recipient.txt'), 'age1nonsense');
    await expect(backUpBeforeUpgrade(url(), home, NOW)).rejects.toThrow();
  });
});
