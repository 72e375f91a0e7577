/** A new game while it is chosen: what suits what. No interface here. */
import { bandRadii } from '@/core/forecast/depth';
import { whereFrom, type FigureLine } from '@/core/forecast/where-from';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { expectationOf, expectedOf, type ExpectedOfLevel } from '@/core/levels/expectation';
import type { Course } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import type { Skill } from '@/core/sheet/teaching-points';
import { begun, houseOf, WAYS_OF, type BeginFrom, type Begun } from '@/core/ways/begin';
import { wayById, type Way } from '@/core/ways/ways';

/** Short, under a drawing. */
export const SKILL_WORDS: Readonly<Record<Skill, string>> = {
  underarm: 'Underarm throw',
  overarm: 'Overarm throw',
  'set-shot': 'Set shot',
  roll: 'Roll',
  kick: 'Kick',
  lift: 'Lift with the laces',
  'strike-up': 'Keep it up',
  gather: 'Gather and throw',
  move: 'Run and turn',
};

export const waysFor = (skill: Skill): readonly Way[] => WAYS_OF[skill].map((id) => wayById(id)!);

/** Another way, with its own ball, things and floor. */
export function withWayChosen(from: BeginFrom, way: string): BeginFrom {
  const { from: starter } = wayById(way)!;
  return { ...from, way, implement: starter.kit.implement, target: null, floor: null };
}

/** Another movement: the way stays where it suits it too, with what was chosen from the house. */
export function withSkillChosen(from: BeginFrom, skill: Skill): BeginFrom {
  const ways = WAYS_OF[skill];
  return ways.includes(from.way) ? { ...from, skill } : withWayChosen({ ...from, skill }, ways[0]!);
}

export const firstChoice = (ageYears: number): BeginFrom =>
  withWayChosen({ title: '', skill: 'underarm', way: '', implement: 'sock-ball', target: null, ageYears, floor: null }, WAYS_OF.underarm[0]!);

interface Group<Id> {
  readonly words: string;
  readonly ids: readonly Id[];
}

const asked = (name: string, wanted: string) => name.toLocaleLowerCase('en-GB').includes(wanted.trim().toLocaleLowerCase('en-GB'));

/** What it may be played with, in groups, as far as a search goes. */
export function ballsFor(way: Way, wanted: string): readonly Group<ImplementId>[] {
  const found = houseOf(way).balls.filter((id) => asked(IMPLEMENTS[id].name, wanted));
  return [
    { words: 'Soft: indoors too', ids: found.filter((id) => IMPLEMENTS[id].soft) },
    { words: 'Hard: outdoors, or an adult decides', ids: found.filter((id) => !IMPLEMENTS[id].soft) },
  ].filter(({ ids }) => ids.length > 0);
}

/** What may be aimed at: the way's own and what stands in for it in most homes, then whatever else is hit in the same way. */
export function targetsFor(way: Way, wanted: string): readonly Group<AimedId>[] {
  const [own, ...rest] = houseOf(way).targets;
  if (own === undefined) return [];
  const near = new Set<AimedId>([own, ...AIMED[own].substitutes]);
  const of = (ids: readonly AimedId[]) => ids.filter((id) => asked(AIMED[id].name, wanted));
  return [
    { words: 'Usual for it', ids: of([own, ...rest.filter((id) => near.has(id))]) },
    { words: 'Also', ids: of(rest.filter((id) => !near.has(id))) },
  ].filter(({ ids }) => ids.length > 0);
}

export interface GameSoFar extends Begun {
  /** The middle level's, with the bands of depth round what is aimed at, as radii in metres. */
  readonly course: Course;
  readonly radii: readonly number[];
  /** What the words of its levels are of. */
  readonly of: string;
  readonly levels: readonly ExpectedOfLevel[];
  /** Where such figures are from. */
  readonly figures: () => readonly FigureLine[];
}

/** The game as it is chosen so far, with what its levels may be expected to come to. */
export function seen(from: BeginFrom): GameSoFar {
  const { game, reached } = begun(from);
  const middle = resolveLevel(game, Math.min(1, game.levels.length - 1));
  return {
    game,
    reached,
    course: middle.course,
    radii: readThrowRules(game) ? bandRadii(middle, { ageYears: from.ageYears }) : [],
    of: expectationOf(game),
    levels: game.levels.map((_, index) => expectedOf(game, index, from.ageYears)),
    figures: () => whereFrom(middle, from.ageYears, null),
  };
}
