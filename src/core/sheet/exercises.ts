/** Exercises as two drawn poses, found by the words that a teacher writes for them. Drawn by us; no published source. */
import { frame, limb, type Frame } from './movements';

export type ExerciseId = 'jump' | 'heels' | 'march' | 'squat' | 'clap' | 'stretch' | 'arms' | 'toes' | 'hop' | 'shake' | 'balance' | 'rest' | 'steps';

const FREE = [9, 9] as const;
const up = limb(0, 0);

/** Two poses to go to and fro between. */
export const EXERCISES: Readonly<Record<ExerciseId, readonly [Frame, Frame]>> = {
  jump: [
    frame(0, 0, limb(12, 12), limb(-12, -12), limb(4, 4), limb(-4, -4), FREE),
    frame(0, 0, limb(140, 140), limb(-140, -140), limb(28, 28), limb(-28, -28), FREE),
  ],
  heels: [
    frame(0.02, 10, limb(-20, -10), limb(20, 30), limb(-10, -110), up, FREE),
    frame(0.02, 10, limb(20, 30), limb(-20, -10), up, limb(-10, -110), FREE),
  ],
  march: [frame(0, 0, limb(-25, 40), limb(30, 100), limb(75, -5), up, FREE), frame(0, 0, limb(30, 100), limb(-25, 40), up, limb(75, -5), FREE)],
  squat: [frame(0, 0, limb(15, 20), limb(12, 18), up, up, FREE), frame(0.42, 34, limb(70, 80), limb(66, 76), limb(88, -28), limb(84, -32), FREE)],
  clap: [frame(0, 0, limb(70, 70), limb(-70, -70), up, up, FREE), frame(0, 0, limb(165, 195), limb(-165, -195), up, up, FREE)],
  stretch: [frame(0, 0, limb(172, 172), limb(-172, -172), up, up, FREE), frame(0.06, 88, limb(8, 8), limb(2, 2), limb(6, 0), limb(2, -4), FREE)],
  arms: [frame(0, 0, limb(95, 95), limb(-95, -95), up, up, FREE), frame(0, 0, limb(150, 150), limb(-40, -40), up, up, FREE)],
  toes: [
    frame(0.03, 8, limb(-15, 0), limb(20, 30), limb(62, 6), up, [0.5, 0.18]),
    frame(0.03, 8, limb(20, 30), limb(-15, 0), up, limb(62, 6), [0.5, 0.18]),
  ],
  hop: [
    frame(0.12, 12, limb(-30, -20), limb(-20, -10), limb(30, -30), limb(20, -80), FREE),
    frame(0, 0, limb(60, 80), limb(50, 70), limb(-4, -10), limb(10, -95), FREE),
  ],
  shake: [
    frame(0.04, 4, limb(35, 80), limb(-30, 10), limb(10, -10), limb(-8, -8), FREE),
    frame(0.04, -4, limb(-30, 10), limb(35, 80), limb(-8, -8), limb(10, -10), FREE),
  ],
  balance: [frame(0, 0, limb(80, 80), limb(-80, -80), limb(70, -30), up, FREE), frame(0, 4, limb(95, 95), limb(-95, -95), limb(80, -10), up, FREE)],
  rest: [frame(0, 0, limb(10, 12), limb(-10, -8), up, up, FREE), frame(0.01, 3, limb(12, 14), limb(-8, -6), up, up, FREE)],
  steps: [
    frame(0.02, 4, limb(-22, -10), limb(25, 35), limb(26, 14), limb(-20, -28), FREE),
    frame(0.02, 4, limb(25, 35), limb(-22, -10), limb(-20, -28), limb(26, 14), FREE),
  ],
};

/** The first that fits names the exercise. */
const WORDS: readonly (readonly [RegExp, ExerciseId])[] = [
  [/star jump|jump/i, 'jump'],
  [/heel/i, 'heels'],
  [/march|knee|climb/i, 'march'],
  [/squat|bend|crouch/i, 'squat'],
  [/clap/i, 'clap'],
  [/circle|swing|arms/i, 'arms'],
  [/stretch|reach|touch the (floor|ground)/i, 'stretch'],
  [/toe/i, 'toes'],
  [/hop|skip/i, 'hop'],
  [/shake|wobble|dance/i, 'shake'],
  [/balance|one leg|stork/i, 'balance'],
  [/rest|breath|still/i, 'rest'],
  [/walk|jog|run|step/i, 'steps'],
];

/** The exercise that some words speak of; undefined where none of ours is meant. */
export function exerciseIn(words: string): ExerciseId | undefined {
  return WORDS.find(([pattern]) => pattern.test(words))?.[1];
}
