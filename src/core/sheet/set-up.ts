/** What a family is told: things to find, where to put them in the child's own steps, and what to take care of. */
import { placedMarks, type PlacedMark } from '../course/geometry';
import { placeName } from '../rules/telling/place-name';
import { stepPace, toParts, type Pace } from '../measure/lengths';
import { withLengths } from '../course/set-out';
import { AIMED, IMPLEMENTS, MARKERS, nameOf, outlineWidthM, type AimedId, type ImplementId } from '../objects/catalogue';
import { allUsed, usedAt } from '../rules/format/used';
import type { Game, PlacedTarget } from '../rules/format/game';
import { english } from '../words/english';
import type { Words } from '../words/words';
import { allTargets, countsByName, numbered } from './counted-things';
import { directionsOf } from './directions';

export interface PacedPlace {
  readonly name: string;
  /** "3½ steps", or in sheets or towels, and the figure alone. */
  readonly steps: string;
  readonly stepsFigure: string;
  /** What the paces come to, metres. */
  readonly lengthM: number;
  /** What the design asks for, metres. */
  readonly designM: number;
}

export interface SetUp {
  readonly things: readonly { readonly name: string; readonly hint: string }[];
  readonly places: readonly PacedPlace[];
  readonly directions: readonly string[];
  readonly cautions: readonly string[];
}

const paceOf = (by: number | Pace): Pace => (typeof by === 'number' ? stepPace(by) : by);

/** The set-up of a game resolved to one level, measured out in this pace: for a number, a child's steps of so many metres. */
export function setUpFor(game: Game, by: number | Pace, words = english): SetUp {
  const pace = paceOf(by);
  const marks = placedMarks(game);
  const places = marks.map((mark): PacedPlace => {
    const paced = toParts(mark.lengthM, pace, words);
    return {
      name: nameOfMark(game, mark, words),
      steps: paced.words,
      stepsFigure: paced.figure,
      lengthM: paced.lengthM,
      designM: mark.lengthM,
    };
  });
  return {
    things: [...usedIn(game, words), ...thingsOf(game, words)].map(({ name, n, hint }) => ({
      name: numbered(name, n, words),
      hint,
    })),
    places,
    directions: directionsOf(game, marks, places, pace, words),
    cautions: cautionsFor(game, words),
  };
}

/** What one go needs by the name of one of each: a thing is then the same thing, however many of it a game needs. */
export const thingsCounted = (game: Game, words = english): { readonly name: string; readonly n: number }[] =>
  [...usedIn(game, words), ...thingsOf(game, words)].map(({ name, n }) => ({ name, n }));

/** The same as "balls" and 3: for a list with totals. */
export const thingsNeeded = (game: Game, words = english): { readonly name: string; readonly n: number }[] =>
  thingsCounted(game, words).map(({ name, n }) => ({
    name: words.noun(name, n),
    n,
  }));

/** What is played with, as many as the rules count, and what the stations need besides: only what is really used. */
function usedIn(game: Game, words: Words): { name: string; n: number; hint: string }[] {
  const groupsOf = (id: ImplementId) =>
    game.parts.flatMap(({ stages, groups }) =>
      stages.flatMap((stage) =>
        usedAt(game, stage) === id
          ? [stage.from, stage.at].flatMap((group) => (group !== undefined && groups[group]!.kind === 'implement' ? groups[group]!.n : []))
          : [],
      ),
    );
  const played = allUsed(game).map((id) => ({ name: IMPLEMENTS[id].name, n: Math.max(1, ...groupsOf(id)), hint: words.own(IMPLEMENTS[id].makeIt) }));
  const needs = new Map<string, number>();
  for (const { name, n } of game.parts.flatMap((part) => part.needs ?? [])) needs.set(name, Math.max(n, needs.get(name) ?? 0));
  const more = [...needs].filter(([name]) => played.every((one) => one.name !== name)).map(([name, n]) => ({ name, n, hint: '' }));
  return [...played.map((one) => ({ ...one, n: Math.max(one.n, needs.get(one.name) ?? 0) })), ...more];
}

/** "far", "coat on", "mark 3": what the child calls the place. */
function nameOfMark(game: Game, mark: PlacedMark, words: Words): string {
  const label = game.parts.map((part) => part.groups[mark.group]?.labels?.[mark.index]).find((one) => one !== undefined);
  return label === undefined ? placeName(mark.index, mark.of, words) : words.own(label);
}

