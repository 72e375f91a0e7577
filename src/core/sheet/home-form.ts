/**
 * The forms in which a child may play a level at home, each with a ready table of set-ups that give the same chances: worked out before
 * it is sent (`core/levels/home-forms`), so that the child's page chooses from it without any motion.
 */
import { distancesOf } from '../course/geometry';
import { setOut } from '../course/set-out';
import type { AimedId } from '../objects/catalogue';
import { levelById } from '../rules/format/level';
import type { Game } from '../rules/format/game';
import type { UsedSetUp } from '../reports/report';

/** One thing to aim at, and for each mark how far: as near as still counts as like, equal, and as far as still counts. Metres. */
export interface ReadyThing {
  /** Null where several things are aimed at, or pins: they stay what they are. */
  readonly object: AimedId | null;
  readonly lengthsM: readonly number[];
  readonly leastM: readonly number[];
  readonly mostM: readonly number[];
}

export type Towards = 'as-asked' | 'easier' | 'harder';

/** One lever pulled, and only one. */
export type FormChange =
  | { readonly kind: 'as-asked' }
  | { readonly kind: 'level' }
  | { readonly kind: 'nearer' | 'farther' }
  | { readonly kind: 'bigger' | 'smaller'; readonly object: AimedId }
  | { readonly kind: 'other-hand' };

export interface HomeForm {
  readonly id: string;
  readonly change: FormChange;
  readonly towards: Towards;
  readonly levelId: string;
  readonly otherHand: boolean;
  /** The thing that the form is made for first, then what may stand in for it. Empty where nothing is aimed at: it is set out as it is. */
  readonly things: readonly ReadyThing[];
  /** Median score that is likely in this form; null where it is not forecast. */
  readonly par: number | null;
}

/** Room that a child needs behind the mark, metres. */
export const STANDING_ROOM_M = 0.3;

export interface ChosenSetUp {
  readonly object: AimedId | null;
  readonly lengthsM: readonly number[];
  /** True when every mark has a chance like the one asked for. */
  readonly equal: boolean;
}

/** The longest clear line that a thing needs to be equal, metres. */
export function lineNeededM(thing: ReadyThing): number {
  return Math.max(0, ...thing.leastM) + STANDING_ROOM_M;
}

/**
 * The set-up for a home with one of these things and a clear line of so many metres (null: long enough). Of the things those that can be
 * equal come first, in the order of the table; where none can, the one that needs the shortest line, as far as the line goes.
 */
export function chooseSetUp(form: HomeForm, have: readonly AimedId[], clearM: number | null): ChosenSetUp {
  const usable = form.things.filter(({ object }) => object === null || have.includes(object));
  const things = usable.length > 0 ? usable : form.things.slice(0, 1);
  const first = things[0];
  if (!first) return { object: null, lengthsM: [], equal: true };
  const reach = clearM === null ? Infinity : Math.max(0.3, clearM - STANDING_ROOM_M);
  const fits = (thing: ReadyThing) => thing.leastM.every((least) => least <= reach);
  const thing = things.find(fits) ?? things.reduce((near, one) => (lineNeededM(one) < lineNeededM(near) ? one : near), first);
  return { object: thing.object, lengthsM: thing.lengthsM.map((length) => Math.min(length, reach)), equal: fits(thing) };
}

/** The level of a form, set out as was chosen. */
export function gameOfForm(game: Game, form: HomeForm, chosen: ChosenSetUp): Game {
  return setOut(levelById(game, form.levelId), chosen.object, chosen.lengthsM);
}

/** What is written into a report of how a level was set out. */
export function usedSetUpOf(level: Game): UsedSetUp {
  return {
    implement: level.kit.implement,
    targets: Object.values(level.course.targets).flatMap((list) => list.map((target) => target.object)),
    distancesM: distancesOf(level).map((length) => Math.round(length * 1000) / 1000),
  };
}

/** Rounding to what can be paced out may carry a mark a little past what is like. Assumed: half of a half step. */
const PACING_M = 0.14;

/** What a go says of how it was played. */
export interface PlayedForm {
  readonly level: string;
  readonly otherHand: boolean;
  readonly setUp: UsedSetUp;
}

/** Whether a go was played as it was asked, or with an equal set-up: only like is compared with like. */
export function playedAsAsked(asked: HomeForm, assigned: UsedSetUp, go: PlayedForm): boolean {
  if (go.level !== asked.levelId || go.otherHand !== asked.otherHand || go.setUp.implement !== assigned.implement) return false;
  const { targets, distancesM } = go.setUp;
  const same = (one: readonly unknown[], other: readonly unknown[]) => JSON.stringify(one) === JSON.stringify(other);
  if (same(targets, assigned.targets) && same(distancesM, assigned.distancesM)) return true;
  if (targets.length !== assigned.targets.length) return false;
  const thing = asked.things.find(({ object }) => (object === null ? same(targets, assigned.targets) : targets.every((target) => target === object)));
  return (
    thing !== undefined &&
    distancesM.length === thing.lengthsM.length &&
    distancesM.every((length, index) => length >= thing.leastM[index]! - PACING_M && length <= thing.mostM[index]! + PACING_M)
  );
}
