/**
 * The languages of the rules: each is a catalogue of words of one shape. English (UK) is complete; US English is a variant of it with its
 * own words for things, for a tie, and feet and inches. A further language adds a file of the same shape and a line here.
 */
import { fromFeetAndInches, sayMetres, toFeetAndInches } from '../measure/lengths';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '../objects/catalogue';
import { generalWords, type GeneralWords } from './general-words.en-gb';
import { messages } from './messages.en-gb';

export type Language = 'en-GB' | 'en-US';

type Texts<T> = { readonly [K in keyof T]: T[K] extends string ? string : Texts<T[K]> };
export type PlainWords = Texts<typeof messages>;

export interface Catalogue {
  readonly plain: PlainWords;
  readonly general: GeneralWords;
  readonly implement: (id: ImplementId) => string;
  readonly aimed: (id: AimedId) => string;
  /** A distance as families there say it. */
  readonly length: (lengthM: number) => string;
}

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

export const CATALOGUES: Readonly<Record<Language, Catalogue>> = {
  'en-GB': {
    plain: messages,
    general: generalWords,
    implement: (id) => IMPLEMENTS[id].name,
    aimed: (id) => AIMED[id].name,
    length: sayMetres,
  },
  'en-US': {
    plain: messages,
    general: US_GENERAL,
    implement: (id) => US_THINGS[id] ?? IMPLEMENTS[id].name,
    aimed: (id) => US_THINGS[id] ?? AIMED[id].name,
    length: sayFeet,
  },
};

/** "6 ft 7 in", "8 ft": to the nearest inch below ten feet, to the nearest foot above. */
function sayFeet(lengthM: number): string {
  const { feet, inches } = toFeetAndInches(lengthM);
  if (lengthM >= fromFeetAndInches({ feet: 10, inches: 0 })) return `${Math.round(feet + inches / 12)} ft`;
  return inches === 0 ? `${feet} ft` : `${feet} ft ${inches} in`;
}
