/**
 * A game begun from a skill, a way to play it and what is in the house. The way's own starter is set out with that ball and those things; at
 * every level the marks are moved so that children of this age have the chance that the starter was made for.
 */
import { withObject } from '../course/change';
import { withFloor } from '../course/move';
import { isAimed, levelChance, solveLevel, withPlaces } from '../levels/solve';
import { thingsOf } from '../course/things';
import { GROUND, THROWN } from '../motion/assumed';
import { AIMED, AIMED_IDS, BALL_IDS, IMPLEMENTS, isThrownAt, type AimedId, type ImplementId } from '../objects/catalogue';
import type { Game, Task } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import type { Skill } from '../sheet/teaching-points';
import { wayById, type Way } from './ways';

const THROWS = ['free-marks', 'one-after-each', 'hits-of-tries', 'stones', 'chain-and-ring', 'farthest'] as const;

/** The ways that suit a skill, what is easiest to explain first. */
export const WAYS_OF: Readonly<Record<Skill, readonly string[]>> = {
  underarm: [...THROWS, 'circuit'],
  overarm: [...THROWS, 'circuit'],
  'set-shot': ['free-marks-set-shot', ...THROWS.slice(1)],
  roll: ['one-a-roll', 'frames', 'worth', 'exactly-all', 'closest', 'course', 'gate-back', 'rounds'],
  kick: ['rounds', 'gate-back', 'closest', 'whole-set', 'one-a-roll', 'exactly-all', 'frames'],
  lift: ['rounds', 'gate-back'],
  'strike-up': ['keep-up', 'aloft'],
  gather: ['gather'],
  move: ['how-many', 'waddle', 'dress-up', 'carry', 'list', 'letters', 'coin', 'practice'],
};

export interface BeginFrom {
  readonly title: string;
  readonly skill: Skill;
  readonly way: string;
  readonly implement: ImplementId;
  /** What is aimed at in place of the way's own thing; null for its own, or where nothing is aimed at. */
  readonly target: AimedId | null;
  readonly ageYears: number;
  /** Metres; null for the way's own. */
  readonly floor: { readonly widthM: number; readonly depthM: number } | null;
}

/** What a way may be played with and aimed at: what moves, or is hit, as its own thing is. The way's own first. */
export function houseOf(way: Way): { readonly balls: readonly ImplementId[]; readonly targets: readonly AimedId[] } {
  const own = way.from.kit.implement;
  const balls = IMPLEMENTS[own].moves === 'ball' ? BALL_IDS : [own, ...IMPLEMENTS[own].substitutes];
  const asked = askedThing(way);
  const kind = asked && AIMED[asked].shape.kind;
  const thrown = way.from.parts.some(({ stages }) => stages.some(({ technique }) => technique in THROWN));
  const like = AIMED_IDS.filter((id) => AIMED[id].shape.kind === kind && (!thrown || isThrownAt(AIMED[id].shape)));
  const rest = <T>(list: readonly T[], first: T) => [first, ...list.filter((one) => one !== first)];
  return { balls: rest(balls, own), targets: asked ? rest(like, asked) : [] };
}

/** The one kind of thing that a way aims at; undefined where there is none, or several. */
function askedThing(way: Way): AimedId | undefined {
  const things = new Set(Object.values(way.from.course.targets).flatMap((list) => list.map(({ object }) => object)));
  return things.size === 1 && isAimed(way.from) ? [...things][0] : undefined;
}

/** What it is called; without a name as its way. */
export const nameOfBegun = ({ title, way }: Pick<BeginFrom, 'title' | 'way'>): string => title.trim() || (wayById(way)?.name ?? 'A new game');

export interface Begun {
  readonly game: Game;
  /** By level, whether the floor allowed the chance that was wanted. */
  readonly reached: readonly boolean[];
}

/** Throws on a way that there is not. */
export function begun({ title, skill, way: id, implement, target, ageYears, floor }: BeginFrom): Begun {
  const way = wayById(id);
  if (!way) throw new Error(`There is no way to play “${id}”.`);
  const { from } = way;
  const inSkill = (task: Task): Task => (isLike(task.technique, skill) ? { ...task, technique: skill as Task['technique'] } : task);
  const asked = askedThing(way);
  const object = asked && target !== null && target !== asked ? target : undefined;
  const changed: Game = {
    ...from,
    title,
    aim: '',
    ageYears,
    kit: { ...from.kit, implement },
    parts: from.parts.map((part) => ({ ...part, stages: part.stages.map(inSkill) })),
    levels: from.levels.map(({ toBeat: _beaten, moveUpAt: _up, ...level }) => level),
  };
  const made = object ? withThing(changed, object) : changed;
  const game = floor ? withFloor(made, floor.widthM, floor.depthM) : made;
  if (!isAimed(game)) return { game, reached: game.levels.map(() => true) };
  const fromAge = from.ageYears ?? ageYears;
  const wanted = from.levels.map((_, index) => levelChance(from, index, fromAge));
  return game.levels.reduce<Begun>(
    (sum, _, index) => {
      const { places, reached } = solveLevel(sum.game, index, wanted[index]!, ageYears);
      return { game: withPlaces(sum.game, index, places), reached: [...sum.reached, reached] };
    },
    { game, reached: [] },
  );
}

/** Skills of one family are told apart by the movement alone: a throw by any hand, a ball along the ground. */
const isLike = (technique: string, skill: Skill): boolean =>
  technique !== skill && [THROWN, GROUND].some((family) => technique in family && skill in family) && technique !== 'lift';

/** Everything that is aimed at made of one thing, at every level. */
const withThing = (game: Game, object: AimedId): Game =>
  game.levels.reduce((next, _, index) => {
    const aimed = thingsOf(resolveLevel(next, index)).filter(({ kind }) => kind === 'target');
    return withObject(next, index, aimed, object);
  }, game);
