/** What a family is told: things to find, where to put them in the child's own steps, and what to take care of. */
import { placedMarks, targetFrom, type PlacedMark } from '../course/geometry';
import { placeName } from '../rules/place-name';
import { stepPace, toParts, type Pace } from '../measure/lengths';
import { withLengths } from '../course/set-out';
import { AIMED, IMPLEMENTS, MARKERS, nameOf, outlineWidthM, type AimedId } from '../objects/catalogue';
import type { Game, PlacedTarget } from '../rules/game';

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

const many = (words: string) => (words.endsWith('s') ? words : /(x|ch|sh)$/.test(words) ? `${words}es` : `${words}s`);

const paceOf = (by: number | Pace): Pace => (typeof by === 'number' ? stepPace(by) : by);

/** The set-up of a game resolved to one level, measured out in this pace: for a number, a child's steps of so many metres. */
export function setUpFor(game: Game, by: number | Pace): SetUp {
  const pace = paceOf(by);
  const ball = IMPLEMENTS[game.kit.implement];
  const marks = placedMarks(game);
  const places = marks.map((mark): PacedPlace => {
    const paced = toParts(mark.lengthM, pace);
    return {
      name: nameOfMark(game, mark),
      steps: paced.words,
      stepsFigure: paced.figure,
      lengthM: paced.lengthM,
      designM: mark.lengthM,
    };
  });
  return {
    things: [{ name: `1 ${ball.name}`, hint: ball.makeIt }, ...thingsOf(game, places.length)],
    places,
    directions: directionsOf(game, marks, places, pace),
    cautions: cautionsFor(game),
  };
}

/** "far", "coat on", "mark 3": what the child calls the place. */
function nameOfMark(game: Game, mark: PlacedMark): string {
  const label = game.parts.map((part) => part.groups[mark.group]?.labels?.[mark.index]).find((one) => one !== undefined);
  return label ?? placeName(mark.index, mark.of);
}

/** Things by what they are called, each with how many there are. */
function counts(things: readonly PlacedTarget[]): readonly { readonly name: string; readonly n: number; readonly one: PlacedTarget }[] {
  const found = new Map<string, { name: string; n: number; one: PlacedTarget }>();
  for (const one of things) {
    const name = nameOf(one);
    found.set(name, { name, n: (found.get(name)?.n ?? 0) + 1, one });
  }
  return [...found.values()];
}

const targetsOf = (game: Game) => Object.values(game.course.targets).flat();
const numbered = (name: string, n: number) => `${n} ${n > 1 ? many(name) : name}`;

function thingsOf(game: Game, places: number): { name: string; hint: string }[] {
  const substitutes = (object: AimedId) => `Or use a ${AIMED[object].substitutes.map((id) => AIMED[id].name).join(' or a ')}.`;
  const { marker } = game.kit;
  const wide = (name: string) => {
    const widths = new Set(
      targetsOf(game)
        .filter((one) => nameOf(one) === name)
        .map((one) => one.widthM ?? (one.own && outlineWidthM(one.own.shape))),
    );
    return [...widths].flatMap((width) => (width === undefined ? [] : [`${Math.round(width * 100)} cm`])).join(' and ');
  };
  const hint = (one: PlacedTarget) => (one.own ? substitutes(one.object) : (AIMED[one.object].makeIt ?? substitutes(one.object)));
  return [
    ...counts(targetsOf(game)).map(({ name, n, one }) => ({
      name: numbered(name, n),
      hint: `${wide(name) === '' ? '' : `About ${wide(name)} wide. `}${hint(one)}`,
    })),
    ...counts(game.course.obstacles ?? []).map(({ name, n, one }) => ({ name: numbered(name, n), hint: hint(one) })),
    ...(places > 0
      ? [{ name: `${places} ${places > 1 ? many(marker) : marker}`, hint: places > 1 ? 'They mark where you stand.' : 'It marks where you stand.' }]
      : []),
  ];
}

function directionsOf(game: Game, marks: readonly PlacedMark[], places: readonly PacedPlace[], pace: Pace): string[] {
  const go = pace.one === 'step' ? 'Walk' : 'Measure';
  const targets = targetsOf(game);
  const { marker } = game.kit;
  const single = targets.length === 1 ? nameOf(targets[0]!) : undefined;
  const set = single
    ? [`Put the ${single} on the floor with clear space all round.`]
    : targets.length > 1
      ? [
          `Set out ${counts(targets)
            .map(({ name, n }) => numbered(name, n))
            .join(', ')} as in the drawing.`,
        ]
      : [];
  const way = (game.course.obstacles ?? []).length > 0 ? ['Put what stands in the way where the drawing shows it.'] : [];
  const walks = places.map((place, index) => {
    const mark = marks[index]!;
    if (!mark.towards) return `Put a ${marker} there: the ${place.name} mark`;
    if (targets.length === 0)
      return index === 0 ? `Put a ${marker} down: ${place.name || 'the start'}.` : `${go} ${place.steps}. ${place.name}: a ${marker}.`;
    const from = single ? 'it' : nameOf(targetFrom(game, mark.group, mark.spot)!);
    const called =
      places.length > 1 ? `Put a ${marker} there: ${/^mark /.test(place.name) ? place.name : `the ${place.name} mark`}.` : `Put the ${marker} there.`;
    return `${go} ${place.steps} away from ${single ? 'it' : `the ${from}`}. ${called}`;
  });
  return [...set, ...way, ...walks];
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
export function cautionsFor(game: Game): readonly string[] {
  const objects = [...new Set([...targetsOf(game), ...(game.course.obstacles ?? [])].map((one) => one.object))];
  const marker = MARKERS.find((one) => one.name === game.kit.marker);
  const ofThings = [
    ...new Set(
      [IMPLEMENTS[game.kit.implement].caution, ...objects.map((object) => AIMED[object].caution), marker?.caution].filter(
        (caution) => caution !== undefined,
      ),
    ),
  ];
  return [
    'An adult agrees to the place and the things first.',
    'Clear the floor. Nothing breakable, hot, sharp or full within reach of the ball.',
    'Look before you throw: nobody between you and the target.',
    game.course.floor.surface === 'hard' ? 'Bare or grippy feet on a hard floor, not socks.' : 'Shoes that grip. Keep well away from any road.',
    ...ofThings,
    ...(game.teaching?.cautions ?? []),
    'Keep marks flat. Stop if it hurts; rest and drink water. Swap any exercise for one that suits you.',
    "Follow your school's and your national guidance; the adult with you decides.",
  ];
}
