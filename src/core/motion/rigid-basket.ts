/**
 * Does a ball that comes into a basket stay there? One ball as a rigid body in a box without a lid, by the same physics engine as the pins.
 * The engine is handed in by the command line: the product reads the table that it wrote (stays-in.json).
 */
import type { Give } from '../objects/shapes';
import { GIVE } from './assumed';
import type { RigidBodies } from './rigid';
import { GRAVITY } from './flight';

export interface BasketShot {
  readonly give: Give;
  /** Restitution of the ball on a hard floor, and its radius, metres. */
  readonly restitution: number;
  readonly radiusM: number;
  readonly depthM: number;
  readonly widthM: number;
  /** How steeply it comes in, radians below the level, and how high above the rim it has been, metres. */
  readonly entryRad: number;
  readonly apexM: number;
  /** Where its middle crosses the plane of the rim: shares from −1 to 1 of the room that its radius leaves, along the throw and across. */
  readonly along: number;
  readonly across: number;
}

const STEP_S = 1 / 240;
const MOST_STEPS = 1200;
const LOOK_EVERY = 6;
/** Ball on the inside of a basket. Assumed. */
const FRICTION = 0.4;
const WALL_M = 0.02;

/** True when the ball is still in the basket once it can no longer rise over the rim. It comes in without spin. */
export function staysInBasket(rapier: RigidBodies, shot: BasketShot): boolean {
  const { depthM, widthM, radiusM } = shot;
  const world = new rapier.World({ x: 0, y: -GRAVITY, z: 0 });
  world.timestep = STEP_S;
  const half = widthM / 2;
  const give = GIVE[shot.give];
  const part = (x: number, y: number, z: number, hx: number, hy: number, hz: number, share: number) =>
    world.createCollider(
      rapier.ColliderDesc.cuboid(hx, hy, hz)
        .setTranslation(x, y, z)
        .setFriction(FRICTION)
        .setRestitution(share)
        .setRestitutionCombineRule(rapier.CoefficientCombineRule.Multiply),
    );
  part(0, -0.1, 0, half, 0.1, half, give.floor);
  for (const side of [-1, 1]) {
    part(side * (half + WALL_M / 2), depthM / 2, 0, WALL_M / 2, depthM / 2, half + WALL_M, give.wall);
    part(0, depthM / 2, side * (half + WALL_M / 2), half, depthM / 2, WALL_M / 2, give.wall);
  }
  const room = Math.max(0, half - radiusM);
  const down = Math.sqrt(2 * GRAVITY * shot.apexM);
  const ball = world.createRigidBody(
    rapier.RigidBodyDesc.dynamic()
      .setTranslation(shot.along * room, depthM, shot.across * room)
      .setLinvel(down / Math.tan(shot.entryRad), -down, 0)
      .setCcdEnabled(true),
  );
  world.createCollider(
    rapier.ColliderDesc.ball(radiusM)
      .setMass(0.05)
      .setFriction(FRICTION)
      .setRestitution(shot.restitution)
      .setRestitutionCombineRule(rapier.CoefficientCombineRule.Multiply),
    ball,
  );
  let stays = false;
  for (let step = 1; step <= MOST_STEPS; step += 1) {
    world.step();
    if (step % LOOK_EVERY !== 0) continue;
    const at = ball.translation();
    const move = ball.linvel();
    if (at.y < 0 || Math.abs(at.x) > half + WALL_M || Math.abs(at.z) > half + WALL_M) break;
    // Its energy would not lift its middle over the rim.
    if (at.y + (move.x * move.x + move.y * move.y + move.z * move.z) / (2 * GRAVITY) < depthM) {
      stays = true;
      break;
    }
  }
  world.free();
  return stays;
}
