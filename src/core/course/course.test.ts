import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { AIMED, IMPLEMENTS, MARKERS, outlineWidthM, THROWN_AT_IDS, type AimedId, type ImplementId } from '../objects/catalogue';
import { levelGame, resolveLevel } from '../rules/format/level';
import { readGame } from '../rules/format/read-game';
import { readThrowRules } from '../rules/format/throw-rules';
import { cautionsFor, setUpFor } from '../sheet/set-up';
import { aimOf, distanceM, distancesOf, fromBelow, insideFloor, marksOf, sideOf, spotTowards, targetOf, targetsOf, throwTurnRad } from './geometry';
import { placeDistance, withFloor, withPlaceDistance, withThingAt } from './move';
import { spotOf, thingsOf } from './things';
import { sensibleStart, withMarks } from './sensible-start';

const start = (target: AimedId, ageYears = 8) =>
  sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target, ageYears });

describe('where things stand', () => {
  it('measures along the floor (3, 4, 5)', () => expect(distanceM({ xM: 1, yM: 1 }, { xM: 4, yM: 5 })).toBe(5));
  it('keeps the direction when a mark is moved to a distance', () => {
    const target = { xM: 5, yM: 2 };
    const moved = spotTowards(target, { xM: 2, yM: 2 }, 1.5);
    expect(moved).toEqual({ xM: 3.5, yM: 2 });
    expect(distanceM(target, spotTowards(target, { xM: 3, yM: 4 }, 0.7))).toBeCloseTo(0.7, 10);
  });
  it('puts a mark that stands on the target to its left', () => expect(spotTowards({ xM: 3, yM: 1 }, { xM: 3, yM: 1 }, 1)).toEqual({ xM: 2, yM: 1 }));
  it('tells left from right as the child sees them who looks at the target; straight on, and across from it', () => {
    const target = { xM: 4, yM: 2 };
    const first = { xM: 2, yM: 2 };
    expect(sideOf(target, first, { xM: 2, yM: 0.8 })).toBe('left');
    expect(sideOf(target, first, { xM: 2, yM: 3.2 })).toBe('right');
    expect(sideOf(target, first, { xM: 1, yM: 2.1 })).toBe('along');
    expect(sideOf(target, first, { xM: 6, yM: 1.8 })).toBe('across');
    expect(sideOf(target, { xM: 4, yM: 4 }, { xM: 2, yM: 4 })).toBe('left');
    // The drawing that is turned so that the child stands below shows the same sides.
    for (const yM of [0.8, 3.2]) {
      const { rightM, downM } = fromBelow(target, { xM: 2, yM });
      expect(downM).toBeGreaterThan(0);
      expect(rightM < fromBelow(target, first).rightM ? 'left' : 'right').toBe(sideOf(target, first, { xM: 2, yM }));
    }
  });
  it('knows how a throw meets a turned target', () => {
    const box = { xM: 4, yM: 2, object: 'box' as const, turnRad: Math.PI / 2, standM: 0 };
    expect(throwTurnRad({ xM: 1, yM: 2 }, box)).toBeCloseTo(-Math.PI / 2, 10);
  });
  it('a place looks towards what is aimed at from it, not at what stands nearest', () => {
    const regatta = resolveLevel(starter('regatta-day'), 1);
    const line = regatta.course.places['line']![0]!;
    expect(aimOf(regatta, 'line', line)).toEqual(targetsOf(regatta, 'crate')[0]);
    expect(distanceM(line, targetsOf(regatta, 'nests')[0]!)).toBeLessThan(distanceM(line, targetsOf(regatta, 'crate')[0]!));
    const errand = resolveLevel(starter('otters-errand'), 1);
    for (const hole of ['one', 'two', 'three'])
      expect(aimOf(errand, `tee-${hole}`, errand.course.places[`tee-${hole}`]![0]!)).toEqual(targetsOf(errand, `cup-${hole}`)[0]);
    // Where nothing is aimed at, the way goes on.
    const dash = resolveLevel(starter('oilskin-dash'), 1);
    expect(aimOf(dash, 'post', dash.course.places['post']![0]!)).toEqual(dash.course.places['post']![1]);
  });
  it('brings a spot inside the walls', () => {
    const game = start('box');
    expect(insideFloor(game, { xM: -5, yM: 100 })).toEqual({ xM: 0.1, yM: game.course.floor.depthM - 0.1 });
  });
});

