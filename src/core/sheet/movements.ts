/**
 * Each movement as four frames of a figure seen from its side (the set shot and keeping up as well), the target to the right. Angles are
 * degrees from straight down, forward positive: thigh, shin, upper arm, forearm. Drawn by us; no published source.
 */
import type { BodyForm } from '../motion/assumed';
import type { Skill } from './teaching-points';

export interface Limb {
  readonly upper: number;
  readonly lower: number;
}

export interface MovementFrame {
  /** How far the hips are sunk, as a share of the leg; and how far the trunk leans forward, degrees. */
  readonly sunk: number;
  readonly lean: number;
  /** The arm that throws, the other arm, the leg of the throwing side, the other leg. */
  readonly arm: Limb;
  readonly otherArm: Limb;
  readonly leg: Limb;
  readonly otherLeg: Limb;
  /** Where the ball is: in the hand, at the foot, or free: metres right of and above the middle of the feet. */
  readonly ball: 'hand' | 'foot' | readonly [number, number];
}

export const limb = (upper: number, lower: number): Limb => ({ upper, lower });
export const frame = (
  sunk: number,
  lean: number,
  arm: Limb,
  otherArm: Limb,
  leg: Limb,
  otherLeg: Limb,
  ball: MovementFrame['ball'],
): MovementFrame => ({
  sunk,
  lean,
  arm,
  otherArm,
  leg,
  otherLeg,
  ball,
});

export const MOVEMENTS: Readonly<Record<Skill, readonly [MovementFrame, MovementFrame, MovementFrame, MovementFrame]>> = {
  underarm: [
    frame(0, 2, limb(10, 20), limb(5, 10), limb(0, 0), limb(0, 0), 'hand'),
    frame(0.04, 8, limb(-65, -50), limb(35, 45), limb(-8, -8), limb(10, 0), 'hand'),
    frame(0.12, 14, limb(5, 10), limb(-20, -5), limb(-22, -40), limb(35, 8), 'hand'),
    frame(0.08, 8, limb(75, 85), limb(-25, -10), limb(-20, -45), limb(28, 5), [1.25, 1.25]),
  ],
  overarm: [
    frame(0, 0, limb(20, 110), limb(20, 60), limb(-8, -8), limb(10, 8), 'hand'),
    frame(0.05, -10, limb(-85, -190), limb(85, 95), limb(-22, -22), limb(28, 16), 'hand'),
    frame(0.08, 6, limb(120, 190), limb(30, 60), limb(-25, -40), limb(32, 8), 'hand'),
    frame(0.1, 24, limb(50, 35), limb(-35, -20), limb(-15, -50), limb(25, 5), [1.4, 1.5]),
  ],
  'set-shot': [
    frame(0, 0, limb(40, 130), limb(35, 120), limb(2, 2), limb(-2, -2), 'hand'),
    frame(0.18, 10, limb(45, 150), limb(40, 140), limb(42, -24), limb(36, -30), 'hand'),
    frame(0.05, 3, limb(115, 165), limb(95, 140), limb(16, -8), limb(12, -12), 'hand'),
    frame(0, 2, limb(155, 150), limb(120, 140), limb(0, 0), limb(-4, -6), [0.95, 2.0]),
  ],
  roll: [
    frame(0, 4, limb(12, 20), limb(8, 14), limb(0, 0), limb(0, 0), 'hand'),
    frame(0.12, 22, limb(-55, -45), limb(30, 40), limb(-12, -24), limb(30, 4), 'hand'),
    frame(0.34, 42, limb(4, 8), limb(40, 30), limb(-26, -78), limb(74, -12), [0.35, 0.07]),
    frame(0.3, 36, limb(55, 65), limb(10, 20), limb(-24, -74), limb(70, -8), [1.15, 0.07]),
  ],
  kick: [
    frame(0, 4, limb(-20, -5), limb(20, 30), limb(-12, -20), limb(8, 4), [0.55, 0.1]),
    frame(0.06, 10, limb(35, 45), limb(-30, -15), limb(-42, -85), limb(18, 0), [0.4, 0.1]),
    frame(0.06, 6, limb(10, 20), limb(5, 15), limb(12, 4), limb(6, -8), 'foot'),
    frame(0.03, 0, limb(-25, -10), limb(35, 45), limb(48, 40), limb(0, -10), [1.25, 0.1]),
  ],
  lift: [
    frame(0, 4, limb(-20, -5), limb(20, 30), limb(-12, -20), limb(8, 4), [0.55, 0.1]),
    frame(0.08, 6, limb(35, 45), limb(-35, -20), limb(-48, -100), limb(20, 2), [0.42, 0.1]),
    frame(0.06, -4, limb(0, 15), limb(15, 25), limb(18, -2), limb(4, -10), 'foot'),
    frame(0.03, -14, limb(-30, -15), limb(40, 50), limb(82, 40), limb(-4, -14), [1.1, 1.1]),
  ],
  'strike-up': [
    frame(0, 4, limb(35, 70), limb(30, 65), limb(0, 0), limb(0, 0), 'hand'),
    frame(0.02, 6, limb(30, 60), limb(28, 58), limb(20, 4), limb(-2, -4), [0.42, 0.75]),
    frame(0.02, 0, limb(15, 35), limb(-20, 0), limb(52, 18), limb(-4, -8), 'foot'),
    frame(0.02, 0, limb(-25, -5), limb(25, 40), limb(60, -5), limb(-4, -8), [0.5, 1.05]),
  ],
  gather: [
    frame(0.06, 14, limb(-30, 20), limb(35, 70), limb(30, -10), limb(-25, -60), [1.0, 0.06]),
    frame(0.36, 48, limb(20, 10), limb(-20, 0), limb(66, -14), limb(-30, -82), [0.42, 0.06]),
    frame(0.1, 0, limb(-70, -160), limb(70, 85), limb(-18, -26), limb(30, 10), 'hand'),
    frame(0.1, 22, limb(55, 40), limb(-35, -20), limb(-18, -52), limb(28, 4), [1.4, 1.4]),
  ],
  move: [
    frame(0.03, 10, limb(-40, 30), limb(45, 115), limb(48, -20), limb(-25, -65), [9, 9]),
    frame(0.04, 10, limb(5, 85), limb(0, 80), limb(8, -4), limb(5, -80), [9, 9]),
    frame(0.03, 10, limb(45, 115), limb(-40, 30), limb(-25, -65), limb(48, -20), [9, 9]),
    frame(0.04, 10, limb(0, 80), limb(5, 85), limb(5, -80), limb(8, -4), [9, 9]),
  ],
};

