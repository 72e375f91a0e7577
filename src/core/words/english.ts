/** British English, the language of everything that is written here. */
import pluralize from 'pluralize';
import { messages } from './compiled/en-GB';
import { speak } from './speak';
import type { Words } from './words';

/** "boxes", "pieces of paper", "towels laid as a strip": of the words for a thing those before what it is of, or how it lies, are many. */
const many = (words: string) => {
  const [, head, rest = ''] = /^(.+?)( (?:of|in|on|under|with|made|laid) .+)?$/.exec(words)!;
  return `${pluralize.plural(head!)}${rest}`;
};
const withArticle = (words: string) => `${/^[aeiou]/i.test(words) ? 'an' : 'a'} ${words}`;

export const english: Words = speak({
  tag: 'en-GB',
  direction: 'ltr',
  messages,
  noun: (noun, form, n) => (form === 'a' ? withArticle(noun) : n > 1 ? many(noun) : noun),
});
