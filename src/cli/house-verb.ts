/** What a school's servers do once a day, whichever of them comes to it first: what is kept no longer goes, then a backup. For the launcher, every hour. */
import { existsSync } from 'node:fs';
import { noted } from '@/server/db/instance';
import { KEEPING_APPLIED } from '@/server/keeping/keep';
import { forgetMarks } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { shareJournal } from '@/server/classes/erasure-journal';
import { lastBackup } from '@/server/backup/backup';
import { backup, recipientFile } from './backup-verbs';
import { keeping } from './keeping-verb';
import { useJournal, useOwnInstance } from './own-instance';

/** A little less than a day, so that an hourly look does not come later every day. */
const DAY_MS = 23.5 * 3_600_000;

const isDue = (last: Date | null | undefined, now: Date) => !last || now.getTime() - last.getTime() > DAY_MS;

export async function house(): Promise<number> {
  useOwnInstance();
  useJournal();
  const now = new Date();
  await shareJournal();
  await forgetMarks();
  const [kept, saved] = [(await noted(KEEPING_APPLIED))?.at, await lastBackup()];
  await closePools();
  const failed: string[] = [];
  const did = async (what: string, work: () => Promise<number>) => {
    try {
      if ((await work()) !== 0) failed.push(what);
    } catch (error) {
      process.stderr.write(`The daily ${what} failed: ${(error as Error).message}\n`);
      failed.push(what);
    }
  };
  if (isDue(kept, now)) await did('keeping', () => keeping({}));
  if (isDue(saved, now) && existsSync(recipientFile())) await did('backup', () => backup({}));
  return failed.length > 0 ? 1 : 0;
}
