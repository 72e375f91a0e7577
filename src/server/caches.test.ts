import { describe, expect, it } from 'vitest';
import { cache, keptOr } from './caches';

describe('what a server keeps', () => {
  it('is worked out once, though fifty ask for it at once, and is there afterwards', async () => {
    const kept = cache<Promise<number>>('once, in a test', 3);
    let worked = 0;
    const work = async () => {
      await new Promise((resolve) => setTimeout(resolve, 1));
      return (worked += 1);
    };
    expect(new Set(await Promise.all(Array.from({ length: 50 }, () => keptOr(kept, 'a', work))))).toEqual(new Set([1]));
    expect(await keptOr(kept, 'a', work)).toBe(1);
    expect(await keptOr(kept, 'b', work)).toBe(2);
  });
  it('is not what failed: that is tried again', async () => {
    const kept = cache<Promise<string>>('failed, in a test', 3);
    await expect(keptOr(kept, 'a', () => Promise.reject(new Error('away')))).rejects.toThrow('away');
    expect(await keptOr(kept, 'a', () => Promise.resolve('back'))).toBe('back');
  });
});