/** One thing marks a point, four the corners of a box. */
const markersOf = (game: Game): number =>
  Object.values(game.course.places)
    .flat()
    .reduce((sum, { box }) => sum + (box ? 4 : 1), 0);

function thingsOf(game: Game, words: Words): { name: string; n: number; hint: string }[] {
  const substitutes = (object: AimedId) =>
    words.i18n.t('Or use {things}.', {
      things: AIMED[object].substitutes
        .map((id) => words.i18n.t('{thing_a}', { ...words.forms('thing', AIMED[id].name) }))
        .join(words.i18n.t(' or ')),
    });
  const { marker } = game.kit;
  const markers = markersOf(game);
  const wide = (name: string) => {
    const widths = new Set(
      allTargets(game)
        .filter((one) => nameOf(one) === name)
        .map((one) => one.widthM ?? (one.own && outlineWidthM(one.own.shape))),
    );
    return [...widths].flatMap((width) => (width === undefined ? [] : [`${Math.round(width * 100)} cm`])).join(words.i18n.t(' and '));
  };
  const hint = ({ own, object, aim }: PlacedTarget) => {
    const { makeIt } = AIMED[object];
    const made = own || makeIt === undefined ? substitutes(object) : words.own(makeIt);
    return aim === 'hit' ? `${words.i18n.t('To hit it is enough.')} ${made}` : made;
  };
  return [
    ...countsByName(allTargets(game)).map(({ name, n, one }) => ({
      name,
      n,
      hint: `${wide(name) === '' ? '' : `${words.i18n.t('About {width} wide.', { width: wide(name) })} `}${hint(one)}`,
    })),
    ...countsByName(game.course.obstacles ?? []).map(({ name, n, one }) => ({ name, n, hint: hint(one) })),
    ...(markers > 0
      ? [
          {
            name: marker,
            n: markers,
            hint: markers > 1 ? words.i18n.t('They mark where you stand.') : words.i18n.t('It marks where you stand.'),
          },
        ]
      : []),
  ];
}

/** The game with its places where the paces really put them. */
export function pacedGame(game: Game, by: number | Pace): Game {
  const pace = paceOf(by);
  return withLengths(
    game,
    placedMarks(game).flatMap(({ group, index, towards, lengthM }) =>
      towards && lengthM > 0 ? [{ group, index, lengthM: toParts(lengthM, pace).lengthM }] : [],
    ),
  );
}

/** Cautions that go with every game, then those of its things. Defers to school, national guidance and the adult present. */
export function cautionsFor(game: Game, words = english): readonly string[] {
  const objects = [...new Set([...allTargets(game), ...(game.course.obstacles ?? [])].map((one) => one.object))];
  const marker = MARKERS.find((one) => one.name === game.kit.marker);
  const used = allUsed(game);
  const techniques = new Set<string>(game.parts.flatMap(({ stages }) => stages.map(({ technique }) => technique)));
  const some = (...of: readonly string[]) => of.some((technique) => techniques.has(technique));
  const ofThings = [
    ...new Set(
      [...used.map((id) => IMPLEMENTS[id].caution), ...objects.map((object) => AIMED[object].caution), marker?.caution].filter(
        (caution) => caution !== undefined,
      ),
    ),
  ];
  return [
    /*i18n*/ 'An adult agrees to the place and the things first.',
    used.length > 0
      ? /*i18n*/ 'Clear the floor. Nothing breakable, hot, sharp or full within reach of what flies or rolls.'
      : /*i18n*/ 'Clear the floor. Nothing breakable, hot, sharp or full near by.',
    ...(some('underarm', 'overarm', 'set-shot', 'lift') ? [/*i18n*/ 'Look before you throw: nobody between you and the target.'] : []),
    ...(some('kick') ? [/*i18n*/ 'Look before you kick: nobody in the way of the ball.'] : []),
    ...(some('roll') ? [/*i18n*/ 'Look before you roll it: nobody in its way.'] : []),
    ...(some('move') ? [/*i18n*/ 'Look where you go: nothing to trip over, nobody in the way.'] : []),
    game.course.floor.surface === 'hard'
      ? /*i18n*/ 'Bare or grippy feet on a hard floor, not socks.'
      : /*i18n*/ 'Shoes that grip. Keep well away from any road.',
    ...ofThings,
    ...(game.teaching?.cautions ?? []),
    /*i18n*/ 'Keep marks flat. Stop if it hurts; rest and drink water. Swap any exercise for one that suits you.',
    /*i18n*/ "Follow your school's and your national guidance; the adult with you decides.",
  ].map((caution) => words.own(caution));
}
