import { describe, expect, it } from 'vitest';
import { hitsFit, levelFit } from './level-fit';
import { wilson } from './wilson';

describe('the interval of a share', () => {
  it('is that of the examples in Newcombe 1998 (Statistics in Medicine 17: 857–872), table I, 95%', () => {
    for (const [k, n, low, high] of [
      [81, 263, 0.2553, 0.3662],
      [15, 148, 0.0624, 0.1605],
      [0, 20, 0, 0.1611],
      [1, 29, 0.0061, 0.1718],
    ] as const) {
      const found = wilson(k, n, 1.959964);
      expect(found.low, `${k}/${n}`).toBeCloseTo(low, 4);
      expect(found.high, `${k}/${n}`).toBeCloseTo(high, 4);
    }
    expect(wilson(0, 0, 1.96)).toEqual({ low: 0, high: 1 });
  });
});

describe('a level for a class', () => {
  const class20 = (reached: number) => Array.from({ length: 20 }, (_, child) => ({ score: child < reached ? 12 : 8, par: 10 }));
  it('is right while about half reach par, too easy or too hard when it is far from half', () => {
    expect([3, 10, 12, 18].map((reached) => levelFit(class20(reached), 'high').fit)).toEqual(['too-hard', 'right', 'right', 'too-easy']);
    expect(levelFit(class20(10), 'high')).toMatchObject({ reached: 10, of: 20 });
  });
  it('is judged the other way round where less is better', () => {
    expect(levelFit(class20(18), 'low').fit).toBe('too-hard');
  });
  it('is judged by the hits where par has moved with the class', () => {
    expect([20, 60, 100, 150, 185].map((hits) => hitsFit(hits, 200).fit)).toEqual(['too-hard', 'right', 'right', 'right', 'too-easy']);
    expect(hitsFit(39, 39).fit).toBe('too-few');
    expect(hitsFit(100, 200)).toMatchObject({ by: 'hits', reached: 100, of: 200 });
  });
  it('is not judged by a few children', () => {
    expect(levelFit(class20(5).slice(0, 5), 'high').fit).toBe('too-few');
  });
});
