/**
 * Which pins fall when this child rolls: equally likely outcomes over its offset, angle and speed for each set of pins that stands, made
 * when that set is first met. Read from the table of rigid bodies where the shelf has one, else from the chain model and marked rough.
 */
import { distanceM } from '../course/geometry';
import { chainFall } from '../motion/chain';
import { arrivalSpeed, groundErrors, type GroundShot } from '../motion/ground';
import type { PlacedTarget, Spot } from '../rules/format/game';
import { inGroup, middleOfRack, rackFall, rackOf, type Rack, type RackShelf, type RackTable } from './racks';

const OFFSETS = 41;
const ANGLES = 3;
const SPEEDS = 3;
/** Midpoints of three equal shares of the standard normal distribution. */
const THIRDS = [-0.9674, 0, 0.9674] as const;

export const PIN_NODES = OFFSETS * ANGLES * SPEEDS;

/** Equally likely outcomes of one ball at the pins that stand, as bits of those that fall. */
export interface FallTable {
  (standing: number): Int32Array;
  /** Which models have been asked so far: the rough chain, or a table of rigid bodies. */
  readonly used: { chain: boolean; rigid: boolean };
  /** All of them standing, as bits. */
  readonly all: number;
}

type PinShot = Omit<GroundShot, 'distanceM'>;

/** The table of a layout for one thrower from one place. Sideways errors grow with the distance; the aim is the middle of what stands. */
export function fallTable(targets: readonly PlacedTarget[], from: Spot, shot: PinShot, shelf: RackShelf = () => undefined): FallTable {
  const known = new Map<number, Int32Array>();
  const used = { chain: false, rigid: false };
  const of = (standing: number): Int32Array => {
    const rack = rackOf(targets, standing, from, shot.ball.id);
    if (!rack) return new Int32Array(PIN_NODES);
    const shots = shelf(rack.key);
    used[shots ? 'rigid' : 'chain'] = true;
    return fallsOf(rack, from, middleOfRack(standingOf(targets, standing)), shot, shots);
  };
  const kept = (standing: number): Int32Array => {
    const table = known.get(standing) ?? of(standing);
    known.set(standing, table);
    return table;
  };
  return Object.assign(kept, { used, all: (1 << targets.length) - 1 });
}

function standingOf(targets: readonly PlacedTarget[], standing: number): readonly PlacedTarget[] {
  return targets.filter((_, index) => (standing & (1 << index)) !== 0);
}

function fallsOf(rack: Rack, from: Spot, centre: Spot, shot: PinShot, shots: RackTable | undefined): Int32Array {
  const table = new Int32Array(PIN_NODES);
  const length = Math.max(0.3, distanceM(from, centre));
  const errors = groundErrors(shot.technique, shot.thrower);
  const speed = arrivalSpeed({ ...shot, distanceM: length });
  if (speed <= 0) return table;
  const spread = length * Math.tan(errors.azimuthSd);
  const all = (1 << rack.pins.length) - 1;
  let at = 0;
  for (let o = 0; o < OFFSETS; o += 1) {
    const offsetM = spread * quantile((o + 0.5) / OFFSETS);
    for (const angle of THIRDS) {
      for (const share of THIRDS) {
        const one = { offsetM, angleRad: offsetM / length + angle * 0.01, speed: speed * Math.max(0.1, 1 + share * errors.speedShareSd) };
        const fallen = shots
          ? rackFall(shots, rack, one.offsetM, one.angleRad, one.speed, (at * GOLDEN) % 1)
          : chainFall(rack.pins, all, shot.ball, { x: 1, y: 0 }, { xM: 0, yM: 0 }, one);
        table[at] = inGroup(fallen, rack);
        at += 1;
      }
    }
  }
  return table;
}

/** Steps of this share of one never come back to the same place: they spread the looks into a table evenly. */
const GOLDEN = 0.6180339887;

/**
 * Quantile of the standard normal distribution by P. J. Acklam's rational approximation (relative error below 1.2e-9; from memory),
 * checked against jstat in the tests.
 */
export function quantile(p: number): number {
  const a = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239];
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572];
  const c = [-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783];
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];
  const tail = (q: number) =>
    (((((c[0]! * q + c[1]!) * q + c[2]!) * q + c[3]!) * q + c[4]!) * q + c[5]!) / ((((d[0]! * q + d[1]!) * q + d[2]!) * q + d[3]!) * q + 1);
  if (p <= 0) return -8;
  if (p >= 1) return 8;
  if (p < 0.02425) return tail(Math.sqrt(-2 * Math.log(p)));
  if (p > 1 - 0.02425) return -tail(Math.sqrt(-2 * Math.log(1 - p)));
  const q = p - 0.5;
  const r = q * q;
  return (
    ((((((a[0]! * r + a[1]!) * r + a[2]!) * r + a[3]!) * r + a[4]!) * r + a[5]!) * q) /
    (((((b[0]! * r + b[1]!) * r + b[2]!) * r + b[3]!) * r + b[4]!) * r + 1)
  );
}
