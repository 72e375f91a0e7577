/**
 * Strokes of one child on a course: each is meant to stop at the next point of the way (a little past what is to be struck), leaves the hand or foot
 * with the child's errors, rolls by v² = 2µgs, comes back from what is hard, stays at what is soft, and is played on from where it rests.
 */
import { ON_A_COURSE } from '../motion/assumed';
import { GRAVITY } from '../motion/flight';
import { groundErrors, topSpeedOf, type GroundShot } from '../motion/ground';
import { CELL_M, homeM, ON, type Fairway, type PlayedWay } from './fairway';
import { quantile } from './pins';

/** Where a ball lies, and what came of the last stroke; written in place. */
export interface Lie {
  xM: number;
  yM: number;
  home: boolean;
  /** Zones that were crossed, as bits from the first. */
  zones: number;
  /** Something in the way, or an edge, was touched. */
  touched: boolean;
  /** How far the ball rolled, metres. */
  rolledM: number;
}

export const lieAt = (): Lie => ({ xM: 0, yM: 0, home: false, zones: 0, touched: false, rolledM: 0 });

const { kept: KEPT, pastM: PAST_M, rampM } = ON_A_COURSE;
/** Rolling, a solid ball has 7/5 of the energy that it would have sliding; one that has less than the ramp takes rolls back to its foot. */
const RAMP_SPEED_2 = (2 * GRAVITY * rampM) / 1.4;
const STEP_M = 0.02;
const NODES = 256;
/** Quantiles of the standard normal distribution, as many as a byte tells apart. */
const DEVIATIONS = Float64Array.from({ length: NODES }, (_, node) => quantile((node + 0.5) / NODES));

export interface Strokes {
  readonly fairway: Fairway;
  readonly way: PlayedWay;
  /** What each way comes to in the mean, in strokes, for this child; the first is the way that is taken. */
  readonly told: readonly { readonly way: PlayedWay; readonly strokes: number }[];
  /** One stroke, in place, by two bytes of a draw. */
  stroke(lie: Lie, draw: number): void;
  /** Sets the ball down at the start. */
  begin(lie: Lie): void;
}

/** So many goes tell one way from another, each left after so many strokes. */
const [GOES, MOST_STROKES] = [48, 14];

export function strokesOf(fairway: Fairway, shot: Omit<GroundShot, 'distanceM'>): Strokes {
  const errors = groundErrors(shot.technique, shot.thrower);
  const top = topSpeedOf(shot);
  const { lies, radiusM: home } = homeM(fairway, shot.ball);
  const { cup, columns, rows, on, mu, zone } = fairway;
  const begin = (lie: Lie) => {
    lie.xM = fairway.start.xM;
    lie.yM = fairway.start.yM;
    lie.home = false;
  };
  const along = (way: PlayedWay) => (lie: Lie, draw: number) => {
    const aim = way.aimFrom(lie.xM, lie.yM);
    const [dx, dy] = [aim.xM - lie.xM, aim.yM - lie.yM];
    const length = Math.max(0.05, Math.hypot(dx, dy));
    const atCup = aim.xM === cup.xM && aim.yM === cup.yM;
    const meantM = length + (atCup && !lies ? PAST_M : 0);
    const cell = cellAt(lie.xM, lie.yM);
    const meant = Math.min(top, Math.sqrt(2 * mu[cell]! * GRAVITY * meantM + rampOnTheWay(lie, dx / length, dy / length, length)));
    const speed = Math.max(0, meant * (1 + DEVIATIONS[(draw >>> 16) & 255]! * errors.speedShareSd));
    const turn = DEVIATIONS[draw >>> 24]! * errors.azimuthSd;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    roll(lie, (dx * cos - dy * sin) / length, (dx * sin + dy * cos) / length, speed * speed);
  };
  const cellAt = (xM: number, yM: number) =>
    Math.min(rows - 1, Math.max(0, Math.floor(yM / CELL_M))) * columns + Math.min(columns - 1, Math.max(0, Math.floor(xM / CELL_M)));
  /** Who sees a ramp ahead rolls as much harder as it costs. */
  const rampOnTheWay = (lie: Lie, ux: number, uy: number, length: number) => {
    for (let s = 0.1; s < length; s += 0.1) if (on[cellAt(lie.xM + s * ux, lie.yM + s * uy)] === ON.ramp) return RAMP_SPEED_2;
    return 0;
  };
  const roll = (lie: Lie, directionX: number, directionY: number, speed2: number) => {
    let [x, y, ux, uy, v2] = [lie.xM, lie.yM, directionX, directionY, speed2];
    let onRamp = on[cellAt(x, y)] === ON.ramp;
    lie.home = false;
    lie.zones = 0;
    lie.touched = false;
    lie.rolledM = 0;
    while (v2 > 0) {
      const here = cellAt(x, y);
      v2 -= 2 * mu[here]! * GRAVITY * STEP_M;
      const [nextX, nextY] = [x + ux * STEP_M, y + uy * STEP_M];
      lie.rolledM += STEP_M;
      const next = cellAt(nextX, nextY);
      const what = on[next]!;
      if (!lies && Math.hypot(nextX - cup.xM, nextY - cup.yM) <= home) {
        lie.home = true;
        break;
      }
      if (what === ON.stops || what === ON.away) {
        // It comes to rest there; what rolled off the floor is played on from where it left it.
        if (what === ON.stops) lie.touched = true;
        break;
      }
      if (what === ON.throwsBack) {
        lie.touched = true;
        const acrossX = on[cellAt(nextX, y)] === ON.throwsBack;
        const acrossY = on[cellAt(x, nextY)] === ON.throwsBack;
        if (acrossX || !acrossY) ux = -ux;
        if (acrossY || !acrossX) uy = -uy;
        v2 *= KEPT * KEPT;
        continue;
      }
      if (what === ON.ramp && !onRamp) {
        if (v2 < RAMP_SPEED_2) break;
        v2 -= RAMP_SPEED_2;
        onRamp = true;
      } else if (what !== ON.ramp) onRamp = false;
      if (zone[next]! > 0) lie.zones |= 1 << (zone[next]! - 1);
      [x, y] = [nextX, nextY];
    }
    lie.xM = x;
    lie.yM = y;
    if (lies && Math.hypot(x - cup.xM, y - cup.yM) <= home) lie.home = true;
  };
  const told = fairway.ways.map((way) => ({ way, strokes: meanStrokes(begin, along(way)) })).sort((a, b) => a.strokes - b.strokes);
  const [{ way }] = told as [{ way: PlayedWay; strokes: number }];
  return { fairway, way, told, stroke: along(way), begin };
}

/** Mean strokes of a way, a crossed zone or a touch as one more each; spread evenly over the draws. */
function meanStrokes(begin: (lie: Lie) => void, stroke: (lie: Lie, draw: number) => void): number {
  const lie = lieAt();
  let total = 0;
  for (let go = 0; go < GOES; go += 1) {
    begin(lie);
    for (let n = 0; n < MOST_STROKES && !lie.home; n += 1) {
      // A Weyl sequence: even over both bytes.
      const draw = (Math.imul(go * MOST_STROKES + n + 1, 0x9e3779b1) ^ Math.imul(go + 1, 0x85ebca6b)) >>> 0;
      stroke(lie, draw);
      total += 1 + (lie.zones > 0 ? 1 : 0) + (lie.touched ? 1 : 0);
    }
  }
  return total / GOES;
}
