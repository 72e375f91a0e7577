import { english } from '../words/words';

/** "1 stroke", "2 strokes": the words of a counter, which a game writes in the plural, for a number of them. */
export function counted(n: number, plural: string, words = english): string {
  const one = plural.replace(/\b(\w+?)(?:(ss)es|([^s\s])s)\b/, '$1$2$3');
  return words.count(Math.abs(n), one, plural);
}
