import pluralize from 'pluralize';
import { english } from '../../words/english';

/**
 * "stroke" of "strokes", "bonus stone" of "bonus stones", "touch in a row" of "touches in a row": a game writes the words of a counter in the
 * plural, and of its words the first that is one, or the last of several in a row, is what is counted.
 */
function single(plural: string): string {
  const written = plural.split(' ');
  const isPlural = (word: string | undefined) => word !== undefined && /^\p{L}{3,}$/u.test(word) && pluralize.singular(word) !== word;
  const head = written.findIndex((word, at) => isPlural(word) && !isPlural(written[at + 1]));
  return written.map((word, at) => (at === head ? pluralize.singular(word) : word)).join(' ');
}

/** The message that says one or several of a counter. */
export const countedMessage = (plural: string): string => `{n, plural, one {${single(plural)}} other {${plural}}}`;

/** "stroke", "strokes": the words of a counter for a number of them. */
export function counted(n: number, plural: string, words = english): string {
  const message = countedMessage(plural);
  if (words.knows(message)) return words.own(message, { n: Math.abs(n) });
  return Math.abs(n) === 1 ? single(plural) : plural;
}
