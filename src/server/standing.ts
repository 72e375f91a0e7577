/** How this server stands: its backups, its disk, its clock. */
import { execFile } from 'node:child_process';
import { existsSync } from 'node:fs';
import { readFile, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { ServerStanding, ServerWorry } from '@/contract/server-standing';
import { lastBackup, lastVerified } from './backup/backup';
import { firstRow, rows } from './db/pool';
import { noted } from './db/instance';
import { KEEPING_APPLIED } from './keeping/keep';
import { log } from './log';
import { settings } from './settings';

const HOUR_MS = 3_600_000;
/** A job of every day that was missed once is late. */
const OLD_BACKUP_MS = 50 * HOUR_MS;
const OLD_KEEPING_MS = 74 * HOUR_MS;
const LEAST_FREE_BYTES = 2 * 1024 ** 3;
const LEAST_FREE_SHARE = 0.05;
/** Codes of authenticators are of thirty seconds; devices themselves may be out by some. Assumed. */
const MOST_MINUTES_OUT = 5;
const FEWEST_DEVICES = 10;

/** The first page asks often, and another program answers. */
const CLOCK_KNOWN_MS = 600_000;
let clock: { readonly at: number; readonly is: Promise<boolean | null> } | undefined;

/** Whether the machine keeps its clock by the network; null where it does not say. */
function synchronized(now: Date): Promise<boolean | null> {
  if (!clock || now.getTime() - clock.at > CLOCK_KNOWN_MS) clock = { at: now.getTime(), is: askSynchronized() };
  return clock.is;
}

async function askSynchronized(): Promise<boolean | null> {
  try {
    const { stdout } = await promisify(execFile)('timedatectl', ['show', '-p', 'NTPSynchronized', '--value'], { timeout: 1000 });
    return stdout.trim() === '' ? null : stdout.trim() === 'yes';
  } catch {
    return null;
  }
}

/** The middle of what the newest reports say of their device's clock against ours. */
async function devicesAheadMinutes(): Promise<number | null> {
  // Where nearly all comes on paper, the last fifty by link may lie years back: no further than the newest thousand is looked.
  const found = await rows<{ sent: string | null; received_at: Date }>(
    `SELECT JSON_VALUE(COALESCE(r.digest, r.body), '$.report.sentAt') AS sent, r.received_at
     FROM (SELECT id, way FROM reports ORDER BY id DESC LIMIT 1000) newest JOIN reports r ON r.id = newest.id
     WHERE newest.way = 'link' ORDER BY newest.id DESC LIMIT 50`,
  );
  const sorted = found.flatMap(({ sent, received_at }) => (sent ? (Date.parse(sent) - received_at.getTime()) / 60_000 : [])).sort((a, b) => a - b);
  if (sorted.length < FEWEST_DEVICES) return null;
  return Math.round(sorted[Math.floor(sorted.length / 2)]!);
}

export async function serverStanding(now: Date): Promise<ServerStanding> {
  const home = process.env['LOCHSIDE_HOME'] ?? process.cwd();
  const [{ version }, last, backup, verified, kept, { bavail, bsize, blocks }, isSynchronized, ahead] = await Promise.all([
    readFile(join(process.cwd(), 'package.json'), 'utf8').then((text) => JSON.parse(text) as { version: string }),
    firstRow<{ name: string }>('SELECT MAX(name) AS name FROM migrations'),
    lastBackup(),
    lastVerified(),
    noted(KEEPING_APPLIED),
    statfs(home),
    synchronized(now),
    devicesAheadMinutes(),
  ]);
  const disk = { freeBytes: bavail * bsize, ofBytes: blocks * bsize };
  const older = (at: Date | undefined | null, ms: number) => !at || now.getTime() - at.getTime() > ms;
  const worries: ServerWorry[] = [];
  // The demo is made anew by itself.
  if (settings().mode === 'school') {
    if (!existsSync(join(home, 'backup-recipient.txt'))) worries.push('no backup key');
    else if (!backup) worries.push('no backup');
    else if (older(backup, OLD_BACKUP_MS)) worries.push('backup is old');
    if (older(kept?.at, OLD_KEEPING_MS)) worries.push('nothing is taken away');
  }
  if (disk.freeBytes < LEAST_FREE_BYTES || disk.freeBytes < LEAST_FREE_SHARE * disk.ofBytes) worries.push('disk is full');
  if (isSynchronized === false || Math.abs(ahead ?? 0) > MOST_MINUTES_OUT) worries.push('clock is wrong');
  return {
    version,
    migration: last?.name ?? '',
    backupAt: backup?.toISOString() ?? null,
    verifiedAt: verified?.toISOString() ?? null,
    keepingAt: kept?.at.toISOString() ?? null,
    disk,
    clock: { synchronized: isSynchronized, devicesAheadMinutes: ahead },
    worries,
  };
}

/** What a lead is told on the first page; never in the way of it. */
export const serverWorries = async (now: Date): Promise<readonly ServerWorry[]> =>
  (
    await serverStanding(now).catch((error: unknown) => {
      log.warn({ err: error }, 'how the server stands is not known');
      return { worries: [] };
    })
  ).worries;
