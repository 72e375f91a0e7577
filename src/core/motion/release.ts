/**
 * How exactly a child releases a throw: normal errors of direction (azimuth), elevation and speed.
 * The figures are in assumed.ts: a starting point that the class's own reports are to replace.
 */
import { statureM } from '../measure/stature';
import type { Task } from '../rules/format/game';
import { bentChance, type Bend } from './bend';
import { movementOf, type Family } from './families';
import {
  ageFactor,
  FORM_FACTOR,
  LIFT_HEIGHT_M,
  LIFT_SPREAD,
  OTHER_HAND_FACTOR,
  TECHNIQUE_SPREAD,
  topAimedSpeed,
  type BodyForm,
  type Technique,
} from './assumed';

export interface Thrower {
  readonly ageYears: number;
  /** This child's spread as a multiple of the age's; 1 is typical, 1.3 wilder, 0.8 steadier. */
  readonly skill?: number;
  readonly otherHand?: boolean;
  readonly form?: BodyForm;
  /** How much wilder or steadier the child is in a family of movement, as factors of its skill. */
  readonly factors?: Readonly<Partial<Record<Family, number>>>;
  /** How its chances are bent by what its class reported. */
  readonly bend?: Bend;
}

/** A chance of the model as it is told for this child. */
export const toldBy = ({ bend }: Pick<Thrower, 'bend'>, chance: number): number => (bend ? bentChance(chance, bend) : chance);

/** The child as it is at one technique. */
export function throwerAt(technique: Task['technique'], thrower: Thrower): Thrower {
  const { factors, ...rest } = thrower;
  const family = factors && movementOf(technique);
  return factors ? { ...rest, skill: (rest.skill ?? 1) * ((family && factors[family]) ?? 1) } : thrower;
}

/**
 * The child as the kit of a level has it: seated, kneeling, with two hands, with the other hand. A child who always sits or kneels does so at
 * every level.
 */
export function throwerWith(kit: { readonly form?: BodyForm; readonly hand?: 'own' | 'other' }, thrower: Thrower): Thrower {
  const form = thrower.form && thrower.form !== 'standing' ? thrower.form : (kit.form ?? thrower.form);
  const otherHand = thrower.otherHand ?? kit.hand === 'other';
  if (form === thrower.form && otherHand === (thrower.otherHand ?? false)) return thrower;
  return { ...thrower, ...(form && { form }), ...(otherHand && { otherHand }) };
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

/** How one attempt of this child varies: a throw, or a ball lifted from the ground with the laces. */
export function releaseOf(technique: Technique | 'lift', thrower: Thrower): Release {
  const lifted = technique === 'lift';
  const spread = lifted ? LIFT_SPREAD : TECHNIQUE_SPREAD[technique];
  const form = FORM_FACTOR[lifted ? 'standing' : (thrower.form ?? 'standing')];
  const factor = ageFactor(thrower.ageYears) * (thrower.skill ?? 1) * (thrower.otherHand ? OTHER_HAND_FACTOR : 1) * form.spread;
  const stature = thrower.ageYears >= 18 ? 1.7 : statureM(thrower.ageYears);
  return {
    azimuthSd: spread.azimuthDeg * DEGREE * factor,
    elevationSd: spread.elevationDeg * DEGREE * factor,
    speedShareSd: spread.speedShare * factor,
    heightM: lifted ? LIFT_HEIGHT_M : spread.releasePerStature * stature * form.height,
    topSpeed: topAimedSpeed(thrower.ageYears) * form.topSpeed,
  };
}