export interface Joints {
  readonly head: readonly [number, number];
  readonly neck: readonly [number, number];
  readonly hip: readonly [number, number];
  readonly elbow: readonly [number, number];
  readonly hand: readonly [number, number];
  readonly otherElbow: readonly [number, number];
  readonly otherHand: readonly [number, number];
  readonly knee: readonly [number, number];
  readonly foot: readonly [number, number];
  readonly otherKnee: readonly [number, number];
  readonly otherFoot: readonly [number, number];
  readonly ball: readonly [number, number] | null;
}

/** Lengths of a figure of 1.7: a grown child of no age, in its own units. */
const LENGTH = { thigh: 0.42, shin: 0.42, trunk: 0.52, upper: 0.28, fore: 0.27, head: 0.16 } as const;

/** Where the joints of a frame are: x to the target, y up from the floor; the lower foot stands on it. */
export function jointsOf(frame: MovementFrame): Joints {
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  const from = ([x, y]: readonly [number, number], length: number, degrees: number): readonly [number, number] => [
    x + length * Math.sin(rad(degrees)),
    y - length * Math.cos(rad(degrees)),
  ];
  const hipHeight = (LENGTH.thigh + LENGTH.shin) * (1 - frame.sunk);
  const raw = (hipY: number) => {
    const hip: readonly [number, number] = [0, hipY];
    const neck = from(hip, -LENGTH.trunk, -frame.lean);
    const head = from(neck, -LENGTH.head, -frame.lean * 0.6);
    const elbow = from(neck, LENGTH.upper, frame.arm.upper);
    const otherElbow = from(neck, LENGTH.upper, frame.otherArm.upper);
    const knee = from(hip, LENGTH.thigh, frame.leg.upper);
    const otherKnee = from(hip, LENGTH.thigh, frame.otherLeg.upper);
    return {
      hip,
      neck,
      head,
      elbow,
      otherElbow,
      knee,
      otherKnee,
      hand: from(elbow, LENGTH.fore, frame.arm.lower),
      otherHand: from(otherElbow, LENGTH.fore, frame.otherArm.lower),
      foot: from(knee, LENGTH.shin, frame.leg.lower),
      otherFoot: from(otherKnee, LENGTH.shin, frame.otherLeg.lower),
    };
  };
  const first = raw(hipHeight);
  const joints = raw(hipHeight - Math.min(first.foot[1], first.otherFoot[1]));
  const ball =
    frame.ball === 'hand'
      ? ([joints.hand[0] + 0.05, joints.hand[1] - 0.03] as const)
      : frame.ball === 'foot'
        ? ([joints.foot[0] + 0.12, joints.foot[1] + 0.07] as const)
        : frame.ball[0] > 5
          ? null
          : frame.ball;
  return { ...joints, ball };
}

const blend = (a: number, b: number, share: number) => a + (b - a) * share;
const blendLimb = (a: Limb, b: Limb, share: number): Limb => limb(blend(a.upper, b.upper, share), blend(a.lower, b.lower, share));

/** The figure on its way from one frame to another; a ball leaves the hand or the foot half-way. */
export function frameBetween(a: MovementFrame, b: MovementFrame, share: number): MovementFrame {
  const free = typeof a.ball !== 'string' && typeof b.ball !== 'string';
  return {
    sunk: blend(a.sunk, b.sunk, share),
    lean: blend(a.lean, b.lean, share),
    arm: blendLimb(a.arm, b.arm, share),
    otherArm: blendLimb(a.otherArm, b.otherArm, share),
    leg: blendLimb(a.leg, b.leg, share),
    otherLeg: blendLimb(a.otherLeg, b.otherLeg, share),
    ball: free ? [blend(a.ball[0], b.ball[0], share), blend(a.ball[1], b.ball[1], share)] : share < 0.5 || a.ball === b.ball ? a.ball : b.ball,
  };
}

/** The same frame of somebody who sits, kneels or uses both hands: the arms do what they did, the legs rest. */
export function posed(one: MovementFrame, form: BodyForm = 'standing'): MovementFrame {
  switch (form) {
    case 'standing':
      return one;
    case 'two-hands':
      return { ...one, otherArm: one.arm };
    case 'seated':
      return { ...one, sunk: 0, lean: one.lean * 0.5, leg: limb(86, 2), otherLeg: limb(80, -4) };
    case 'kneeling':
      return { ...one, sunk: 0, lean: one.lean * 0.6, leg: limb(4, -88), otherLeg: limb(84, 0) };
  }
}
