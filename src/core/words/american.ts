/** American English: what it says otherwise than British, and its names of things. */
import { messages as british } from './compiled/en-GB';
import { messages } from './compiled/en-US';
import { english } from './english';
import { speak } from './speak';
import type { Words } from './words';

const NOUNS: Readonly<Record<string, string>> = {
  football: 'soccer ball',
  'little bag of rice': 'little bean bag',
  'laundry basket': 'laundry hamper',
  'washing-up bowl': 'dishpan',
  'large yoghurt pot': 'large yogurt cup',
  'small tin': 'small cookie tin',
  'kitchen roll': 'paper towel roll',
  'clothes horse': 'drying rack',
};

export const american: Words = speak({
  tag: 'en-US',
  direction: 'ltr',
  messages: { ...british, ...messages },
  noun: (noun, form, n) => (form === 'a' ? english.forms('thing', NOUNS[noun] ?? noun)['thing_a']! : english.noun(NOUNS[noun] ?? noun, n)),
});
