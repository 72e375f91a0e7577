/** What a family is told: things to find, where to put them in the child's own steps, and what to take care of. */
import { distancesOf, targetOf } from '../course/geometry';
import { placeName } from '../rules/sentences';
import { saySteps, toHalfSteps, writeHalfSteps } from '../measure/lengths';
import { AIMED, IMPLEMENTS } from '../objects/catalogue';
import type { Game, Spot } from '../rules/game';
import { marksOf, spotTowards } from '../course/geometry';

export interface PacedPlace {
  readonly name: string;
  readonly halfSteps: number;
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

/** The set-up of a game resolved to one level, for a child whose steps are this long. */
export function setUpFor(game: Game, stepM: number): SetUp {
  const target = targetOf(game);
  const ball = IMPLEMENTS[game.kit.implement];
  const aimed = target ? AIMED[target.object] : undefined;
  const distances = distancesOf(game);
  const places = distances.map((designM, index): PacedPlace => {
    const paced = toHalfSteps(designM, stepM);
    return {
      name: placeName(index, distances.length),
      halfSteps: paced.halfSteps,
      steps: saySteps(paced.halfSteps),
      stepsFigure: writeHalfSteps(paced.halfSteps),
      lengthM: paced.lengthM,
      designM,
    };
  });
  const marker = game.kit.marker;
  const many = places.length > 1;
  return {
    things: [
      { name: `1 ${ball.name}`, hint: ball.makeIt },
      ...(aimed ? [{ name: `1 ${aimed.name}`, hint: `Or use a ${aimed.substitutes.map((id) => AIMED[id].name).join(' or a ')}.` }] : []),
      {
        name: `${places.length} ${marker}${many && !marker.endsWith('s') ? 's' : ''}`,
        hint: many ? 'They mark where you stand.' : 'It marks where you stand.',
      },
    ],
    places,
    directions: [
      ...(aimed ? [`Put the ${aimed.name} on the floor with clear space all round.`] : []),
      ...places.map(
        (place) => `Walk ${place.steps} away from it. Put ${many ? `a ${marker} there: the ${place.name} mark` : `the ${marker} there`}.`,
      ),
    ],
    cautions: cautionsFor(game),
  };
}

/** The game with its marks where the child's paces really put them. */
export function pacedGame(game: Game, stepM: number): Game {
  const target = targetOf(game);
  const from = game.parts[0]!.tasks[0]!.from;
  if (!target || from === undefined) return game;
  const marks = marksOf(game).map((mark, index): Spot => spotTowards(target, mark, setUpFor(game, stepM).places[index]!.lengthM));
  return { ...game, course: { ...game.course, places: { ...game.course.places, [from]: marks } } };
}

/** Cautions that go with every game, then those of its things. Defers to school, national guidance and the adult present. */
export function cautionsFor(game: Game): readonly string[] {
  const target = targetOf(game);
  const ofThings = [IMPLEMENTS[game.kit.implement].caution, target ? AIMED[target.object].caution : undefined].filter(
    (caution) => caution !== undefined,
  );
  return [
    'An adult agrees to the place and the things first.',
    'Clear the floor. Nothing breakable, hot, sharp or full within reach of the ball.',
    'Look before you throw: nobody between you and the target.',
    game.course.floor.surface === 'hard' ? 'Bare or grippy feet on a hard floor, not socks.' : 'Shoes that grip. Keep well away from any road.',
    ...ofThings,
    'Keep marks flat. Stop if it hurts; rest and drink water. Swap any exercise for one that suits you.',
    "Follow your school's and your national guidance; the adult with you decides.",
  ];
}
