import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { resolveLevel } from '../rules/format/level';
import { readGame } from '../rules/format/read-game';
import { blankGame } from '../ways/take-way';
import { wayById } from '../ways/ways';
import { ARRANGEMENTS, leapM, withArrangement } from './arrangements';
import { withAdded, withDuplicated, withLocked, withObject, withPattern, withRemoved } from './change';
import { misfitsOf } from './fits';
import { FLOORS, onFloor, STARTING_FLOORS } from './floors';
import { patternOf, patternSpots } from './patterns';
import { keyOf, thingsOf, type CourseThing } from './things';

const blank = () => blankGame('Otter Steps', wayById('practice')!, 8);
const place = (index: number, group = 'mark'): CourseThing => ({ kind: 'place', group, index });
const target = (index: number, group: string): CourseThing => ({ kind: 'target', group, index });

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
