import { atStage } from '../rules/format/used';
import { distanceM, marksOf, targetOf, throwTurnRad } from '../course/geometry';
import { airSeconds, hitChance, type Shot } from '../motion/chance';
import type { BodyForm, Technique } from '../motion/assumed';
import type { RolledOff } from '../motion/ground';
import { releaseOf, throwerAt, throwerWith, toldBy, type Thrower } from '../motion/release';
import { IMPLEMENTS, isThrownAt, shapeToTry } from '../objects/catalogue';
import type { AimedId, ImplementId } from '../objects/catalogue';
import type { Game, Kit, PlacedTarget, Spot, Task } from '../rules/format/game';
import { giveOf, successAt } from './success';
import { TECHNIQUES } from '../rules/format/throw-rules';

/** Version of the model's tables and formulas; stored with every assignment, so that an old par stays what it was. */
export const MODEL_VERSION = 5;

/** What is thrown, and how. */
export interface Throw {
  readonly kit: Kit;
  readonly technique: Task['technique'];
}

/** The throw of a plain game. */
export const throwOf = (game: Game): Throw => ({
  kit: atStage(game, game.parts[0]!.stages[0]!).kit,
  technique: game.parts[0]!.stages[0]!.technique,
});

/** The throw from a spot at a target by this child; null at a thing that is not thrown at through the air. */
export function shotFrom({ kit, technique: told }: Throw, spot: Spot, target: PlacedTarget, thrower: Thrower): Shot | null {
  const shape = shapeToTry(target);
  if (!isThrownAt(shape)) return null;
  const technique: Technique = TECHNIQUES.find((known) => known === told) ?? 'underarm';
  return {
    technique,
    release: releaseOf(technique, throwerAt(technique, throwerWith(kit, thrower))),
    ball: IMPLEMENTS[kit.implement],
    target: shape,
    distanceM: distanceM(spot, target),
    standM: target.standM,
    turnRad: throwTurnRad(spot, target),
    ...giveOf(target),
  };
}

export interface PlaceChance {
  readonly distanceM: number;
  readonly chance: number;
  readonly airS: number;
}

/** Chance and time of flight at each mark of a game resolved to one level. */
export function placeChances(game: Game, thrower: Thrower): readonly PlaceChance[] {
  const target = targetOf(game);
  if (!target) return [];
  return marksOf(game).flatMap((mark) => {
    const shot = shotFrom(throwOf(game), mark, target, thrower);
    if (!shot) return [];
    return { distanceM: shot.distanceM, chance: toldBy(thrower, hitChance(shot)), airS: airSeconds(shot) };
  });
}

export interface PlainTry {
  readonly technique: Task['technique'];
  readonly implement: ImplementId;
  readonly target: AimedId;
  readonly distanceM: number;
  readonly ageYears: number;
  readonly skill?: number;
  readonly form?: BodyForm;
  readonly otherHand?: boolean;
  /** What a ball off a book said of the floor. */
  readonly rolled?: RolledOff;
}

/** The chance of one try at one thing, square on, on a hard floor. */
export function chanceOf({
  technique,
  implement,
  target,
  distanceM: length,
  ageYears,
  skill = 1,
  form = 'standing',
  otherHand = false,
  rolled,
}: PlainTry): number {
  const thing: PlacedTarget = { xM: length, yM: 0, object: target, turnRad: 0, standM: 0 };
  const task: Task = { id: 'try', technique, see: 'end' };
  const course = {
    floor: { widthM: 30, depthM: 10, surface: 'hard' as const, ...(rolled && { rolled: { ...rolled, implement } }) },
    furniture: [],
    places: {},
    targets: { aim: [thing] },
  };
  return successAt({ kit: { implement, marker: 'sock' }, course }, task, { xM: 0, yM: 0 }, thing, { ageYears, skill, form, otherHand }).chance;
}
