/**
 * Pins as a chain of discs seen from above: the ball pushes pins over, a pin that falls sweeps a strip as long as it is tall and pushes
 * others. Impulse with the effective mass at the height of contact, toppling threshold × 1.1, pin on pin e = 0.35. A rough model: it
 * agrees with the shipped tables of rigid bodies on 78 pins in 100 (over all their lines and speeds, grazes and slow balls too), fells a
 * quarter fewer, and understates how often all fall, so that its figures are marked rough.
 */
import type { Aimed, AimedId } from '../objects/aimed';
import type { Implement, ImplementId } from '../objects/implements';
import type { Spot } from '../rules/format/game';
import { GRAVITY } from './flight';
import toppling from './toppling.json' with { type: 'json' };

export interface Pin extends Spot {
  readonly object?: AimedId;
  readonly radiusM: number;
  readonly heightM: number;
  readonly massKg: number;
  /** Height of the middle of mass as a share of the height. */
  readonly balance: number;
}

const THRESHOLD_MARGIN = 1.1;
const BALL_ON_PIN = 0.3;
const PIN_ON_PIN = 0.35;
/** A pin that is pushed at the foot slides instead of toppling: how much of the push goes into turning it. Assumed. */
const TURNED_SHARE = 0.75;

export function pinOf(thing: Aimed, spot: Spot): Pin | null {
  if (thing.shape.kind !== 'upright' || thing.massKg === undefined) return null;
  return {
    xM: spot.xM,
    yM: spot.yM,
    object: thing.id,
    radiusM: thing.shape.widthM / 2,
    heightM: thing.shape.heightM,
    massKg: thing.massKg,
    balance: thing.balance ?? 0.5,
  };
}

/**
 * Lowest speed of a push at contact height, head-on, that takes the middle of mass over the edge of the foot, m/s of the pin's own middle.
 * Energy: ½ I ω² = m g (√(r² + h²) − h) about the edge, with I of a tube about its foot.
 */
function topplingImpulse(pin: Pin, contactM: number): number {
  const middle = pin.balance * pin.heightM;
  const lift = Math.hypot(pin.radiusM, middle) - middle;
  const inertia = pin.massKg * ((pin.heightM * pin.heightM) / 3 + pin.radiusM * pin.radiusM);
  const spin = Math.sqrt((2 * pin.massKg * GRAVITY * lift) / inertia);
  return (THRESHOLD_MARGIN * inertia * spin) / Math.max(0.02, contactM) / TURNED_SHARE;
}

/** Lowest speed of a ball, head-on, that fells a pin of the catalogue, m/s, from rigid bodies (`npm run pins`); null: none that a child rolls. */
const TOPPLING: Readonly<Partial<Record<string, Readonly<Partial<Record<ImplementId, number | null>>>>>> = toppling;

export interface ChainShot {
  /** Sideways offset of the ball's line from the middle of the pins at their front, and its angle to the line of throw. */
  readonly offsetM: number;
  readonly angleRad: number;
  readonly speed: number;
}

interface Sweep {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
  readonly length: number;
  readonly width: number;
  readonly impulse: number;
}

/** Which of the standing pins fall, as bits. `forward` points from the thrower to the pins, a unit vector. */
export function chainFall(
  pins: readonly Pin[],
  standing: number,
  ball: Implement,
  forward: { x: number; y: number },
  centre: Spot,
  shot: ChainShot,
): number {
  const cos = Math.cos(shot.angleRad);
  const sin = Math.sin(shot.angleRad);
  let dx = forward.x * cos - forward.y * sin;
  let dy = forward.y * cos + forward.x * sin;
  // The ball starts a metre before the pins on its line.
  let x = centre.xM - forward.x - forward.y * shot.offsetM;
  let y = centre.yM - forward.y + forward.x * shot.offsetM;
  let speed = shot.speed;
  let fallen = 0;
  const waiting: Sweep[] = [];
  const topple = (index: number, nx: number, ny: number, impulse: number) => {
    const pin = pins[index]!;
    fallen |= 1 << index;
    waiting.push({ x: pin.xM, y: pin.yM, dx: nx, dy: ny, length: pin.heightM, width: pin.radiusM, impulse });
  };
  const sweepAll = () => {
    for (let sweep = waiting.shift(); sweep; sweep = waiting.shift()) {
      for (let index = 0; index < pins.length; index += 1) {
        const bit = 1 << index;
        if ((standing & bit) === 0 || (fallen & bit) !== 0) continue;
        const pin = pins[index]!;
        const rx = pin.xM - sweep.x;
        const ry = pin.yM - sweep.y;
        const along = rx * sweep.dx + ry * sweep.dy;
        if (along <= 0 || along > sweep.length + pin.radiusM) continue;
        const aside = rx * -sweep.dy + ry * sweep.dx;
        if (Math.abs(aside) > sweep.width + pin.radiusM) continue;
        const turn = Math.asin(Math.max(-1, Math.min(1, aside / (sweep.width + pin.radiusM))));
        const nx = sweep.dx * Math.cos(turn) - sweep.dy * Math.sin(turn);
        const ny = sweep.dy * Math.cos(turn) + sweep.dx * Math.sin(turn);
        const passed = sweep.impulse * PIN_ON_PIN * 2 * Math.cos(turn);
        if (passed >= topplingImpulse(pin, 0.7 * pin.heightM)) topple(index, nx, ny, passed);
      }
    }
  };
  for (let hits = 0; hits < 12 && speed > 0.15; hits += 1) {
    let nearest = Infinity;
    let struck = -1;
    for (let index = 0; index < pins.length; index += 1) {
      const bit = 1 << index;
      if ((standing & bit) === 0 || (fallen & bit) !== 0) continue;
      const pin = pins[index]!;
      const rx = pin.xM - x;
      const ry = pin.yM - y;
      const along = rx * dx + ry * dy;
      const aside = rx * -dy + ry * dx;
      const reach = ball.radiusM + pin.radiusM;
      if (along <= 0 || Math.abs(aside) >= reach) continue;
      const at = along - Math.sqrt(reach * reach - aside * aside);
      if (at < nearest) {
        nearest = at;
        struck = index;
      }
    }
    if (struck < 0) break;
    x += dx * nearest;
    y += dy * nearest;
    const pin = pins[struck]!;
    const nx = (pin.xM - x) / (ball.radiusM + pin.radiusM);
    const ny = (pin.yM - y) / (ball.radiusM + pin.radiusM);
    const contactM = Math.min(ball.radiusM, pin.heightM);
    const approach = speed * (dx * nx + dy * ny);
    const inertia = pin.massKg * ((pin.heightM * pin.heightM) / 3 + pin.radiusM * pin.radiusM);
    const pinMass = inertia / (contactM * contactM);
    const effective = (ball.massKg * pinMass) / (ball.massKg + pinMass);
    const impulse = (1 + BALL_ON_PIN) * effective * approach;
    const lowest = pin.object && TOPPLING[pin.object]?.[ball.id];
    const falls = lowest === undefined ? impulse >= topplingImpulse(pin, contactM) : lowest !== null && approach >= THRESHOLD_MARGIN * lowest;
    if (falls) topple(struck, nx, ny, impulse);
    const stands = (fallen & (1 << struck)) === 0;
    const vx = speed * dx - (impulse / ball.massKg) * nx;
    const vy = speed * dy - (impulse / ball.massKg) * ny;
    speed = Math.hypot(vx, vy);
    if (speed > 1e-6) {
      dx = vx / speed;
      dy = vy / speed;
    }
    sweepAll();
    if (stands) break;
  }
  return fallen;
}
