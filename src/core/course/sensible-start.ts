/** A game that is worth playing as it stands, from the skill and what is in the house. */
import { EASY_TO_ADD, withFairPoints } from '../levels/fair-points';
import { solveMarks } from '../levels/solve';
import { AIMED, type AimedId, type ImplementId } from '../objects/catalogue';
import { GAME_FORMAT } from '../rules/format/formats';
import type { Game, Spot } from '../rules/format/game';
import { partFromThrowRules, type ThrowRules } from '../rules/format/throw-rules';
import type { Technique } from '../motion/assumed';

export interface StartFrom {
  readonly title: string;
  readonly aim: string;
  readonly technique: Technique;
  readonly implement: ImplementId;
  readonly target: AimedId;
  readonly ageYears: number;
}

const LEVEL_NAMES = ['Paddle', 'Wade', 'Swim', 'Dive'] as const;

/** Wanted share of hits at the three levels of a new game: nearly always, more often than not, a real try. */
const START_CHANCES = [0.8, 0.6, 0.4] as const;
const TARGET: Spot = { xM: 5.3, yM: 1.8 };
/** Directions of the three marks from the target, degrees from straight left; and how much farther each is than the near one. */
const FAN = [
  { degrees: -32, far: 1 },
  { degrees: 0, far: 1.5 },
  { degrees: 22, far: 2.1 },
] as const;

export function sensibleStart(from: StartFrom): Game {
  const marks = FAN.map(({ degrees, far }) => ({
    xM: TARGET.xM - far * Math.cos((degrees * Math.PI) / 180),
    yM: TARGET.yM + far * Math.sin((degrees * Math.PI) / 180),
  }));
  const rules: ThrowRules = {
    technique: from.technique,
    order: 'free',
    implement: from.implement,
    target: from.target,
    values: [1, 2, 3],
    afterHit: 'choose',
    afterMiss: 'exercise',
    exercise: { what: 'tap your heels', n: 4 },
    stop: { kind: 'seconds', s: 90 },
    inFlight: 'released',
    tipped: AIMED[from.target].shape.kind === 'opening' ? 'nothing' : null,
  };
  const unsolved: Game = {
    format: GAME_FORMAT,
    title: from.title,
    aim: from.aim,
    kit: { implement: from.implement, marker: 'sock' },
    course: {
      floor: { widthM: 6.4, depthM: 3.6, surface: 'hard' },
      furniture: [],
      places: { mark: marks },
      targets: { aim: [{ ...TARGET, object: from.target, turnRad: 0, standM: 0 }] },
    },
    parts: [partFromThrowRules(rules)],
    card: { combine: 'sum', better: 'high' },
    sides: { n: 1, turn: 'none', lastTurnLevel: false },
    levels: START_CHANCES.map((_, index) => ({ id: `level-${index + 1}`, name: LEVEL_NAMES[index]!, set: { '/course/places/mark': marks } })),
  };
  const solved: Game = {
    ...unsolved,
    levels: unsolved.levels.map((level, index) => ({
      ...level,
      set: { '/course/places/mark': solveMarks(unsolved, index, START_CHANCES[index]!, from.ageYears).marks },
    })),
  };
  return withFairPoints(solved, 1, from.ageYears, EASY_TO_ADD) ?? solved;
}

/** The game with the marks of one level elsewhere. */
export function withMarks(game: Game, levelIndex: number, marks: readonly Spot[]): Game {
  const from = game.parts[0]!.stages[0]!.from!;
  return {
    ...game,
    levels: game.levels.map((level, index) =>
      index === levelIndex ? { ...level, set: { ...level.set, [`/course/places/${from}`]: marks } } : level,
    ),
  };
}
