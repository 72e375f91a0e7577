/** What a family is told: things to find, where to put them in the child's own steps, and what to take care of. */
import { placedMarks, targetFrom, type PlacedMark } from '../course/geometry';
import { placeName } from '../rules/telling/place-name';
import { stepPace, toParts, type Pace } from '../measure/lengths';
import { withLengths } from '../course/set-out';
import { AIMED, IMPLEMENTS, MARKERS, nameOf, outlineWidthM, type AimedId, type ImplementId } from '../objects/catalogue';
import { allUsed, usedAt } from '../rules/format/used';
import type { Game, PlacedTarget } from '../rules/format/game';
import { english } from '../words/english';
import type { Words } from '../words/words';

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

/** What one go needs, as "balls" and 3: for a list with totals. */
export const thingsNeeded = (game: Game, words = english): { readonly name: string; readonly n: number }[] =>
  [...usedIn(game, words), ...thingsOf(game, words)].map(({ name, n }) => ({
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

/** Things by what they are called, each with how many there are; those that are only to be hit are told apart. */
function counts(things: readonly PlacedTarget[]): readonly { readonly name: string; readonly n: number; readonly one: PlacedTarget }[] {
  const found = new Map<string, { name: string; n: number; one: PlacedTarget }>();
  for (const one of things) {
    const name = nameOf(one);
    const key = `${name} ${one.aim ?? ''}`;
    found.set(key, { name, n: (found.get(key)?.n ?? 0) + 1, one });
  }
  return [...found.values()];
}

const targetsOf = (game: Game) => Object.values(game.course.targets).flat();
const capital = (name: string, { tag }: Words) => name.charAt(0).toLocaleUpperCase(tag) + name.slice(1);
const numbered = (name: string, n: number, words: Words) => words.i18n.t('{n} {thing}', { n, ...words.forms('thing', name, n) });

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
      targetsOf(game)
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
    ...counts(targetsOf(game)).map(({ name, n, one }) => ({
      name,
      n,
      hint: `${wide(name) === '' ? '' : `${words.i18n.t('About {width} wide.', { width: wide(name) })} `}${hint(one)}`,
    })),
    ...counts(game.course.obstacles ?? []).map(({ name, n, one }) => ({ name, n, hint: hint(one) })),
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

function directionsOf(game: Game, marks: readonly PlacedMark[], places: readonly PacedPlace[], pace: Pace, words: Words): string[] {
  const { i18n, forms } = words;
  const walking = pace.one === 'step';
  const targets = targetsOf(game);
  const marker = forms('marker', game.kit.marker);
  const single = targets.length === 1 ? nameOf(targets[0]!) : undefined;
  // By how high they stand, each height once.
  const raised = [...new Set(targets.map(({ standM }) => standM))]
    .filter((standM) => standM > 0)
    .map((standM) =>
      i18n.t('{things}: {cm} cm up, on a chair or a table.', {
        things: counts(targets.filter((one) => one.standM === standM))
          .map(({ name, n }) => numbered(name, n, words))
          .join(', '),
        cm: Math.round(standM * 100),
      }),
    );
  const set =
    single && targets[0]!.standM === 0
      ? [i18n.t('Put the {thing} on the floor with clear space all round.', { ...forms('thing', single) })]
      : targets.length > 1 || single
        ? [
            i18n.t('Set out {things} as in the drawing.', {
              things: counts(targets)
                .map(({ name, n }) => numbered(name, n, words))
                .join(', '),
            }),
          ]
        : [];
  const way = (game.course.obstacles ?? []).length > 0 ? [i18n.t('Put what stands in the way where the drawing shows it.')] : [];
  const wayTo = (mark: PlacedMark, steps: string): string => {
    if (!mark.towards) return '';
    if (targets.length === 0) return walking ? i18n.t('Walk {steps}.', { steps }) : i18n.t('Measure {steps}.', { steps });
    const from = { ...forms('thing', nameOf(targetFrom(game, mark.group, mark.spot)!)), steps };
    if (single) return walking ? i18n.t('Walk {steps} away from it.', from) : i18n.t('Measure {steps} away from it.', from);
    return walking ? i18n.t('Walk {steps} away from the {thing}.', from) : i18n.t('Measure {steps} away from the {thing}.', from);
  };
  const walks = places.map((place, index) => {
    const mark = marks[index]!;
    const { name, steps } = place;
    const { box } = mark.spot;
    if (box) {
      const away = targets.length === 0 && index === 0 ? '' : wayTo(mark, steps);
      const told = { wide: toParts(box.widthM, pace, words).words, deep: toParts(box.depthM, pace, words).words };
      return [
        ...(away === ''
          ? [i18n.t('Lay out a box, {wide} by {deep}.', told)]
          : [away, i18n.t('That is the middle of a box, {wide} by {deep}.', told)]),
        name === ''
          ? i18n.t('Put {marker_a} on each corner.', marker)
          : i18n.t('Put {marker_a} on each corner: {place}.', { ...marker, place: name }),
        i18n.t('Stand anywhere in it.'),
      ].join(' ');
    }
    if (!mark.towards) return i18n.t('Put {marker_a} there: the {place} mark', { ...marker, place: name });
    if (targets.length === 0 && index === 0) return i18n.t('Put {marker_a} down: {place}.', { ...marker, place: name || i18n.t('the start') });
    if (targets.length === 0) return `${wayTo(mark, steps)} ${i18n.t('{place}: {marker_a}.', { ...marker, place: capital(name, words) })}`;
    const away = wayTo(mark, steps);
    if (name === '') return `${away} ${i18n.t('Put {marker_a} there.', marker)}`;
    const numberedMark = name === placeName(mark.index, Number.POSITIVE_INFINITY, words);
    const called =
      places.length === 1
        ? i18n.t('Put the {marker} there.', marker)
        : numberedMark
          ? i18n.t('Put {marker_a} there: {place}.', { ...marker, place: name })
          : i18n.t('Put {marker_a} there: the {place} mark.', { ...marker, place: name });
    return `${away} ${called}`;
  });
  return [...set, ...raised, ...way, ...walks];
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
  const objects = [...new Set([...targetsOf(game), ...(game.course.obstacles ?? [])].map((one) => one.object))];
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
