import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { chanceWords, restsOnWords } from '../forecast/words';
import { forecastLevel } from '../forecast/forecast-level';
import { AIMED } from '../objects/catalogue';
import { leversBetween } from '../rules/gaps';
import { resolveLevel } from '../rules/level';
import { readGame } from '../rules/read-game';
import { withFloor } from '../course/move';
import { chanceMends } from './chance-mends';
import { aimedPlaces, isAimed, levelChance, solveLevel, withPlaces } from './solve';

const AIMED_STARTERS = STARTERS.filter(({ game }) => isAimed(game));

describe('one lever that brings a level to the wanted chance', () => {
  it.each(AIMED_STARTERS)('$id: every mend reads, comes near to what was wanted and pulls one lever of one level', ({ game }) => {
    const level = game.levels.length - 1;
    for (const wanted of [0.3, 0.6]) {
      for (const mend of chanceMends(game, level, wanted, 8)) {
        expect(readGame(mend.game)).toMatchObject({ ok: true });
        expect(levelChance(mend.game, level, 8)).toBeCloseTo(mend.chance, 2);
        expect(Math.abs(mend.chance - wanted)).toBeLessThanOrEqual(0.08);
        expect(mend.game.levels.filter((one, index) => one !== game.levels[index])).toHaveLength(1);
        expect(mend.game.parts).toBe(game.parts);
      }
    }
  });
  it('offers distances where there is room, and another thing at the same distance', () => {
    const mends = chanceMends(starter('catch-the-ferry'), 1, 0.5, 8);
    expect(mends[0]).toMatchObject({ lever: 'space' });
    for (const mend of mends.slice(1)) {
      if (mend.lever !== 'equipment') throw new Error('only one way to move');
      const places = (game: typeof mend.game) => aimedPlaces(resolveLevel(game, 1)).map(({ spot }) => spot);
      expect(places(mend.game)).toEqual(places(starter('catch-the-ferry')));
    }
  });
  it('on a floor that is too short for a hard level a smaller thing takes the place of the distance', () => {
    const short = withFloor(starter('catch-the-ferry'), 2.2, 2.2);
    const found = solveLevel(short, 1, 0.2, 10);
    expect(found.reached).toBe(false);
    const solved = withPlaces(short, 1, found.places);
    const mends = chanceMends(solved, 1, 0.2, 10);
    expect(mends.length).toBeGreaterThan(0);
    const [first] = mends;
    if (first!.lever !== 'equipment') throw new Error('there is no room');
    const width = (object: keyof typeof AIMED) => {
      const { shape } = AIMED[object];
      return 'widthM' in shape ? shape.widthM : shape.diameterM;
    };
    const asked = resolveLevel(solved, 1).course.targets['deck']![0]!.object;
    expect(width(first!.object)).toBeLessThan(width(asked));
    expect([...leversBetween(first!.game, 0, 1).keys()]).toContain('equipment');
  });
  it('does not touch sets of pins and groups of different things', () => {
    expect(chanceMends(starter('loch-frames'), 1, 0.5, 8).every((mend) => mend.lever === 'space')).toBe(true);
    expect(chanceMends(starter('oilskin-dash'), 0, 0.5, 8)).toEqual([]);
  });
});

describe('the words of a figure', () => {
  it('say what it rests on', () => {
    expect(restsOnWords({ restsOn: 0 })).toBe('assumed for this age');
    expect(restsOnWords({ restsOn: 62 })).toBe('from 62 attempts of this class');
    expect(restsOnWords({ restsOn: 1 })).toBe('from 1 attempt of this class');
  });
  it('say between what a chance may lie', () => {
    expect(chanceWords({ chance: 0.52, low: 0.41, high: 0.63 })).toBe('5 in 10 (4 to 6)');
    expect(chanceWords({ chance: 0.97, low: 0.96, high: 0.99 })).toBe('10 in 10');
  });
  it('a class that has reported is told with a narrower interval, about its own skill', () => {
    const ask = { ageYears: 8, plays: 200, seed: 1 };
    const assumed = forecastLevel(starter('catch-the-ferry'), 1, ask);
    const steady = forecastLevel(starter('catch-the-ferry'), 1, { ...ask, fitted: { skill: 0.8, low: 0.75, high: 0.86, attempts: 140 } });
    expect(assumed.restsOn).toBe(0);
    expect(steady.restsOn).toBe(140);
    expect(steady.chance!.chance).toBeGreaterThan(assumed.chance!.chance + 0.03);
    expect(steady.chance!.high - steady.chance!.low).toBeLessThan(assumed.chance!.high - assumed.chance!.low);
    expect(steady.chance!.low).toBeLessThanOrEqual(steady.chance!.chance);
  });
});
