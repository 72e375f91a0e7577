/**
 * What runs on one machine at a time. A lease is a row with who has it and until when; whoever has it goes on saying so, and a machine that died says
 * nothing: another takes over. By the clock of the database.
 */
import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { log } from '../log';
import { change, direct, transact } from './pool';

const LEASE_S = 20;
const BREATH_MS = 5000;
const LOOK_EVERY_MS = 200;

export interface Lease {
  readonly release: () => Promise<void>;
}

async function taken(name: string, holder: string): Promise<boolean> {
  return transact(async (db) => {
    await change(db, "INSERT IGNORE INTO leases (name, holder, until) VALUES (?, '', '2000-01-01')", [name]);
    const got = await change(
      db,
      'UPDATE leases SET holder = ?, until = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE name = ? AND (holder = ? OR until < UTC_TIMESTAMP(3))',
      [holder, LEASE_S, name, holder],
    );
    return got === 1;
  });
}

/** The lease of this name, or null where somebody else has it for longer than `waitMs`. */
export async function takeLease(name: string, waitMs = 0): Promise<Lease | null> {
  const holder = randomUUID();
  for (const began = Date.now(); !(await taken(name, holder)); await sleep(LOOK_EVERY_MS)) if (Date.now() - began >= waitMs) return null;
  const timer = setInterval(() => {
    change(direct(), 'UPDATE leases SET until = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE name = ? AND holder = ?', [LEASE_S, name, holder]).catch(
      (error: unknown) => log.warn({ lease: name, err: error }, 'a lease could not be held'),
    );
  }, BREATH_MS);
  timer.unref();
  return {
    release: async () => {
      clearInterval(timer);
      await change(direct(), 'DELETE FROM leases WHERE name = ? AND holder = ?', [name, holder]);
    },
  };
}

/** Does `work` where nobody else does it; null, and nothing done, where somebody does for longer than `waitMs`. */
export async function alone<T>(name: string, work: () => Promise<T>, waitMs = 0): Promise<{ readonly done: T } | null> {
  const lease = await takeLease(name, waitMs);
  if (!lease) return null;
  try {
    return { done: await work() };
  } finally {
    await lease.release();
  }
}
