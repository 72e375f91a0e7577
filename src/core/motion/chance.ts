/**
 * The chance that one throw succeeds: by small quadratures over the errors of release (no Monte Carlo).
 * Accuracy against 10⁶ random throws is checked in the tests (opening ≤ 0.005, upright ≤ 0.01).
 */
import type { Implement, ThrownShape } from '../objects/catalogue';
import type { Give } from '../objects/shapes';
import { easiestAngle, entryAngle, flatAngle, flightSeconds, GRAVITY, speedToReach } from './flight';
import { normalCdf, normalPdf, withinChance } from './normal';
import {
  ELEVATION_DEG,
  FLAT_THROW_FACTOR,
  GRAZE_SHARE,
  POWER_SPREAD,
  SHORT_AIM_SHARE,
  SOFT_EDGE_SHARE,
  SOFT_RESTITUTION,
  STEP_BACK_M,
  type Technique,
} from './assumed';
import type { Release } from './release';
import { staysShare } from './stays-in';

const ELEVATION_NODES = 31;
const AZIMUTH_NODES = 17;
const CLIP_SD = 4.5;

export interface Shot {
  readonly technique: Technique;
  readonly release: Release;
  readonly ball: Implement;
  readonly target: ThrownShape;
  /** Horizontal distance from the throw line to the middle of the target. */
  readonly distanceM: number;
  /** Height of what the target stands on; 0 on the floor. */
  readonly standM: number;
  /** Angle between the line of throw and the target's own depth axis; matters for rectangles. */
  readonly turnRad: number;
  /** What an opening is made of; without it plastic. */
  readonly give?: Give;
  /** The "upright" is a way through, a gate or a mouth: the whole ball must fit, where it would fell a post with a part of it. */
  readonly through?: true;
  /** How hard an overarm throw at an upright is, as a multiple of the slowest that reaches it; without it as hard as usual. */
  readonly power?: number;
}

/** What the child means to do: the angle and speed that would carry the ball to the middle of the target. */
export interface AimedThrow {
  readonly angleRad: number;
  readonly speed: number;
}

/** The point that the child means to meet, relative to the release. */
function aimPoint(shot: Shot): { distanceM: number; riseM: number } {
  const { target, standM, distanceM, release } = shot;
  if (target.kind === 'opening') return { distanceM, riseM: standM + target.rimM - release.heightM };
  if (standM > 0) return { distanceM, riseM: standM + target.heightM / 2 - release.heightM };
  return { distanceM: distanceM * (1 - SHORT_AIM_SHARE), riseM: -release.heightM };
}

const DEGREE = Math.PI / 180;

/** The angle nearest to the easiest that a body throws at. */
function bodyAngle(technique: Technique, easiest: number): number {
  const [flattest, steepest] = ELEVATION_DEG[technique];
  return Math.min(steepest * DEGREE, Math.max(flattest * DEGREE, easiest));
}

export function aimFor(shot: Shot): AimedThrow {
  const { distanceM, riseM } = aimPoint(shot);
  const easiest = easiestAngle(distanceM, riseM);
  const lob = shot.target.kind === 'opening' ? bodyAngle(shot.technique, easiest) : easiest;
  const slowest = speedToReach(distanceM, riseM, lob);
  if (shot.target.kind === 'opening' || shot.technique !== 'overarm') {
    return { angleRad: lob, speed: Math.min(slowest, shot.release.topSpeed) };
  }
  const speed = Math.min(slowest * (shot.power ?? FLAT_THROW_FACTOR), shot.release.topSpeed);
  return speed <= slowest ? { angleRad: lob, speed } : { angleRad: flatAngle(distanceM, riseM, speed), speed };
}

/** Seconds that the ball is in the air. */
export function airSeconds(shot: Shot): number {
  const aim = aimFor(shot);
  return flightSeconds(shot.distanceM, aim.speed, aim.angleRad);
}

