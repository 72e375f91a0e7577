import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the package's defaults (19 MiB, 2 passes), about 20 ms. */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

/** A hash that no password has, so that an unknown account takes as long as a known one. */
let nobody: Promise<string> | undefined;

export async function passwordIs(stored: string | undefined, password: string): Promise<boolean> {
  nobody ??= hash('nobody has this password');
  const right = await verify(stored ?? (await nobody), password);
  return stored !== undefined && right;
}
