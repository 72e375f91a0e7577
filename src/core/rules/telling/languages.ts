/**
 * The languages of the rules: each is a catalogue of words of one shape. English (UK) is complete; US English is a variant of it with its
 * own words for things, and feet and inches. Any other language is made from the English by its messages (`core/words`).
 */
import { american } from '../../words/american';
import { english } from '../../words/english';
import type { Words } from '../../words/words';
import { counted } from './counted';
import { rulesMessage } from './rules-message';
import { placeName } from './place-name';
import { fromFeetAndInches, sayMetres, toFeetAndInches } from '../../measure/lengths';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '../../objects/catalogue';
import { generalWords, type GeneralWords } from './general-words.en-gb';
import { messages } from './messages.en-gb';

type Texts<T> = { readonly [K in keyof T]: T[K] extends string ? string : Texts<T[K]> };
export type PlainWords = Texts<typeof messages>;

export interface Catalogue {
  readonly plain: PlainWords;
  readonly general: GeneralWords;
  readonly implement: (id: ImplementId) => string;
  readonly aimed: (id: AimedId) => string;
  /** A distance as families there say it. */
  readonly length: (lengthM: number) => string;
  readonly place: (index: number, n: number) => string;
  /** "1 stroke", "2 strokes" */
  readonly counted: (n: number, plural: string) => string;
  /** The name of a thing, in the plural above one. */
  readonly noun: (english: string, n: number) => string;
  /** A text of the tables that is not the same for one and for several, for a number of them; any other as it is. */
  readonly plural: (message: string, n: number) => string;
  /** Words as they stand before others: French « si » before « il ». */
  readonly elided: (before: string, after: string) => string;
  /** What a game's makers wrote, in this language where it knows it. */
  readonly own: (written: string) => string;
}

/** What the catalogues of English share. */
const asWritten: Pick<Catalogue, 'place' | 'counted' | 'noun' | 'plural' | 'elided' | 'own'> = {
  place: (index, n) => placeName(index, n),
  counted: (n, plural) => counted(n, plural),
  noun: (name, n) => english.noun(name, n),
  plural: (message, n) => pluralOf(message, n, english),
  elided: (before) => before,
  own: (written) => written,
};

export const CATALOGUES: Readonly<Record<'en-GB' | 'en-US', Catalogue>> = {
  'en-GB': {
    plain: messages,
    general: generalWords,
    implement: (id) => IMPLEMENTS[id].name,
    aimed: (id) => AIMED[id].name,
    length: (lengthM) => sayMetres(lengthM),
    ...asWritten,
  },
  'en-US': { ...inWords(american), length: sayFeet },
};

/** "6 ft 7 in", "8 ft": to the nearest inch below ten feet, to the nearest foot above. */
function sayFeet(lengthM: number): string {
  const { feet, inches } = toFeetAndInches(lengthM);
  if (lengthM >= fromFeetAndInches({ feet: 10, inches: 0 })) return `${Math.round(feet + inches / 12)} ft`;
  return inches === 0 ? `${feet} ft` : `${feet} ft ${inches} in`;
}

function isPlural(message: string): boolean {
  return message.startsWith('{n, plural,');
}

function pluralOf(message: string, n: number, words: Words): string {
  return isPlural(message) ? words.own(message, { n: Math.abs(n) }) : message;
}

/** The same texts in the words of a language. */
function translated<T>(texts: T, words: Words, path = ''): T {
  if (typeof texts === 'string') {
    // Chosen by a number, where it is said.
    if (isPlural(texts)) return texts;
    const message = rulesMessage(texts, path);
    return (words.knows(message) ? words.own(message) : texts) as T;
  }
  if (typeof texts !== 'object' || texts === null) return texts;
  if (Array.isArray(texts)) return texts.map((one: unknown, index) => translated(one, words, `${path} ${index}`)) as T;
  return Object.fromEntries(
    Object.entries(texts).map(([key, one]: [string, unknown]) => [key, translated(one, words, `${path} ${key}`.trim())]),
  ) as T;
}

const made = new WeakMap<Words, Catalogue>();

/** The catalogue of the rules in the language of a family. Things stand in it as "the …", in whatever way that language says it. */
export function catalogueIn(words: Words): Catalogue {
  if (words === english) return CATALOGUES['en-GB'];
  const catalogue = made.get(words) ?? inWords(words);
  made.set(words, catalogue);
  return catalogue;
}

function inWords(words: Words): Catalogue {
  const { own, forms } = words;
  return {
    plain: translated<PlainWords>(messages, words),
    general: translated(generalWords, words),
    implement: (id) => forms('thing', IMPLEMENTS[id].name)['thing_the']!,
    aimed: (id) => forms('thing', AIMED[id].name)['thing_the']!,
    length: (lengthM) => sayMetres(lengthM, words),
    place: (index, n) => placeName(index, n, words),
    counted: (n, plural) => counted(n, plural, words),
    noun: (name, n) => words.noun(name, n),
    plural: (message, n) => pluralOf(message, n, words),
    elided: words.elided,
    own,
  };
}
