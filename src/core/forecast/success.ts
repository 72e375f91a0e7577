/** The chance of one try, from a spot at a thing: by what it is, how it is tried, and what stands in the way. */
import { GLIDE, GROUND, OTHER_CHANCE, OTHER_MS, THROWN, ageFactor, GATE_HEIGHT_M } from '../motion/assumed';
import { aimFor, airSeconds, hitChance, type Shot } from '../motion/chance';
import { heightAt } from '../motion/flight';
import { barredChance, passChance, rampChance, rollSeconds, rollsOn, stopChance, type Barred, type GroundShot } from '../motion/ground';
import { staysShare } from '../motion/stays-in';
import { wallChance } from '../motion/wall';
import { releaseOf, throwerAt, throwerWith, toldBy, type Thrower } from '../motion/release';
import { AIMED, IMPLEMENTS, shapeOf, shapeToTry, type ThrownShape } from '../objects/catalogue';
import type { Give } from '../objects/shapes';
import { cornersOfThing, distanceM, throwTurnRad } from '../course/geometry';
import type { Game, PlacedTarget, Spot, Task } from '../rules/format/game';

export interface TrySuccess {
  readonly chance: number;
  readonly firstShare: number;
  readonly airS: number;
}

/** The chance of a success from a spot at a thing, by what it is and how it is tried. */
export function successAt(game: Pick<Game, 'kit' | 'course'>, task: Task, spot: Spot, thing: PlacedTarget, child: Thrower): TrySuccess {
  const success = plainSuccess(game, task, spot, thing, throwerAt(task.technique, throwerWith(game.kit, child)));
  return { ...success, chance: toldBy(child, success.chance) };
}

