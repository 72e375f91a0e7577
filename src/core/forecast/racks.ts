/**
 * Tables of which pins fall, from rigid bodies: one ball at a set of pins that stands, over offset × angle × speed. A table belongs to a
 * layout seen along the line of throw and to a ball, not to a child: a child's errors are drawn for each shot and looked up in it. Filled
 * in the background and kept by the key of the layout; those of the usual arrangements and of the starters are shipped.
 */
import { atStage } from '../rules/format/used';
import type { Pin } from '../motion/chain';
import { pinOf } from '../motion/chain';
import { rigidFall, type RigidBodies } from '../motion/rigid';
import { AIMED, IMPLEMENTS, type ImplementId } from '../objects/catalogue';
import type { Game, PlacedTarget, Spot } from '../rules/format/game';
import type { Program } from '../rules/playing/program';

/** A set of standing pins in the frame of a throw: x along its line, y to the side, from the middle of the set. */
export interface Rack {
  readonly key: string;
  readonly implement: ImplementId;
  readonly pins: readonly Pin[];
  /** The number of each of these pins in its group. */
  readonly numbers: readonly number[];
  /** Farther out than this a ball touches none, metres. */
  readonly reachM: number;
}

/** For each offset, angle and speed of the grid the pins that fall, as bits in the order of the rack. */
export type RackTable = Uint16Array;

/** The table of a rack, where there is one. */
export type RackShelf = (key: string) => RackTable | undefined;

export const RACK_OFFSETS = 41;
export const RACK_ANGLES = [-0.07, 0, 0.07] as const;
export const RACK_SPEEDS = [1.2, 2.2, 3.8] as const;
export const RACK_SHOTS = RACK_OFFSETS * RACK_ANGLES.length * RACK_SPEEDS.length;

/** Coordinates are rounded so that the same arrangement has the same key, and the same table, wherever it stands. */
const GRAIN_M = 0.005;
const grain = (lengthM: number) => Math.round(lengthM / GRAIN_M) * GRAIN_M;

/** Middle of the pins that stand, on the floor. */
export function middleOfRack(spots: readonly Spot[]): Spot {
  const mean = (of: (spot: Spot) => number) => spots.reduce((sum, spot) => sum + of(spot), 0) / spots.length;
  return { xM: mean((spot) => spot.xM), yM: mean((spot) => spot.yM) };
}

/** The rack that a child on `from` has before it; null where none of these is a pin. */
export function rackOf(targets: readonly PlacedTarget[], standing: number, from: Spot, implement: ImplementId): Rack | null {
  const up = targets.flatMap((target, number) => {
    const pin = (standing & (1 << number)) === 0 ? null : pinOf(AIMED[target.object], target);
    return pin ? [{ pin, number }] : [];
  });
  if (up.length === 0) return null;
  const centre = middleOfRack(up.map(({ pin }) => pin));
  const length = Math.max(1e-6, Math.hypot(centre.xM - from.xM, centre.yM - from.yM));
  const cos = (centre.xM - from.xM) / length;
  const sin = (centre.yM - from.yM) / length;
  // In the order in which a ball meets them, so that the key does not tell how the pins are numbered.
  const seen = up
    .map(({ pin, number }) => {
      const x = pin.xM - centre.xM;
      const y = pin.yM - centre.yM;
      return { number, pin: { ...pin, xM: grain(x * cos + y * sin), yM: grain(y * cos - x * sin) } };
    })
    .sort((one, other) => one.pin.xM - other.pin.xM || one.pin.yM - other.pin.yM);
  const pins = seen.map(({ pin }) => pin);
  const places = pins.map((pin) => `${pin.object}@${Math.round(pin.xM / GRAIN_M)},${Math.round(pin.yM / GRAIN_M)}`);
  return {
    key: `${implement} ${places.join(' ')}`,
    implement,
    pins,
    numbers: seen.map(({ number }) => number),
    reachM: Math.max(...pins.map((pin) => Math.abs(pin.yM) + pin.radiusM)) + IMPLEMENTS[implement].radiusM,
  };
}

/** Offset of a line of the grid, metres; spread evenly over what the ball can reach. */
function offsetAt(rack: Rack, line: number): number {
  return rack.reachM * ((2 * (line + 0.5)) / RACK_OFFSETS - 1);
}

/** The pin that stands where each pin would be in a mirror, or null where the layout is not the same on both sides. */
function mirrored(rack: Rack): readonly number[] | null {
  const twins = rack.pins.map((pin) =>
    rack.pins.findIndex((other) => Math.abs(other.xM - pin.xM) < 1e-9 && Math.abs(other.yM + pin.yM) < 1e-9 && other.object === pin.object),
  );
  return twins.includes(-1) ? null : twins;
}

/**
 * Fills a table shot by shot and yields the share that is done, so that whoever runs it can tell how far it is and stop. Half of the shots
 * are enough for a layout that is the same on both sides.
 */
