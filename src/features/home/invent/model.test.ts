import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyPlan, INVENT_FLOOR, INVENT_OBSTACLES, MOST_MARKS, MOST_OBSTACLES, type InventedPlan } from '@/core/invent/plan';
import { byKey, insideInvented, isSame, MIDDLE, stopId, withMoved, withPoints, withPutDown, withStop, withTakenOff, type Putting } from './model';

const bare: InventedPlan = { ...emptyPlan, marks: [], obstacles: [] };
const put = (...things: Putting[]) => things.reduce<InventedPlan>((plan, thing) => withPutDown(plan, thing, MIDDLE), bare);
const [obstacle] = INVENT_OBSTACLES;

describe('a game of a child’s own on the floor', () => {
  it('keeps all of a thing on the floor, on a grid of 5 cm', () => {
    fc.assert(
      fc.property(fc.double({ min: -9, max: 9, noNaN: true }), fc.double({ min: -9, max: 9, noNaN: true }), (xM, yM) => {
        const spot = insideInvented({ xM, yM });
        expect(spot.xM).toBeGreaterThanOrEqual(0.15);
        expect(spot.xM).toBeLessThanOrEqual(INVENT_FLOOR.widthM - 0.15);
        expect(spot.yM).toBeGreaterThanOrEqual(0.15);
        expect(spot.yM).toBeLessThanOrEqual(INVENT_FLOOR.depthM - 0.15);
        expect(insideInvented(spot)).toEqual(spot);
        expect(Math.abs(spot.xM * 20 - Math.round(spot.xM * 20))).toBeLessThan(1e-9);
      }),
    );
  });

  it('gives each new mark a point more, and no more marks or obstacles than a home has room for', () => {
    expect(put('mark', 'mark').marks.map((mark) => mark.points)).toEqual([1, 2]);
    expect(put(...Array<Putting>(MOST_MARKS + 2).fill('mark')).marks).toHaveLength(MOST_MARKS);
    expect(put(...Array<Putting>(MOST_OBSTACLES + 2).fill(obstacle)).obstacles).toHaveLength(MOST_OBSTACLES);
  });

  it('has one target, which is moved and never taken off', () => {
    const there = withPutDown(bare, 'target', { xM: 1, yM: 1 });
    expect(there.target).toMatchObject({ xM: 1, yM: 1, object: bare.target.object });
    expect(withTakenOff(there, { kind: 'target' })).toBe(there);
  });

  it('moves and takes off the one that was picked, and no other', () => {
    const two = put('mark', 'mark', obstacle);
    const moved = withMoved(two, { kind: 'mark', index: 1 }, { xM: 0.5, yM: 0.5 });
    expect(moved.marks[0]).toEqual(two.marks[0]);
    expect(moved.marks[1]).toEqual({ xM: 0.5, yM: 0.5, points: 2 });
    expect(withTakenOff(moved, { kind: 'mark', index: 0 })).toMatchObject({ marks: [{ points: 2 }], obstacles: [{ object: obstacle }] });
    expect(withTakenOff(moved, { kind: 'obstacle', index: 0 }).obstacles).toEqual([]);
    expect(withPoints(two, 1, 10).marks.map((mark) => mark.points)).toEqual([1, 10]);
  });

  it('knows the same thing again', () => {
    expect(isSame(null, { kind: 'target' })).toBe(false);
    expect(isSame({ kind: 'target' }, { kind: 'target' })).toBe(true);
    expect(isSame({ kind: 'mark', index: 1 }, { kind: 'mark', index: 1 })).toBe(true);
    expect(isSame({ kind: 'mark', index: 1 }, { kind: 'mark', index: 0 })).toBe(false);
    expect(isSame({ kind: 'mark', index: 1 }, { kind: 'obstacle', index: 1 })).toBe(false);
  });

  it('takes a thing 10 cm with an arrow key, nowhere with another', () => {
    expect(byKey('ArrowLeft', { xM: 1, yM: 1 })).toEqual({ xM: 0.9, yM: 1 });
    expect(byKey('ArrowDown', { xM: 1, yM: 1 })).toEqual({ xM: 1, yM: 1.1 });
    expect(byKey('a', { xM: 1, yM: 1 })).toBeNull();
  });

  it('reads the choice of how long as it writes it', () => {
    for (const id of ['s30', 's90', 'n5', 'n15']) expect(stopId(withStop(bare, id))).toBe(id);
  });
});
