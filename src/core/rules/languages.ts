/**
 * The languages of the rules: each is a catalogue of words of one shape. English (UK) is complete; US English is a variant of it with its
 * own words for things, for a tie, and feet and inches. Any other language is made from the English by its messages (`core/words`).
 */
import { english, type Words } from '../words/words';
import { counted } from './counted';
import { placeName } from './place-name';
import { fromFeetAndInches, sayMetres, toFeetAndInches } from '../measure/lengths';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '../objects/catalogue';
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
  /** What a game's makers wrote, in this language where it knows it. */
  readonly own: (written: string) => string;
}

/** What the catalogues of English share. */
const asWritten: Pick<Catalogue, 'place' | 'counted' | 'own'> = {
  place: (index, n) => placeName(index, n),
  counted: (n, plural) => counted(n, plural),
  own: (written) => written,
};

const US_THINGS: Readonly<Partial<Record<AimedId | ImplementId, string>>> = {
  football: 'soccer ball',
  'rice-bag': 'little bean bag',
  'laundry-basket': 'laundry hamper',
  'washing-up-bowl': 'dishpan',
  'yoghurt-pot': 'large yogurt cup',
  'biscuit-tin': 'small cookie tin',
  'kitchen-roll': 'paper towel roll',
  'clothes-horse': 'drying rack',
};

const US_GENERAL: GeneralWords = {
  ...generalWords,
  precise: { ...generalWords.precise, tie: 'If it is tied: {what}.', when: 'Only if it is tied:', measureDone: 'Write down that you did it.' },
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
  'en-US': {
    plain: messages,
    general: US_GENERAL,
    implement: (id) => US_THINGS[id] ?? IMPLEMENTS[id].name,
    aimed: (id) => US_THINGS[id] ?? AIMED[id].name,
    length: sayFeet,
    ...asWritten,
  },
};

/** "6 ft 7 in", "8 ft": to the nearest inch below ten feet, to the nearest foot above. */
function sayFeet(lengthM: number): string {
  const { feet, inches } = toFeetAndInches(lengthM);
  if (lengthM >= fromFeetAndInches({ feet: 10, inches: 0 })) return `${Math.round(feet + inches / 12)} ft`;
  return inches === 0 ? `${feet} ft` : `${feet} ft ${inches} in`;
}

/** The same texts, each put through `say`. */
function translated<T>(texts: T, say: (text: string) => string): T {
  if (typeof texts === 'string') return say(texts) as T;
  if (typeof texts !== 'object' || texts === null) return texts;
  if (Array.isArray(texts)) return texts.map((one: unknown) => translated(one, say)) as T;
  return Object.fromEntries(Object.entries(texts).map(([key, one]: [string, unknown]) => [key, translated(one, say)])) as T;
}

const made = new WeakMap<Words, Catalogue>();

/** The catalogue of the rules in the language of a family. Things stand in it as "the …", in whatever way that language says it. */
export function catalogueIn(words: Words): Catalogue {
  if (words === english) return CATALOGUES['en-GB'];
  const { t } = words;
  const catalogue = made.get(words) ?? {
    plain: translated<PlainWords>(messages, t),
    general: translated(generalWords, t),
    implement: (id: ImplementId) => t('{thing:the}', { thing: { noun: IMPLEMENTS[id].name } }),
    aimed: (id: AimedId) => t('{thing:the}', { thing: { noun: AIMED[id].name } }),
    length: (lengthM: number) => sayMetres(lengthM, words),
    place: (index: number, n: number) => placeName(index, n, words),
    counted: (n: number, plural: string) => counted(n, plural, words),
    own: (written: string) => t(written),
  };
  made.set(words, catalogue);
  return catalogue;
}
