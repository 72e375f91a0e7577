/** The child’s voice is short: grade 3 or below by Flesch and Kincaid’s formula, and no sentence of more than fourteen words. */
import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import { describe, expect, it } from 'vitest';
import { resolveLevel } from '@/core/rules/format/level';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { STARTERS } from '../examples/starters';

const GRADE = 3;
const LONGEST = 14;

const wordsIn = (text: string) => text.match(/[\p{L}\p{N}’']+/gu) ?? [];

describe('read aloud to a child', () => {
  it.each(STARTERS)('$id is short and easy', ({ game }) => {
    for (const [index] of game.levels.entries()) {
      const text = sentencesOf(resolveLevel(game, index), 'child').map(plainText).join(' ');
      const sentences = text.split(/[.?:;!]+\s/).filter((one) => wordsIn(one).length > 0);
      const words = sentences.flatMap(wordsIn);
      const grade = fleschKincaid({ sentence: sentences.length, word: words.length, syllable: words.reduce((sum, word) => sum + syllable(word), 0) });
      expect(grade).toBeLessThanOrEqual(GRADE);
      // A list is read item by item.
      const spoken = sentences.flatMap((one) => (one.split(', ').length > 3 ? one.split(', ') : [one]));
      expect(spoken.filter((one) => wordsIn(one).length > LONGEST)).toEqual([]);
    }
  });
});
