import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import type { Game, Spot } from '../rules/game';
import { resolveLevel } from '../rules/level';
import { readGame } from '../rules/read-game';
import { blankGame } from '../ways/take-way';
import { wayById } from '../ways/ways';
import { ARRANGEMENTS, leapM, withArrangement } from './arrangements';
import { withAdded, withDuplicated, withLocked, withObject, withPattern, withRemoved, withTied } from './change';
import { misfitsOf, type MisfitKind } from './fits';
import { runPastFrom, runsPastM } from './flights';
import { clearLineM, sideBySide } from './small-space';
import { FLOORS, onFloor, STARTING_FLOORS } from './floors';
import { distanceM } from './geometry';
import { withAligned, withSpread, withThingAt, withThingsMoved, withTurned, withWidth } from './move';
import { countsOf, laidOutPattern, patternOf, patternSpots, PATTERNS } from './patterns';
import { snapped } from './snap';
import { keyOf, movedWith, spotOf, thingsOf, type CourseThing } from './things';

const blank = () => blankGame('Otter Steps', wayById('practice')!, 8);
const place = (index: number, group = 'mark'): CourseThing => ({ kind: 'place', group, index });
const target = (index: number, group: string): CourseThing => ({ kind: 'target', group, index });
const spotsOf = (game: Game, level: number, things: readonly CourseThing[]) =>
  things.map((thing) => spotOf(resolveLevel(game, level).course, thing)!);
const apart = (spots: readonly Spot[]) => spots.flatMap((one, index) => spots.slice(index + 1).map((other) => distanceM(one, other)));

describe('patterns', () => {
  it('pins of a triangle stand in rows of 1, 2, 3 … and each as far from its neighbours as was said', () => {
    const six = patternSpots('triangle', 6, 0.3);
    const rows = [...new Set(six.map((spot) => spot.xM.toFixed(3)))].map((x) => six.filter((spot) => spot.xM.toFixed(3) === x).length);
    expect(rows).toEqual([1, 2, 3]);
    expect(Math.min(...apart(six))).toBeCloseTo(0.3, 6);
    expect(apart(six).filter((length) => Math.abs(length - 0.3) < 1e-6)).toHaveLength(9);
  });
  it('ten pins make a diamond of 1-2-4-2-1 with the point to the player', () => {
    const ten = patternSpots('diamond', 10, 0.25);
    const rows = [...new Set(ten.map((spot) => spot.xM.toFixed(3)))].map((x) => ten.filter((spot) => spot.xM.toFixed(3) === x).length);
    expect(rows).toEqual([1, 2, 4, 2, 1]);
    expect(Math.min(...ten.map((spot) => spot.xM))).toBe(ten[0]!.xM);
  });
  it('a ring of five lies on one circle, evenly', () => {
    const five = patternSpots('ring', 5, 0.8);
    const radius = 0.4 / Math.sin(Math.PI / 5);
    const middle = { xM: five.reduce((sum, spot) => sum + spot.xM, 0) / 5, yM: five.reduce((sum, spot) => sum + spot.yM, 0) / 5 };
    for (const spot of five) expect(distanceM(spot, middle)).toBeCloseTo(radius, 6);
    five.forEach((spot, index) => expect(distanceM(spot, five[(index + 1) % 5]!)).toBeCloseTo(0.8, 6));
  });
  it('scattered things keep their distance', () =>
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 20 }), fc.double({ min: 0.1, max: 1, noNaN: true }), (n, spacing) => {
        expect(Math.min(...apart(patternSpots('scatter', n, spacing)))).toBeGreaterThan(spacing * 0.999);
      }),
    ));
  it('is recognised wherever it lies, however it is turned and spread, and laid out again where it was', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...PATTERNS.filter((kind) => kind !== 'single')),
        fc.integer({ min: 3, max: 12 }),
        fc.double({ min: 0.1, max: 1.5, noNaN: true }),
        fc.double({ min: -3.1, max: 3.1, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (kind, wanted, spacingM, turnRad, xM) => {
          const [least, most] = countsOf(kind);
          const n = Math.min(most, Math.max(least, wanted));
          const spots = laidOutPattern({ kind, n, spacingM, turnRad, middle: { xM, yM: 1 } });
          const found = patternOf(spots)!;
          expect(found, kind).not.toBeNull();
          laidOutPattern(found).forEach((spot, index) => expect(distanceM(spot, spots[index]!)).toBeLessThan(0.02));
        },
      ),
      { numRuns: 150 },
    ));
  it('lies freely when one thing is out of its place', () => {
    const spots = patternSpots('triangle', 6, 0.3);
    expect(patternOf(spots)).toMatchObject({ kind: 'triangle', n: 6 });
    expect(patternOf(spots.with(4, { xM: spots[4]!.xM + 0.1, yM: spots[4]!.yM }))).toBeNull();
  });
  it('of the starters: six pins 25 cm apart, and a ladder of ten places', () => {
    expect(patternOf(starter('loch-frames').course.targets['pin']!)).toMatchObject({ kind: 'triangle', n: 6 });
    expect(patternOf(starter('loch-frames').course.targets['pin']!)!.spacingM).toBeCloseTo(0.25, 2);
    expect(patternOf(starter('walk-the-shore').course.places['step']!)).toMatchObject({ kind: 'column', n: 10 });
  });
});

