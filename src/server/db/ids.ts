/** Keys are UUIDv7 in 16 bytes: time-ordered, made without the database. Outside they are text. */
import { parse, stringify, v7, validate } from 'uuid';

export type Uuid = string & { readonly uuid: unique symbol };

export function newId(): Buffer {
  return Buffer.from(v7(undefined, new Uint8Array(16)));
}

export function toBytes(id: Uuid): Buffer {
  return Buffer.from(parse(id));
}

export function toText(bytes: Buffer): Uuid {
  return stringify(bytes) as Uuid;
}

export function isUuid(text: string): text is Uuid {
  return validate(text);
}
