/** Which of our drawn exercises some words speak of. The drawings are apart, so that a page may tell before it has them. */
export type ExerciseId = 'jump' | 'heels' | 'march' | 'squat' | 'clap' | 'stretch' | 'arms' | 'toes' | 'hop' | 'shake' | 'balance' | 'rest' | 'steps';

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
