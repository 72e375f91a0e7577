import { sensibleStart, withMarks } from '@/core/course/sensible-start';
import { solveMarks } from '@/core/levels/solve';
import type { Game } from '@/core/rules/format/game';
import { readThrowRules, withThrowRules, type ThrowRules } from '@/core/rules/format/throw-rules';

/** The games on the demo school's shelf, all of our own invention. */
export interface DemoGame {
  readonly key: string;
  readonly ageYears: number;
  readonly game: Game;
}

/** The school's own points: nobody has pressed for fair ones yet. */
const POINTS = [2, 3, 5];

function made(game: Game, change: Partial<ThrowRules>): Game {
  return withThrowRules(game, { ...readThrowRules(game)!, values: POINTS, ...change });
}

function solved(game: Game, ageYears: number, chances: readonly number[]): Game {
  return chances.reduce((next, chance, index) => withMarks(next, index, solveMarks(next, index, chance, ageYears).marks), game);
}

/** On a floor with a settee along one wall and a door in another. */
function inARoom(game: Game): Game {
  const { course } = game;
  return {
    ...game,
    course: {
      ...course,
      furniture: [{ name: 'settee', kind: 'soft', xM: 0.2, yM: 0.1, widthM: 1.8, depthM: 0.75 }],
      doors: [{ side: 'top', atM: 3, widthM: 0.8 }],
    },
  };
}

export function demoGames(): readonly DemoGame[] {
  const lantern = sensibleStart({
    title: 'Lantern Quay',
    aim: 'Light as many lanterns as you can',
    technique: 'underarm',
    implement: 'sock-ball',
    target: 'box',
    ageYears: 8,
  });
  const kelp = sensibleStart({
    title: 'Kelp Kettle',
    aim: 'Feed the kettle with kelp',
    technique: 'underarm',
    implement: 'sock-ball',
    target: 'laundry-basket',
    ageYears: 8,
  });
  const heron = sensibleStart({
    title: "The Heron's Breakfast",
    aim: 'Help the heron catch its fish',
    technique: 'overarm',
    implement: 'sock-ball',
    target: 'kitchen-roll',
    ageYears: 8,
  });
  const pebble = sensibleStart({
    title: 'Pebble Post',
    aim: 'Post your pebbles into the pier',
    technique: 'underarm',
    implement: 'sock-ball',
    target: 'laundry-basket',
    ageYears: 6,
  });
  const gull = sensibleStart({
    title: "Gull's Nest",
    aim: 'Bring the eggs home to the nest',
    technique: 'underarm',
    implement: 'foil-ball',
    target: 'mixing-bowl',
    ageYears: 6,
  });
  return [
    { key: 'lantern', ageYears: 8, game: made(inARoom(lantern), { exercise: { what: 'tap your heels', n: 6 } }) },
    { key: 'kelp', ageYears: 8, game: made(kelp, { order: 'fixed', afterHit: 'next', afterMiss: 'again', stop: { kind: 'seconds', s: 120 } }) },
    {
      key: 'heron',
      ageYears: 8,
      game: solved(made(heron, { values: [2, 3, 4], afterMiss: 'again', stop: { kind: 'attempts', n: 12 } }), 8, [0.5, 0.35, 0.25]),
    },
    { key: 'pebble', ageYears: 6, game: made(pebble, { afterMiss: 'again', stop: { kind: 'seconds', s: 60 } }) },
    {
      key: 'gull',
      ageYears: 6,
      game: solved(made(gull, { order: 'fixed', afterHit: 'next', afterMiss: 'back', stop: { kind: 'attempts', n: 10 } }), 6, [0.6, 0.45, 0.3]),
    },
  ];
}
