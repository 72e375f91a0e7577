/** Which class a message of the school's mailbox is for: by the code of its slip, else by the one child of the school that it names. */
import type { Uuid } from '@/contract/ids';
import { readMessage } from '@/core/reports/read-message';
import { keyOfWritten } from '../db/access-keys';
import type { DroppedMessage } from '../files/read-dropped';
import { textOf, type ClassToFill } from './bring-in';

/** Each class with its messages. What names nobody, or children of several classes, goes to the class that asked. */
export async function byClass(
  fills: readonly ClassToFill[],
  asking: Uuid,
  messages: readonly DroppedMessage[],
  now: Date,
): Promise<ReadonlyMap<Uuid, readonly DroppedMessage[]>> {
  const sorted = new Map<Uuid, DroppedMessage[]>([[asking, []]]);
  for (const message of messages) {
    const classId = await classOf(fills, asking, message, now);
    sorted.set(classId, [...(sorted.get(classId) ?? []), message]);
  }
  return sorted;
}

async function classOf(fills: readonly ClassToFill[], asking: Uuid, message: DroppedMessage, now: Date): Promise<Uuid> {
  const named: Uuid[] = [];
  let code: string | null = null;
  for (const { classId, children } of fills) {
    const read = readMessage(textOf(message), children);
    code ??= read.code;
    if (read.childId !== null) named.push(classId);
  }
  const key = code === null ? undefined : await keyOfWritten(code, now);
  const ofCode = key && fills.find(({ children }) => children.some(({ id }) => id === key.childId));
  if (ofCode) return ofCode.classId;
  return named.length === 1 ? named[0]! : asking;
}
