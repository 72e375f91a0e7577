/** Works out the forms in which a child may play at home, one lever at a time, and for each the equal set-ups of other homes. */
import { placedMarks, spotTowards } from '../course/geometry';
import { setOut, withTargetObject } from '../course/set-out';
import { throwerWith, type Thrower } from '../motion/release';
import type { OfClass } from '../progress/by-family';
import { AIMED, AIMED_IDS, type AimedId } from '../objects/catalogue';
import type { Game } from '../rules/format/game';
import { levelById } from '../rules/format/level';
import type { FormChange, HomeForm, ReadyThing, Towards } from '../sheet/home-form';
import { aimedPlaces, chanceFrom, lengthFor, LIKE_TOLERANCE, nearestTarget } from './solve';

/** How much easier or harder one lever makes it: about so much more or less chance. */
const EASIER = 0.2;
const HARDER = -0.15;
/** A thing makes it easier or harder when the chance differs by at least this, and not by more than that. */
const THING_DIFFERS = [0.08, 0.4] as const;
const LEAST_CHANCE = 0.08;
const MOST_CHANCE = 0.95;
/** With more places than this nothing stands in for the thing: nobody moves so many marks, and working it out would keep others waiting. */
const MANY_PLACES = 8;

/** The things of a level that are aimed at, when they are all of one kind and no set of pins; else undefined: they are not changed. */
function oneThing(level: Game): AimedId | undefined {
  const groups = new Set(aimedPlaces(level).map((place) => place.at));
  const objects = new Set(Object.values(level.course.targets).flatMap((list) => list.map((target) => target.object)));
  const felled = level.parts.some((part) => part.stages.some((task) => task.see === 'felled'));
  const own = Object.values(level.course.targets).some((list) => list.some((target) => target.own || target.widthM !== undefined));
  return groups.size > 0 && objects.size === 1 && !felled && !own ? [...objects][0] : undefined;
}

function meanChance(level: Game, thrower: Thrower): number {
  const places = aimedPlaces(level);
  return places.reduce((sum, place) => sum + chanceFrom(level, place, place.spot, thrower), 0) / Math.max(1, places.length);
}

/** The equal set-ups of a level: with its own thing, and with what may stand in for it. */
export function readyThings(level: Game, thrower: Thrower): readonly ReadyThing[] {
  const places = aimedPlaces(level);
  if (places.length === 0) return [];
  const asked = oneThing(level);
  const marks = placedMarks(level);
  const standIns = asked === undefined || places.length > MANY_PLACES ? [] : AIMED[asked].substitutes;
  return [asked ?? null, ...standIns].flatMap((object, at): ReadyThing[] => {
    const own = at === 0;
    const game = own || object === null ? level : withTargetObject(level, object);
    const lengths = marks.map(({ group, index, lengthM }) => {
      const place = places.find((one) => one.group === group && one.index === index);
      if (!place) return { at: lengthM, least: lengthM, most: lengthM, reached: true };
      const target = nearestTarget(level, place);
      const wanted = chanceFrom(level, place, place.spot, thrower);
      const chanceAt = (length: number) => chanceFrom(game, place, spotTowards(target, place.spot, length), thrower);
      const at = own ? lengthM : lengthFor(wanted, chanceAt);
      const equal = { lengthM: at, chance: wanted };
      return {
        at,
        least: Math.min(at, lengthFor(Math.min(0.995, wanted + LIKE_TOLERANCE), chanceAt, undefined, { within: equal })),
        most: Math.max(at, lengthFor(Math.max(0.005, wanted - LIKE_TOLERANCE), chanceAt, undefined, { beyond: equal })),
        reached: own || Math.abs(chanceAt(at) - wanted) <= LIKE_TOLERANCE,
      };
    });
    // With a thing that can never be as easy (or as hard) as was asked, there is no equal set-up.
    if (!lengths.every(({ reached }) => reached)) return [];
    return [{ object, lengthsM: lengths.map(({ at }) => at), leastM: lengths.map(({ least }) => least), mostM: lengths.map(({ most }) => most) }];
  });
}