/** Chance 0–1 that the shot succeeds: into the opening and stays, or strikes the upright. */
export function hitChance(thrown: Shot): number {
  if (thrown.distanceM <= 0) return 1;
  const shot = thrown.power === undefined ? thrown : { ...thrown, release: withPower(thrown.release, thrown.power) };
  if (shot.target.kind === 'opening') return chanceInto(steppedBack(shot));
  return Math.min(1, Math.max(0, uprightChance(shot, aimFor(shot))));
}

/** Metres between two places that are looked at behind a mark. */
const STEP_M = 0.1;
/** Into an opening whose rim is lower than this below the hand a dead ball goes the easier the nearer it is, metres. */
const RAISED_M = 0.35;
/** Nothing better is looked for, and the best place has been passed. */
const [SURE, PAST_THE_BEST] = [0.999, 0.02];

/** Into an opening from this distance. */
const chanceInto = (shot: Shot): number => Math.min(1, Math.max(0, openingChance(shot, aimFor(shot))));

/** From where this is thrown: whoever stands too close to a raised opening, or drops a lively ball steeply, steps back behind the mark, so that nearer is never harder. */
function steppedBack(shot: Shot): Shot {
  const { target, standM, release, distanceM } = shot;
  if (target.kind !== 'opening' || distanceM >= STEP_BACK_M) return shot;
  if (standM + target.rimM < release.heightM - RAISED_M && shot.ball.restitution <= SOFT_RESTITUTION) return shot;
  let best = shot;
  let chance = chanceInto(shot);
  for (let from = distanceM + STEP_M; from <= STEP_BACK_M + 1e-9 && chance < SURE; from += STEP_M) {
    const there = { ...shot, distanceM: from };
    const thereChance = chanceInto(there);
    if (thereChance < chance - PAST_THE_BEST) break;
    if (thereChance > chance) [best, chance] = [there, thereChance];
  }
  return best;
}

/** More power than usual widens every error, less narrows it. */
function withPower(release: Release, power: number): Release {
  const wider = Math.max(0.5, 1 + POWER_SPREAD * (power - FLAT_THROW_FACTOR));
  return {
    ...release,
    azimuthSd: release.azimuthSd * wider,
    elevationSd: release.elevationSd * wider,
    speedShareSd: release.speedShareSd * wider,
  };
}

/** How throws at an opening end, shares that add up to 1. */
export interface OpeningShares {
  readonly stays: number;
  /** In, and out again with the bounce. */
  readonly bouncesOut: number;
  /** On the rim and away. */
  readonly rim: number;
  readonly misses: number;
}

/** Where the throws at an opening end; null for anything else. A ball whose middle is within its radius of the edge meets the rim. */
export function openingShares(shot: Shot): OpeningShares | null {
  if (shot.target.kind !== 'opening') return null;
  return sharesFrom(steppedBack(shot));
}

function sharesFrom(shot: Shot): OpeningShares {
  const aim = aimFor(shot);
  const stays = chanceInto(shot);
  const inside = Math.min(1, openingChance(shot, aim, edgeShrinkM(shot, aim), 1));
  const touched = Math.min(1, openingChance(shot, aim, { alongM: -shot.ball.radiusM, acrossM: -shot.ball.radiusM }, 1));
  const rim = Math.max(0, touched - inside);
  return { stays, bouncesOut: Math.max(0, inside - stays), rim, misses: Math.max(0, 1 - inside - rim) };
}

interface Chord {
  readonly nearM: number;
  readonly farM: number;
  /** Share of the throws that go along this chord. */
  readonly weight: number;
}

/** Weights of the elevations, from −CLIP_SD to +CLIP_SD standard deviations, adding up to 1. */
const ELEVATIONS = Array.from({ length: ELEVATION_NODES }, (_, i) => {
  const z = CLIP_SD * ((2 * i) / (ELEVATION_NODES - 1) - 1);
  return { z, density: normalPdf(z) };
});
const DENSITIES = ELEVATIONS.reduce((sum, { density }) => sum + density, 0);

/** speedToReach() with its trigonometry (the tangent, and √(g/2) / cosine) done once for all chords. */
function speedTo(distanceM: number, riseM: number, tan: number, scale: number): number {
  const drop = distanceM * tan - riseM;
  return drop > 0 ? (scale * distanceM) / Math.sqrt(drop) : Infinity;
}

