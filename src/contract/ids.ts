/** Ids as they cross the wire: UUIDs as text. */
import { v7, validate } from 'uuid';

export type Uuid = string & { readonly uuid: unique symbol };

export const isUuid = (text: string): text is Uuid => validate(text);

/** A new id, in the order of time. */
export const newUuid = (): Uuid => v7() as Uuid;
