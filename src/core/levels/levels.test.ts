import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { chanceWords, restsOnWords } from '../forecast/words';
import { forecastLevel } from '../forecast/forecast-level';
import { AIMED, AIMED_IDS, outlineWidthM, shapeOf, type AimedId } from '../objects/catalogue';
import { leversBetween } from '../rules/format/levers';
import { resolveLevel } from '../rules/format/level';
import { readGame } from '../rules/format/read-game';
import { withFloor } from '../course/move';
import { successAt } from '../forecast/success';
import { chanceMends } from './chance-mends';
import { withFairPoints } from './fair-points';
import { aimedPlaces, isAimed, lengthFor, levelChance, solveLevel, withPlaces } from './solve';

const AIMED_STARTERS = STARTERS.filter(({ game }) => isAimed(game));

describe('the length at which a chance is as wanted', () => {
  /** A chance that falls with distance: steep or slow, near or far, sure for a while, gone for good, or in steps. */
  const curve = fc.record({
    middleM: fc.double({ min: 0.1, max: 16, noNaN: true }),
    steep: fc.double({ min: 0.2, max: 60, noNaN: true }),
    sureM: fc.double({ min: 0, max: 6, noNaN: true }),
    inSteps: fc.boolean(),
  });
  const chanceOf =
    ({ middleM, steep, sureM, inSteps }: typeof curve extends fc.Arbitrary<infer T> ? T : never) =>
    (lengthM: number) => {
      if (lengthM < sureM) return 1;
      const chance = 1 / (1 + Math.exp(steep * (lengthM - middleM)));
      return inSteps ? Math.ceil(chance * 5) / 5 : chance;
    };
  /** The same, by asking at every centimetre. */
  const plainly = (wanted: number, chanceAt: (lengthM: number) => number, farM: number) => {
    let cm = 40;
    while (cm < Math.round(100 * farM) && chanceAt((cm + 0.5) / 100) > wanted) cm += 1;
    return cm / 100;
  };

  it('is the one that is found by asking at every centimetre, with a dozen questions and never more than twenty', () => {
    let asked = 0;
    let most = 0;
    const runs = 400;
    fc.assert(
      fc.property(curve, fc.double({ min: 0.01, max: 0.99, noNaN: true }), fc.constantFrom(2.5, 14), (shape, wanted, farM) => {
        const chanceAt = chanceOf(shape);
        let here = 0;
        const found = lengthFor(wanted, (lengthM) => ((here += 1), chanceAt(lengthM)), farM);
        asked += here;
        most = Math.max(most, here);
        return found === plainly(wanted, chanceAt, farM);
      }),
      { numRuns: runs, seed: 11 },
    );
    expect(asked / runs).toBeLessThan(12);
    expect(most).toBeLessThanOrEqual(20);
  });
  it('is found between what is known of it', () => {
    fc.assert(
      fc.property(curve, fc.double({ min: 0.06, max: 0.94, noNaN: true }), (shape, wanted) => {
        const chanceAt = chanceOf(shape);
        const lengthM = plainly(wanted, chanceAt, 14);
        const chance = chanceAt(lengthM);
        const nearer = Math.min(0.995, chance + 0.05);
        const farther = Math.max(0.005, chance - 0.05);
        return (
          lengthFor(nearer, chanceAt, 14, { within: { lengthM, chance } }) === Math.min(lengthM, plainly(nearer, chanceAt, 14)) &&
          lengthFor(farther, chanceAt, 14, { beyond: { lengthM, chance } }) === Math.max(lengthM, plainly(farther, chanceAt, 14))
        );
      }),
      { numRuns: 300, seed: 12 },
    );
  });
});

