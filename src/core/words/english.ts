/** British English, the language of everything that is written here. */
import { messages } from './compiled/en-GB';
import { speak } from './speak';
import type { Words } from './words';

/** "boxes" for "box": how English makes a plural of the things that are in a house. */
const many = (words: string) => (words.endsWith('s') ? words : /(x|ch|sh)$/.test(words) ? `${words}es` : `${words}s`);

export const english: Words = speak({
  tag: 'en-GB',
  direction: 'ltr',
  messages,
  noun: (noun, _form, n) => (n > 1 ? many(noun) : noun),
});
