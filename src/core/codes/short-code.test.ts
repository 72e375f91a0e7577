import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkLetter, CODE_LETTERS, inGroups, LETTERS_OF_CODE, readShortCode, shortCode } from './short-code';

const letters = fc
  .array(fc.constantFrom(...CODE_LETTERS), { minLength: LETTERS_OF_CODE - 1, maxLength: LETTERS_OF_CODE - 1 })
  .map((list) => list.join(''));
const codes = letters.map(shortCode).filter((code) => code !== null);

describe('a code that is typed from paper', () => {
  // The example of a published identifier that uses the same system (a global release identifier); its value is from memory.
  it('has the check letter of ISO/IEC 7064 MOD 37,36', () => {
    expect(checkLetter('A12425GABC1234002')).toBe('M');
  });
  it('has no letter that looks like another', () => {
    expect(CODE_LETTERS).not.toMatch(/[01IO]/);
    expect(CODE_LETTERS).toHaveLength(32);
  });
  it('is read as it is printed, in small letters, with hyphens', () => {
    fc.assert(
      fc.property(codes, (code) => {
        for (const written of [code, inGroups(code), inGroups(code).toLowerCase(), ` ${inGroups(code).replaceAll(' ', '-')} `])
          expect(readShortCode(written)).toEqual({ is: 'code', code });
      }),
      { seed: 3 },
    );
  });
  it('tells every single wrong letter, and two that changed places', () => {
    fc.assert(
      fc.property(codes, fc.nat(LETTERS_OF_CODE - 1), fc.constantFrom(...CODE_LETTERS), (code, at, letter) => {
        const wrong = code.slice(0, at) + letter + code.slice(at + 1);
        if (wrong !== code) expect(readShortCode(wrong)).toEqual({ is: 'mistyped' });
        const swapped = code.slice(0, at) + (code[at + 1] ?? '') + code[at]! + code.slice(at + 2);
        if (swapped !== code && swapped.length === code.length) expect(readShortCode(swapped)).toEqual({ is: 'mistyped' });
      }),
      { seed: 4, numRuns: 400 },
    );
  });
  it('is not seen in what is none', () => {
    for (const written of ['', 'week 3', 'ABCDEFGHJKLMNPQRSTUVWX', '12 points!', 'KH4 7WM']) expect(readShortCode(written).is).toBe('no code');
  });
});
