/**
 * Limits on failed attempts, in the database so that every server counts together. Failures only, per account or per prefix of a
 * token: homes share addresses, so an address is never locked out.
 */
import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import { pool } from '../db/pool';
import { settings } from '../settings';

interface Limit {
  readonly points: number;
  readonly seconds: number;
}

const SIGN_IN: Limit = { points: 8, seconds: 15 * 60 };
const TOKEN: Limit = { points: 20, seconds: 10 * 60 };

const limiters = new Map<string, RateLimiterMySQL>();

function limiter(name: string, limit: Limit): RateLimiterMySQL {
  let known = limiters.get(name);
  if (!known) {
    known = new RateLimiterMySQL({
      storeClient: pool().pool,
      storeType: 'pool',
      dbName: new URL(process.env['DATABASE_URL']!).pathname.slice(1),
      tableName: 'rate_limits',
      tableCreated: true,
      keyPrefix: name,
      points: limit.points,
      duration: limit.seconds,
    });
    limiters.set(name, known);
  }
  return known;
}

/** Seconds to wait before another try; 0 when a try is allowed. */
async function waitFor(name: string, limit: Limit, key: string): Promise<number> {
  if (settings().limitsOff) return 0;
  const state = await limiter(name, limit).get(key);
  return state && state.consumedPoints >= limit.points ? Math.ceil(state.msBeforeNext / 1000) : 0;
}

async function failed(name: string, limit: Limit, key: string): Promise<void> {
  if (settings().limitsOff) return;
  try {
    await limiter(name, limit).consume(key);
  } catch (refusal) {
    if (!(refusal instanceof RateLimiterRes)) throw refusal;
  }
}

export const signInLimit = {
  waitFor: (account: string) => waitFor('sign-in', SIGN_IN, account),
  failed: (account: string) => failed('sign-in', SIGN_IN, account),
  clear: async (account: string) => {
    if (!settings().limitsOff) await limiter('sign-in', SIGN_IN).delete(account);
  },
};

/** A school's key begins with the same letters as every other: those after them tell them apart. */
export const schoolKeyLimit = {
  waitFor: (key: string) => waitFor('school-key', TOKEN, key.slice(7, 13)),
  failed: (key: string) => failed('school-key', TOKEN, key.slice(7, 13)),
};

export const tokenLimit = {
  waitFor: (token: string) => waitFor('token', TOKEN, token.slice(0, 6)),
  failed: (token: string) => failed('token', TOKEN, token.slice(0, 6)),
};
