/** Keys are UUIDv7 in 16 bytes: time-ordered, made without the database. Outside they are text. */
import type { Uuid } from '@/contract/ids';
import { parse, stringify, v7 } from 'uuid';

export function newId(): Buffer {
  return Buffer.from(v7(undefined, new Uint8Array(16)));
}

export function toBytes(id: Uuid): Buffer {
  return Buffer.from(parse(id));
}

export function toText(bytes: Buffer): Uuid {
  return stringify(bytes) as Uuid;
}
