/** One lever at a time: what brings the chance of a level to the one that is wanted, the distance or, where the floor is too short, another thing. */
import { distanceM, replacedBy } from '../course/geometry';
import { AIMED, AIMED_IDS, type AimedId } from '../objects/catalogue';
import type { Game, PlacedTarget } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { aimedPlaces, levelChance, solveLevel, withPlaces } from './solve';

export type ChanceMend =
  | { readonly lever: 'space'; readonly farthestM: number; readonly chance: number; readonly game: Game }
  /** Another thing, or the same one as wide as is said. */
  | { readonly lever: 'equipment'; readonly object: AimedId; readonly widthM?: number; readonly chance: number; readonly game: Game };

/** A mend comes this near to what is wanted, or at least halves what is missing: the floor and the cupboard set limits. */
const NEAR_ENOUGH = 0.08;
const HALVED = 0.5;
/** So many other things are offered, the nearest first. */
const MOST_THINGS = 2;

/**
 * Ways to bring the mean chance of a level to `wanted` for a child of this age, each pulling one lever of that level alone: distances when
 * the floor has room for them, and other things of the same kind at the same distances. Empty where nothing is aimed at or nothing helps.
 */
export function chanceMends(game: Game, levelIndex: number, wanted: number, ageYears: number): readonly ChanceMend[] {
  const level = resolveLevel(game, levelIndex);
  const groups = [...new Set(aimedPlaces(level).map((place) => place.at))];
  if (groups.length === 0) return [];
  const mends: ChanceMend[] = [];
  const now = levelChance(game, levelIndex, ageYears);
  const helps = (chance: number) => Math.abs(chance - wanted) <= Math.max(NEAR_ENOUGH, HALVED * Math.abs(now - wanted));
  const solved = solveLevel(game, levelIndex, wanted, ageYears);
  if (helps(solved.chance)) {
    const moved = withPlaces(game, levelIndex, solved.places);
    const there = resolveLevel(moved, levelIndex);
    const lengths = aimedPlaces(there).map(({ spot, at }) => Math.min(...there.course.targets[at]!.map((target) => distanceM(spot, target))));
    mends.push({ lever: 'space', farthestM: Math.max(...lengths), chance: solved.chance, game: moved });
  }
  const objects = new Set(groups.flatMap((group) => level.course.targets[group]!.map((target) => target.object)));
  // Several things in one group differ on purpose, and pins are a set: neither is changed for another.
  const [asked] = objects;
  if (objects.size !== 1 || isSet(level, groups)) return mends;
  const others = AIMED_IDS.filter((object) => object !== asked && AIMED[object].shape.kind === AIMED[asked!].shape.kind)
    .map((object) => {
      const swapped = withTargets(game, levelIndex, groups, (target) => replacedBy(target, object));
      return { lever: 'equipment' as const, object, chance: levelChance(swapped, levelIndex, ageYears), game: swapped };
    })
    .filter(({ chance }) => helps(chance))
    .sort((one, other) => Math.abs(one.chance - wanted) - Math.abs(other.chance - wanted));
  const wide = widthMend(game, levelIndex, groups, asked!, wanted, ageYears);
  if (wide && helps(wide.chance)) mends.push(wide);
  return [...mends, ...others.slice(0, MOST_THINGS)];
}

const BISECTIONS = 10;
/** Widths are told in steps that can be set out: metres. */
const WIDTH_STEP_M = 0.05;
const SMALL_STEP_M = 0.01;

/** The same thing narrower or wider, as wide as such things come in homes: the chance grows with the width. */
function widthMend(game: Game, levelIndex: number, groups: readonly string[], object: AimedId, wanted: number, ageYears: number): ChanceMend | null {
  const [least, most] = AIMED[object].sizeM;
  const asWide = (widthM: number) => withTargets(game, levelIndex, groups, (target) => ({ ...target, widthM }));
  const chanceAt = (widthM: number) => levelChance(asWide(widthM), levelIndex, ageYears);
  let narrow = least;
  let wide = most;
  for (let i = 0; i < BISECTIONS; i += 1) {
    const middle = (narrow + wide) / 2;
    if (chanceAt(middle) < wanted) narrow = middle;
    else wide = middle;
  }
  const step = most > 0.3 ? WIDTH_STEP_M : SMALL_STEP_M;
  const widthM = Math.min(most, Math.max(least, Math.round(Math.round(wide / step) * step * 100) / 100));
  const mended = asWide(widthM);
  return { lever: 'equipment', object, widthM, chance: levelChance(mended, levelIndex, ageYears), game: mended };
}

function isSet(level: Game, groups: readonly string[]): boolean {
  return level.parts.some((part) => part.stages.some((task) => task.see === 'felled' && groups.includes(task.at ?? '')));
}

/** The game with what is aimed at changed at one level. */
function withTargets(game: Game, levelIndex: number, groups: readonly string[], change: (target: PlacedTarget) => PlacedTarget): Game {
  const level = resolveLevel(game, levelIndex);
  const set = Object.fromEntries(groups.map((group) => [`/course/targets/${group}`, level.course.targets[group]!.map(change)]));
  return { ...game, levels: game.levels.map((one, index) => (index === levelIndex ? { ...one, set: { ...one.set, ...set } } : one)) };
}
