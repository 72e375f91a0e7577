/** What takes up room on a floor, and by how much two things stand in each other. */
import type { Game } from '../rules/format/game';
import { distanceM } from './geometry';
import { halfSizeM, listedOf, middleOf, thingsOf, type CourseThing, type Listed } from './things';

/** Things may touch by so much without a word, metres. */
export const TOUCH_M = 0.015;

/** What stands on the floor and takes up room there. */
export function standing(level: Game): readonly CourseThing[] {
  return [
    ...thingsOf(level).filter((thing) => {
      const listed = listedOf(level.course, thing)!;
      return !('object' in listed) || (listed.standM === 0 && listed.object !== 'wall');
    }),
    ...level.course.furniture.map((_, index): CourseThing => ({ kind: 'furniture', index })),
  ];
}

/** By how much two things stand in each other, metres; 0 and less when they do not. Round things by their middles, others by their boxes. */
export function overlapM(level: Game, one: CourseThing, other: CourseThing): number {
  if (one.kind === 'place' && other.kind === 'place') return 0;
  const [a, b] = [listedOf(level.course, one)!, listedOf(level.course, other)!];
  // A strip to leap lies flat, a keeper belongs before the goal, a gate is passed: other things may stand there.
  if ([a, b].some((listed) => 'object' in listed && (['towel-strip', 'pillow', 'ramp'].includes(listed.object) || /gate|legs/.test(listed.object))))
    return 0;
  const [p, q] = [middleOf(level.course, a), middleOf(level.course, b)];
  const [s, t] = [halfSizeM(a), halfSizeM(b)];
  if (isRound(a) && isRound(b)) return s.xM + t.xM - distanceM(p, q);
  return Math.min(s.xM + t.xM - Math.abs(p.xM - q.xM), s.yM + t.yM - Math.abs(p.yM - q.yM));
}

function isRound(listed: Listed): boolean {
  if (!('object' in listed)) return false;
  const half = halfSizeM(listed);
  return Math.abs(half.xM - half.yM) < 1e-9;
}
