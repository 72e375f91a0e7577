/** The rules by which a school keeps things, applied: for the daily job, and by hand. */
import { readdir, stat, unlink } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import type { Gone } from '@/contract/keeping';
import { alone } from '@/server/db/leases';
import { closePools } from '@/server/db/servers';
import { schoolsHere } from '@/server/db/schools';
import { LOGS_KEPT_DAYS } from '@/server/log';
import { applyKeeping, noteKeepingApplied } from '@/server/keeping/keep';
import { print, type Options } from './input';
import { ownHome, useJournal, useOwnInstance } from './own-instance';

/** Log files of before; those of a server that was started again are nobody's to rotate. */
async function oldLogs(now: Date): Promise<string[]> {
  const file = process.env['LOCHSIDE_LOG_FILE'] || join(ownHome(), 'log', 'lochside');
  const names = await readdir(dirname(file)).catch(() => []);
  const logs = names.filter((name) => name.startsWith(`${basename(file)}.`)).map((name) => join(dirname(file), name));
  const ages = await Promise.all(logs.map(async (path) => [path, (await stat(path)).mtimeMs] as const));
  return ages.filter(([, at]) => now.getTime() - at > LOGS_KEPT_DAYS * 86_400_000).map(([path]) => path);
}

async function ofAll(now: Date, dry: boolean): Promise<(Gone & { school: string })[]> {
  const gone: (Gone & { school: string })[] = [];
  for (const { id, name, timeZone } of await schoolsHere())
    gone.push({ school: name, ...(await applyKeeping({ schoolId: id, timeZone }, now, dry)) });
  return gone;
}

/** Takes away what is over, of every school here, and says what; with --dry-run it only says. */
export async function keeping(options: Options): Promise<number> {
  useOwnInstance();
  useJournal();
  const dry = options['dry-run'] !== undefined;
  const now = new Date();
  try {
    const applied = dry ? { done: await ofAll(now, true) } : await alone('keeping', () => ofAll(now, false));
    if (!applied) throw new Error('this is being done already, perhaps on another machine');
    const gone = applied.done;
    const logs = await oldLogs(now);
    if (!dry) {
      for (const path of logs) await unlink(path);
      await noteKeepingApplied(now);
    }
    print({ [dry ? 'wouldGo' : 'gone']: gone, logFiles: logs.length });
    return 0;
  } finally {
    await closePools();
  }
}