/** All marks nearer or farther until each has so much more or less chance; undefined where that cannot be. */
function moved(level: Game, thrower: Thrower, by: number): Game | undefined {
  const places = aimedPlaces(level);
  const lengths = placedMarks(level).map(({ group, index, lengthM }) => {
    const place = places.find((one) => one.group === group && one.index === index);
    if (!place) return lengthM;
    const target = nearestTarget(level, place);
    const chanceAt = (length: number) => chanceFrom(level, place, spotTowards(target, place.spot, length), thrower);
    return lengthFor(Math.min(MOST_CHANCE, Math.max(LEAST_CHANCE, chanceAt(lengthM) + by)), chanceAt);
  });
  const there = setOut(level, null, lengths);
  const change = meanChance(there, thrower) - meanChance(level, thrower);
  return Math.sign(change) === Math.sign(by) && Math.abs(change) >= Math.abs(by) / 2 ? there : undefined;
}

/** Another thing at the same marks that makes it easier (or harder), the nearest to what is wanted; undefined where there is none. */
function otherThing(level: Game, thrower: Thrower, by: number): { object: AimedId; game: Game } | undefined {
  const asked = oneThing(level);
  if (asked === undefined) return undefined;
  const now = meanChance(level, thrower);
  return AIMED_IDS.filter((object) => object !== asked && AIMED[object].shape.kind === AIMED[asked].shape.kind)
    .map((object) => {
      const game = withTargetObject(level, object);
      return { object, game, change: meanChance(game, thrower) - now };
    })
    .filter(({ change }) => Math.sign(change) === Math.sign(by) && Math.abs(change) >= THING_DIFFERS[0] && Math.abs(change) <= THING_DIFFERS[1])
    .sort((one, other) => Math.abs(one.change - by) - Math.abs(other.change - by))[0];
}

export interface FormsAsk {
  readonly game: Game;
  readonly levelId: string;
  readonly ageYears: number;
  /** The child's own form; a level may ask for another. */
  readonly form: NonNullable<Thrower['form']>;
  /** What tells the class from its age, by its reports. */
  readonly of?: OfClass;
  /** The level with its marks where the child's paces put them. */
  readonly paced: (level: Game) => Game;
  /** Likely median of the level that is asked, worked out already; null where it is not forecast. */
  readonly askedPar: number | null;
  /** The same of another level as it is set out. */
  readonly parOf: (level: Game) => number | null;
}

/** Every form that a child is offered: as asked first, then what is easier, then what is harder. */
export function homeForms({ game, levelId, ageYears, form, of = {}, paced, askedPar, parOf }: FormsAsk): readonly HomeForm[] {
  const asked = paced(levelById(game, levelId));
  const throwerOf = (level: Game): Thrower => throwerWith(level.kit, { ...of, ageYears, form });
  const thrower = throwerOf(asked);
  const askedIndex = game.levels.findIndex((level) => level.id === levelId);
  const made = (
    id: string,
    change: FormChange,
    towards: Towards,
    level: Game,
    atLevel = levelId,
    otherHand = level.kit.hand === 'other',
  ): HomeForm => ({
    id,
    change,
    towards,
    levelId: atLevel,
    otherHand,
    things: readyThings(level, otherHand === (level.kit.hand === 'other') ? throwerOf(level) : { ...throwerOf(level), otherHand }),
    par: change.kind === 'as-asked' ? askedPar : change.kind === 'level' ? parOf(level) : null,
  });
  const levels = game.levels.flatMap((level, index) =>
    index === askedIndex
      ? []
      : [made(`level ${level.id}`, { kind: 'level' }, index < askedIndex ? 'easier' : 'harder', paced(levelById(game, level.id)), level.id)],
  );
  const forms = [made('asked', { kind: 'as-asked' }, 'as-asked', asked)];
  if (aimedPlaces(asked).length > 0) {
    const nearer = moved(asked, thrower, EASIER);
    const farther = moved(asked, thrower, HARDER);
    const bigger = otherThing(asked, thrower, EASIER);
    const smaller = otherThing(asked, thrower, HARDER);
    if (nearer) forms.push(made('nearer', { kind: 'nearer' }, 'easier', nearer));
    if (bigger) forms.push(made('bigger', { kind: 'bigger', object: bigger.object }, 'easier', bigger.game));
    if (farther) forms.push(made('farther', { kind: 'farther' }, 'harder', farther));
    if (smaller) forms.push(made('smaller', { kind: 'smaller', object: smaller.object }, 'harder', smaller.game));
    if (asked.kit.hand !== 'other') forms.push(made('other-hand', { kind: 'other-hand' }, 'harder', asked, levelId, true));
  }
  return [...forms, ...levels];
}
