import { describe, expect, it } from 'vitest';
import { cache } from './caches';

describe('what is kept in memory', () => {
  it('lets go of what was not asked for the longest, not of everything', () => {
    const kept = cache<{ n: number }>('a test', 3);
    for (const n of [1, 2, 3]) kept.set(`${n}`, { n });
    kept.get('1');
    kept.set('4', { n: 4 });
    expect(['1', '2', '3', '4'].map((key) => kept.has(key))).toEqual([true, false, true, true]);
  });
  it('is one for each name, wherever it is asked for', () => {
    cache<{ n: number }>('another test', 3).set('here', { n: 1 });
    expect(cache<{ n: number }>('another test', 3).get('here')).toEqual({ n: 1 });
  });
});
