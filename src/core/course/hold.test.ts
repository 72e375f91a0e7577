import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import type { Game, Spot } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { readGame } from '../rules/format/read-game';
import { withLocked, withTied } from './change';
import { onFloor } from './floors';
import { distanceM } from './geometry';
import { withAligned, withSpread, withThingAt, withThingsMoved, withTurned, withWidth } from './move';
import { snapped } from './snap';
import { keyOf, movedWith, spotOf, type CourseThing } from './things';

const place = (index: number, group = 'mark'): CourseThing => ({ kind: 'place', group, index });
const target = (index: number, group: string): CourseThing => ({ kind: 'target', group, index });
const spotsOf = (game: Game, level: number, things: readonly CourseThing[]) =>
  things.map((thing) => spotOf(resolveLevel(game, level).course, thing)!);
const apart = (spots: readonly Spot[]) => spots.flatMap((one, index) => spots.slice(index + 1).map((other) => distanceM(one, other)));

describe('taking hold of several things', () => {
  const game = () => starter('harbour-lamps');
  const marks = [place(0), place(1), place(2)];
  it('what is picked moves together and keeps its distances; what is locked stays', () => {
    const before = spotsOf(game(), 1, marks);
    const moved = withThingsMoved(game(), 1, marks, { xM: -0.4, yM: 0.2 });
    spotsOf(moved, 1, marks).forEach((spot, index) => {
      expect(spot.xM).toBeCloseTo(before[index]!.xM - 0.4, 2);
      expect(spot.yM).toBeCloseTo(before[index]!.yM + 0.2, 2);
    });
    const locked = withLocked(game(), 1, [place(1)], true);
    expect(spotsOf(withThingsMoved(locked, 1, marks, { xM: -0.4, yM: 0 }), 1, [place(1)])[0]).toMatchObject(before[1]!);
    expect(withThingAt(locked, 1, place(1), { xM: 1, yM: 1 })).toBe(locked);
    expect(spotsOf(withThingAt(withLocked(locked, 1, [place(1)], false), 1, place(1), { xM: 1, yM: 1 }), 1, [place(1)])[0]).toEqual({ xM: 1, yM: 1 });
  });
  it('things that are tied go along when one of them is moved, and alone when that is asked for', () => {
    const tied = withTied(game(), 1, [place(0), target(0, 'aim')], true);
    expect(readGame(tied)).toMatchObject({ ok: true });
    expect(movedWith(resolveLevel(tied, 1), [place(0)]).map(keyOf)).toEqual(['target aim 0', 'place mark 0']);
    const before = spotsOf(tied, 1, [target(0, 'aim')])[0]!;
    const moved = withThingsMoved(tied, 1, [place(0)], { xM: -0.2, yM: 0 });
    expect(spotsOf(moved, 1, [target(0, 'aim')])[0]!.xM).toBeCloseTo(before.xM - 0.2, 3);
    const alone = withThingsMoved(tied, 1, [place(0)], { xM: -0.2, yM: 0 }, { alone: true });
    expect(spotsOf(alone, 1, [target(0, 'aim')])[0]).toEqual(before);
    expect(movedWith(resolveLevel(withTied(tied, 1, [place(0), target(0, 'aim')], false), 1), [place(0)])).toHaveLength(1);
  });
  it('one pin of a set is moved alone when it is taken alone', () => {
    const moved = withThingAt(starter('loch-frames'), 0, target(2, 'pin'), { xM: 5, yM: 2.5 }, { alone: true });
    expect(moved.course.targets['pin']![2]).toMatchObject({ xM: 5, yM: 2.5 });
    expect(moved.course.targets['pin']![0]).toEqual(starter('loch-frames').course.targets['pin']![0]);
  });
  it('a turn and the same turn back, a spread and its inverse, leave everything where it was', () =>
    fc.assert(
      fc.property(fc.double({ min: -0.6, max: 0.6, noNaN: true }), fc.double({ min: 0.7, max: 1.2, noNaN: true }), (byRad, factor) => {
        const there = withTurned(starter('loch-frames'), 0, [target(0, 'pin')], byRad);
        const back = withTurned(there, 0, [target(0, 'pin')], -byRad);
        const wide = withSpread(withSpread(starter('loch-frames'), 0, [target(0, 'pin')], factor), 0, [target(0, 'pin')], 1 / factor);
        for (const after of [back, wide])
          after.course.targets['pin']!.forEach((pin, index) =>
            expect(distanceM(pin, starter('loch-frames').course.targets['pin']![index]!)).toBeLessThan(0.015),
          );
        const gaps = (one: Game) => apart(one.course.targets['pin']!);
        gaps(there).forEach((gap, index) => expect(gap).toBeCloseTo(gaps(starter('loch-frames'))[index]!, 2));
      }),
      { numRuns: 40 },
    ));
  it('one mark turns about its target and keeps its distance', () => {
    const before = distanceM(spotsOf(game(), 1, [place(1)])[0]!, game().course.targets['aim']![0]!);
    const turned = withTurned(game(), 1, [place(1)], 0.3);
    expect(spotsOf(turned, 1, [place(1)])[0]).not.toEqual(spotsOf(game(), 1, [place(1)])[0]);
    expect(distanceM(spotsOf(turned, 1, [place(1)])[0]!, game().course.targets['aim']![0]!)).toBeCloseTo(before, 2);
  });
  it('one thing by itself is made larger, as far as such things go; furniture about its middle', () => {
    const larger = withSpread(game(), 1, [target(0, 'aim')], 1.1);
    expect(larger.course.targets['aim']![0]!.widthM).toBeCloseTo(0.33, 3);
    expect(withSpread(game(), 1, [target(0, 'aim')], 9).course.targets['aim']![0]!.widthM).toBe(0.34);
    const room = onFloor(game(), 'bedroom');
    const window: CourseThing = { kind: 'furniture', index: 1 };
    const before = spotOf(room.course, window)!;
    const after = spotOf(withSpread(room, 0, [window], 0.5).course, window)!;
    expect(distanceM(before, after)).toBeLessThan(0.01);
  });
  it('what would leave the floor is not spread', () => expect(withSpread(game(), 1, marks, 20)).toEqual(game()));
  it('a target turns in place', () => {
    const turned = withTurned(game(), 1, [target(0, 'aim')], Math.PI / 2);
    expect(turned.course.targets['aim']![0]!.turnRad).toBeCloseTo(Math.PI / 2, 3);
    expect(distanceM(turned.course.targets['aim']![0]!, game().course.targets['aim']![0]!)).toBe(0);
  });
  it('marks are put in line, evenly, and as far from their target as the first', () => {
    expect(new Set(spotsOf(withAligned(game(), 1, marks, 'in-a-row'), 1, marks).map((spot) => spot.yM)).size).toBe(1);
    expect(new Set(spotsOf(withAligned(game(), 1, marks, 'in-a-column'), 1, marks).map((spot) => spot.xM)).size).toBe(1);
    const even = spotsOf(withAligned(game(), 1, marks, 'evenly'), 1, marks);
    expect(distanceM(even[0]!, even[1]!)).toBeCloseTo(distanceM(even[1]!, even[2]!), 2);
    const aim = game().course.targets['aim']![0]!;
    const ring = spotsOf(withAligned(game(), 1, marks, 'same-distance'), 1, marks).map((spot) => distanceM(spot, aim));
    ring.forEach((length) => expect(length).toBeCloseTo(ring[0]!, 2));
  });
  it('furniture stays inside its walls whole, and a door goes along its wall and on to the next', () => {
    const room = onFloor(game(), 'living-room');
    const sofa: CourseThing = { kind: 'furniture', index: 0 };
    const moved = withThingAt(room, 0, sofa, { xM: -9, yM: 99 });
    expect(moved.course.furniture[0]).toMatchObject({ xM: 0, yM: 2.95 });
    const door: CourseThing = { kind: 'door', index: 0 };
    expect(withThingAt(room, 0, door, { xM: 0.1, yM: 2 }).course.doors![0]).toMatchObject({ side: 'left', atM: 2 });
    expect(withThingAt(room, 0, door, { xM: 2, yM: 0.1 }).course.doors![0]).toMatchObject({ side: 'top', atM: 2 });
    expect(withWidth(room, 0, door, 1.2).course.doors![0]!.widthM).toBe(1.2);
    expect(readGame(moved)).toMatchObject({ ok: true });
  });
  it('at one level only, when that is asked for', () => {
    const only = withThingAt(game(), 1, target(0, 'aim'), { xM: 3, yM: 3 }, { onlyHere: true });
    expect(resolveLevel(only, 1).course.targets['aim']![0]).toMatchObject({ xM: 3, yM: 3 });
    expect(resolveLevel(only, 0).course.targets['aim']).toEqual(game().course.targets['aim']);
    expect(readGame(only)).toMatchObject({ ok: true });
  });
});

describe('snapping', () => {
  const level = resolveLevel(starter('harbour-lamps'), 1);
  const aim = level.course.targets['aim']![0]!;
  const at = { xM: 2.234, yM: 1.777 };
  it('to 10 cm, or not at all', () => {
    expect(snapped(level, place(1), at, 'ten', 0.5, []).spot).toEqual({ xM: 2.2, yM: 1.8 });
    expect(snapped(level, place(1), at, 'free', 0.5, []).spot).toEqual(at);
  });
  it('to whole half steps from the target', () => {
    const steps = distanceM(snapped(level, place(1), at, 'steps', 0.52, []).spot, aim) / 0.26;
    expect(steps).toBeCloseTo(Math.round(steps), 9);
  });
  it('in line with another thing that is near, but never with itself', () => {
    const near = snapped(level, place(1), { xM: 2, yM: aim.yM + 0.03 }, 'things', 0.5, [place(1)]);
    expect(near.spot.yM).toBe(aim.yM);
    expect(near.acrossM).toBe(aim.yM);
    expect(snapped(level, place(1), { xM: 1.9, yM: 3.1 }, 'things', 0.5, [place(1)])).toMatchObject({ acrossM: null, downM: null });
  });
});
