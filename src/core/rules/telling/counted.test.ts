import { describe, expect, it } from 'vitest';
import { counted } from './counted';

describe('the words of a counter', () => {
  it.each([
    ['strokes', 'stroke'],
    ['bonus stones', 'bonus stone'],
    ['touches in a row', 'touch in a row'],
    ['misses in a row', 'miss in a row'],
    ['boxes', 'box'],
    ['full rounds', 'full round'],
    ['sports points', 'sports point'],
    ['goes', 'go'],
    ['mm from the buoy', 'mm from the buoy'],
    ['things put on', 'thing put on'],
    ['pennies', 'penny'],
    ['more', 'more'],
    ['aboard', 'aboard'],
    ['my own stars', 'my own star'],
  ])('1 of %s is 1 %s', (several, one) => {
    expect(counted(1, several)).toBe(one);
    expect(counted(2, several)).toBe(several);
    expect(counted(0, several)).toBe(several);
  });
});
