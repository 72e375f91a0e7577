/** Codes on paper: what each opens, kept as a keyed hash alone. */
import type { Uuid } from '@/contract/ids';
import { CODE_LETTERS, LETTERS_OF_CODE, LETTERS_OF_SCHOOL, shortCode } from '@/core/codes/short-code';
import { dayPlus } from '@/core/measure/days';
import { keyed } from '../auth/tokens';
import { toBytes } from './ids';
import { change, firstRow, type Db } from './pool';

/** A code ends so many days after the day its week was due. */
const LIVES_AFTER_DUE_DAYS = 14;

const letters = (bytes: Buffer, n: number): string => [...bytes.subarray(0, n)].map((byte) => CODE_LETTERS[byte % CODE_LETTERS.length]).join('');

/** Whose letters a code begins with. */
const lettersOfSchool = (serverKey: string, schoolId: Uuid): string => letters(keyed(serverKey, `codes of|${schoolId}`), LETTERS_OF_SCHOOL);

export const hashOfCode = (serverKey: string, code: string): Buffer => keyed(serverKey, `code|${code}`);

export interface CodeOf {
  readonly schoolId: Uuid;
  readonly childId: Uuid;
  readonly termId: Uuid;
  readonly weekId: Uuid;
  readonly dueOn: string;
  /** Of the slip's key: with a new one the code before opens nothing. */
  readonly generation: number;
}

/** The code of one child's slip of one week: the same at every reprint, and of nobody else. */
export async function codeFor(
  db: Db,
  serverKey: string,
  { schoolId, childId, termId, weekId, dueOn, generation }: CodeOf,
  now: Date,
): Promise<string> {
  const own = LETTERS_OF_CODE - 1 - LETTERS_OF_SCHOOL;
  for (let n = 0; ; n += 1) {
    const tried = letters(keyed(serverKey, `short|${childId}|${termId}|${weekId}|${generation}|${n}`), own);
    const code = shortCode(lettersOfSchool(serverKey, schoolId) + tried);
    if (code === null) continue;
    await change(
      db,
      `INSERT INTO short_codes (code_hash, child_id, term_id, week_id, generation, ends_on, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON DUPLICATE KEY UPDATE ends_on = IF(child_id = VALUES(child_id) AND week_id = VALUES(week_id), VALUES(ends_on), ends_on)`,
      [hashOfCode(serverKey, code), toBytes(childId), toBytes(termId), toBytes(weekId), generation, dayPlus(dueOn, LIVES_AFTER_DUE_DAYS), now],
    );
    const kept = await firstRow<{ child_id: Buffer; week_id: Buffer; generation: number }>(
      'SELECT child_id, week_id, generation FROM short_codes WHERE code_hash = ?',
      [hashOfCode(serverKey, code)],
      db,
    );
    // Another child may have come to the same letters: the next ones then.
    if (kept!.child_id.equals(toBytes(childId)) && kept!.week_id.equals(toBytes(weekId)) && kept!.generation === generation) return code;
  }
}
