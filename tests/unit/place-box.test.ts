/** A place that is a box to stand anywhere in: where it is, what it does to the chance, what is said and drawn of it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { misfitsOf } from '@/core/course/fits';
import { flightsOf } from '@/core/course/flights';
import { cornersOf, distanceM, endsOf } from '@/core/course/geometry';
import { withBox, withSpread, withThingAt } from '@/core/course/move';
import { listedOf, type CourseThing } from '@/core/course/things';
import { forecastLevel, forecastSetUp } from '@/core/forecast/forecast-level';
import { hitsInHundred } from '@/core/forecast/words';
import { solveLevel } from '@/core/levels/solve';
import type { Game, Place } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readGame, readGameToPlay } from '@/core/rules/format/read-game';
import { changesBetween } from '@/core/rules/telling/changes';
import { setUpFor, thingsNeeded } from '@/core/sheet/set-up';
import { TRANSLATED } from '@/core/words/compiled/all';
import { starter } from '../examples/starters';

const french = TRANSLATED['fr']!;

const lamps = starter('harbour-lamps');
const ASK = { ageYears: 8, plays: 400, seed: 7 };
const [group, marks] = Object.entries(resolveLevel(lamps, 0).course.places)[0]!;
const last: CourseThing & { group: string } = { kind: 'place', group, index: marks.length - 1 };
const boxed = withBox(lamps, 0, last, { widthM: 1, depthM: 0.6 });
const placeOf = (game: Game): Place => listedOf(resolveLevel(game, 0).course, last) as Place;
const metres = fc.double({ min: 0, max: 9, noNaN: true });

describe('a box to stand in', () => {
  it('is so large about its middle, on the floor, at its level only, and is read again', () => {
    expect(placeOf(boxed).box).toEqual({ widthM: 1, depthM: 0.6 });
    expect(resolveLevel(boxed, 1).course).toEqual(resolveLevel(lamps, 1).course);
    expect(readGame(JSON.parse(JSON.stringify(boxed)))).toMatchObject({ ok: true });
    const { floor } = lamps.course;
    for (const { xM, yM } of cornersOf(placeOf(boxed))) {
      expect(xM).toBeGreaterThanOrEqual(-1e-9);
      expect(xM).toBeLessThanOrEqual(floor.widthM + 1e-9);
      expect(yM).toBeGreaterThanOrEqual(-1e-9);
      expect(yM).toBeLessThanOrEqual(floor.depthM + 1e-9);
    }
    // Back to a point: as it was, but for where it had to go to have room.
    const { box, ...point } = placeOf(withBox(boxed, 0, last, null));
    expect(box).toBeUndefined();
    expect(point).toMatchObject({ xM: placeOf(boxed).xM, yM: placeOf(boxed).yM });
  });

  it('stays a box when it is moved, spread and solved for, and stops at the wall with its side', () => {
    const moved = withThingAt(boxed, 0, last, { xM: 0, yM: 0 });
    expect(placeOf(moved)).toMatchObject({ xM: 0.5, yM: 0.3, box: { widthM: 1, depthM: 0.6 } });
    expect(placeOf(withSpread(boxed, 0, [last], 0.5)).box).toEqual({ widthM: 0.5, depthM: 0.3 });
    const solved = solveLevel(boxed, 0, 0.5, 8).places[group]!;
    expect(solved[last.index]!.box).toEqual({ widthM: 1, depthM: 0.6 });
  });

  it('has its nearest point and its farthest: no point of the box is nearer, none farther', () => {
    fc.assert(
      fc.property(
        metres,
        metres,
        metres,
        metres,
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        (xM, yM, toX, toY, a, b) => {
          const place = { xM, yM, box: { widthM: 1.4, depthM: 0.8 } };
          const to = { xM: toX, yM: toY };
          const { nearest, farthest } = endsOf(place, to);
          const inside = distanceM({ xM: xM + 1.4 * a, yM: yM + 0.8 * b }, to);
          expect(distanceM(nearest, to)).toBeLessThanOrEqual(inside + 1e-9);
          expect(distanceM(farthest, to)).toBeGreaterThanOrEqual(inside - 1e-9);
        },
      ),
    );
    const point = { xM: 1, yM: 2 };
    expect(endsOf(point, { xM: 5, yM: 5 })).toEqual({ nearest: point, farthest: point });
  });

  it('larger than the floor is refused at its place', () => {
    const { floor } = lamps.course;
    const wide = {
      ...lamps,
      course: {
        ...lamps.course,
        places: { ...lamps.course.places, [group]: marks.map((mark) => ({ ...mark, box: { widthM: floor.widthM + 0.5, depthM: 1 } })) },
      },
      levels: [{ ...lamps.levels[0]!, set: {} }],
    };
    const read = readGameToPlay(wide);
    expect(read.ok ? [] : read.problems.map(({ place }) => place)).toContain(`/course/places/${group}/0/box`);
    for (const box of [{ widthM: 0.1, depthM: 1 }, { widthM: 1 }, { widthM: 1, depthM: '2' }])
      expect(readGame({ ...lamps, course: { ...lamps.course, places: { [group]: [{ xM: 1, yM: 1, box }] } } }).ok).toBe(false);
  });
});

describe('the chance from a box', () => {
  it('is told for its nearest and its farthest point, each what a mark there would have', () => {
    const forecast = forecastLevel(boxed, 0, ASK);
    const { ends, chance } = forecast.places.find((one) => one.index === last.index)!;
    expect(ends!.nearest.chance).toBeGreaterThan(chance);
    expect(ends!.farthest.chance).toBeLessThan(chance);
    expect(forecast.places.filter((one) => one.ends)).toHaveLength(1);
    const level = resolveLevel(boxed, 0);
    const target = Object.values(level.course.targets).flat()[0]!;
    for (const end of ['nearest', 'farthest'] as const) {
      const spot = endsOf(placeOf(boxed), target)[end];
      const there = {
        ...level,
        course: { ...level.course, places: { ...level.course.places, [group]: level.course.places[group]!.with(last.index, spot) } },
      };
      const told = forecastSetUp(there, ASK).places.find((one) => one.index === last.index)!;
      expect(ends![end]).toEqual({ distanceM: told.distanceM, chance: told.chance });
    }
    expect(hitsInHundred({ chance, ends: ends! })).toMatch(/^about \d+ hits in 100 from its nearest point, \d+ from its farthest$/);
  });

  it('that holds the target is certain from on it, and every other mark keeps its own figures', () => {
    const target = Object.values(resolveLevel(lamps, 0).course.targets).flat()[0]!;
    const first = { ...last, index: 0 };
    const point = withThingAt(lamps, 0, first, { xM: target.xM - 0.4, yM: target.yM });
    const over = forecastLevel(withBox(point, 0, first, { widthM: 1.6, depthM: 1.6 }), 0, ASK).places;
    expect(over[0]!.ends!.nearest).toEqual({ distanceM: 0, chance: 1 });
    expect(over[0]!.ends!.farthest.distanceM).toBeGreaterThan(1.4);
    expect(over.slice(1)).toEqual(forecastLevel(point, 0, ASK).places.slice(1));
  });

  it('of a point has no ends, and a box of no matter what size plays from its middle', () => {
    expect(forecastLevel(lamps, 0, ASK).places.every(({ ends }) => ends === undefined)).toBe(true);
    const there = placeOf(boxed);
    const point = withThingAt(lamps, 0, last, there);
    expect(forecastLevel(boxed, 0, ASK).histogram).toEqual(forecastLevel(point, 0, ASK).histogram);
  });
});

describe('a box in a home', () => {
  it('is safe from every corner: what only one of them may hit is said, once', () => {
    const level = resolveLevel(boxed, 0);
    expect(flightsOf(level, { ageYears: 8 }).filter((one) => one.index === last.index)).toHaveLength(5);
    // A screen behind the target, in the line of a corner only.
    const target = Object.values(level.course.targets).flat()[0]!;
    const behind = (from: { xM: number; yM: number }) => {
      const length = distanceM(from, target);
      return { xM: target.xM + ((target.xM - from.xM) / length) * 0.5, yM: target.yM + ((target.yM - from.yM) / length) * 0.5 };
    };
    const only = withBox({ ...lamps, course: { ...lamps.course, floor: { ...lamps.course.floor, widthM: 12, depthM: 12 } } }, 0, last, {
      widthM: 1,
      depthM: 5,
    });
    const spots = cornersOf(placeOf(only)).map(behind);
    const found = spots.map((spot) => {
      const screen = { name: 'screen', xM: spot.xM - 0.05, yM: spot.yM - 0.05, widthM: 0.1, depthM: 0.1, kind: 'breakable' as const };
      return misfitsOf({ ...only, course: { ...only.course, furniture: [screen] } }, 0, { ageYears: 8 }, false).filter(
        ({ kind }) => kind === 'breakable',
      ).length;
    });
    expect(Math.max(...found)).toBe(1);
  });

  it('is told as steps to its middle, its size, and something at each corner, in every language', () => {
    const level = resolveLevel(boxed, 0);
    const before = thingsNeeded(resolveLevel(lamps, 0)).at(-1)!.n;
    expect(thingsNeeded(level).at(-1)!.n).toBe(before + 3);
    const told = setUpFor(level, 0.6).directions.at(-2)!;
    expect(told).toMatch(
      /^Walk .* steps away from it, more to the right\. That is the middle of a box, 1½ steps by 1 step\. Put a .* on each corner: far\. Stand anywhere in it\.$/,
    );
    expect(setUpFor(level, 0.6, french).directions.at(-2)).toMatch(/carré|rectangle/);
  });

  it('is a change of space, told with what it was', () => {
    const words = changesBetween(resolveLevel(lamps, 0), resolveLevel(boxed, 0)).map((one) => one.words);
    expect(words.some((one) => one.includes('to stand: ') && one.includes('1 × 0.6 m; was a point'))).toBe(true);
  });
});