function plainSuccess(game: Pick<Game, 'kit' | 'course'>, task: Task, spot: Spot, thing: PlacedTarget, thrower: Thrower): TrySuccess {
  const shape = shapeToTry(thing);
  const ball = IMPLEMENTS[game.kit.implement];
  const length = distanceM(spot, thing);
  const thrown = THROWN[task.technique];
  if (thrown || task.technique === 'lift') {
    const technique = thrown ?? 'underarm';
    const release = releaseOf(thrown ?? 'lift', thrower);
    const shotAt = (target: ThrownShape, standM = thing.standM): Shot => ({
      technique,
      release,
      ball,
      target,
      distanceM: length,
      standM,
      turnRad: throwTurnRad(spot, thing),
      ...giveOf(thing),
    });
    const way = inTheWay(game, spot, thing, ball);
    const one = (shot: Shot): TrySuccess => ({ chance: hitChance(shot) * freeShare(shot, way), firstShare: 1, airS: airSeconds(shot) });
    const wall = shape.kind === 'opening' ? wallBehind(game, spot, thing) : null;
    if (wall && shape.kind === 'opening') {
      const across = shape.outline === 'round' ? shape.diameterM : shape.widthM;
      const along = shape.outline === 'round' ? shape.diameterM : shape.depthM;
      const chance = wallChance({
        release,
        restitution: ball.restitution,
        radiusM: ball.radiusM,
        ...wall,
        rimM: thing.standM + shape.rimM,
        halfAlongM: along / 2,
        halfAcrossM: across / 2,
      });
      // Back from the wall the ball comes down steeply.
      const stays = staysShare({
        give: giveOf(thing).give ?? 'plastic',
        restitution: ball.restitution,
        radiusM: ball.radiusM,
        depthM: Math.max(0.05, shape.rimM),
        entryRad: 1.1,
        apexM: 0.6,
      });
      return { chance: chance * stays, firstShare: 1, airS: 1.1 };
    }
    switch (shape.kind) {
      case 'opening':
      case 'upright':
        return one(shotAt(shape));
      case 'face':
        return one(shotAt({ kind: 'upright', widthM: shape.widthM, heightM: shape.heightM }));
      case 'flat': {
        const inside = shotAt({ kind: 'opening', outline: 'round', diameterM: shape.diameterM, rimM: shape.heightM });
        const touching = shotAt({ kind: 'opening', outline: 'round', diameterM: shape.diameterM + 2 * ball.radiusM, rimM: shape.heightM });
        const free = freeShare(inside, way);
        return rings(hitChance(inside) * free, hitChance(touching) * free, airSeconds(inside), task);
      }
      case 'gate':
        return one({ ...shotAt({ kind: 'upright', widthM: shape.widthM, heightM: GATE_HEIGHT_M }), through: true });
      case 'mouth':
        return one({ ...shotAt({ kind: 'upright', widthM: shape.widthM, heightM: shape.heightM }), through: true });
      case 'block':
        return one(shotAt({ kind: 'upright', widthM: shape.widthM, heightM: shape.heightM }));
    }
  }
  const ground = GROUND[task.technique];
  if (ground) {
    const shot: GroundShot = { technique: ground, thrower, ...rollsOn(game), distanceM: length };
    const airS = rollSeconds(shot);
    const barred = inTheWay(game, spot, thing, ball);
    switch (shape.kind) {
      case 'upright':
        return { chance: passChance(shot, shape.widthM / 2 + ball.radiusM, barred), firstShare: 1, airS };
      case 'gate':
        return { chance: passChance(shot, shape.widthM / 2 - ball.radiusM, barred), firstShare: 1, airS };
      case 'mouth': {
        // A ball that is wider than the way in cannot go in; one that fits may brush an edge and still roll on.
        const half = shape.widthM / 2 - (shape.widthM > 2 * ball.radiusM ? 0.5 : 1) * ball.radiusM;
        return { chance: passChance(shot, half, barred), firstShare: 1, airS };
      }
      case 'face':
        return { chance: passChance(shot, shape.widthM / 2, barred), firstShare: 1, airS };
      case 'opening': {
        const width = shape.outline === 'round' ? shape.diameterM : shape.widthM;
        const depth = shape.outline === 'round' ? shape.diameterM : shape.depthM;
        const ramped = game.course.obstacles?.some((one) => one.object === 'ramp') ?? false;
        return { chance: ramped ? rampChance(shot, width / 2, depth / 2) : stopChance(shot, width / 2 + ball.radiusM), firstShare: 1, airS };
      }
      case 'flat':
        return rings(stopChance(shot, shape.diameterM / 2 - ball.radiusM / 2), stopChance(shot, shape.diameterM / 2 + ball.radiusM), airS, task);
      case 'block':
        return { chance: passChance(shot, shape.widthM / 2 + ball.radiusM, barred), firstShare: 1, airS };
    }
  }
  if (IMPLEMENTS[game.kit.implement].moves === 'glides' || shape.kind === 'flat') {
    const radius = shape.kind === 'flat' ? shape.diameterM / 2 : 0.25;
    return rings(glideChance(length, radius, thrower), glideChance(length, radius + 0.1, thrower), length / 2.5, task);
  }
  return { chance: OTHER_CHANCE, firstShare: 1, airS: OTHER_MS / 1000 };
}

/** A wall that stands behind an opening, seen from the thrower, is thrown at first. */
function wallBehind(game: Pick<Game, 'course'>, spot: Spot, thing: PlacedTarget): { wallM: number; backM: number } | null {
  const wall = game.course.obstacles?.find((one) => one.object === 'wall');
  if (!wall) return null;
  const length = distanceM(spot, thing);
  const along = ((wall.xM - spot.xM) * (thing.xM - spot.xM) + (wall.yM - spot.yM) * (thing.yM - spot.yM)) / Math.max(0.01, length);
  const aside = Math.abs((wall.xM - spot.xM) * (thing.yM - spot.yM) - (wall.yM - spot.yM) * (thing.xM - spot.xM)) / Math.max(0.01, length);
  return along > length && along < length + 3 && aside < 1 ? { wallM: along, backM: along - length } : null;
}