describe('one lever that brings a level to the wanted chance', () => {
  it.each(AIMED_STARTERS)('$id: every mend reads, comes near to what was wanted and pulls one lever of one level', ({ game }) => {
    const level = game.levels.length - 1;
    for (const wanted of [0.3, 0.6]) {
      for (const mend of chanceMends(game, level, wanted, 8)) {
        expect(readGame(mend.game)).toMatchObject({ ok: true });
        expect(levelChance(mend.game, level, 8)).toBeCloseTo(mend.chance, 2);
        const missing = Math.abs(levelChance(game, level, 8) - wanted);
        expect(Math.abs(mend.chance - wanted)).toBeLessThanOrEqual(Math.max(0.08, missing / 2));
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
  /** A level on a floor that has no room for the distance of the wanted chance, its marks as far off as they can be. */
  const cramped = (id: string, wanted: number) => {
    const short = withFloor(starter(id), 2.4, 2.2);
    const found = solveLevel(short, 1, wanted, 10);
    expect(found.reached).toBe(false);
    return withPlaces(short, 1, found.places);
  };
  const widthOf = (object: AimedId) => outlineWidthM(AIMED[object].shape);
  it('on a floor that is too short a smaller thing takes the place of the distance', () => {
    const solved = cramped('four-before-dusk', 0.4);
    const mends = chanceMends(solved, 1, 0.4, 10);
    expect(mends.length).toBeGreaterThan(0);
    const asked = resolveLevel(solved, 1).course.targets['bay']![0]!.object;
    for (const mend of mends) {
      if (mend.lever !== 'equipment') throw new Error('there is no room');
      expect(mend.widthM ?? widthOf(mend.object)).toBeLessThan(widthOf(asked));
      expect([...leversBetween(mend.game, 0, 1).keys()]).toContain('equipment');
      expect([...leversBetween(mend.game, 0, 1).keys()]).not.toContain('task');
    }
  });
  it('a gate is made narrower, within what two shoes can mark', () => {
    const solved = cramped('harbour-mouth', 0.6);
    const [narrow] = chanceMends(solved, 1, 0.6, 10);
    expect(narrow).toMatchObject({ lever: 'equipment', object: 'shoe-gate', widthM: expect.any(Number) as number });
    if (narrow?.lever !== 'equipment') throw new Error('no gate');
    expect(narrow.widthM).toBeLessThan(widthOf('shoe-gate'));
    expect(narrow.widthM).toBeGreaterThanOrEqual(AIMED['shoe-gate'].sizeM[0]);
    expect(narrow.chance).toBeLessThan(levelChance(solved, 1, 10) - 0.1);
  });
  it('does not touch sets of pins and groups of different things', () => {
    expect(chanceMends(starter('loch-frames'), 1, 0.5, 8).every((mend) => mend.lever === 'space')).toBe(true);
    expect(chanceMends(starter('oilskin-dash'), 0, 0.5, 8)).toEqual([]);
  });
});

describe('fair points of any game with a choice', () => {
  it('a card of stations: the smaller the bowl the more it gives, and none is the only one worth aiming at', () => {
    const game = starter('regatta-day');
    const fair = withFairPoints(game, 1, 8)!;
    expect(readGame(fair)).toMatchObject({ ok: true });
    const nests = fair.parts[1]!.groups['nests']!.value!;
    expect([...nests].sort((a, b) => a - b)).toEqual(nests);
    const level = resolveLevel(fair, 1);
    const task = level.parts[1]!.stages[0]!;
    const worth = level.course.targets['nests']!.map(
      (target, at) => nests[at]! * successAt(level, task, level.course.places['throw-line']![0]!, target, { ageYears: 8 }).chance,
    );
    expect(Math.max(...worth) / Math.min(...worth)).toBeLessThan(1.6);
    // The other stations are left as they were.
    expect(fair.parts.filter((part, at) => part !== game.parts[at])).toHaveLength(1);
  });
  it('places of different worth, and nothing where there is no choice', () => {
    const fares = withFairPoints(starter('ferry-fares'), 1, 8)!;
    expect(fares.parts[0]!.groups['mark']!.value).toHaveLength(3);
    expect(withFairPoints(starter('heron-strike'), 1, 8)).toBeNull();
    expect(withFairPoints(starter('oilskin-dash'), 1, 8)).toBeNull();
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

describe('a thing as wide as this one is', () => {
  it('is as wide as is said, keeps its height, and is the usual one without a word', () => {
    for (const object of AIMED_IDS) {
      const wide = shapeOf({ object, widthM: 0.5 });
      expect(outlineWidthM(wide), object).toBeCloseTo(0.5, 9);
      expect(wide.kind).toBe(AIMED[object].shape.kind);
      if ('heightM' in wide) expect(wide.heightM).toBe((AIMED[object].shape as typeof wide).heightM);
      expect(shapeOf({ object })).toBe(AIMED[object].shape);
    }
  });
});