describe('putting down and taking away', () => {
  const withRing = () =>
    withAdded(blank(), { kind: 'target', object: 'bottle', spots: patternSpots('ring', 5, 0.6).map(({ xM, yM }) => ({ xM: xM + 4, yM: yM + 1.8 })) });
  it('what is put down is on the floor at every level, in a group of its own', () => {
    const { game, things } = withRing();
    expect(things).toHaveLength(5);
    expect(game.course.targets['bottle']).toHaveLength(5);
    expect(readGame(game)).toMatchObject({ ok: true });
    const again = withAdded(game, { kind: 'target', object: 'bottle', spots: [{ xM: 1, yM: 1 }] });
    expect(Object.keys(again.game.course.targets)).toEqual(['bottle', 'bottle-2']);
    const into = withAdded(game, { kind: 'target', object: 'bottle', spots: [{ xM: 1, yM: 1 }], into: 'bottle' });
    expect(into.game.course.targets['bottle']).toHaveLength(6);
  });
  it('thirty of a group is the most', () => {
    const many = Array.from({ length: 40 }, (_, index) => ({ xM: 0.1 * index, yM: 1 }));
    expect(withAdded(blank(), { kind: 'place', spots: many }).things).toHaveLength(30);
  });
  it('the rules keep count: a mark more is worth a point more, at every level; a mark fewer takes its worth with it', () => {
    const game = starter('harbour-lamps');
    const more = withAdded(game, { kind: 'place', spots: [{ xM: 1, yM: 1 }], into: 'mark' }).game;
    expect(more.parts[0]!.groups['mark']).toMatchObject({ n: 4, value: [2, 3, 5, 6] });
    more.levels.forEach((_, level) => expect(resolveLevel(more, level).course.places['mark']).toHaveLength(4));
    expect(readGame(more)).toMatchObject({ ok: true });
    const fewer = withRemoved(game, [place(1)]);
    expect(fewer.parts[0]!.groups['mark']).toMatchObject({ n: 2, value: [2, 5] });
    expect(readGame(fewer)).toMatchObject({ ok: true });
  });
  it('"at the last mark" means the new last one', () => {
    const game = withAdded(starter('round-the-buoys'), { kind: 'place', spots: [{ xM: 2, yM: 4 }], into: 'buoy' }).game;
    expect(game.parts[0]!.rows[0]!.if).toContainEqual(['at.buoy', '=', 5]);
  });
  it.each(STARTERS)('$id: everything can be taken away piece by piece, and the game reads all the while', ({ game }) => {
    let now = game;
    for (let guard = 0; guard < 80; guard += 1) {
      const [first] = thingsOf(resolveLevel(now, 0));
      if (!first) break;
      now = withRemoved(now, [first]);
      const read = readGame(now);
      expect(read.ok ? [] : read.problems, keyOf(first)).toEqual([]);
    }
    expect(thingsOf(resolveLevel(now, 0))).toEqual([]);
  });
  it('once more: beside the first, free, in the same group', () => {
    const game = withLocked(starter('loch-frames'), 0, [target(0, 'pin')], true);
    const { game: next, things } = withDuplicated(game, 0, [target(0, 'pin')]);
    expect(things).toEqual([target(6, 'pin')]);
    expect(next.course.targets['pin']![6]).toMatchObject({ object: 'small-bottle' });
    expect(next.course.targets['pin']![6]).not.toHaveProperty('locked');
    expect(next.parts[0]!.groups['pin']!.n).toBe(7);
  });
  it('six pins become ten, in the same triangle, at every level; and three again', () => {
    const game = starter('loch-frames');
    const found = patternOf(game.course.targets['pin']!)!;
    const ten = withPattern(game, 1, 'target', 'pin', { ...found, n: 10 });
    expect(ten.course.targets['pin']).toHaveLength(10);
    expect(patternOf(ten.course.targets['pin']!)).toMatchObject({ kind: 'triangle', n: 10 });
    expect(readGame(ten)).toMatchObject({ ok: true });
    const three = withPattern(ten, 1, 'target', 'pin', { ...found, n: 3 });
    expect(three.parts[0]!.groups['pin']!.n).toBe(3);
    expect(readGame(three)).toMatchObject({ ok: true });
  });
  it('a thing of the teacher’s own is read, drawn by its size and called by its name', () => {
    const own = { name: 'dog bed', shape: { kind: 'opening', outline: 'round', diameterM: 0.7, rimM: 0.15 } } as const;
    const { game } = withAdded(blank(), { kind: 'target', object: 'bucket', own, spots: [{ xM: 3, yM: 2 }] });
    expect(readGame(game)).toMatchObject({ ok: true });
    const odd = withAdded(blank(), {
      kind: 'target',
      object: 'bucket',
      own: { ...own, shape: { ...own.shape, diameterM: 90 } },
      spots: [{ xM: 3, yM: 2 }],
    });
    expect(readGame(odd.game)).toMatchObject({ ok: false });
    expect(withObject(game, 0, [target(0, 'bucket')], 'box').course.targets['bucket']![0]).not.toHaveProperty('own');
  });
  it.each(ARRANGEMENTS)('the arrangement %s reads, stands inside every floor and has nothing in anything else', (id) => {
    for (const floor of FLOORS.filter((one) => STARTING_FLOORS[one].furniture.length === 0)) {
      const { game, things } = withArrangement(onFloor(blank(), floor), id, 8);
      expect(things.length).toBeGreaterThan(0);
      expect(readGame(game)).toMatchObject({ ok: true });
      expect(
        misfitsOf(game, 0, { ageYears: 8 }).filter(({ kind }) => kind === 'outside'),
        floor,
      ).toEqual([]);
    }
    const { game } = withArrangement(onFloor(blank(), 'large-home'), id, 8);
    expect(misfitsOf(game, 0, { ageYears: 8 }).filter(({ kind }) => kind === 'overlap' || kind === 'outside')).toEqual([]);
  });
  it('strips are as wide as the child can leap', () => {
    const strip = (age: number) => withArrangement(blank(), 'circuit', age).game.course.obstacles![0]!.widthM!;
    expect(strip(5)).toBeLessThan(strip(10));
    expect(strip(8)).toBe(leapM(8));
  });
});

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

