/** The stand-in for a mailbox: a folder of messages as files. Nothing in it is changed; what was read before is known again by its id. */
import { readdir, readFile as readBytes, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Uuid } from '@/contract/ids';
import { MOST_BYTES, readFile } from './drop';
import type { DroppedMessage } from './read-dropped';

const MOST_FILES = 100;

export interface MailboxRead {
  readonly messages: readonly DroppedMessage[];
  /** Files that could not be read, each with the reason. */
  readonly problems: readonly { readonly file: string; readonly reason: string }[];
}

/**
 * The folder of one school: the one that bears its id, within the folder that is set up. Where there is one school alone that folder may be its own.
 * Undefined where several share a server and this one has no folder: nobody reads another's messages.
 */
export async function mailboxOf(folder: string, schoolId: Uuid, isOneSchool: boolean): Promise<string | undefined> {
  const own = join(folder, schoolId);
  const there = await stat(own).then(
    (found) => found.isDirectory(),
    () => false,
  );
  if (there) return own;
  return isOneSchool ? folder : undefined;
}

/** How many messages of a mailbox name somebody; it is the school's own, and nothing in it is changed here. */
export async function messagesNaming(folder: string, name: RegExp): Promise<number> {
  const { messages } = await readMailboxFolder(folder);
  return messages.filter(({ from, subject, text }) => [from, subject, text].some((words) => words.search(name) >= 0)).length;
}

export async function readMailboxFolder(folder: string): Promise<MailboxRead> {
  const names = (await readdir(folder).catch(() => []))
    .filter((name) => /\.(eml|mbox)$/i.test(name))
    .sort()
    .slice(0, MOST_FILES);
  const messages: DroppedMessage[] = [];
  const problems: { file: string; reason: string }[] = [];
  for (const name of names) {
    const path = join(folder, name);
    const { size } = await stat(path);
    const read = size > MOST_BYTES ? { kind: 'problem' as const, reason: 'It is larger than 5 MB.' } : await readFile(name, await readBytes(path));
    if (read.kind === 'messages') messages.push(...read.messages);
    else problems.push({ file: name, reason: read.kind === 'problem' ? read.reason : 'It is a table, no message.' });
  }
  return { messages, problems };
}
