import RAPIER from '@dimforge/rapier3d-compat';
import { beforeAll, describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { pinOf } from '../motion/chain';
import { rigidFall } from '../motion/rigid';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '../objects/catalogue';
import { compile } from '../rules/playing/compile';
import type { PlacedTarget } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { popCount } from '../rules/playing/effects';
import { forecastLevel } from './forecast-level';
import {
  fillRack,
  RACK_ANGLES,
  RACK_OFFSETS,
  RACK_SHOTS,
  RACK_SPEEDS,
  rackFall,
  rackOf,
  racksOf,
  readRack,
  writeRack,
  type RackTable,
} from './racks';
import { shippedRacks } from './shipped-racks';

/** Three rows of a triangle, the point towards the thrower. */
const triangle = (gapM: number, object: AimedId, xM = 4, yM = 0): PlacedTarget[] =>
  [0, 1, 2].flatMap((row) =>
    Array.from({ length: row + 1 }, (_, k) => ({
      xM: xM + (row * gapM * Math.sqrt(3)) / 2,
      yM: yM + (k - row / 2) * gapM,
      object,
      turnRad: 0,
      standM: 0,
    })),
  );
const rack = (gapM: number, object: AimedId, ball: ImplementId, from = { xM: 0, yM: 0 }) => rackOf(triangle(gapM, object), 63, from, ball)!;
const mean = (table: RackTable) => table.reduce((sum, mask) => sum + popCount(mask), 0) / table.length;

beforeAll(async () => {
  await RAPIER.init();
});

describe('a ball rolled into pins, as rigid bodies', () => {
  const fall = (object: AimedId, ball: ImplementId, speed: number, offsetM = 0) =>
    rigidFall(RAPIER, [pinOf(AIMED[object], { xM: 0, yM: 0 })!], IMPLEMENTS[ball], { offsetM, angleRad: 0, speed });

  it('fells nothing that it does not touch', () => expect(fall('tube', 'playground-ball', 4, 0.4)).toBe(0));
  it('fells a light empty bottle with a sock ball, and a full one stands', () => {
    expect(fall('small-bottle', 'sock-ball', 3)).toBe(1);
    for (const speed of [1, 2, 3, 4]) expect(fall('weighted-bottle', 'sock-ball', speed)).toBe(0);
  });
  it('needs a harder ball for a full can than for an empty bottle', () => {
    expect(fall('food-can', 'sock-ball', 1.5)).toBe(0);
    expect(fall('small-bottle', 'playground-ball', 1.5)).toBe(1);
  });
  it('falls only with the energy for it: a ball that rolls with less than the lift of the middle of mass over the edge fells nothing', () => {
    for (const object of ['tube', 'small-bottle', 'bottle', 'food-can'] as const)
      for (const ball of ['sock-ball', 'tennis-ball', 'playground-ball'] as const) {
        const pin = pinOf(AIMED[object], { xM: 0, yM: 0 })!;
        const middle = pin.balance * pin.heightM;
        const lift = pin.massKg * 9.80665 * (Math.hypot(pin.radiusM, middle) - middle);
        // ½mv² and the turning of a solid ball, 7/10 mv² in all; half of that energy is far too little.
        const speed = Math.sqrt((0.5 * lift) / (0.7 * IMPLEMENTS[ball].massKg));
        expect(fall(object, ball, speed), `${object} ${ball}`).toBe(0);
      }
  });
  it('falls the same way every time', () => {
    const shot = { offsetM: 0.03, angleRad: 0.02, speed: 3.1 };
    const pins = rack(0.16, 'tube', 'tennis-ball').pins;
    expect(rigidFall(RAPIER, pins, IMPLEMENTS['tennis-ball'], shot)).toBe(rigidFall(RAPIER, pins, IMPLEMENTS['tennis-ball'], shot));
  });
});

describe('a rack of pins', () => {
  it('is the same arrangement wherever it stands and however its pins are numbered', () => {
    const here = rack(0.2, 'tube', 'sock-ball');
    const elsewhere = rackOf(triangle(0.2, 'tube', 2, 1.5), 63, { xM: 0.5, yM: 1.5 }, 'sock-ball')!;
    const renumbered = rackOf(triangle(0.2, 'tube').toReversed(), 63, { xM: 0, yM: 0 }, 'sock-ball')!;
    expect(elsewhere.key).toBe(here.key);
    expect(renumbered.key).toBe(here.key);
    expect(renumbered.numbers).not.toEqual(here.numbers);
    expect(rack(0.25, 'tube', 'sock-ball').key).not.toBe(here.key);
    expect(rack(0.2, 'tube', 'tennis-ball').key).not.toBe(here.key);
    expect(rackOf(triangle(0.2, 'tube'), 62, { xM: 0, yM: 0 }, 'sock-ball')!.key).not.toBe(here.key);
  });
  it('is written as text and read again; rubbish is no table', () => {
    const table = Uint16Array.from({ length: RACK_SHOTS }, (_, shot) => (shot * 7) % 1024);
    expect(readRack(writeRack(table))).toEqual(table);
    expect(readRack('0ff')).toBeUndefined();
    expect(readRack(writeRack(table).replace('0', 'x'))).toBeUndefined();
  });
  it('gives nothing for a ball that passes beside it or hardly rolls', () => {
    const one = rack(0.2, 'tube', 'sock-ball');
    const all = new Uint16Array(RACK_SHOTS).fill(63);
    expect(rackFall(all, one, one.reachM + 0.05, 0, 3, 0.5)).toBe(0);
    expect(rackFall(all, one, 0, 0, 0.3, 0.5)).toBe(0);
    expect(rackFall(all, one, 0, 0, 3, 0.5)).toBe(63);
  });
  it('is looked into between two speeds as often as the speed lies near them', () => {
    const one = rack(0.2, 'tube', 'sock-ball');
    const bySpeed = Uint16Array.from({ length: RACK_SHOTS }, (_, shot) => (shot % RACK_SPEEDS.length === 2 ? 1 : 0));
    const middle = (RACK_SPEEDS[1] + RACK_SPEEDS[2]) / 2;
    const looks = Array.from({ length: 1000 }, (_, look) => rackFall(bySpeed, one, 0, 0, middle, (look * 0.6180339887) % 1));
    expect(looks.filter((mask) => mask === 1).length / 1000).toBeCloseTo(0.5, 1);
  });
  it('half of the shots make the other half of a layout that is alike on both sides', () => {
    const filling = fillRack(RAPIER, rackOf(triangle(0.25, 'tube').slice(0, 3), 7, { xM: 0, yM: 0 }, 'playground-ball')!);
    const shares: number[] = [];
    let next = filling.next();
    for (; !next.done; next = filling.next()) shares.push(next.value);
    expect(shares).toHaveLength(Math.ceil(RACK_OFFSETS / 2) * RACK_ANGLES.length * RACK_SPEEDS.length);
    expect(shares.at(-1)).toBe(1);
    // Straight on from one side fells the twin of what it fells from the other: pins 1 and 2 change places.
    const twin = (mask: number) => (mask & 1) | ((mask & 2) << 1) | ((mask & 4) >> 1);
    const at = (line: number) => next.value[(line * RACK_ANGLES.length + 1) * RACK_SPEEDS.length + 1]!;
    for (let line = 0; line < RACK_OFFSETS; line += 1) if (line !== 20) expect(at(RACK_OFFSETS - 1 - line)).toBe(twin(at(line)));
    expect(mean(next.value)).toBeGreaterThan(0.5);
  }, 120_000);
});

describe('the tables that are shipped', () => {
  it('are there for every starter that sets pins up, whole, at every level', () => {
    for (const id of ['loch-frames', 'skittle-stair', 'all-ashore']) {
      starter(id).levels.forEach((_, index) => {
        const level = resolveLevel(starter(id), index);
        const compiled = compile(level);
        if (!compiled.ok) throw new Error(id);
        const racks = racksOf(level, compiled.value);
        expect(racks.length).toBeGreaterThan(0);
        for (const one of racks) expect(shippedRacks(one.key), `${id}: ${one.key}`).toBeDefined();
      });
    }
  });
  it('are what the bodies do', () => {
    const one = rack(0.16, 'small-bottle', 'sock-ball');
    const table = shippedRacks(one.key)!;
    for (const line of [14, 18, 20]) {
      const offsetM = one.reachM * ((2 * (line + 0.5)) / RACK_OFFSETS - 1);
      RACK_SPEEDS.forEach((speed, at) => {
        const shot = { offsetM, angleRad: RACK_ANGLES[1], speed };
        expect(rigidFall(RAPIER, one.pins, IMPLEMENTS['sock-ball'], shot)).toBe(table[(line * RACK_ANGLES.length + 1) * RACK_SPEEDS.length + at]);
      });
    }
  });
  it('obey the laws of counting: packed fall more than spread, a heavy ball fells more than a light one', () => {
    for (const object of ['tube', 'small-bottle'] as const)
      for (const ball of ['sock-ball', 'tennis-ball', 'playground-ball'] as const) {
        const [packed, spread] = [0.16, 0.25].map((gap) => {
          const one = rack(gap, object, ball);
          // The same band of lines for both, so that a wide set is not looked at from farther out.
          const lines = Array.from({ length: 21 }, (_, i) => (i - 10) * 0.015);
          const felled = lines.map((offsetM) => popCount(rackFall(shippedRacks(one.key)!, one, offsetM, 0, 3, 0.5)));
          return felled.reduce((sum, n) => sum + n, 0) / felled.length;
        });
        expect(packed, `${object} ${ball}`).toBeGreaterThan(spread!);
      }
    const of = (ball: ImplementId) => mean(shippedRacks(rack(0.16, 'small-bottle', ball).key)!);
    expect(of('playground-ball')).toBeGreaterThan(of('sock-ball') + 1);
  });
  it('take the place of the rough model in a forecast, which says how much of it is rough', () => {
    const ask = { ageYears: 9, plays: 300, seed: 4 };
    expect(forecastLevel(starter('loch-frames'), 1, ask).rough).toBe('all');
    expect(forecastLevel(starter('loch-frames'), 1, { ...ask, shelf: shippedRacks }).rough).toBe('leaves');
    // The stair sets its pins up again for every roll.
    expect(forecastLevel(starter('skittle-stair'), 1, { ...ask, shelf: shippedRacks }).rough).toBe('none');
    expect(forecastLevel(starter('heron-strike'), 1, ask).rough).toBe('none');
  });
});
