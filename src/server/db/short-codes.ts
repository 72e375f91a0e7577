/** Codes on paper: what each opens, kept as a keyed hash alone. */
import type { Uuid } from '@/contract/ids';
import { CODE_LETTERS, LETTERS_OF_CODE, LETTERS_OF_SCHOOL, shortCode } from '@/core/codes/short-code';
import { dayPlus } from '@/core/measure/days';
import { keyed } from '../auth/tokens';
import { padded } from './gather';
import { toBytes } from './ids';
import { change, insertMany, rows, type Db } from './pool';

/** A code ends so many days after the day its week was due. */
const LIVES_AFTER_DUE_DAYS = 14;

const letters = (bytes: Buffer, n: number): string => [...bytes.subarray(0, n)].map((byte) => CODE_LETTERS[byte % CODE_LETTERS.length]).join('');

/** Whose letters a code begins with. */
const lettersOfSchool = (serverKey: string, schoolId: Uuid): string => letters(keyed(serverKey, `codes of|${schoolId}`), LETTERS_OF_SCHOOL);

export const hashOfCode = (serverKey: string, code: string): Buffer => keyed(serverKey, `code|${code}`);

export interface CodesOf {
  readonly schoolId: Uuid;
  readonly termId: Uuid;
  readonly weekId: Uuid;
  readonly dueOn: string;
  /** Of each child's slip: with a new one the code before opens nothing. */
  readonly generations: ReadonlyMap<Uuid, number>;
}

const COLUMNS = ['code_hash', 'child_id', 'term_id', 'week_id', 'generation', 'ends_on', 'created_at'] as const;

/** The codes of the slips of one week, by child: the same at every reprint, and of nobody else. */
export async function codesFor(
  db: Db,
  serverKey: string,
  { schoolId, termId, weekId, dueOn, generations }: CodesOf,
  now: Date,
): Promise<ReadonlyMap<Uuid, string>> {
  const ofSchool = lettersOfSchool(serverKey, schoolId);
  const endsOn = dayPlus(dueOn, LIVES_AFTER_DUE_DAYS);
  /** The next letters of a child that have a check letter of ours. */
  const nextCode = (childId: Uuid, from: number): { code: string; n: number } => {
    for (let n = from; ; n += 1) {
      const own = letters(
        keyed(serverKey, `short|${childId}|${termId}|${weekId}|${generations.get(childId)!}|${n}`),
        LETTERS_OF_CODE - 1 - LETTERS_OF_SCHOOL,
      );
      const code = shortCode(ofSchool + own);
      if (code !== null) return { code, n };
    }
  };
  const codes = new Map<Uuid, string>();
  let open = [...generations.keys()].map((childId) => ({ childId, ...nextCode(childId, 0) }));
  while (open.length > 0) {
    const hashes = open.map(({ code }) => hashOfCode(serverKey, code));
    const row = ({ childId }: { childId: Uuid }, at: number) => [
      hashes[at]!,
      toBytes(childId),
      toBytes(termId),
      toBytes(weekId),
      generations.get(childId)!,
      endsOn,
      now,
    ];
    await insertMany(db, 'short_codes', COLUMNS, open.map(row), 'INSERT IGNORE');
    const asked = padded(hashes);
    const kept = new Map(
      (
        await rows<{ code_hash: Buffer; child_id: Buffer; week_id: Buffer; generation: number }>(
          `SELECT code_hash, child_id, week_id, generation FROM short_codes WHERE code_hash IN (${asked.map(() => '?').join(', ')})`,
          asked,
          db,
        )
      ).map((one) => [one.code_hash.toString('base64'), one]),
    );
    // Another child may have come to the same letters: the next ones then.
    open = open.flatMap(({ childId, code, n }, at) => {
      const there = kept.get(hashes[at]!.toString('base64'));
      const mine = there?.child_id.equals(toBytes(childId)) && there.week_id.equals(toBytes(weekId)) && there.generation === generations.get(childId);
      if (mine) codes.set(childId, code);
      return mine ? [] : [{ childId, ...nextCode(childId, n + 1) }];
    });
  }
  // The day by which the week is due may have been moved since.
  await change(db, 'UPDATE short_codes SET ends_on = ? WHERE week_id = ? AND ends_on <> ?', [endsOn, toBytes(weekId), endsOn]);
  return codes;
}