describe('a game to start from', () => {
  const aimed = THROWN_AT_IDS;
  it.each(aimed)('reads, stands on its floor and has three levels for every age: %s', (target) => {
    for (const age of [4, 8, 12]) {
      const game = start(target, age);
      expect(readGame(game)).toMatchObject({ ok: true });
      game.levels.forEach((_, index) => {
        const level = resolveLevel(game, index);
        for (const mark of marksOf(level)) expect(insideFloor(level, mark, 0.05)).toEqual(mark);
        const lengths = distancesOf(level);
        // Marks that would stand too near all stand at the nearest distance, give or take a centimetre.
        lengths.forEach((length, mark) => expect(length).toBeGreaterThan((lengths[mark - 1] ?? 0) - 0.01));
      });
    }
  });
  it.each(aimed)('never gives the farther mark fewer points: %s', (target) => {
    const { values } = readThrowRules(start(target))!;
    expect([...values].sort((a, b) => a - b)).toEqual(values);
    expect(values[0]).toBeGreaterThan(0);
  });
  it('moves the target for every level and the marks of one level only', () => {
    const game = withThingAt(start('box'), 0, { kind: 'target', group: 'aim', index: 0 }, { xM: 1, yM: 1 });
    for (let index = 0; index < 3; index += 1) expect(targetOf(resolveLevel(game, index))).toMatchObject({ xM: 1, yM: 1 });
    const spots = [1, 2, 3].map((xM) => ({ xM, yM: 3 }));
    const marked = withMarks(game, 1, spots);
    expect(marksOf(resolveLevel(marked, 1))).toEqual(spots);
    expect(marksOf(resolveLevel(marked, 0))).toEqual(marksOf(resolveLevel(game, 0)));
  });
});

describe('levels', () => {
  it('replace named slots and leave the game as it was', () => {
    const game = start('box');
    const before = JSON.stringify(game);
    const shorter = { ...game, levels: [{ id: 'short', name: 'Short', set: { '/parts/0/clock/s': 30, '/kit/implement': 'foam-ball' } }] };
    expect(resolveLevel(shorter, 0).parts[0]!.clock.s).toBe(30);
    expect(resolveLevel(shorter, 0).kit.implement).toBe('foam-ball');
    expect(JSON.stringify(game)).toBe(before);
  });
  it('say which level or slot is not there', () => {
    expect(levelGame(start('box'), 9)).toMatchObject({ ok: false, problems: [{ place: '/levels' }] });
    const odd = { ...start('box'), levels: [{ id: 'odd', name: 'Odd', set: { '/parts/7/clock/s': 30 } }] };
    expect(levelGame(odd, 0)).toMatchObject({ ok: false, problems: [{ place: '/levels/0/set//parts/7/clock/s' }] });
  });
});

