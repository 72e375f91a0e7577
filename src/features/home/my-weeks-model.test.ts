import { describe, expect, it } from 'vitest';
import type { GameOfMine, MyWeeks, WeekOfMine } from '@/contract/my-weeks';
import { bestsOverWeeks, gamesBySkill, newGames } from './my-weeks-model';

const game = (title: string, best: number | null, more: Partial<GameOfMine> = {}): GameOfMine => ({
  assignmentId: `${title} ${best}` as GameOfMine['assignmentId'],
  title,
  levelName: 'Wade',
  skill: 'underarm',
  unit: 'points',
  better: 'high',
  comment: '',
  best,
  ...more,
});
const week = (number: number, ...games: GameOfMine[]): WeekOfMine => ({
  id: `w${number}` as WeekOfMine['id'],
  number,
  dueOn: `2027-03-0${number}`,
  daysMoved: 0,
  games,
});
const mine: MyWeeks = {
  weeks: [
    week(1, game('Harbour Lamps', 12), game('Loch Frames', 40, { skill: 'roll' })),
    week(2, game('Harbour Lamps', 15)),
    week(3, game('Harbour Lamps', null), game('Oilskin Dash', 33, { skill: null, unit: 'seconds', better: 'low' })),
    week(4, game('Loch Frames', 52, { skill: 'roll' }), game('Harbour Lamps', 19)),
  ],
  fromClass: [],
  next: null,
};

describe('my weeks', () => {
  it('bests stand over the weeks in which there was one, of games that were played in two weeks', () => {
    expect(bestsOverWeeks(mine)).toEqual([
      {
        title: 'Harbour Lamps',
        unit: 'points',
        better: 'high',
        bests: [
          { week: 1, best: 12 },
          { week: 2, best: 15 },
          { week: 4, best: 19 },
        ],
      },
      {
        title: 'Loch Frames',
        unit: 'points',
        better: 'high',
        bests: [
          { week: 1, best: 40 },
          { week: 4, best: 52 },
        ],
      },
    ]);
  });
  it('every game stands once, by what is practised, as it was sent last', () => {
    const groups = gamesBySkill(mine);
    expect(groups.map(({ skill, games }) => [skill, games.map(({ title }) => title)])).toEqual([
      ['roll', ['Loch Frames']],
      ['underarm', ['Harbour Lamps']],
      [null, ['Oilskin Dash']],
    ]);
    expect(groups[1]!.games[0]!.best).toBe(19);
  });
});

describe('what is new', () => {
  it('is what the newest week has for the first time, until it was played', () => {
    expect(newGames(mine)).toEqual([]);
    const next = week(5, game('Harbour Lamps', null), game('Heron Strike', null), game('Skittle Stair', 3));
    expect(newGames({ ...mine, weeks: [...mine.weeks, next] }).map(({ title }) => title)).toEqual(['Heron Strike']);
  });
});
