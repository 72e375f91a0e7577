/**
 * A language made by a rule, for tests: every letter of English becomes a letter of the Hebrew block, written from the right. What still
 * stands in Latin letters on a page in it is not in the catalogue; what is cut off or on the wrong side does not work from right to left.
 */
import { messages } from './compiled/pseudo';
import { speak } from './speak';
import type { Words } from './words';

const ALEPH = 0x05d0;
const LETTERS = 27;

/** Each letter outside of braces becomes one of its own; figures, marks and slots stay. The compiler of the catalogue does the same. */
export function pseudoText(text: string): string {
  return text
    .split(/(\{[^}]*\})/)
    .map((piece) =>
      piece.startsWith('{')
        ? piece
        : piece.replace(/[a-z]/gi, (letter) => String.fromCharCode(ALEPH + ((letter.toLowerCase().charCodeAt(0) - 97) % LETTERS))),
    )
    .join('');
}

export const pseudo: Words = speak({
  tag: 'he',
  direction: 'rtl',
  messages,
  noun: (noun) => pseudoText(noun),
});
