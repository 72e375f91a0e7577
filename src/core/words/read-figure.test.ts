import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { readFigure } from './read-figure';

const steps = { least: 1, most: 60, whole: false };
const value = (written: string, range = steps) => {
  const read = readFigure(written, range);
  return read.ok ? read.value : read.why;
};

describe('unhappy at home: a figure as a family types it', () => {
  it.each([
    ['3½', 3.5],
    ['3 ½', 3.5],
    ['3 1/2', 3.5],
    ['3,5', 3.5],
    ['3.5', 3.5],
    [' 4 ', 4],
    ['2¾', 2.75],
    ['٤', 4],
    ['३.५', 3.5],
    ['', null],
  ])('%j is %j', (written, expected) => expect(value(written)).toBe(expected));

  it.each([
    ['abc', 'none'],
    ['3.', 'none'],
    ['.', 'none'],
    ['3.5.1', 'none'],
    ['1e3', 'none'],
    ['0', 'least'],
    ['½', 'least'],
    ['-3', 'least'],
    ['999', 'most'],
  ])('%j is refused: %s', (written, why) => expect(value(written)).toBe(why));

  it('a whole number is never made of another one', () => {
    const goals = { least: 0, most: 40, whole: true };
    expect(value('3.5', goals)).toBe('whole');
    expect(value('3½', goals)).toBe('whole');
    expect(value('3.0', goals)).toBe(3);
    expect(value('41', goals)).toBe('most');
  });

  it('law: every number in range that is written with a point or a comma is read as itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999 }), (hundredths) => {
        const number = hundredths / 100;
        for (const written of [`${number}`, `${number}`.replace('.', ',')])
          expect(value(written, { least: 0, most: 1000, whole: false })).toBeCloseTo(number, 9);
      }),
    );
  });
});
