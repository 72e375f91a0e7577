/**
 * How exactly a child releases a throw: normal errors of direction (azimuth), elevation and speed.
 * No published standard deviations for ages 4–12 are known to us: every figure in the table is ASSUMED, a starting point
 * that the class's own reports are to replace.
 */
import { statureM } from '../measure/stature';

export type Technique = 'underarm' | 'overarm' | 'set-shot';
export type BodyForm = 'standing' | 'seated' | 'kneeling' | 'two-hands';

interface TechniqueSpread {
  /** Standard deviation of direction and elevation, degrees, for an adult. */
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  /** Standard deviation of speed as a share of the speed, for an adult. */
  readonly speedShare: number;
  /** Height of release as a share of standing height. */
  readonly releasePerStature: number;
}

/** Assumed; replaced by calibration. */
const TECHNIQUE_SPREAD: Readonly<Record<Technique, TechniqueSpread>> = {
  underarm: { azimuthDeg: 1.8, elevationDeg: 2.8, speedShare: 0.03, releasePerStature: 0.5 },
  overarm: { azimuthDeg: 1.7, elevationDeg: 2.3, speedShare: 0.04, releasePerStature: 1.02 },
  'set-shot': { azimuthDeg: 1.8, elevationDeg: 2.5, speedShare: 0.03, releasePerStature: 1.05 },
};

/** Assumed: what the form of the body does to the spread and to the height of release. */
const FORM_FACTOR: Readonly<Record<BodyForm, { spread: number; height: number; topSpeed: number }>> = {
  standing: { spread: 1, height: 1, topSpeed: 1 },
  seated: { spread: 1.15, height: 0.6, topSpeed: 0.75 },
  kneeling: { spread: 1.08, height: 0.75, topSpeed: 0.85 },
  'two-hands': { spread: 0.95, height: 0.95, topSpeed: 0.7 },
};

/** The other hand is much worse. Assumed. */
const OTHER_HAND_FACTOR = 1.8;

export const SKILL_FORM = { otherHand: OTHER_HAND_FACTOR } as const;

/** Standard deviation of ln(skill factor) between children of one age. Assumed: 0.25–0.35. */
export const SKILL_SPREAD_LN = 0.3;

/** Spread of a child of this age as a multiple of an adult's: 1 + 2.2·exp(−(age − 4)/4.5). Assumed. */
export function ageFactor(ageYears: number): number {
  return ageYears >= 18 ? 1 : 1 + 2.2 * Math.exp(-(ageYears - 4) / 4.5);
}

export interface Thrower {
  readonly ageYears: number;
  /** This child's spread as a multiple of the age's; 1 is typical, 1.3 wilder, 0.8 steadier. */
  readonly skill?: number;
  readonly otherHand?: boolean;
  readonly form?: BodyForm;
}

/** The random errors of one attempt: angles in radians, lengths in metres, speeds in metres a second. */
export interface Release {
  readonly azimuthSd: number;
  readonly elevationSd: number;
  readonly speedShareSd: number;
  readonly heightM: number;
  readonly topSpeed: number;
}

const DEGREE = Math.PI / 180;

/** Fastest aimed throw of a child in m/s. Assumed: 6 at four years and 1 more a year. */
function topAimedSpeed(ageYears: number): number {
  return ageYears >= 18 ? 20 : 6 + (ageYears - 4);
}

export function releaseOf(technique: Technique, thrower: Thrower): Release {
  const spread = TECHNIQUE_SPREAD[technique];
  const form = FORM_FACTOR[thrower.form ?? 'standing'];
  const factor = ageFactor(thrower.ageYears) * (thrower.skill ?? 1) * (thrower.otherHand ? OTHER_HAND_FACTOR : 1) * form.spread;
  const stature = thrower.ageYears >= 18 ? 1.7 : statureM(thrower.ageYears);
  return {
    azimuthSd: spread.azimuthDeg * DEGREE * factor,
    elevationSd: spread.elevationDeg * DEGREE * factor,
    speedShareSd: spread.speedShare * factor,
    heightM: spread.releasePerStature * stature * form.height,
    topSpeed: topAimedSpeed(thrower.ageYears) * form.topSpeed,
  };
}
