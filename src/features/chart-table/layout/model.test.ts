import { describe, expect, it } from 'vitest';
import { withLocked } from '@/core/course/change';
import { distanceM } from '@/core/course/geometry';
import { patternOf } from '@/core/course/patterns';
import { spotOf, thingsOf, type CourseThing } from '@/core/course/things';
import { levelChance } from '@/core/levels/solve';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../../../../tests/examples/starters';
import {
  asMany,
  asPattern,
  floorRows,
  groupLaid,
  patternChoices,
  swapsFor,
  swapWords,
  withApart,
  withGroupLaid,
  withoutPicked,
  type GroupLaid,
} from './model';

const lamps = starter('harbour-lamps');
const at = (level: number) => resolveLevel(lamps, level);
const things = thingsOf(at(0));
const target = things.find((thing) => thing.kind === 'target')!;
const places = things.filter((thing) => thing.kind === 'place');
const apart = (game: typeof lamps, level: number, [one, other]: readonly CourseThing[]) => {
  const { course } = resolveLevel(game, level);
  return distanceM(spotOf(course, one!)!, spotOf(course, other!)!);
};

describe('the list of everything on the floor', () => {
  it('has a line for each thing, with what is picked and what is locked', () => {
    const rows = floorRows(resolveLevel(withLocked(lamps, 0, [target], true), 0), [places[0]!]);
    expect(rows.length).toBeGreaterThanOrEqual(things.length);
    expect(rows.filter((row) => row.picked).map((row) => row.thing)).toEqual([places[0]]);
    expect(rows.filter((row) => row.locked).map((row) => row.thing)).toEqual([target]);
    expect(new Set(rows.map((row) => JSON.stringify(row.thing))).size).toBe(rows.length);
  });
});

describe('two things that are picked', () => {
  it('stand as far apart as is typed, at the level that is shown; the first stays', () => {
    for (const level of [0, 1]) {
      const pair = [target, places[0]!];
      const moved = withApart(lamps, level, pair, 2.2, false);
      expect(apart(moved, level, pair)).toBeCloseTo(2.2, 2);
      expect(spotOf(resolveLevel(moved, level).course, target)).toEqual(spotOf(at(level).course, target));
    }
  });
});

describe('what is taken away', () => {
  it('is what is picked, but for what is locked', () => {
    const locked = withLocked(lamps, 0, [places[0]!], true);
    const left = withoutPicked(locked, resolveLevel(locked, 0), [places[0]!, places[1]!]);
    expect(thingsOf(resolveLevel(left, 0)).filter((thing) => thing.kind === 'place')).toHaveLength(places.length - 1);
  });
});

describe('what else could stand there', () => {
  it('is told with what it does to the chance, where that matters', () => {
    const placed = Object.values(lamps.course.targets).flat()[0]!;
    const swaps = swapsFor(lamps, 0, 8, target, placed, false);
    expect(swaps.length).toBeGreaterThan(0);
    for (const { object, game, by } of swaps) {
      expect(Object.values(game.course.targets).flat()[0]!.object).toBe(object);
      expect(by).toBeCloseTo(levelChance(game, 0, 8) - levelChance(lamps, 0, 8), 12);
    }
    expect(swapWords(0.074)).toBe(' (+7 in 100)');
    expect(swapWords(-0.2)).toBe(' (−20 in 100)');
    expect(swapWords(0.001)).toBe('');
    expect(swapWords(null)).toBe('');
  });
});

describe('how a group lies', () => {
  const row: GroupLaid = { kind: 'row', n: 3, spacingM: 0.4, turnRad: 0, middle: { xM: 2, yM: 1.5 } };

  it('is one alone, or two at least in any other pattern', () => {
    expect(asPattern(row, 'single').n).toBe(1);
    expect(asPattern({ ...row, kind: 'single', n: 1 }, 'row').n).toBe(2);
    expect(asMany(row, 1)).toMatchObject({ kind: 'single', n: 1 });
    expect(asMany({ ...row, kind: 'single', n: 1 }, 4)).toMatchObject({ kind: 'row', n: 4 });
  });

  it('is read from where things stand as it was laid, with no distance of nothing', () => {
    const laid = withGroupLaid(lamps, 0, target as Extract<CourseThing, { group: string }>, { ...row, spacingM: 0 });
    const list = Object.values(laid.course.targets)[0]!;
    expect(list).toHaveLength(3);
    expect(groupLaid(list)).toMatchObject({ free: false, laid: { kind: 'row', n: 3 } });
    expect(patternOf(list)!.spacingM).toBeCloseTo(0.4, 6);
    const strewn = [
      { xM: 0.5, yM: 0.5 },
      { xM: 1.9, yM: 0.7 },
      { xM: 0.9, yM: 2.2 },
      { xM: 3.1, yM: 1.4 },
    ];
    expect(groupLaid(strewn)).toMatchObject({ free: true, laid: { n: 4 } });
  });

  it('offers a ladder to places only, and "freely" only while it is so', () => {
    const values = (kind: CourseThing['kind'], free: boolean) => patternChoices(kind, free).map((one) => one.value);
    expect(values('place', false)).toContain('ladder');
    expect(values('target', false)).not.toContain('ladder');
    expect(values('target', true)).toContain('free');
    expect(values('target', false)).not.toContain('free');
  });
});