/** Σ over elevations and chords of the chance that the speed lies between the two that meet the near and the far end at height `riseM`. */
function lengthChance(shot: Shot, aim: AimedThrow, riseM: number, chords: readonly Chord[]): number {
  const { elevationSd, speedShareSd } = shot.release;
  const speedSd = aim.speed * speedShareSd;
  let sum = 0;
  for (const { z, density } of ELEVATIONS) {
    const angle = aim.angleRad + z * elevationSd;
    if (angle >= Math.PI / 2) continue;
    const cos = Math.cos(angle);
    const tan = Math.tan(angle);
    const scale = Math.sqrt(GRAVITY / 2) / cos;
    for (const chord of chords) {
      const slow = speedTo(Math.max(chord.nearM, 1e-6), riseM, tan, scale);
      if (slow === Infinity) continue;
      // Of a raised thing the near edge may be crossed rising: no speed serves that angle then.
      const share = normalCdf((speedTo(chord.farM, riseM, tan, scale) - aim.speed) / speedSd) - normalCdf((slow - aim.speed) / speedSd);
      if (share > 0) sum += density * chord.weight * share;
    }
  }
  return sum / DENSITIES;
}

/** How far in from each edge the centre of the ball must be. A hard ball needs its whole width in the slanting gap. */
function edgeShrinkM(shot: Shot, aim: AimedThrow): { alongM: number; acrossM: number } {
  const { ball } = shot;
  if (ball.restitution <= SOFT_RESTITUTION) return { alongM: SOFT_EDGE_SHARE * ball.radiusM, acrossM: SOFT_EDGE_SHARE * ball.radiusM };
  const steepness = Math.max(0.3, Math.sin(Math.max(0, entryAngle(shot.distanceM, aim.speed, aim.angleRad))));
  return { alongM: (0.5 * ball.radiusM) / steepness, acrossM: 0.5 * ball.radiusM };
}

/** Share of balls inside the opening that stay there: by bounce, depth and how steeply the ball comes in. */
function staysIn(shot: Shot, aim: AimedThrow): number {
  const { target, ball, distanceM, release } = shot;
  if (target.kind !== 'opening') return 1;
  const up = Math.max(0, aim.speed * Math.sin(aim.angleRad));
  const apexM = Math.max(0.05, release.heightM + (up * up) / (2 * GRAVITY) - shot.standM - target.rimM);
  return staysShare({
    give: shot.give ?? 'plastic',
    restitution: ball.restitution,
    radiusM: ball.radiusM,
    depthM: Math.max(0.05, target.rimM),
    entryRad: entryAngle(distanceM, aim.speed, aim.angleRad),
    apexM,
  });
}

function openingChance(shot: Shot, aim: AimedThrow, shrink = edgeShrinkM(shot, aim), stays = staysIn(shot, aim)): number {
  const { target, distanceM, release } = shot;
  if (target.kind !== 'opening') return 0;
  const rise = shot.standM + target.rimM - release.heightM;
  const acrossSd = distanceM * release.azimuthSd;
  if (target.outline === 'rectangle' && Math.abs(Math.sin(2 * shot.turnRad)) < 1e-9) {
    const turned = Math.abs(Math.sin(shot.turnRad)) > 0.5;
    const halfAlong = (turned ? target.widthM : target.depthM) / 2 - shrink.alongM;
    const halfAcross = (turned ? target.depthM : target.widthM) / 2 - shrink.acrossM;
    const across = withinChance(halfAcross, acrossSd);
    return stays * lengthChance(shot, aim, rise, [{ nearM: distanceM - halfAlong, farM: distanceM + halfAlong, weight: across }]);
  }
  // Round or turned: chords along the throw, summed over sideways offsets that the opening can still catch. Midpoints, since the
  // chord vanishes at the edge; both sides of a round opening are alike.
  const oneSide = target.outline === 'round';
  const clip = Math.min(halfExtentAcross(target, shot.turnRad, shrink), CLIP_SD * acrossSd);
  const nodes = oneSide ? Math.ceil(AZIMUTH_NODES / 2) : AZIMUTH_NODES;
  const chords: Chord[] = [];
  for (let i = 0; i < nodes; i += 1) {
    const offset = oneSide ? (clip * (i + 0.5)) / nodes : clip * ((2 * i + 1) / nodes - 1);
    const chord = chordAt(target, offset, shot.turnRad, shrink);
    if (!chord) continue;
    const weight = ((2 * clip) / nodes) * (normalPdf(offset / acrossSd) / acrossSd);
    chords.push({ nearM: distanceM + chord.nearM, farM: distanceM + chord.farM, weight });
  }
  return stays * lengthChance(shot, aim, rise, chords);
}

