/** How hard a password is to guess, by a dictionary that ships with this server: nobody outside is asked. */
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary as common } from '@zxcvbn-ts/language-common';
import { dictionary, translations } from '@zxcvbn-ts/language-en';
import { refuse } from '../http/answer';

/** Of 0 to 4: 3 takes more than 10^8 guesses. */
const LEAST_SCORE = 3;

let known: ZxcvbnFactory | undefined;

/** Refuses, at `place`, a password that is quickly guessed, also by who knows these words (name, address, school). */
export function checkStrength(password: string, words: readonly string[], place = '/password'): void {
  known ??= new ZxcvbnFactory({ dictionary: { ...common, ...dictionary }, graphs: adjacencyGraphs, translations });
  const own = words.flatMap((word) => [word, ...word.split(/[^\p{L}\p{N}]+/u)]).filter((word) => word.length > 2);
  const { score, feedback } = known.check(password, own);
  if (score < LEAST_SCORE)
    throw refuse(
      400,
      place,
      feedback.warning || 'This is quickly guessed.',
      feedback.suggestions[0] ?? 'Three or four words that do not belong together are good.',
    );
}
