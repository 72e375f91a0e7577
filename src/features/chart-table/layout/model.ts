/** What the layout leaf shows of a floor and does with what is picked. No interface here. */
import { withObject, withPattern, withRemoved } from '@/core/course/change';
import { distanceM } from '@/core/course/geometry';
import { withThingAt } from '@/core/course/move';
import { countsOf, patternOf, PATTERN_WORDS, PATTERNS, type PatternKind } from '@/core/course/patterns';
import { groundOf, isLocked, isPinSet, keyOf, listAt, listedOf, pointerOf, spotOf, thingsOf, type CourseThing } from '@/core/course/things';
import { thingWords } from '@/core/course/thing-words';
import { levelChance } from '@/core/levels/solve';
import { AIMED, type AimedId } from '@/core/objects/catalogue';
import type { Game, PlacedTarget, Spot } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { toDegrees } from '@/core/measure/angles';

/** Whole degrees, as they are typed. */
export const wholeDegrees = (rad: number): number => Math.round(toDegrees(rad));

export interface FloorRow {
  readonly thing: CourseThing;
  readonly words: string;
  readonly xM: number;
  readonly yM: number;
  /** Degrees; null where it has no side that looks anywhere. */
  readonly turn: number | null;
  readonly locked: boolean;
  readonly picked: boolean;
}

/** Everything that stands on the floor at this level, things before ground. */
export function floorRows(level: Game, picked: readonly CourseThing[]): readonly FloorRow[] {
  const keys = new Set(picked.map(keyOf));
  return [...thingsOf(level), ...groundOf(level)].map((thing) => {
    const listed = listedOf(level.course, thing)!;
    return {
      thing,
      words: thingWords(level, thing),
      ...spotOf(level.course, thing)!,
      turn: 'turnRad' in listed ? wholeDegrees(listed.turnRad) : null,
      locked: isLocked(level.course, thing),
      picked: keys.has(keyOf(thing)),
    };
  });
}

const NEAREST_M = 0.001;

/** Two things so far apart: the first stays, the second goes on the line through both. */
export function withApart(game: Game, level: number, [first, second]: readonly CourseThing[], apartM: number, onlyHere: boolean): Game {
  const { course } = resolveLevel(game, level);
  const [from, to] = [spotOf(course, first!)!, spotOf(course, second!)!];
  const now = Math.max(NEAREST_M, distanceM(from, to));
  const spot = { xM: from.xM + ((to.xM - from.xM) * apartM) / now, yM: from.yM + ((to.yM - from.yM) * apartM) / now };
  return withThingAt(game, level, second!, spot, { alone: true, onlyHere });
}

/** Without what is picked, but for what is locked. */
export const withoutPicked = (game: Game, level: Game, picked: readonly CourseThing[]): Game =>
  withRemoved(
    game,
    picked.filter((one) => !isLocked(level.course, one)),
  );

export interface Swap {
  readonly object: AimedId;
  readonly game: Game;
  /** What it does to the chance of the level; null where there is none. */
  readonly by: number | null;
}

/** What else could stand there: of a set of pins, all of them. */
export function swapsFor(game: Game, level: number, ageYears: number, thing: CourseThing, placed: PlacedTarget, onlyHere: boolean): readonly Swap[] {
  const all =
    thing.kind === 'target' && isPinSet(game, thing.group) ? listAt(game.course, pointerOf(thing)).map((_, index) => ({ ...thing, index })) : [thing];
  const now = thing.kind === 'target' ? levelChance(game, level, ageYears) : 0;
  return AIMED[placed.object].substitutes.map((object) => {
    const next = withObject(game, level, all, object, undefined, onlyHere);
    return { object, game: next, by: now > 0 ? levelChance(next, level, ageYears) - now : null };
  });
}

/** " (+7 in 100)"; nothing where it hardly matters. */
export const swapWords = (by: number | null): string =>
  by === null || Math.abs(by) < 0.005 ? '' : ` (${by > 0 ? '+' : '−'}${Math.abs(Math.round(by * 100))} in 100)`;

export interface GroupLaid {
  readonly kind: PatternKind;
  readonly n: number;
  readonly spacingM: number;
  readonly turnRad: number;
  readonly middle: Spot;
}

const USUAL_SPACING_M = 0.4;

/** How a group lies: a pattern, or freely. */
export function groupLaid(list: readonly Spot[]): { readonly laid: GroupLaid; readonly free: boolean } {
  const found = patternOf(list);
  return { laid: found ?? { kind: 'scatter', n: list.length, spacingM: USUAL_SPACING_M, turnRad: 0, middle: middleOf(list) }, free: found === null };
}

/** The group laid otherwise, with as many as the pattern takes. */
export function withGroupLaid(game: Game, level: number, thing: Extract<CourseThing, { group: string }>, laid: GroupLaid): Game {
  const [least, most] = countsOf(laid.kind);
  const n = Math.min(most, Math.max(least, laid.n));
  return withPattern(game, level, thing.kind as 'place' | 'target', thing.group, { ...laid, n, spacingM: laid.spacingM || USUAL_SPACING_M });
}

/** Another pattern for a group: one thing alone is one, all others have two at least. */
export const asPattern = (laid: GroupLaid, kind: PatternKind): GroupLaid => ({ ...laid, kind, n: kind === 'single' ? 1 : Math.max(2, laid.n) });

/** More or fewer of a group: one is alone, more than one in a row where it was. */
export const asMany = (laid: GroupLaid, n: number): GroupLaid =>
  n === 1 ? { ...laid, kind: 'single', n } : { ...laid, kind: laid.kind === 'single' ? 'row' : laid.kind, n };

/** Patterns to choose from: a ladder is for places only; "freely" can be left and not chosen. */
export const patternChoices = (
  kind: CourseThing['kind'],
  free: boolean,
): readonly { readonly value: PatternKind | 'free'; readonly label: string }[] => [
  ...(free ? [{ value: 'free' as const, label: 'freely' }] : []),
  ...PATTERNS.filter((one) => one !== 'ladder' || kind === 'place').map((one) => ({ value: one, label: PATTERN_WORDS[one] })),
];

const middleOf = (list: readonly Spot[]): Spot => ({
  xM: list.reduce((sum, spot) => sum + spot.xM, 0) / list.length,
  yM: list.reduce((sum, spot) => sum + spot.yM, 0) / list.length,
});