/** Inside counts as the first success; between the two rings as the second, where the task has one. */
function rings(inside: number, touching: number, airS: number, task: Task): TrySuccess {
  const two = (task.ends ?? []).filter((end) => end.as === 'success').length > 1;
  const chance = two ? Math.max(inside, touching) : inside;
  return { chance, firstShare: two && chance > 0 ? inside / chance : 1, airS };
}

/** What a thing is made of, where it takes a ball in: unknown for one of the teacher's own. */
export const giveOf = ({ object, own }: PlacedTarget): { readonly give?: Give } => {
  const { give } = AIMED[object];
  return own || !give ? {} : { give };
};

/** Something that stands between a spot and a thing: the directions that it bars, how far off, and how high. */
interface InTheWay extends Barred {
  readonly alongM: number;
  readonly heightM: number;
}

/** What stands in the way from a spot to a thing, other than a ramp and a strip on the floor. */
function inTheWay(game: Pick<Game, 'course'>, spot: Spot, thing: PlacedTarget, ball: { readonly radiusM: number }): readonly InTheWay[] {
  const length = Math.max(0.01, distanceM(spot, thing));
  const [forwardX, forwardY] = [(thing.xM - spot.xM) / length, (thing.yM - spot.yM) / length];
  return (game.course.obstacles ?? []).flatMap((obstacle) => {
    if (obstacle.object === 'ramp' || obstacle.object === 'towel-strip') return [];
    const seen = cornersOfThing(obstacle).map((corner) => ({
      along: (corner.xM - spot.xM) * forwardX + (corner.yM - spot.yM) * forwardY,
      aside: (corner.yM - spot.yM) * forwardX - (corner.xM - spot.xM) * forwardY,
    }));
    const middle = (obstacle.xM - spot.xM) * forwardX + (obstacle.yM - spot.yM) * forwardY;
    if (middle <= 0 || middle >= length) return [];
    // Corners beside or behind whoever throws are taken as just before the hand.
    const edges = seen.map(({ along, aside }) => ({ along: Math.max(0.05, along), aside }));
    const from = Math.min(...edges.map(({ along, aside }) => (aside - ball.radiusM) / along));
    const to = Math.max(...edges.map(({ along, aside }) => (aside + ball.radiusM) / along));
    const shape = shapeOf(obstacle);
    return [{ from, to, alongM: middle, heightM: 'heightM' in shape ? shape.heightM : 'rimM' in shape ? shape.rimM : 0.3 }];
  });
}

/** Share of the throws at a thing that meet nothing on their way: what is lower than the flight there is flown over. */
function freeShare(shot: Shot, way: readonly InTheWay[]): number {
  if (way.length === 0) return 1;
  const aim = aimFor(shot);
  const met = way.filter(({ alongM, heightM }) => heightAt(alongM, aim, shot.release.heightM) - shot.ball.radiusM < heightM);
  return 1 - barredChance(met, shot.release.azimuthSd);
}

/** A plane that flies as far as it is meant to within its spread, and as straight: the chance that it lies within a radius. */
function glideChance(length: number, radius: number, thrower: Thrower): number {
  const factor = 0.7 + 0.3 * ageFactor(thrower.ageYears) * (thrower.skill ?? 1);
  let within = 0;
  const nodes = [-1.8627, -1.318, -1.01, -0.7764, -0.5791, -0.4023, -0.2372, -0.0784, 0.0784, 0.2372, 0.4023, 0.5791, 0.7764, 1.01, 1.318, 1.8627];
  for (const z of nodes)
    for (const w of nodes) {
      const far = length * Math.max(0, 1 + z * GLIDE.rangeShare * factor);
      const turn = w * GLIDE.azimuthDeg * (Math.PI / 180) * factor;
      if (Math.hypot(far * Math.cos(turn) - length, far * Math.sin(turn)) <= radius) within += 1;
    }
  return within / (nodes.length * nodes.length);
}
