import { describe, expect, it } from 'vitest';
import { ANYTHING, foldersAmong, makersAmong, movementsAmong, pickable, thingsAmong, type Wanted } from './picker-model';

const games = [
  {
    title: 'Gull’s Nest',
    about: 'underarm throw · sock ball · basket',
    ageYears: 6,
    movements: ['underarm'],
    things: ['sock ball', 'basket'],
    minutes: 1,
    lineM: 1.8,
    folder: 'Rainy days',
    madeBy: 'Ina Muir',
    sent: 0,
  },
  {
    title: 'Loch Frames',
    about: 'roll · playground ball · bottle',
    ageYears: 9,
    movements: ['roll'],
    things: ['playground ball', 'small plastic bottle', 'sock'],
    minutes: 9,
    lineM: 4.2,
    folder: null,
    madeBy: null,
    sent: 4,
  },
  {
    title: 'Over the Burn',
    about: 'underarm throw and overarm throw',
    ageYears: 10,
    movements: ['underarm', 'overarm'],
    things: ['sock ball', 'bucket', 'sock'],
    minutes: 2,
    lineM: 2.5,
    folder: 'Summer',
    madeBy: 'Col Baird',
    sent: 1,
  },
];
const titles = (wanted: Partial<Wanted>) => pickable(games, { ...ANYTHING, ...wanted }).map(({ title }) => title);

describe('a game is chosen', () => {
  it('by its movement, the age of a class, its name or what it is played with, and by all of them together', () => {
    expect(titles({})).toHaveLength(3);
    expect(titles({ movement: 'underarm' })).toEqual(['Gull’s Nest', 'Over the Burn']);
    expect(titles({ aboutAge: 10 })).toEqual(['Loch Frames', 'Over the Burn']);
    expect(titles({ words: ' BOTTLE ' })).toEqual(['Loch Frames']);
    expect(titles({ words: 'bucket' })).toEqual(['Over the Burn']);
    expect(titles({ movement: 'underarm', aboutAge: 9 })).toEqual(['Over the Burn']);
    expect(titles({ movement: 'roll', aboutAge: 6 })).toEqual([]);
  });
  it('by minutes, space, what is needed, how often it was sent, who made it, and its folder', () => {
    expect(titles({ minutes: 2 })).toEqual(['Gull’s Nest', 'Over the Burn']);
    expect(titles({ lineM: 2 })).toEqual(['Gull’s Nest']);
    expect(titles({ thing: 'sock' })).toEqual(['Loch Frames', 'Over the Burn']);
    expect(titles({ sent: 'never' })).toEqual(['Gull’s Nest']);
    expect(titles({ sent: 'once' })).toEqual(['Loch Frames', 'Over the Burn']);
    expect(titles({ sent: 'often' })).toEqual(['Loch Frames']);
    expect(titles({ madeBy: 'Col Baird' })).toEqual(['Over the Burn']);
    expect(titles({ folder: 'Rainy days' })).toEqual(['Gull’s Nest']);
  });
  it('among what there is', () => {
    expect(movementsAmong(games).map(({ label }) => label)).toEqual(['any', 'Overarm throw', 'Roll', 'Underarm throw']);
    expect(movementsAmong([{ movements: ['other'] }]).map(({ label }) => label)).toEqual(['any', 'Something else']);
    expect(thingsAmong(games).map(({ value }) => value)).toContain('small plastic bottle');
    expect(foldersAmong(games).map(({ label }) => label)).toEqual(['any folder', 'Rainy days', 'Summer']);
    expect(makersAmong(games).map(({ label }) => label)).toEqual(['anybody', 'Col Baird', 'Ina Muir']);
  });
});