describe('does the layout fit, and is it safe?', () => {
  const child = { ageYears: 8 };
  const kinds = (game: Game, level = 1): MisfitKind[] => misfitsOf(game, level, child).map((one) => one.kind);
  const lamps = starter('harbour-lamps');
  const furnished = (piece: Game['course']['furniture'][number], game = lamps): Game => ({ ...game, course: { ...game.course, furniture: [piece] } });
  /** Every mend is tried: it leaves a game that reads and one finding of its kind fewer. */
  const everyMendHelps = (game: Game, kind: MisfitKind, level = 1) => {
    const found = misfitsOf(game, level, child).filter((one) => one.kind === kind);
    expect(found.length, kind).toBeGreaterThan(0);
    const mends = found.flatMap((one) => one.mends);
    for (const mend of mends) {
      expect(readGame(mend.game), mend.label).toMatchObject({ ok: true });
      expect(misfitsOf(mend.game, level, child).filter((one) => one.kind === kind).length, mend.label).toBeLessThan(found.length);
    }
    return mends.length;
  };
  it.each(STARTERS)('nothing is wrong with $id at any level', ({ game }) =>
    game.levels.forEach((_, level) => expect(misfitsOf(game, level, { ageYears: game.ageYears ?? 8 })).toEqual([])),
  );
  it('a screen behind the bucket is said at the screen; turned away, the throw is safe', () => {
    const aim = lamps.course.targets['aim']![0]!;
    const game = furnished({ name: 'screen', kind: 'breakable', xM: Math.min(5.9, aim.xM + 0.4), yM: aim.yM - 0.6, widthM: 0.3, depthM: 1.2 });
    expect(kinds(game)).toContain('breakable');
    expect(misfitsOf(game, 1, child)[0]).toMatchObject({ kind: 'breakable', danger: true });
    expect(misfitsOf(game, 1, child)[0]!.words).toMatch(/screen breaks, and stands behind the bucket/);
    expect(everyMendHelps(game, 'breakable')).toBeGreaterThan(0);
  });
  it('a screen behind the player is in nobody’s way', () =>
    expect(kinds(furnished({ name: 'screen', kind: 'breakable', xM: 0, yM: 0.1, widthM: 0.3, depthM: 0.6 }))).not.toContain('breakable'));
  it('a table between a mark and its target is in the way', () => {
    const game = furnished({ name: 'table', kind: 'hard', xM: 4.6, yM: 1.6, widthM: 0.3, depthM: 0.4 });
    expect(kinds(game)).toContain('in-the-way');
    everyMendHelps(game, 'in-the-way');
  });
  it('a bounding ball may run over an open side; a sock ball from near does not, far from it', () => {
    const open: Game = { ...starter('clear-the-jetty'), course: { ...starter('clear-the-jetty').course, open: ['right'] } };
    expect(kinds(open)).toContain('runs-out');
    expect(misfitsOf(open, 1, child)[0]!.words).toMatch(/No road may be there/);
    expect(kinds({ ...open, course: { ...open.course, open: ['left'] } })).not.toContain('runs-out');
    everyMendHelps(open, 'runs-out');
  });
  it('a firm ball runs past farther than a soft one, on hard ground farther than on carpet', () => {
    const task = lamps.parts[0]!.tasks[0]!;
    const past = (implement: Game['kit']['implement'], surface: Game['course']['floor']['surface'], lengthM = 0.5) =>
      runsPastM({ kit: { ...lamps.kit, implement }, course: { ...lamps.course, floor: { ...lamps.course.floor, surface } } }, task, lengthM, child);
    expect(past('tennis-ball', 'hard')).toBeGreaterThan(past('sock-ball', 'hard'));
    expect(past('tennis-ball', 'hard')).toBeGreaterThan(past('tennis-ball', 'carpet'));
    expect(past('sock-ball', 'hard', 2)).toBeLessThan(1.5);
    const roll = starter('clear-the-jetty');
    expect(runsPastM(roll, roll.parts[0]!.tasks[0]!, 3, { ageYears: 6 })).toBeGreaterThan(
      runsPastM(roll, roll.parts[0]!.tasks[0]!, 3, { ageYears: 12 }),
    );
  });
  it('the run past a target is told from the place that is looked at, and grows with the distance', () => {
    const past = (level: number, index: number) => runPastFrom(resolveLevel(lamps, level), 'mark', index, child)!;
    expect(past(1, 2).pastM).toBeGreaterThan(past(1, 0).pastM);
    expect(distanceM(past(1, 0).from, past(1, 0).to)).toBeCloseTo(past(1, 0).pastM, 6);
    expect(runPastFrom(resolveLevel(starter('oilskin-dash'), 1), 'post', 0, child)).toBeNull();
  });
  it('while something is dragged the same things are found, without mends', () => {
    const game = withThingAt(lamps, 1, target(0, 'aim'), { xM: 6.2, yM: 0.2 });
    const table = furnished({ name: 'table', kind: 'hard', xM: 4.6, yM: 1.6, widthM: 0.3, depthM: 0.4 });
    for (const one of [game, table]) {
      const quick = misfitsOf(one, 1, child, false);
      expect(quick.map((found) => found.words)).toEqual(misfitsOf(one, 1, child).map((found) => found.words));
      expect(quick.every((found) => found.mends.length === 0)).toBe(true);
    }
  });
  it('two who play at once must not stand in each other’s line; in turn they may', () => {
    const facing: Game = {
      ...lamps,
      sides: { n: 2, turn: 'none' },
      course: {
        ...lamps.course,
        places: {
          mark: [
            { xM: 1, yM: 1.8 },
            { xM: 2, yM: 1.8 },
            { xM: 3, yM: 3 },
          ],
        },
      },
      levels: [{ id: 'one', name: 'One', set: {} }],
    };
    expect(kinds(facing, 0)).toContain('line-of-fire');
    expect(everyMendHelps(facing, 'line-of-fire', 0)).toBeGreaterThan(0);
    expect(kinds({ ...facing, sides: { n: 2, turn: 'attempt' } }, 0)).not.toContain('line-of-fire');
  });
  it('a door where the ball goes is said, one behind the player is not', () => {
    const aim = lamps.course.targets['aim']![0]!;
    const door = (side: 'left' | 'right') => ({ ...lamps, course: { ...lamps.course, doors: [{ side, atM: aim.yM, widthM: 0.8 }] } });
    expect(kinds(door('right'))).toContain('door');
    expect(kinds(door('left'))).not.toContain('door');
    everyMendHelps(door('right'), 'door');
  });
  it('a basket half through the wall is brought in, and two that stand in each other are moved apart', () => {
    const game = withObject(withThingAt(lamps, 1, target(0, 'aim'), { xM: 6.25, yM: 1.8 }), 1, [target(0, 'aim')], 'laundry-basket');
    expect(kinds(game)).toContain('outside');
    expect(everyMendHelps(game, 'outside')).toBe(1);
    const two = withAdded(lamps, { kind: 'obstacle', object: 'chair', spots: [{ ...lamps.course.targets['aim']![0]! }] }).game;
    expect(kinds(two)).toContain('overlap');
    expect(everyMendHelps(two, 'overlap')).toBe(1);
  });
  it('a set of pins that stands in the shelf is told once and moved as a set', () => {
    const pins = starter('loch-frames');
    const game = furnished({ name: 'shelf', kind: 'hard', xM: 4.4, yM: 1.2, widthM: 0.6, depthM: 0.8 }, pins);
    expect(kinds(game).filter((kind) => kind === 'overlap')).toHaveLength(1);
    everyMendHelps(game, 'overlap');
    const mended = misfitsOf(game, 1, child).find((one) => one.kind === 'overlap')!.mends[0]!.game;
    expect(apart(mended.course.targets['pin']!)[0]).toBeCloseTo(apart(pins.course.targets['pin']!)[0]!, 2);
  });
  it('nobody gets past a basket that fills the hallway, unless it stands at one wall', () => {
    const hall: Game = {
      ...lamps,
      kit: { ...lamps.kit, implement: 'tennis-ball' },
      course: {
        ...lamps.course,
        floor: { widthM: 5, depthM: 1.2, surface: 'hard' },
        places: {
          mark: [
            { xM: 0.6, yM: 0.6 },
            { xM: 1, yM: 0.6 },
            { xM: 1.4, yM: 0.6 },
          ],
        },
        targets: { aim: [{ xM: 3.4, yM: 0.6, object: 'laundry-basket', turnRad: 0, standM: 0 }] },
      },
      levels: [{ id: 'one', name: 'One', set: {} }],
    };
    expect(kinds(hall, 0)).toContain('no-room-to-fetch');
    expect(everyMendHelps(hall, 'no-room-to-fetch', 0)).toBeGreaterThan(0);
  });
  it('what the rules say nothing of is said', () => {
    const game = withAdded(lamps, { kind: 'target', object: 'box', spots: [{ xM: 1, yM: 3 }] }).game;
    expect(kinds(game)).toEqual(['not-in-the-rules']);
  });
  it('the small-space form stands side by side, within the clear line of a small home, and as far from the target each', () => {
    const small = resolveLevel(sideBySide(lamps, 2, 2.5), 2);
    expect(clearLineM(resolveLevel(lamps, 2))).toBeGreaterThan(2.5);
    expect(clearLineM(small)).toBeLessThanOrEqual(2.5 + 1e-9);
    const lengths = small.course.places['mark']!.map((spot) => distanceM(spot, small.course.targets['aim']![0]!));
    lengths.forEach((length) => expect(length).toBeCloseTo(lengths[0]!, 2));
    expect(Math.min(...apart(small.course.places['mark']!))).toBeGreaterThan(0.3);
  });
});

