import { describe, expect, it } from 'vitest';
import { STARTERS } from '../../../tests/examples/starters';
import { expectationOf, expectedOf } from './expectation';
import { shippedRacks } from '../forecast/shipped-racks';

const of = (id: string) => {
  const { game } = STARTERS.find((one) => one.id === id)!;
  const expected = expectedOf(game, 1, game.ageYears ?? 8, shippedRacks);
  return { ...expected, of: expectationOf(game) };
};

describe('what a shelf says that may be expected', () => {
  it.each(STARTERS)('of $id, at each of its levels: a chance, or a usual score or time', ({ id, game }) => {
    const { chance, words } = of(id);
    expect(words).toMatch(chance ? /^\d+ in 10$/ : /^(par \d+ \p{L}.*|about \d+ (seconds|minutes))$/u);
    expect(words).not.toMatch(/NaN|undefined|null/);
    if (chance) expect(chance.low <= chance.chance && chance.chance <= chance.high).toBe(true);
    expect(game.levels[1]!.name).toBe(of(id).name);
  });
  it('says of what: a ball that is in, something that falls, a go', () => {
    expect(of('harbour-lamps').of).toBe('Of ten tries so many succeed');
    expect(of('loch-frames').of).toBe('Of ten tries so many make something fall');
    expect(of('leaping-fish')).toMatchObject({ chance: null, of: 'What one go usually comes to' });
    expect(of('leaping-fish').words).toMatch(/^par \d+ /);
    // To come to a place is not to hit it.
    expect(of('oilskin-dash')).toMatchObject({ chance: null, words: expect.stringMatching(/^par \d+ seconds/) as string });
    expect(of('morning-tide').of).toBe('How long it takes');
  });
});
