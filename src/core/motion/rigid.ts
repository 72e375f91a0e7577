/**
 * Pins as rigid bodies: one ball rolled into a set of pins, by an existing physics engine, a fresh world for every shot (a used world is
 * not repeatable). The engine is handed in by whoever has loaded it: a desk worker, the server or the command line, never a child's page.
 * Floor friction 0.4, pin restitution 0.3, hollow inertias: assumed, not checked against real pins.
 */
import type * as Rapier from '@dimforge/rapier3d-compat';
import type { Implement } from '../objects/implements';
import type { Pin } from './chain';

export type RigidBodies = typeof Rapier.default;

/** A shot in the frame of the pins: x along the line of throw, y to its side, metres from the middle of the pins. */
export interface RigidShot {
  readonly offsetM: number;
  readonly angleRad: number;
  /** Speed with which the ball arrives, m/s. */
  readonly speed: number;
}

const STEP_S = 1 / 120;
const MOST_STEPS = 360;
const LOOK_EVERY = 12;
const FLOOR_FRICTION = 0.4;
const PIN_RESTITUTION = 0.3;
/** A pin that leans by more than this has fallen: its upward axis points less than this upwards. */
const FALLEN_BELOW = Math.cos(Math.PI / 3);
/** Leans less than this and hardly turns: it stands. */
const STANDS_ABOVE = Math.cos(Math.PI / 30);
/** The ball starts so far before the first pin that it could strike. */
const RUN_UP_M = 0.04;

/** Which of the pins fall, as bits. Pins in the frame of the shot. */
export function rigidFall(rapier: RigidBodies, pins: readonly Pin[], ball: Implement, shot: RigidShot): number {
  const world = new rapier.World({ x: 0, y: -9.80665, z: 0 });
  world.timestep = STEP_S;
  const floor = rapier.ColliderDesc.cuboid(6, 0.1, 6).setTranslation(0, -0.1, 0).setFriction(FLOOR_FRICTION).setRestitution(0.1);
  world.createCollider(floor);
  const bodies = pins.map((pin) => standing(rapier, world, pin));
  const rolling = rolled(rapier, world, pins, ball, shot);
  let fallen = 0;
  for (let step = 1; step <= MOST_STEPS; step += 1) {
    world.step();
    if (step % LOOK_EVERY === 0 && settled(rolling, bodies, pins)) break;
  }
  bodies.forEach((body, index) => {
    if (upwards(body) < FALLEN_BELOW) fallen |= 1 << index;
  });
  world.free();
  return fallen;
}

function standing(rapier: RigidBodies, world: Rapier.World, pin: Pin): Rapier.RigidBody {
  const half = pin.heightM / 2;
  const { massKg: m, radiusM: r, heightM: h } = pin;
  // A thin shell: all mass at the wall.
  const inertia = { x: m * ((r * r) / 2 + (h * h) / 12), y: m * r * r, z: m * ((r * r) / 2 + (h * h) / 12) };
  const middle = { x: 0, y: (pin.balance - 0.5) * h, z: 0 };
  const body = world.createRigidBody(
    rapier.RigidBodyDesc.dynamic().setTranslation(pin.xM, half, pin.yM).setAdditionalMassProperties(m, middle, inertia, { x: 0, y: 0, z: 0, w: 1 }),
  );
  world.createCollider(rapier.ColliderDesc.cylinder(half, r).setDensity(0).setFriction(FLOOR_FRICTION).setRestitution(PIN_RESTITUTION), body);
  return body;
}

function rolled(rapier: RigidBodies, world: Rapier.World, pins: readonly Pin[], ball: Implement, shot: RigidShot): Rapier.RigidBody {
  const cos = Math.cos(shot.angleRad);
  const sin = Math.sin(shot.angleRad);
  // The line passes the middle of the pins at offsetM; the ball is set down on it just before the first pin it can touch.
  let first = 0;
  for (const pin of pins) {
    const along = pin.xM * cos + (pin.yM - shot.offsetM) * sin;
    const aside = -pin.xM * sin + (pin.yM - shot.offsetM) * cos;
    if (Math.abs(aside) < pin.radiusM + ball.radiusM) first = Math.min(first, along - pin.radiusM - ball.radiusM);
  }
  const back = first - RUN_UP_M;
  const body = world.createRigidBody(
    rapier.RigidBodyDesc.dynamic()
      .setTranslation(back * cos, ball.radiusM, shot.offsetM + back * sin)
      .setLinvel(shot.speed * cos, 0, shot.speed * sin)
      .setAngvel({ x: (shot.speed * sin) / ball.radiusM, y: 0, z: (-shot.speed * cos) / ball.radiusM })
      .setCcdEnabled(true),
  );
  world.createCollider(
    rapier.ColliderDesc.ball(ball.radiusM).setMass(ball.massKg).setFriction(FLOOR_FRICTION).setRestitution(ball.restitution),
    body,
  );
  return body;
}

/** How much the axis of a pin points upwards: 1 stands, 0 lies. From the quaternion: the y part of the turned y axis. */
function upwards(body: Rapier.RigidBody): number {
  const { x, z } = body.rotation();
  return 1 - 2 * (x * x + z * z);
}

/** How far beside the middle of what moves a standing pin may be and still be met: the ball, or a fallen pin that rolls on its side. */
const BALL_REACH_M = 0.25;
const PIN_REACH_M = 0.05;
const STILL_MS = 0.05;
const PIN_STILL_MS = 0.15;

/** True when nothing more can fall: what stands does not rock, and nothing that moves is on its way to it. */
function settled(ball: Rapier.RigidBody, bodies: readonly Rapier.RigidBody[], pins: readonly Pin[]): boolean {
  const stands = bodies.map((body) => upwards(body) >= FALLEN_BELOW);
  if (!stands.includes(true)) return true;
  const rocks = bodies.some((body, index) => {
    if (!stands[index]) return false;
    const turn = body.angvel();
    return upwards(body) <= STANDS_ABOVE || Math.abs(turn.x) + Math.abs(turn.y) + Math.abs(turn.z) >= 0.2;
  });
  if (rocks) return false;
  const meets = (body: Rapier.RigidBody, stillMs: number, reachM: number) => {
    const at = body.translation();
    const move = body.linvel();
    const speed = Math.hypot(move.x, move.z);
    if (speed < stillMs) return false;
    return pins.some((pin, index) => {
      if (!stands[index]) return false;
      const rx = pin.xM - at.x;
      const ry = pin.yM - at.z;
      return (rx * move.x + ry * move.z) / speed > -reachM && Math.abs(rx * move.z - ry * move.x) / speed < pin.radiusM + reachM;
    });
  };
  if (meets(ball, STILL_MS, BALL_REACH_M)) return false;
  return !bodies.some((body, index) => !stands[index] && meets(body, PIN_STILL_MS, pins[index]!.heightM / 2 + PIN_REACH_M));
}
