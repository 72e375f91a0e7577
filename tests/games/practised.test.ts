import { describe, expect, it } from 'vitest';
import { compile } from '@/core/rules/playing/compile';
import { measure } from '@/core/rules/playing/measure';
import { readGameToPlay } from '@/core/rules/format/read-game';
import { replay } from '@/core/rules/playing/replay';
import { PRACTISED } from './practised';

describe('every kind of game of the practice (common practice, no published source), worked by hand', () => {
  it('is there', () => {
    expect(PRACTISED.length).toBeGreaterThanOrEqual(40);
    expect([...new Set(PRACTISED.map(({ kind }) => kind[0]))].join('')).toBe('ABCDEFGHIJKLMNOP');
  });
  it.each(PRACTISED)('$kind', ({ game, play, value }) => {
    expect(readGameToPlay(game)).toMatchObject({ ok: true });
    const compiled = compile(game);
    if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
    const { state, refused } = replay(compiled.value, play);
    expect(refused).toEqual([]);
    expect(measure(compiled.value, state).value).toBe(value);
  });
});