describe('what is in a house', () => {
  it('a tennis ball is within the rules of the game (ITF: 6.54–6.86 cm, 56.0–59.4 g; rebound 135–147 cm from 254 cm)', () => {
    const { radiusM, massKg, restitution } = IMPLEMENTS['tennis-ball'];
    expect(2 * radiusM).toBeGreaterThanOrEqual(0.0654);
    expect(2 * radiusM).toBeLessThanOrEqual(0.0686);
    expect(massKg).toBeGreaterThanOrEqual(0.056);
    expect(massKg).toBeLessThanOrEqual(0.0594);
    expect(254 * restitution ** 2).toBeGreaterThanOrEqual(135);
    expect(254 * restitution ** 2).toBeLessThanOrEqual(147);
  });
  it('everything names its source and has substitutes that are of the same kind or there at all', () => {
    for (const thing of [...Object.values(IMPLEMENTS), ...Object.values(AIMED)]) {
      expect(thing.source.length, thing.id).toBeGreaterThan(5);
      expect(thing.substitutes.length, thing.id).toBeGreaterThan(0);
      expect(thing.substitutes, thing.id).not.toContain(thing.id);
    }
  });
  it('every small ball fits every opening', () => {
    for (const ball of ['sock-ball', 'foil-ball', 'foam-ball', 'tennis-ball', 'paper-ball'].map((id) => IMPLEMENTS[id as ImplementId]))
      for (const aimed of Object.values(AIMED)) if (aimed.shape.kind === 'opening') expect(2 * ball.radiusM).toBeLessThan(outlineWidthM(aimed.shape));
  });
  it('its danger is said with the game', () => {
    const hard = sensibleStart({ title: 'X', aim: '', technique: 'underarm', implement: 'tennis-ball', target: 'bottle', ageYears: 8 });
    const cautions = cautionsFor(hard).join(' ');
    expect(cautions).toContain('A tennis ball is hard');
    expect(cautions).toContain('Never one that held cleaning products');
  });
  it('the family is told what may stand in for it', () => {
    expect(setUpFor(resolveLevel(start('bucket'), 0), 0.5).things[1]).toEqual({
      name: '1 bucket',
      hint: 'Or use a cardboard box or a mixing bowl or a laundry basket.',
    });
  });
  it('there are at least 18 things to play with, 30 to aim at or build with and 12 to mark with, each with its size and source', () => {
    expect(Object.keys(IMPLEMENTS).length).toBeGreaterThanOrEqual(18);
    expect(Object.keys(AIMED).length).toBeGreaterThanOrEqual(30);
    expect(MARKERS.length).toBeGreaterThanOrEqual(12);
    for (const ball of Object.values(IMPLEMENTS)) {
      expect(ball.sizeM[0], ball.id).toBeLessThanOrEqual(ball.radiusM);
      expect(ball.sizeM[1], ball.id).toBeGreaterThanOrEqual(ball.radiusM);
      expect(ball.makeIt.length, ball.id).toBeGreaterThan(10);
    }
    for (const thing of Object.values(AIMED)) {
      const width = outlineWidthM(thing.shape);
      expect(thing.sizeM[0], thing.id).toBeLessThanOrEqual(width);
      expect(thing.sizeM[1], thing.id).toBeGreaterThanOrEqual(width);
      if (thing.pin) expect(thing.massKg, thing.id).toBeGreaterThan(0);
    }
    for (const marker of MARKERS)
      for (const other of marker.substitutes)
        expect(
          MARKERS.map((one) => one.name),
          marker.name,
        ).toContain(other);
  });
  it('a football is within law 2: 68–70 cm round, 410–450 g', () => {
    const { radiusM, massKg } = IMPLEMENTS.football;
    expect(2 * Math.PI * radiusM).toBeGreaterThanOrEqual(0.68);
    expect(2 * Math.PI * radiusM).toBeLessThanOrEqual(0.7);
    expect(massKg).toBeGreaterThanOrEqual(0.41);
    expect(massKg).toBeLessThanOrEqual(0.45);
  });
});

