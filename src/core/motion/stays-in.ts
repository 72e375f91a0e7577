/**
 * The share of balls inside an opening that stay there, read from a table of rigid bodies (`npm run stays-in`): by what the basket is made of,
 * the ball's restitution, how deep its middle may sink, how steeply it comes in and how high above the rim it has been. The gives of walls and
 * floors are assumed, and nothing was checked against real baskets.
 */
import type { Give } from '../objects/shapes';
import { GIVE } from './assumed';
import table from './stays-in.json' with { type: 'json' };

export interface InsideBall {
  readonly give: Give;
  /** Restitution of the ball on a hard floor, and its radius, metres. */
  readonly restitution: number;
  readonly radiusM: number;
  /** How deep the opening is, and how high above its rim the ball has been, metres. */
  readonly depthM: number;
  readonly apexM: number;
  /** How steeply the ball comes in, radians below the level. */
  readonly entryRad: number;
}

/** Below this restitution a ball whose middle is inside stays, nearly always. Assumed. */
const DEAD_BELOW = 0.25;
const { axes, shares } = table;
const LENGTHS = [axes.restitution.length, axes.clearM.length, axes.entryDeg.length, axes.apexM.length] as const;

/** Where a value lies on an axis: the node below it, and how far on to the next; at the ends it stays on the axis. */
function placeOn(axis: readonly number[], value: number): { readonly node: number; readonly share: number } {
  let node = 0;
  while (node < axis.length - 2 && value > axis[node + 1]!) node += 1;
  return { node, share: Math.min(1, Math.max(0, (value - axis[node]!) / (axis[node + 1]! - axis[node]!))) };
}

/** None bounces out when e²(H + d − r) < d − r: off the floor it does not rise as high as the rim. */
function noneLeaves({ give, restitution, depthM, apexM, radiusM }: InsideBall): boolean {
  const kept = restitution * GIVE[give].floor;
  return kept * kept * (apexM + depthM - radiusM) < depthM - radiusM;
}

/** Share 0–1 that stays. Read on straight lines between the nodes of the table; a ball that nearly fills the opening's depth leaves as from the shallowest. */
export function staysShare(ball: InsideBall): number {
  if (ball.restitution < DEAD_BELOW || noneLeaves(ball)) return 1;
  const places = [
    placeOn(axes.restitution, ball.restitution),
    placeOn(axes.clearM, ball.depthM - ball.radiusM),
    placeOn(axes.entryDeg, (Math.max(0, ball.entryRad) * 180) / Math.PI),
    placeOn(axes.apexM, ball.apexM),
  ];
  const cells = shares[ball.give];
  let sum = 0;
  for (let corner = 0; corner < 16; corner += 1) {
    let weight = 1;
    let at = 0;
    for (let axis = 0; axis < 4; axis += 1) {
      const { node, share } = places[axis]!;
      const upper = (corner >> axis) & 1;
      weight *= upper ? share : 1 - share;
      at = at * LENGTHS[axis]! + node + upper;
    }
    if (weight > 0) sum += weight * cells[at]!;
  }
  return sum;
}
