import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { childName, readRoster } from './read-roster';

describe('names are cut to first name and initial', () => {
  it.each([
    ['Isla Mary Robertson', 'Isla', 'R.'],
    ['Robertson, Isla', 'Isla', 'R.'],
    ['isla r', 'Isla', 'R.'],
    ['ZOFIA WÓJCIK', 'Zofia', 'W.'],
    ['Óscar Núñez', 'Óscar', 'N.'],
    ["Niamh O'Brien", 'Niamh', 'O.'],
    ['Anne-Marie van der Berg', 'Anne-Marie', 'B.'],
    ['Mei', 'Mei', ''],
    ['1. Callum Drummond', 'Callum', 'D.'],
  ])('%s', (written, firstName, initial) => expect(childName(written)).toEqual({ firstName, initial }));
  it('finds no name in figures and signs', () => expect(childName(' 12 ; - ')).toBeNull());
  it('never lets a surname through', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const name = childName(text);
        if (name) expect(name.initial).toMatch(/^(\p{L}\p{M}*\.)?$/u);
      }),
    );
  });
});

describe('a pasted column or a CSV file', () => {
  it('reads one name a line', () => {
    expect(readRoster('Isla Robertson\nMacDonald, Finlay\n\n  Aisha Khan ').children.map((child) => `${child.firstName} ${child.initial}`)).toEqual([
      'Isla R.',
      'Finlay M.',
      'Aisha K.',
    ]);
  });
  it('reads headings, quoted fields, hand and age (RFC 4180)', () => {
    const { children, problems } = readRoster('First name,Last name,Hand,Age\r\nIsla,"Robertson, née Black",left,8\r\nFinlay,MacDonald,R,99\r\n');
    expect(children).toEqual([
      { firstName: 'Isla', initial: 'R.', hand: 'left', ageYears: 8 },
      { firstName: 'Finlay', initial: 'M.', hand: 'right', ageYears: null },
    ]);
    expect(problems).toEqual([]);
  });
  it('reads columns pasted from a spreadsheet', () => {
    expect(readRoster('Name\tAge\nIsla Robertson\t7').children).toEqual([{ firstName: 'Isla', initial: 'R.', hand: null, ageYears: 7 }]);
  });
  it('names the line that has no name in it', () => {
    expect(readRoster('Isla\n???\nFinlay').problems).toMatchObject([{ place: 'line 2' }]);
  });
  it('stops at sixty children', () => {
    const { children, problems } = readRoster(Array.from({ length: 70 }, (_, n) => `Child${'abcdefghij'[n % 10]} Surname`).join('\n'));
    expect(children).toHaveLength(60);
    expect(problems).toHaveLength(1);
  });
});
