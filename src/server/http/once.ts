/** A deed that is sent again, by another press or after a line that broke off before the answer, is the same deed and gets the same answer. */
import { createHash } from 'node:crypto';
import { isUuid, type Uuid } from '@/contract/ids';
import { DEED_HEADER } from '@/contract/deed';
import { parsed } from '../db/games';
import { toBytes } from '../db/ids';
import { change, firstRow, transact, type Db } from '../db/pool';
import { refuse } from './answer';

/** What a page named its deed, with what it asked for. */
export interface Deed {
  readonly sentAs: Uuid;
  readonly content: Buffer;
}

/** The deed of a request; null where it names none. */
export function deedOf(request: Request, raw: string): Deed | null {
  const sentAs = request.headers.get(DEED_HEADER);
  if (sentAs === null) return null;
  if (!isUuid(sentAs)) throw refuse(400, DEED_HEADER, 'This is no id.', 'Send a UUID, or none.');
  const content = createHash('sha256')
    .update(`${request.method} ${new URL(request.url).pathname}\n${raw}`)
    .digest();
  return { sentAs, content };
}

/** `work` in one transaction, once for each deed of a school; its answer is kept with it, and holds no name and no secret. */
export function once<T extends object>({ schoolId }: { schoolId: Uuid }, deed: Deed | null, now: Date, work: (db: Db) => Promise<T>): Promise<T> {
  return transact(async (db) => {
    if (deed === null) return work(db);
    const key = [toBytes(schoolId), toBytes(deed.sentAs)];
    const before = await firstRow<{ content: Buffer; answer: T | string }>(
      'SELECT content, answer FROM deeds WHERE school_id = ? AND sent_as = ?',
      key,
      db,
    );
    if (before) {
      if (!before.content.equals(deed.content))
        throw refuse(409, DEED_HEADER, 'Something else was sent under this id.', 'Send it under an id of its own.');
      return parsed(before.answer);
    }
    // Who sends the same at this moment waits here, and finds the answer.
    await change(db, 'INSERT INTO deeds (school_id, sent_as, content, answer, made_at) VALUES (?, ?, ?, ?, ?)', [...key, deed.content, '{}', now]);
    const answer = await work(db);
    await change(db, 'UPDATE deeds SET answer = ? WHERE school_id = ? AND sent_as = ?', [JSON.stringify(answer), ...key]);
    return answer;
  });
}