/** How far to the side a line of throw may pass the middle and still cross the opening. */
function halfExtentAcross(target: Extract<ThrownShape, { kind: 'opening' }>, turnRad: number, shrink: { alongM: number; acrossM: number }): number {
  if (target.outline === 'round') return Math.max(0, target.diameterM / 2 - shrink.acrossM);
  return Math.abs(Math.cos(turnRad)) * (target.widthM / 2 - shrink.acrossM) + Math.abs(Math.sin(turnRad)) * (target.depthM / 2 - shrink.alongM);
}

/** Where a line of throw that passes `offset` beside the middle crosses the opening, relative to the middle. */
function chordAt(
  target: Extract<ThrownShape, { kind: 'opening' }>,
  offset: number,
  turnRad: number,
  shrink: { alongM: number; acrossM: number },
): { nearM: number; farM: number } | null {
  if (target.outline === 'round') {
    const radius = target.diameterM / 2 - shrink.acrossM;
    const half = Math.sqrt(Math.max(0, radius * radius - offset * offset)) - (shrink.alongM - shrink.acrossM);
    return half > 0 ? { nearM: -half, farM: half } : null;
  }
  // Clip the line against the two pairs of sides of the turned rectangle.
  const cos = Math.cos(turnRad);
  const sin = Math.sin(turnRad);
  let near = -Infinity;
  let far = Infinity;
  const sides = [
    { half: target.depthM / 2 - shrink.alongM, along: cos, start: -offset * sin },
    { half: target.widthM / 2 - shrink.acrossM, along: sin, start: offset * cos },
  ];
  for (const side of sides) {
    if (Math.abs(side.along) < 1e-9) {
      if (Math.abs(side.start) > side.half) return null;
      continue;
    }
    const a = (-side.half - side.start) / side.along;
    const b = (side.half - side.start) / side.along;
    near = Math.max(near, Math.min(a, b));
    far = Math.min(far, Math.max(a, b));
  }
  return far > near ? { nearM: near, farM: far } : null;
}

function uprightChance(shot: Shot, aim: AimedThrow): number {
  const { target, distanceM, release, ball, standM } = shot;
  if (target.kind !== 'upright') return 0;
  const grow = shot.through ? -ball.radiusM : GRAZE_SHARE * ball.radiusM;
  const across = withinChance(target.widthM / 2 + grow, distanceM * release.azimuthSd);
  // Too high is a ball still above the top when it has passed over; too low is one that is down before it gets there.
  const entryM = Math.max(0.05, distanceM - target.widthM / 2);
  const exitM = distanceM + target.widthM / 2;
  const top = standM + target.heightM + grow - release.heightM;
  const bottom = standM - grow - release.heightM;
  const { elevationSd, speedShareSd } = release;
  const speedSd = aim.speed * speedShareSd;
  let sum = 0;
  for (const { z, density } of ELEVATIONS) {
    const angle = aim.angleRad + z * elevationSd;
    if (angle >= Math.PI / 2) continue;
    const overTop = normalCdf((speedToReach(exitM, top, angle) - aim.speed) / speedSd);
    // A ball that lands short skids on into a target that stands on the floor.
    const tooLow = standM <= 0 ? 0 : normalCdf((speedToReach(entryM, bottom, angle) - aim.speed) / speedSd);
    sum += density * Math.max(0, overTop - tooLow);
  }
  return (across * sum) / DENSITIES;
}
