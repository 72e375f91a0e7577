import { english } from '../words/english';

/** "stroke" of "strokes": a game writes the words of a counter in the plural. */
const single = (plural: string) => plural.replace(/\b(\w+?)(?:(ss)es|([^s\s])s)\b/, '$1$2$3');

/** The message that says one or several of a counter. */
export const countedMessage = (plural: string): string => `{n, plural, one {${single(plural)}} other {${plural}}}`;

/** "stroke", "strokes": the words of a counter for a number of them. */
export function counted(n: number, plural: string, words = english): string {
  const message = countedMessage(plural);
  if (words.knows(message)) return words.own(message, { n: Math.abs(n) });
  return Math.abs(n) === 1 ? single(plural) : plural;
}
