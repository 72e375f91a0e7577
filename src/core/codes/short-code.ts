/**
 * Codes that are typed from paper: ten letters and digits of which none looks like another, the last of them a check letter by ISO/IEC 7064,
 * system MOD 37,36. Written in three groups: "KH4 7WMQ 2XB". The first two letters are of the school, so that guesses can be counted by school.
 */

/** Without 0, 1, I and O. */
export const CODE_LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';

export const [LETTERS_OF_SCHOOL, LETTERS_OF_CODE] = [2, 10] as const;

const ALL = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const M = ALL.length;

/** The check letter of letters and digits, upper case, by ISO/IEC 7064 MOD 37,36. Throws on anything else. */
export function checkLetter(letters: string): string {
  let product = M;
  for (const letter of letters) {
    const value = ALL.indexOf(letter);
    if (value < 0) throw new RangeError(`“${letter}” is neither a digit nor an upper-case letter`);
    const sum = (product + value) % M || M;
    product = (2 * sum) % (M + 1);
  }
  return ALL[(M + 1 - product) % M]!;
}

/** The code for letters of a school and of its own, or null where the check letter would look like another. */
export function shortCode(letters: string): string | null {
  const check = checkLetter(letters);
  return CODE_LETTERS.includes(check) ? letters + check : null;
}

/** As it is printed. */
export const inGroups = (code: string): string => `${code.slice(0, 3)} ${code.slice(3, 7)} ${code.slice(7)}`;

export type TypedCode = { readonly is: 'code'; readonly code: string } | { readonly is: 'mistyped' } | { readonly is: 'no code' };

/** What was typed: with any spaces or hyphens, in either case. Mistyped is what has the form of a code and another check letter. */
export function readShortCode(written: string): TypedCode {
  const code = written.replace(/[\s.–-]/g, '').toUpperCase();
  if (code.length !== LETTERS_OF_CODE || !/^[0-9A-Z]+$/.test(code)) return { is: 'no code' };
  const whole = [...code].every((letter) => CODE_LETTERS.includes(letter)) && checkLetter(code.slice(0, -1)) === code.at(-1);
  return whole ? { is: 'code', code } : { is: 'mistyped' };
}
