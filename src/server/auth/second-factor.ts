/** The second factor: a code of six figures that changes every half minute (RFC 6238), and codes to recover by. */
import { createCipheriv, createDecipheriv, randomBytes, randomInt } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { hashToken, keyed } from './tokens';

const STEP_S = 30;
/** Clocks of telephones go wrong by as much. */
const STEPS_OFF = 1;

/** What the authenticator is told. */
export const factorOf = (secret: Secret, account: string, school: string): TOTP =>
  new TOTP({ issuer: `Lochside ${school}`, label: account, algorithm: 'SHA1', digits: 6, period: STEP_S, secret });

export const newSecret = (): Secret => new Secret({ size: 20 });

/** The step that a code is of; null for a wrong code, and for one of a step that was used already: what was seen over a shoulder opens nothing. */
export function stepOfCode(secret: Secret, code: string, lastStep: number, now: Date): number | null {
  const token = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const off = factorOf(secret, '', '').validate({ token, timestamp: now.getTime(), window: STEPS_OFF });
  if (off === null) return null;
  const step = Math.floor(now.getTime() / 1000 / STEP_S) + off;
  return step > lastStep ? step : null;
}

/** Kept under the server's key: the database alone tells no codes. */
export function sealed(serverKey: string, secret: Secret): Buffer {
  const iv = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', keyed(serverKey, 'second factor'), iv);
  const body = Buffer.concat([cipher.update(Buffer.from(secret.bytes)), cipher.final()]);
  return Buffer.concat([iv, cipher.getAuthTag(), body]);
}

export function unsealed(serverKey: string, kept: Buffer): Secret {
  const decipher = createDecipheriv('aes-256-gcm', keyed(serverKey, 'second factor'), kept.subarray(0, 12));
  decipher.setAuthTag(kept.subarray(12, 28));
  const body = Buffer.concat([decipher.update(kept.subarray(28)), decipher.final()]);
  return new Secret({ buffer: new Uint8Array(body).buffer });
}

/** Ten, each for once: letters and figures that are not mistaken for one another. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const CODES = 10;
export const newRecoveryCodes = (): string[] =>
  Array.from({ length: CODES }, () => {
    const code = Array.from({ length: 10 }, () => LETTERS[randomInt(LETTERS.length)]).join('');
    return `${code.slice(0, 5)}-${code.slice(5)}`;
  });

export const recoveryHash = (code: string): Buffer => hashToken(`recovery|${code.toLowerCase().replace(/[^a-z0-9]/g, '')}`);