export function* fillRack(rapier: RigidBodies, rack: Rack): Generator<number, RackTable> {
  const table = new Uint16Array(RACK_SHOTS);
  const ball = IMPLEMENTS[rack.implement];
  const twins = mirrored(rack);
  const lines = twins ? Math.ceil(RACK_OFFSETS / 2) : RACK_OFFSETS;
  let done = 0;
  for (let line = 0; line < lines; line += 1) {
    for (let angle = 0; angle < RACK_ANGLES.length; angle += 1) {
      for (let speed = 0; speed < RACK_SPEEDS.length; speed += 1) {
        const shot = { offsetM: offsetAt(rack, line), angleRad: RACK_ANGLES[angle]!, speed: RACK_SPEEDS[speed]! };
        const fallen = rigidFall(rapier, rack.pins, ball, shot);
        table[cell(line, angle, speed)] = fallen;
        if (twins) table[cell(RACK_OFFSETS - 1 - line, RACK_ANGLES.length - 1 - angle, speed)] = swapped(fallen, twins);
        done += 1;
        yield done / (lines * RACK_ANGLES.length * RACK_SPEEDS.length);
      }
    }
  }
  return table;
}

function cell(line: number, angle: number, speed: number): number {
  return (line * RACK_ANGLES.length + angle) * RACK_SPEEDS.length + speed;
}

/** Fills a table in one go. */
export function wholeRack(rapier: RigidBodies, rack: Rack): RackTable {
  const filling = fillRack(rapier, rack);
  for (let next = filling.next(); ; next = filling.next()) if (next.done) return next.value;
}

/** The pins of a rack that fall, as bits of their group. */
export function inGroup(fallen: number, { numbers }: Rack): number {
  return numbers.reduce((bits, number, index) => bits | (((fallen >>> index) & 1) << number), 0);
}

function swapped(fallen: number, twins: readonly number[]): number {
  return twins.reduce((bits, twin, index) => bits | (((fallen >>> twin) & 1) << index), 0);
}

/** What falls for one shot, in the order of the rack: the nearest line of offset, and between two angles and two speeds the one that `share` (0–1) points to. */
export function rackFall(table: RackTable, rack: Rack, offsetM: number, angleRad: number, speed: number, share: number): number {
  const line = Math.floor(((offsetM / rack.reachM + 1) / 2) * RACK_OFFSETS);
  if (line < 0 || line >= RACK_OFFSETS || speed < RACK_SPEEDS[0] / 2) return 0;
  return table[cell(line, between(RACK_ANGLES, angleRad, share), between(RACK_SPEEDS, speed, (share * 7) % 1))]!;
}

/** The place in a list of rising numbers: below or above, as far as the number lies between them. */
function between(nodes: readonly number[], value: number, share: number): number {
  let low = 0;
  while (low < nodes.length - 2 && value >= nodes[low + 1]!) low += 1;
  const part = (value - nodes[low]!) / (nodes[low + 1]! - nodes[low]!);
  return part > share ? low + 1 : low;
}

/** The racks that a game resolved to one level sets up whole: from every place, and for every number of pins that it asks for. */
export function racksOf(game: Game, program: Program): readonly Rack[] {
  const found = new Map<string, Rack>();
  for (const part of program.parts) {
    part.stages.forEach((task, index) => {
      const group = task.at >= 0 ? part.groups[task.at]! : undefined;
      const stage = part.part.stages[index]!;
      const { from, at, see } = stage;
      if (see !== 'felled' || !group || part.part.groups[group.id]!.kind !== 'pin') return;
      const sets = group.up >= 0 ? Array.from({ length: group.n }, (_, n) => (1 << (n + 1)) - 1) : [group.full];
      for (const spot of (from && game.course.places[from]) || [])
        for (const standing of sets) {
          const rack = rackOf(game.course.targets[at!] ?? [], standing, spot, atStage(game, stage).kit.implement);
          if (rack) found.set(rack.key, rack);
        }
    });
  }
  return [...found.values()];
}

const DIGITS = 3;
/** What a table looks like as text. */
export const RACK_TEXT = new RegExp(`^[0-9a-f]{${RACK_SHOTS * DIGITS}}$`);

/** A shelf of tables that are given as text, each read once, before another shelf. */
export function shelfOf(texts: Readonly<Record<string, string>>, rest: RackShelf): RackShelf {
  const read = new Map<string, RackTable | undefined>();
  return (key) => {
    if (!Object.hasOwn(texts, key)) return rest(key);
    if (!read.has(key)) read.set(key, readRack(texts[key]!));
    return read.get(key) ?? rest(key);
  };
}

/** A table as text: three hexadecimal digits a shot. */
export function writeRack(table: RackTable): string {
  return Array.from(table, (mask) => mask.toString(16).padStart(DIGITS, '0')).join('');
}

/** The table of a text; undefined for a text that is none. */
export function readRack(text: string): RackTable | undefined {
  if (!RACK_TEXT.test(text)) return undefined;
  return Uint16Array.from({ length: RACK_SHOTS }, (_, shot) => parseInt(text.slice(shot * DIGITS, (shot + 1) * DIGITS), 16));
}
