/**
 * Limits on attempts, in the database so that every server counts together: per account and per prefix of a token. Homes share addresses,
 * so an address has a loose limit on sign-ins alone, and nobody can keep another out: after wrong passwords an answer only takes longer.
 */
import { createHash } from 'node:crypto';
import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import { patiently } from '../db/patience';
import { databaseNameIn, pool } from '../db/servers';
import { settings } from '../settings';

interface Limit {
  readonly points: number;
  readonly seconds: number;
}

const SIGN_IN: Limit = { points: 1000, seconds: 15 * 60 };
/** A school signs in from one address. */
const SIGN_IN_ADDRESS: Limit = { points: 200, seconds: 15 * 60 };
const TOKEN: Limit = { points: 20, seconds: 10 * 60 };

/** Codes typed from paper that open nothing: by the letters of a school, and by address, from which many homes may come. */
const CODE_OF_SCHOOL: Limit = { points: 600, seconds: 60 * 60 };
const CODE_ADDRESS: Limit = { points: 20, seconds: 10 * 60 };

/** Connections of the database server that is asked at present, as the package takes them. */
const presentServer = {
  getConnection: (done: Parameters<ReturnType<typeof pool>['pool']['getConnection']>[0]) => pool().pool.getConnection(done),
};

const limiters = new Map<string, RateLimiterMySQL>();

function limiter(name: string, limit: Limit): RateLimiterMySQL {
  let known = limiters.get(name);
  if (!known) {
    known = new RateLimiterMySQL({
      storeClient: presentServer,
      storeType: 'pool',
      dbName: databaseNameIn(process.env['DATABASE_URL']!),
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
  const state = await patiently(() => limiter(name, limit).get(key));
  return state && state.consumedPoints >= limit.points ? Math.ceil(state.msBeforeNext / 1000) : 0;
}

/** So many tries are answered at once; each further one takes twice as long as the one before it, up to the longest. */
const FREE_TRIES = 4;
const LONGEST_WAIT_MS = 8000;

/** How long the answer to the nth try of an account is held back, milliseconds. */
export const heldBackMs = (tries: number): number => (tries <= FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_MS, 250 * 2 ** (tries - FREE_TRIES - 1)));

/** Counts one try, whatever comes of it; how many there have been in the time that is counted. */
async function counted(name: string, limit: Limit, key: string): Promise<number> {
  if (settings().limitsOff) return 0;
  try {
    return (await patiently(() => limiter(name, limit).consume(key))).consumedPoints;
  } catch (refusal) {
    if (!(refusal instanceof RateLimiterRes)) throw refusal;
    return refusal.consumedPoints;
  }
}

export const signInLimit = {
  /** Counts a try of this account, by a browser that signed in to it before (told apart by its mark) or by any other. How many there have been. */
  tried: (account: string, browser: string) => counted('sign-in', SIGN_IN, keyOf(`${account} ${browser}`)),
  /** Seconds for which this address is not answered; 0 for an address that may try. */
  addressTried: async (address: string) => {
    const tries = await counted('sign-in-from', SIGN_IN_ADDRESS, keyOf(address));
    return tries > SIGN_IN_ADDRESS.points ? waitFor('sign-in-from', SIGN_IN_ADDRESS, keyOf(address)) : 0;
  },
  clear: async (account: string, browser: string) => {
    if (!settings().limitsOff) await patiently(() => limiter('sign-in', SIGN_IN).delete(keyOf(`${account} ${browser}`)));
  },
};

/** Neither an account nor an address stands in the table of limits. */
const keyOf = (text: string): string => createHash('sha256').update(text).digest('base64url').slice(0, 22);

/** A school's key begins with the same letters as every other: those after them tell them apart. */
export const schoolKeyLimit = {
  waitFor: (key: string) => waitFor('school-key', TOKEN, key.slice(7, 13)),
  failed: (key: string) => counted('school-key', TOKEN, key.slice(7, 13)),
};

/** Takes back the count of a try that was right. */
async function uncounted(name: string, limit: Limit, key: string): Promise<void> {
  if (!settings().limitsOff) await patiently(() => limiter(name, limit).reward(key));
}

export const codeLimit = {
  /**
   * Counts a try before it is looked up, so that many at once are no way round it. Seconds to wait; 0 when it may be looked up. What an address
   * may not try does not count against its school: nobody keeps another family out from one place.
   */
  tried: async (school: string, address: string): Promise<number> => {
    if ((await counted('code-from', CODE_ADDRESS, keyOf(address))) > CODE_ADDRESS.points) return waitFor('code-from', CODE_ADDRESS, keyOf(address));
    return (await counted('code-of', CODE_OF_SCHOOL, school)) > CODE_OF_SCHOOL.points ? waitFor('code-of', CODE_OF_SCHOOL, school) : 0;
  },
  right: async (school: string, address: string): Promise<void> => {
    await Promise.all([uncounted('code-of', CODE_OF_SCHOOL, school), uncounted('code-from', CODE_ADDRESS, keyOf(address))]);
  },
};

export const tokenLimit = {
  waitFor: (token: string) => waitFor('token', TOKEN, token.slice(0, 6)),
  failed: (token: string) => counted('token', TOKEN, token.slice(0, 6)),
};
