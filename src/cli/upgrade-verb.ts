/** A school brought to this version while it is stopped: backed up, changed, checked, told. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkServerKey } from '@/server/auth/server-key';
import { backUpBeforeUpgrade } from '@/server/backup/before-upgrade';
import { replayOneClass } from '@/server/backup/replay';
import { migrate } from '@/server/db/migrate';
import { rows } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { newsSince } from '@/server/today/news';
import { startInstance } from '../../scripts/lib/instance.mjs';
import { print } from './input';
import { checkStopped, ownHome } from './own-instance';

/** The last change that the database has had; empty for a new one. */
async function lastMigration(): Promise<string> {
  const there = await rows("SHOW TABLES LIKE 'migrations'");
  return there.length === 0 ? '' : ((await rows<{ name: string | null }>('SELECT MAX(name) AS name FROM migrations'))[0]!.name ?? '');
}

export async function upgrade(): Promise<number> {
  const home = ownHome();
  if (process.env['DATABASE_URL']) return upgraded(process.env['DATABASE_URL'], home);
  const secrets = join(home, 'secrets.json');
  if (!existsSync(secrets)) throw new Error('there is no school here yet: npm run serve makes one');
  checkStopped(home);
  const { databasePassword, serverKey } = JSON.parse(readFileSync(secrets, 'utf8')) as { databasePassword: string; serverKey: string };
  const instance = (await startInstance(home, databasePassword)) as { url: () => string; stop: () => Promise<void> };
  try {
    process.env['DATABASE_URL'] = instance.url();
    process.env['LOCHSIDE_SERVER_KEY'] ??= serverKey;
    return await upgraded(instance.url(), home);
  } finally {
    await instance.stop();
  }
}

async function upgraded(url: string, home: string): Promise<number> {
  try {
    const now = new Date();
    const before = await lastMigration();
    const backup = await backUpBeforeUpgrade(url, home, now);
    const steps = await migrate(url);
    if (process.env['LOCHSIDE_SERVER_KEY']) await checkServerKey(process.env['LOCHSIDE_SERVER_KEY'], now);
    const replayed = await replayOneClass();
    const good = (replayed?.different.length ?? 0) === 0;
    print({
      from: before,
      to: await lastMigration(),
      steps: steps.length,
      backup: backup === '' ? 'nothing was changed, none was needed' : backup,
      check: replayed ? { reports: replayed.reports, different: replayed.different.length, good } : 'nothing was reported yet',
      newForTeachers: newsSince(before).map(({ words }) => words),
    });
    return good ? 0 : 1;
  } finally {
    await closePools();
  }
}
