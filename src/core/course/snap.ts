/** Where a thing that is dragged comes to lie: on 10 cm, on the child's half steps, in line with other things, or anywhere. */
import type { Game, Spot } from '../rules/format/game';
import { snapToDecimetre } from '../measure/lengths';
import { aimOf, distanceM, spotTowards } from './geometry';
import { keyOf, spotOf, thingsOf, type CourseThing } from './things';

export const SNAPS = ['ten', 'steps', 'things', 'free'] as const;
export type Snap = (typeof SNAPS)[number];

export interface Snapped {
  readonly spot: Spot;
  /** Lines along which it stands with something else: across at a height, or down at a column, metres. */
  readonly acrossM: number | null;
  readonly downM: number | null;
}

/** How near a thing must come to a line through another to be drawn on to it, metres. */
const NEAR_M = 0.06;

/** Where a thing dragged to a spot of a level comes to lie; `moving` are the things that go with it, which it does not line up with. */
export function snapped(level: Game, thing: CourseThing, to: Spot, how: Snap, stepM: number, moving: readonly CourseThing[]): Snapped {
  const plain = (spot: Spot): Snapped => ({ spot, acrossM: null, downM: null });
  switch (how) {
    case 'free':
      return plain(to);
    case 'ten':
      return plain({ xM: snapToDecimetre(to.xM), yM: snapToDecimetre(to.yM) });
    case 'steps': {
      const aim = thing.kind === 'place' ? aimOf(level, thing.group, to) : undefined;
      if (!aim) return plain({ xM: snapToDecimetre(to.xM), yM: snapToDecimetre(to.yM) });
      const half = stepM / 2;
      return plain(spotTowards(aim, to, Math.max(half, Math.round(distanceM(aim, to) / half) * half)));
    }
    case 'things': {
      const mine = new Set(moving.map(keyOf));
      const others = thingsOf(level)
        .filter((other) => !mine.has(keyOf(other)))
        .map((other) => spotOf(level.course, other)!);
      const nearest = (value: number, lines: readonly number[]) =>
        lines.reduce<number | null>(
          (near, line) => (Math.abs(line - value) <= NEAR_M && (near === null || Math.abs(line - value) < Math.abs(near - value)) ? line : near),
          null,
        );
      const downM = nearest(to.xM, [...others.map((spot) => spot.xM), level.course.floor.widthM / 2]);
      const acrossM = nearest(to.yM, [...others.map((spot) => spot.yM), level.course.floor.depthM / 2]);
      return { spot: { xM: downM ?? to.xM, yM: acrossM ?? to.yM }, acrossM, downM };
    }
  }
}
