import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import type { Game, Spot } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { readGame } from '../rules/format/read-game';
import { withAdded, withObject } from './change';
import { misfitsOf, type MisfitKind } from './fits';
import { runPastFrom, runsPastM } from './flights';
import { clearLineM, sideBySide } from './small-space';
import { FLOORS, onFloor, STARTING_FLOORS } from './floors';
import { distanceM } from './geometry';
import { withThingAt } from './move';
import { keyOf, spotOf, thingsOf, type CourseThing } from './things';

const target = (index: number, group: string): CourseThing => ({ kind: 'target', group, index });
const apart = (spots: readonly Spot[]) => spots.flatMap((one, index) => spots.slice(index + 1).map((other) => distanceM(one, other)));

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
    const task = lamps.parts[0]!.stages[0]!;
    const past = (implement: Game['kit']['implement'], surface: Game['course']['floor']['surface'], lengthM = 0.5) =>
      runsPastM({ kit: { ...lamps.kit, implement }, course: { ...lamps.course, floor: { ...lamps.course.floor, surface } } }, task, lengthM, child);
    expect(past('tennis-ball', 'hard')).toBeGreaterThan(past('sock-ball', 'hard'));
    expect(past('tennis-ball', 'hard')).toBeGreaterThan(past('tennis-ball', 'carpet'));
    expect(past('sock-ball', 'hard', 2)).toBeLessThan(1.5);
    const roll = starter('clear-the-jetty');
    expect(runsPastM(roll, roll.parts[0]!.stages[0]!, 3, { ageYears: 6 })).toBeGreaterThan(
      runsPastM(roll, roll.parts[0]!.stages[0]!, 3, { ageYears: 12 }),
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