describe('floors to start from', () => {
  it.each(FLOORS)('%s: every starter moves on to it, stays inside and reads', (id) => {
    for (const { game } of STARTERS) {
      const there = onFloor(game, id);
      expect(readGame(there), game.title).toMatchObject({ ok: true });
      const { widthM, depthM } = there.course.floor;
      there.levels.forEach((_, index) => {
        const level = resolveLevel(there, index);
        for (const thing of thingsOf(level)) {
          const spot = spotOf(level.course, thing)!;
          expect(spot.xM >= 0 && spot.xM <= widthM && spot.yM >= 0 && spot.yM <= depthM, `${game.title} ${keyOf(thing)}`).toBe(true);
        }
      });
    }
  });
  it.each(FLOORS)('%s has its furniture and doors inside its walls', (id) => {
    const { floor, furniture, doors } = STARTING_FLOORS[id];
    for (const piece of furniture) {
      expect(piece.xM + piece.widthM).toBeLessThanOrEqual(floor.widthM + 1e-9);
      expect(piece.yM + piece.depthM).toBeLessThanOrEqual(floor.depthM + 1e-9);
    }
    for (const door of doors) {
      const wall = door.side === 'left' || door.side === 'right' ? floor.depthM : floor.widthM;
      expect(door.atM - door.widthM / 2).toBeGreaterThanOrEqual(0);
      expect(door.atM + door.widthM / 2).toBeLessThanOrEqual(wall);
    }
  });
});
