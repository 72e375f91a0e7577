import { describe, expect, it } from 'vitest';
import { ANY, movementsAmong, pickable, type Wanted } from './picker-model';

const games = [
  { title: 'Gull’s Nest', about: 'underarm throw · sock ball · basket', ageYears: 6, movements: ['underarm'] },
  { title: 'Loch Frames', about: 'roll · playground ball · bottle', ageYears: 9, movements: ['roll'] },
  { title: 'Over the Burn', about: 'underarm throw and overarm throw', ageYears: 10, movements: ['underarm', 'overarm'] },
];
const titles = (wanted: Partial<Wanted>) => pickable(games, { movement: ANY, aboutAge: null, words: '', ...wanted }).map(({ title }) => title);

describe('a game is chosen', () => {
  it('by its movement, the age of a class, its name or what it is played with, and by all of them together', () => {
    expect(titles({})).toHaveLength(3);
    expect(titles({ movement: 'underarm' })).toEqual(['Gull’s Nest', 'Over the Burn']);
    expect(titles({ aboutAge: 10 })).toEqual(['Loch Frames', 'Over the Burn']);
    expect(titles({ words: ' BOTTLE ' })).toEqual(['Loch Frames']);
    expect(titles({ movement: 'underarm', aboutAge: 9 })).toEqual(['Over the Burn']);
    expect(titles({ movement: 'roll', aboutAge: 6 })).toEqual([]);
  });
  it('among the movements that there are games of', () => {
    expect(movementsAmong(games).map(({ label }) => label)).toEqual(['any movement', 'Overarm throw', 'Roll', 'Underarm throw']);
    expect(movementsAmong([{ movements: ['other'] }]).map(({ label }) => label)).toEqual(['any movement', 'Something else']);
  });
});