describe('taking hold of what stands on the floor', () => {
  it.each(STARTERS)('everything of $id can be moved, stays on the floor, and the game still reads', ({ game }) => {
    const { widthM, depthM } = game.course.floor;
    for (const thing of thingsOf(resolveLevel(game, 1))) {
      const before = spotOf(resolveLevel(game, 1).course, thing)!;
      const away = before.xM > widthM / 2 ? -1 : 1;
      const moved = withThingAt(game, 1, thing, { xM: before.xM + away * 0.3, yM: before.yM });
      const after = spotOf(resolveLevel(moved, 1).course, thing)!;
      expect(after.xM, JSON.stringify(thing)).not.toBe(before.xM);
      expect(readGame(moved)).toMatchObject({ ok: true });
      const out = spotOf(resolveLevel(withThingAt(game, 1, thing, { xM: -50, yM: 50 }), 1).course, thing)!;
      expect(out.xM).toBeGreaterThan(0);
      expect(out.yM).toBeLessThan(depthM);
    }
  });
  it('pins move as a set and keep their gaps, at every level; a place moves at its own level only', () => {
    const game = starter('loch-frames');
    const moved = withThingAt(game, 1, { kind: 'target', group: 'pin', index: 3 }, { xM: 4, yM: 1.5 });
    const gaps = (one: typeof game) =>
      targetsOf(resolveLevel(one, 2), 'pin').map((pin) => distanceM(pin, targetsOf(resolveLevel(one, 2), 'pin')[0]!));
    gaps(moved).forEach((gap, index) => expect(gap).toBeCloseTo(gaps(game)[index]!, 3));
    expect(targetsOf(moved, 'pin')[3]).toMatchObject({ xM: 4, yM: 1.5 });
    const line = withThingAt(game, 1, { kind: 'place', group: 'line', index: 0 }, { xM: 1, yM: 1 });
    expect(resolveLevel(line, 1).course.places['line']![0]).toEqual({ xM: 1, yM: 1 });
    expect(resolveLevel(line, 0).course.places).toEqual(resolveLevel(game, 0).course.places);
  });
  it('what is moved is where it was put, and nothing else is: laws over every thing of a card of stations', () => {
    const game = starter('regatta-day');
    const things = thingsOf(resolveLevel(game, 1));
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: things.length - 1 }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.double({ min: 0.5, max: 3.5, noNaN: true }),
        (which, xM, yM) => {
          const thing = things[which]!;
          const moved = withThingAt(game, 1, thing, { xM, yM });
          expect(spotOf(resolveLevel(moved, 1).course, thing)!.xM).toBeCloseTo(xM, 2);
          expect(spotOf(resolveLevel(moved, 1).course, thing)!.yM).toBeCloseTo(yM, 2);
          things.forEach((other, index) => {
            if (index !== which) expect(spotOf(resolveLevel(moved, 1).course, other)).toEqual(spotOf(resolveLevel(game, 1).course, other));
          });
          // And back again.
          const back = withThingAt(moved, 1, thing, spotOf(resolveLevel(game, 1).course, thing)!);
          expect(spotOf(resolveLevel(back, 1).course, thing)!.xM).toBeCloseTo(spotOf(resolveLevel(game, 1).course, thing)!.xM, 2);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('a set stops at the wall as a whole', () => {
    const game = starter('loch-frames');
    const moved = withThingAt(game, 0, { kind: 'target', group: 'pin', index: 0 }, { xM: 99, yM: 1.6 });
    const right = Math.max(...targetsOf(moved, 'pin').map((pin) => pin.xM));
    expect(right).toBeCloseTo(game.course.floor.widthM - 0.2, 3);
  });
  it('a typed length puts a place on its own line', () => {
    const game = withPlaceDistance(starter('heron-strike'), 1, 'bank', 0, 2.5);
    expect(placeDistance(resolveLevel(game, 1), 'bank', 0)).toBeCloseTo(2.5, 3);
  });
  it('on a smaller floor everything moves together, so that distances stay as long as there is room', () => {
    const game = starter('catch-the-ferry');
    const small = withFloor(game, 4, game.course.floor.depthM);
    const lengths = (one: typeof game, level: number) => distancesOf(resolveLevel(one, level));
    expect(game.course.targets['deck']![0]!.xM).toBeGreaterThan(3.8);
    lengths(small, 1).forEach((length, index) => expect(length).toBeCloseTo(lengths(game, 1)[index]!, 2));
    expect(small.course.targets['deck']![0]!.xM).toBeCloseTo(3.8, 2);
  });
  it.each(STARTERS)('$id comes in to the walls of a small home, and the game still reads', ({ game }) => {
    const small = withFloor(game, 2.5, 2);
    small.levels.forEach((_, index) => {
      const level = resolveLevel(small, index);
      for (const thing of thingsOf(level)) {
        const spot = spotOf(level.course, thing)!;
        expect(spot.xM).toBeLessThanOrEqual(2.5);
        expect(spot.yM).toBeLessThanOrEqual(2);
      }
    });
    expect(readGame(small)).toMatchObject({ ok: true });
  });
});
